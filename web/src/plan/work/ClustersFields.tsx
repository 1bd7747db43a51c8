import { Stack } from "@chakra-ui/react";
import type { WorkOf } from "../../api/client";
import { CountField } from "../../kit/CountField";
import { EitherField } from "../../kit/EitherField";
import { fieldsOf } from "../../kit/fieldsOf";
import { NumberField } from "../../kit/NumberField";
import { Pair } from "../../kit/Pair";
import { MixedInFields } from "../goods/MixedInFields";
import { FromField } from "./FromField";
import type { FieldsOf } from "./fieldsOfWork";

/** Clusters. */
export function ClustersFields({ work, errors, onChange, ...pick }: FieldsOf<WorkOf<"clusters">>) {
  const field = fieldsOf(work, errors, onChange);
  return (
    <Stack gap="4">
      <FromField label="Bound by" work={work} errors={errors} onChange={onChange} {...pick} />
      <MixedInFields
        mixedIn={work.mixed_in}
        needed
        errors={errors}
        onChange={(mixed_in) => onChange({ mixed_in })}
      />
      <Pair>
        <CountField {...field("count")} />
        <NumberField label="Weight each" unit="g" {...field("each_g")} />
      </Pair>
      <EitherField
        label="On each"
        no="nothing"
        yes="a few flakes of salt"
        {...field("salted")}
        value={work.salted ?? false}
      />
    </Stack>
  );
}
