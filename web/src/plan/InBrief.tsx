import { Box } from "@chakra-ui/react";
import { TriangleAlert } from "lucide-react";
import { memo } from "react";
import type { WholePlan } from "../api/client";
import { mass } from "../kit/format";
import { takesWords } from "./takesWords";
import { weighedInAll } from "./weighedOut";

interface Props {
  plan: WholePlan;
  /** The fields that must be mended first. */
  faulty: boolean;
}

/** The plan in a line: it stays in sight while a field is changed. */
export const InBrief = memo(function InBrief({ plan, faulty }: Props) {
  const { to_weigh_g, seed_g } = weighedInAll(plan);
  return (
    <Box
      display="flex"
      gap={{ base: "3", md: "5" }}
      alignItems="center"
      whiteSpace="nowrap"
      minH="40px"
      fontSize={{ base: "sm", md: "md" }}
      opacity={faulty ? 0.45 : 1}
      overflow="hidden"
      data-testid="in-brief"
    >
      {to_weigh_g > 0 && (
        <span>
          Weigh out <strong data-testid="brief-weigh">{mass(to_weigh_g)}</strong>
        </span>
      )}
      {seed_g > 0 && (
        <span>
          Seed <strong data-testid="brief-seed">{mass(seed_g)}</strong>
        </span>
      )}
      {plan.takes && (
        <Box as="span" hideBelow="sm">
          {takesWords(plan.takes).whole}
        </Box>
      )}
      {plan.in_the_way && (
        <Box
          color={plan.in_the_way.note.level === "stop" ? "stop" : "heat"}
          title="Something is in the way"
        >
          <TriangleAlert size={20} aria-label="Something is in the way: see the plan" />
        </Box>
      )}
    </Box>
  );
});
