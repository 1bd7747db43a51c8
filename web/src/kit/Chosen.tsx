import { Box, type BoxProps } from "@chakra-ui/react";

type Props = BoxProps & {
  /** Whether it is the one that is chosen. */
  chosen: boolean;
  onChoose: () => void;
};

/** One of several that lie side by side, of which one is chosen by a touch. */
export function Chosen({ chosen, onChoose, ...rest }: Props) {
  return (
    <Box
      as="button"
      aria-pressed={chosen}
      onClick={onChoose}
      textAlign="start"
      minH="48px"
      px="3"
      borderRadius="slab"
      borderWidth="2px"
      bg="bg.panel"
      cursor="pointer"
      fontWeight={chosen ? "640" : "500"}
      borderColor={chosen ? "ink" : "border"}
      {...rest}
    />
  );
}
