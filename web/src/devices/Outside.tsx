import { Box, Heading } from "@chakra-ui/react";
import type { ReactNode } from "react";

/** The frame of what stands where nobody is let in yet. */
export function Outside({ title, children }: { title: string; children: ReactNode }) {
  return (
    <Box as="main" maxW="30rem" mx="auto" px="4" py={{ base: "8", md: "16" }} width="full">
      <Box display="flex" alignItems="center" gap="2.5" textStyle="title" fontSize="lg" mb="6">
        <svg width="34" height="18" viewBox="0 0 34 18" aria-hidden="true">
          <rect width="34" height="18" rx="3" fill="#2C1A12" />
          <path d="M14 0h8l-6 18H8z" fill="#E9ECE9" opacity="0.9" />
        </svg>
        Wide Sheen
      </Box>
      <Heading as="h1" textStyle="title" fontSize="2xl" mb="2">
        {title}
      </Heading>
      {children}
    </Box>
  );
}
