import { Box, Button } from "@chakra-ui/react";
import { memo } from "react";
import type { ComponentInputs, PlannedBowl } from "../api/client";
import { mass } from "../kit/format";
import { inWords } from "../kit/message";

interface Props {
  left: NonNullable<PlannedBowl["left_over"]>;
  onAdd: (component: ComponentInputs) => void;
}

/** What is left over of what is weighed out, and where it could go. */
export const LeftOver = memo(function LeftOver({ left, onAdd }: Props) {
  return (
    <Box mt="3" mb="3" data-testid="left-over">
      <Box fontWeight="600">{mass(left.mass_g)} are left over. They could go into</Box>
      <Box display="flex" gap="2" flexWrap="wrap" mt="2">
        {left.ideas.map(({ text, component }) => (
          <Button
            key={component.name}
            variant="outline"
            h="auto"
            whiteSpace="normal"
            onClick={() => onAdd(component)}
          >
            {inWords(text)}
          </Button>
        ))}
      </Box>
    </Box>
  );
});
