import { Box, Button, Heading } from "@chakra-ui/react";
import { Plus } from "lucide-react";
import { type ReactNode, useId, useState } from "react";

interface Props {
  title: string;
  /** What one more of them is called: "a bowl". */
  one: string;
  /** What is said where there is none. */
  none: string;
  empty: boolean;
  children: ReactNode;
  /** The form for a new one; `done` closes it. */
  form: (done: () => void) => ReactNode;
}

/** Things of one kind, with a place to add another. */
export function Section({ title, one, none, empty, children, form }: Props) {
  const [adding, setAdding] = useState(false);
  const id = useId();
  return (
    <Box as="section" aria-labelledby={id}>
      <Box
        display="flex"
        flexWrap="wrap"
        justifyContent="space-between"
        alignItems="center"
        gap="1"
        mb="2"
        minH="44px"
      >
        <Heading as="h2" id={id} textStyle="title" fontSize="lg">
          {title}
        </Heading>
        {!adding && (
          <Button
            variant="outline"
            borderColor="border.emphasized"
            h="44px"
            onClick={() => setAdding(true)}
          >
            <Plus aria-hidden /> Add {one}
          </Button>
        )}
      </Box>
      <Box display="grid" gap="2" gridTemplateColumns="minmax(0, 1fr)">
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
