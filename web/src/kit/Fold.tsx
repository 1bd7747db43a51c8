import { Box, type BoxProps, Collapsible } from "@chakra-ui/react";
import { ChevronDown } from "lucide-react";
import { type ReactNode, useState } from "react";

interface Props extends Omit<BoxProps, "title"> {
  title: string;
  /** What stands in it, on the line that is left when it is folded. */
  value: ReactNode;
  /** Open from the start. */
  open?: boolean;
  /** Whether it is a part of a panel, and not a panel itself. */
  inner?: boolean;
  /** Whether something in it must be mended: then it cannot be missed. */
  faulty?: boolean;
}

/** A part of a page that folds to a line with what it says. */
export function Fold({ title, value, open, inner, faulty, children, ...rest }: Props) {
  const [shown, setShown] = useState(open ?? false);
  // It stays open when it is mended: one is still typing in it.
  if (faulty && !shown) setShown(true);
  return (
    <Collapsible.Root
      lazyMount
      open={shown}
      onOpenChange={({ open: next }) => setShown(next)}
      asChild
    >
      <Box
        as="section"
        contain="layout"
        {...(inner
          ? { borderTopWidth: "1px", borderColor: "border" }
          : { bg: "bg.panel", borderRadius: "slab" })}
        {...rest}
      >
        <Collapsible.Trigger asChild>
          <Box
            as="button"
            data-testid="fold"
            display="grid"
            gridTemplateColumns="minmax(0, 1fr) 20px"
            gap="2"
            alignItems="center"
            textAlign="start"
            width="full"
            minH={inner ? "52px" : "56px"}
            px={inner ? "0" : "4"}
            py={inner ? "1" : "2"}
            cursor="pointer"
            css={{ "&[data-state=open] svg": { transform: "rotate(180deg)" } }}
          >
            <Box minW="0">
              <Box
                as="span"
                textStyle={inner ? "label" : "title"}
                fontSize={inner ? undefined : "md"}
                display="block"
                lineHeight="1.2"
              >
                {title}
              </Box>
              {!shown && (
                <Box
                  as="span"
                  color={inner ? "fg" : "fg.muted"}
                  fontWeight={inner ? "560" : undefined}
                  fontSize={inner ? "md" : "sm"}
                  display="block"
                  lineClamp="1"
                >
                  {value}
                </Box>
              )}
            </Box>
            <ChevronDown size={20} aria-hidden />
          </Box>
        </Collapsible.Trigger>
        <Collapsible.Content>
          <Box px={inner ? "0" : "4"} pb="4" pt="1" display="grid" gap="3">
            {children}
          </Box>
        </Collapsible.Content>
      </Box>
    </Collapsible.Root>
  );
}
