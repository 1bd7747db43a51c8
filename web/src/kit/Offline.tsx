import { Box, type BoxProps } from "@chakra-ui/react";
import { WifiOff } from "lucide-react";

/** Says that the server is not reached, and what becomes of what is entered. */
export function Offline({ children, ...rest }: BoxProps) {
  return (
    <Box
      role="status"
      display="flex"
      gap="3"
      alignItems="center"
      bg="stop.wash"
      borderRadius="slab"
      px="4"
      py="2"
      fontWeight="600"
      {...rest}
    >
      <WifiOff size={22} aria-hidden style={{ flexShrink: 0 }} />
      {children ?? "No connection. What you enter is kept here and sent when it is back."}
    </Box>
  );
}
