import { Button, type ButtonProps } from "@chakra-ui/react";
import { Printer } from "lucide-react";

/** Prints what is on the page; on paper it is not there itself. */
export function PrintButton(props: ButtonProps) {
  return (
    <Button
      size="lg"
      h="52px"
      bg="ink"
      color="onInk"
      onClick={() => print()}
      _print={{ display: "none" }}
      {...props}
    >
      <Printer aria-hidden /> Print
    </Button>
  );
}
