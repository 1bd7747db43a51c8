import { Box, chakra } from "@chakra-ui/react";
import { memo, useDeferredValue } from "react";
import { Link as RouterLink } from "react-router";
import type { BowlInputs, ComponentInputs, WholePlan } from "../api/client";
import { Panel } from "../kit/Panel";
import { sheetWords } from "../sheets/sheetWords";
import { BuildSteps } from "./BuildSteps";
import { BurstStrip } from "./BurstStrip";
import { RoomVerdict } from "./RoomVerdict";
import { WorkPicture } from "./WorkPicture";
import { kindOf } from "./work/kindsOfWork";

const Link = chakra(RouterLink);

interface Props {
  planId: string;
  component: ComponentInputs;
  bowls: readonly BowlInputs[];
  plan: WholePlan;
  /** The chocolate whose melt is shown, what stands over it, and what heats it. */
  meltOf: string | undefined;
  meltTitle: string;
  heat_id: BowlInputs["heat_id"] | undefined;
}

/**
 * What a piece of work looks like and how it is built. It is large to draw, and follows a
 * moment after the figures, so that they are not kept waiting while something is dragged.
 */
export function WorkView({ component, plan, ...rest }: Props) {
  const later = useDeferredValue(plan);
  const work = useDeferredValue(component);
  return <Drawn component={work} plan={later} {...rest} />;
}

const Drawn = memo(function Drawn(props: Props) {
  const { planId, component, bowls, plan, meltOf, meltTitle, heat_id } = props;
  const { work } = component;
  const planned = plan.components.find(({ key }) => key === component.key);
  const melt = plan.bowls.find(({ key }) => key === meltOf)?.plan;
  if (!planned) return null;
  const sheet = sheetWords(work, planned);
  return (
    <>
      <Panel title={component.name || "It"}>
        <WorkPicture work={work} plan={planned} bowls={bowls} />
      </Panel>
      <Panel title="The room, and after the pour">
        <RoomVerdict
          room={plan.room}
          setting={planned.setting}
          fridge={planned.fridge}
          lies={kindOf(work).lies}
        />
      </Panel>
      <Panel title="How it is built" gridColumn={{ xl: "1 / -1" }}>
        <BuildSteps
          name={planned.name}
          lines={plan.lines}
          of={planned.key}
          notes={planned.notes}
          checks={planned.checks}
          mistakes={planned.mistakes}
          sum={planned.sum}
        />
      </Panel>
      {melt && (
        <Panel title={meltTitle} gridColumn={{ xl: "1 / -1" }}>
          <BurstStrip melt={melt.microwave} heat_id={heat_id} />
        </Panel>
      )}
      <Box gridColumn={{ xl: "1 / -1" }} display="flex" gap="6" flexWrap="wrap">
        <Link to={`/plans/${planId}/card`} color="ink" textDecoration="underline" py="2">
          The card, to print
        </Link>
        {sheet && (
          <Link
            to={`/plans/${planId}/sheets/${encodeURIComponent(component.key)}`}
            color="ink"
            textDecoration="underline"
            py="2"
          >
            {sheet}, at true size
          </Link>
        )}
      </Box>
    </>
  );
});
