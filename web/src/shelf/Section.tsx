import { Box, Button, Heading } from "@chakra-ui/react";
import { Plus } from "lucide-react";
import { type ReactNode, useEffect, useId, useRef } from "react";
import { useSearchParams } from "react-router";

interface Props {
  title: string;
  /** What one more of them is called: "a bowl". */
  one: string;
  /** What is said where there is none. */
  none: string;
  empty: boolean;
  /** Whether it has the page to itself: its things stand two abreast. */
  alone?: boolean | undefined;
  children: ReactNode;
  /** The form for a new one; `done` closes it. */
  form: (done: () => void) => ReactNode;
}

/** Things of one kind, with a place to add another. */
export function Section({ title, one, none, empty, alone, children, form }: Props) {
  // Its address says that the form is open: it can be led to, and gone back from.
  const [params, setParams] = useSearchParams();
  const adding = params.get("add") === one;
  const setAdding = (open: boolean) => setParams(open ? { add: one } : {}, { replace: !open });
  const place = useRef<HTMLDivElement>(null);
  useEffect(() => {
    if (adding) place.current?.scrollIntoView({ block: "start" });
  }, [adding]);
  const id = useId();
  return (
    <Box as="section" aria-labelledby={id} ref={place}>
      <Box
        display="flex"
        flexWrap="wrap"
        justifyContent="space-between"
        alignItems="center"
        gap="1"
        mb="2"
        minH="48px"
      >
        <Heading as="h2" id={id} textStyle="title" fontSize="lg">
          {title}
        </Heading>
        {!adding && (
          <Button
            variant="outline"
            borderColor="border.emphasized"
            h="48px"
            onClick={() => setAdding(true)}
          >
            <Plus aria-hidden /> Add {one}
          </Button>
        )}
      </Box>
      <Box
        display="grid"
        gap="2"
        alignItems="start"
        gridTemplateColumns={{
          base: "minmax(0, 1fr)",
          ...(alone ? { lg: "repeat(2, minmax(0, 1fr))" } : {}),
        }}
      >
        {adding && <Slot>{form(() => setAdding(false))}</Slot>}
        {children}
        {empty && !adding && <Box color="fg.muted">{none}</Box>}
      </Box>
    </Box>
  );
}

/** Where one thing stands. */
export function Slot({ children, name }: { children: ReactNode; name?: string }) {
  return (
    <Box as="article" aria-label={name} bg="bg.panel" borderRadius="slab" p="4">
      {children}
    </Box>
  );
}
