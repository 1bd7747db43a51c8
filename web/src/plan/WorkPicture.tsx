import { Box } from "@chakra-ui/react";
import { memo } from "react";
import type { BowlInputs, ComponentPlan, WorkInputs } from "../api/client";
import { FaceOfMould } from "./picture/FaceOfMould";
import { FaceOfSlab } from "./picture/FaceOfSlab";
import { Pieces } from "./picture/Pieces";
import { Strip } from "./picture/Strip";
import { WorkFigures } from "./WorkFigures";

interface Props {
  work: WorkInputs;
  plan: ComponentPlan;
  bowls: readonly BowlInputs[];
}

/** What it will look like, to scale, and its figures. */
export const WorkPicture = memo(function WorkPicture({ work, plan, bowls }: Props) {
  return (
    <Box color="fg.muted">
      {plan.cast ? (
        <FaceOfMould work={work} plan={plan} cast={plan.cast} bowls={bowls} />
      ) : plan.outline ? (
        <FaceOfSlab work={work} plan={plan} outline={plan.outline} bowls={bowls} />
      ) : work.kind === "wrap" || work.kind === "ribbons" ? (
        <Strip work={work} plan={plan} bowls={bowls} />
      ) : work.kind === "bottled" ? null : (
        <Pieces work={work} plan={plan} bowls={bowls} />
      )}
      <WorkFigures plan={plan} />
    </Box>
  );
});
