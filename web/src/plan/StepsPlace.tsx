import { Box } from "@chakra-ui/react";
import type { BowlInputs, ComponentInputs, WholePlan } from "../api/client";
import { Chosen } from "../kit/Chosen";
import { Notes } from "../kit/Notes";
import { Panel } from "../kit/Panel";
import { BuildSteps } from "./BuildSteps";
import { BurstStrip } from "./BurstStrip";

interface Props {
  components: readonly ComponentInputs[];
  index: number;
  plan: WholePlan;
  /** The chocolate whose melt is shown, what it is called, and what heats it. */
  bowl: BowlInputs | undefined;
  bowlName: string | undefined;
  onChoose: (index: number) => void;
}

/** How it is built, from the melt to the last look. */
export function StepsPlace({ components, index, plan, bowl, bowlName, onChoose }: Props) {
  const component = components[index];
  const planned = plan.components.find(({ key }) => key === component?.key);
  const melt = plan.bowls.find(({ key }) => key === bowl?.key)?.plan;
  return (
    <Box display="grid" gap="4">
      {components.length > 1 && (
        <Box as="fieldset" aria-label="Which work" display="flex" gap="2" flexWrap="wrap">
          {components.map(({ key, name }, i) => (
            <Chosen key={key} chosen={i === index} onChoose={() => onChoose(i)}>
              {name}
            </Chosen>
          ))}
        </Box>
      )}
      <Box
        display="grid"
        gap="4"
        alignItems="start"
        // The melt takes what the notes leave it, and all of it where there are none.
        gridTemplateColumns={{
          base: "minmax(0, 1fr)",
          lg: plan.notes.length > 0 && melt ? "minmax(0, 1fr) minmax(0, 2fr)" : "minmax(0, 1fr)",
        }}
      >
        {plan.notes.length > 0 && (
          <Panel title="All of it together">
            <Notes notes={plan.notes} />
          </Panel>
        )}
        {melt && (
          <Panel title={bowlName === undefined ? "The melt" : `The melt: ${bowlName}`}>
            <BurstStrip melt={melt.microwave} heat_id={bowl?.heat_id} />
          </Panel>
        )}
      </Box>
      {planned && (
        <Panel title="Steps">
          <BuildSteps
            lines={plan.lines}
            of={planned.key}
            notes={planned.notes}
            checks={planned.checks}
            mistakes={planned.mistakes}
          />
        </Panel>
      )}
    </Box>
  );
}
