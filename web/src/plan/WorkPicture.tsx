import { Box } from "@chakra-ui/react";
import { memo } from "react";
import type { WorkInputs, WorkKind, WorkOf } from "../api/client";
import { WorkFigures } from "./WorkFigures";
import { kindOf, type PictureOf } from "./work/kindsOfWork";

function OfKind<K extends WorkKind>(props: PictureOf<WorkOf<K>>) {
  const { Picture } = kindOf<K>(props.work);
  return Picture && <Picture {...props} />;
}

/** What it will look like, to scale, and its figures. */
export const WorkPicture = memo(function WorkPicture(props: PictureOf<WorkInputs>) {
  return (
    <Box color="fg.muted">
      <OfKind<WorkKind> {...props} />
      <WorkFigures plan={props.plan} />
    </Box>
  );
});
