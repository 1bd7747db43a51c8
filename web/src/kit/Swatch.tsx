import { Box } from "@chakra-ui/react";

interface Props {
  looks: string;
  /** How wide and high, px. */
  size?: number;
}

/** A square of a colour, beside the name of what looks so. */
export function Swatch({ looks, size = 16 }: Props) {
  return (
    <Box
      flexShrink={0}
      w={`${size}px`}
      h={`${size}px`}
      borderRadius="4px"
      borderWidth="1px"
      borderColor="border.emphasized"
      style={{ background: looks }}
      css={{ printColorAdjust: "exact" }}
    />
  );
}
