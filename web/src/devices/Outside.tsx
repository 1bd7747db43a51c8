import { Box, Heading } from "@chakra-ui/react";
import type { ReactNode } from "react";
import { Mark } from "../kit/Mark";

/** The frame of what stands where nobody is let in yet. */
export function Outside({ title, children }: { title: string; children: ReactNode }) {
  return (
    <Box as="main" maxW="30rem" mx="auto" px="4" py={{ base: "8", md: "16" }} width="full">
      <Box display="flex" alignItems="center" gap="2.5" textStyle="title" fontSize="lg" mb="6">
        <Mark />
        Wide Sheen
      </Box>
      <Heading as="h1" textStyle="title" fontSize="2xl" mb="2">
        {title}
      </Heading>
      {children}
    </Box>
  );
}
