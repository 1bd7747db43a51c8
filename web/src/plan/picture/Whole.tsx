import type { BowlInputs, ComponentPlan, WorkInputs } from "../../api/client";
import { FaceOfMould } from "./FaceOfMould";
import { FaceOfSlab } from "./FaceOfSlab";
import { Pieces } from "./Pieces";

interface Props {
  work: WorkInputs;
  plan: ComponentPlan;
  bowls: readonly BowlInputs[];
}

/** The face of a mould or of a slab, whichever the plan has; its pieces where it has neither. */
export function Whole(props: Props) {
  const { cast, outline } = props.plan;
  if (cast) return <FaceOfMould {...props} cast={cast} />;
  if (outline) return <FaceOfSlab {...props} outline={outline} />;
  return <Pieces {...props} />;
}
