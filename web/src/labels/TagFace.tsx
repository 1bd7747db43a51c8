import { Box } from "@chakra-ui/react";
import type { Labelled, Labels } from "../api/client";
import { onDay } from "../kit/format";
import { Fitted } from "./Fitted";
import { titleOf } from "./LabelFace";

interface Props {
  label: Labelled;
  of: Labels;
  title: string;
}

/** A gift tag: a hole for the string, what it is, for whom, what it holds of allergens. */
export function TagFace({ label, of, title }: Props) {
  const { contains, may_contain, not_food, best_before } = label;
  return (
    <Fitted
      says={JSON.stringify([label, of.maker, title])}
      textAlign="center"
      pt="11mm"
      largest={12}
    >
      <Box
        position="absolute"
        top="3mm"
        left="50%"
        transform="translateX(-50%)"
        w="5mm"
        h="5mm"
        borderRadius="full"
        border="0.25mm solid #7A857F"
      />
      <Box fontWeight="700" fontSize="1.6em" lineHeight="1.1" css={{ fontStretch: "115%" }}>
        {titleOf(label, title)}
      </Box>
      {label.component == null && <Box mt="0.3em">{label.name}</Box>}
      <Box mt="1.6em" borderBottom="0.2mm solid #7A857F" textAlign="start" fontSize="0.85em">
        For
      </Box>
      <Box mt="1.4em" borderBottom="0.2mm solid #7A857F" textAlign="start" fontSize="0.85em">
        From
      </Box>
      <Box mt="1em" fontSize="0.85em">
        {contains.length > 0 && (
          <Box>
            Contains <strong>{contains.join(", ")}</strong>
          </Box>
        )}
        {may_contain.length > 0 && <Box>May contain {may_contain.join(", ")}</Box>}
        {not_food.length > 0 && <Box fontWeight="700">Not for eating: {not_food.join(", ")}</Box>}
        {best_before && <Box mt="0.4em">Best before {onDay(best_before)}</Box>}
      </Box>
    </Fitted>
  );
}
