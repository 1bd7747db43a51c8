import { Box } from "@chakra-ui/react";
import { memo } from "react";
import type { ComponentInputs, PlannedBowl } from "../api/client";
import { Fold } from "../kit/Fold";
import { mass } from "../kit/format";
import { inWords } from "../kit/message";
import { Notes } from "../kit/Notes";
import { Panel } from "../kit/Panel";
import { ColourWeighOut } from "./ColourWeighOut";
import { LeftOver } from "./LeftOver";
import { WeighOut } from "./WeighOut";

interface Props {
  bowl: PlannedBowl;
  /** What it is called, where there are several. */
  name: string | undefined;
  onAdd: (component: ComponentInputs) => void;
  /** Folded to a line, where there is little room. */
  folded?: boolean;
}

/** What is weighed out of one chocolate, how it is divided, and what is left over. */
export const WeighedPanel = memo(function WeighedPanel({ bowl, name, onAdd, folded }: Props) {
  const { plan, taken, tinted, notes, left_over } = bowl;
  // Of what nothing is made from there is nothing to weigh.
  if (!plan && !taken && notes.length === 0 && !left_over) return null;
  const title = name === undefined ? "What to weigh" : `What to weigh: ${name}`;
  const all = (
    <>
      {plan?.colour && (
        <ColourWeighOut colour={plan.colour} bought={plan.colour.melted_g == null} />
      )}
      {plan && <WeighOut plan={plan} looks={tinted ? null : bowl.looks} />}
      {taken && (
        <Box data-testid="taken-part">
          <Box textStyle="label">Take, once it is in temper</Box>
          <Box textStyle="figure" fontSize={{ base: "4xl", md: "5xl" }}>
            {mass(taken.mass_g)}
          </Box>
          <Box>of the {taken.label}. It is weighed out and tempered with it.</Box>
        </Box>
      )}
      {tinted?.amount && (
        <Box mt={taken ? "2" : "3"} data-testid="tinted">
          Then stir in <strong>{inWords(tinted.amount)}</strong> of the {tinted.colour}.
        </Box>
      )}
      <Notes notes={notes} />
      {left_over && <LeftOver left={left_over} onAdd={onAdd} />}
    </>
  );
  return folded ? (
    <Fold title={title} value={mass(plan?.to_weigh_g ?? taken?.mass_g ?? bowl.needed_g)} open>
      {all}
    </Fold>
  ) : (
    <Panel title={title}>{all}</Panel>
  );
});
