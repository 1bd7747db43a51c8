import { Box, type BoxProps } from "@chakra-ui/react";

type Props = BoxProps & {
  wash: string;
  edge: string;
};

/** The ground of what is to be done: how much it matters is told by its wash and its edge. */
export function Edged({ wash, edge, ...rest }: Props) {
  return (
    <Box
      bg={wash}
      borderInlineStartWidth="10px"
      borderColor={edge}
      borderRadius="slab"
      px={{ base: "3", md: "5" }}
      py="3"
      display="flex"
      flexDirection={{ base: "column", md: "row" }}
      gap={{ base: "2", md: "5" }}
      alignItems={{ base: "stretch", md: "center" }}
      justifyContent="space-between"
      {...rest}
    />
  );
}
