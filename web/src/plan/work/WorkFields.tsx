import { memo } from "react";
import type { WorkInputs, WorkKind, WorkOf } from "../../api/client";
import type { FieldsOf } from "./fieldsOfWork";
import { kindOf } from "./kindsOfWork";

function OfKind<K extends WorkKind>(props: FieldsOf<WorkOf<K>>) {
  const { Fields } = kindOf<K>(props.work);
  return <Fields {...props} />;
}

/** What is stated of a piece of work, by its kind. */
export const WorkFields = memo(function WorkFields(props: FieldsOf<WorkInputs>) {
  return <OfKind<WorkKind> {...props} />;
});
