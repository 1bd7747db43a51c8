import { Button, type ButtonProps, Kbd } from "@chakra-ui/react";

type Props = ButtonProps & {
  /** The key that does the same. */
  hotkey?: string;
  /** Whether it is what the coach advises now. */
  advised?: boolean;
};

/** A button for a knuckle: large, with its key on it. */
export function Touch({ hotkey, advised, children, ...rest }: Props) {
  return (
    <Button
      minH={{ base: "56px", md: "64px" }}
      h="auto"
      py="2"
      px="3"
      fontSize="lg"
      fontWeight="600"
      whiteSpace="normal"
      lineHeight="1.15"
      borderRadius="slab"
      borderWidth="2px"
      bg={advised ? "ink" : "bg.panel"}
      color={advised ? "onInk" : "fg"}
      borderColor={advised ? "ink" : "border.emphasized"}
      _hover={{ borderColor: "ink" }}
      data-advised={advised ? "" : undefined}
      justifyContent="space-between"
      {...rest}
    >
      <span>{children}</span>
      {hotkey && (
        <Kbd
          size="sm"
          aria-hidden
          hideBelow="md"
          bg="transparent"
          color="inherit"
          borderColor="currentColor"
        >
          {hotkey}
        </Kbd>
      )}
    </Button>
  );
}
