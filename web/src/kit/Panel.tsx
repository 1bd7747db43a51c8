import { Box, type BoxProps, Heading } from "@chakra-ui/react";
import { useId } from "react";

/** A titled part of a page. */
export function Panel({ title, children, ...rest }: BoxProps & { title: string }) {
  const id = useId();
  return (
    <Box
      as="section"
      aria-labelledby={id}
      bg="bg.panel"
      borderRadius="slab"
      p="4"
      contain="layout"
      {...rest}
    >
      <Heading as="h2" id={id} textStyle="title" fontSize="md" mb="3">
        {title}
      </Heading>
      {children}
    </Box>
  );
}
