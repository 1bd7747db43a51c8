import { Box, type BoxProps } from "@chakra-ui/react";

/** What is wrong, where no one field is at fault: said at once to those who listen. */
export function Fault(props: BoxProps) {
  return <Box role="alert" color="stop" fontWeight="560" {...props} />;
}
