import { Box } from "@chakra-ui/react";
import { memo, useDeferredValue } from "react";
import type { BowlInputs, ComponentInputs, ComponentPlan, WholePlan } from "../api/client";
import { Fold } from "../kit/Fold";
import { temperature } from "../kit/format";
import { Panel } from "../kit/Panel";
import { RoomVerdict } from "./RoomVerdict";
import { WorkPicture } from "./WorkPicture";

interface OfWork {
  component: ComponentInputs;
  plan: WholePlan;
}

/**
 * What a piece of work looks like. It is large to draw, and follows a moment after the figures,
 * so that they do not wait while something is dragged.
 */
export function DrawnWork({ component, plan, bowls }: OfWork & { bowls: readonly BowlInputs[] }) {
  const later = useDeferredValue(plan);
  const work = useDeferredValue(component);
  return <Drawn component={work} plan={later} bowls={bowls} />;
}

const Drawn = memo(function Drawn({
  component,
  plan,
  bowls,
}: OfWork & { bowls: readonly BowlInputs[] }) {
  const planned = plan.components.find(({ key }) => key === component.key);
  return planned ? <WorkPicture work={component.work} plan={planned} bowls={bowls} /> : null;
});

interface AfterProps {
  planned: ComponentPlan | undefined;
  room: WholePlan["room"];
  /** What is done with it while it sets. */
  lies: "flat" | "bent" | "closed";
  folded?: boolean;
}

/** What the room means for it, and when it may be touched, cut and moved. */
export const AfterThePourPanel = memo(function AfterThePourPanel({
  planned,
  room,
  lies,
  folded,
}: AfterProps) {
  if (!planned) return null;
  const verdict = (
    <RoomVerdict room={room} setting={planned.setting} fridge={planned.fridge} lies={lies} />
  );
  const title = "Room, and times after the pour";
  return folded ? (
    <Fold title={title} value={`Dew point ${temperature(room.dew_point_c)}`}>
      {verdict}
    </Fold>
  ) : (
    <Panel title={title}>
      <Box>{verdict}</Box>
    </Panel>
  );
});
