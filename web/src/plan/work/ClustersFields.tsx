import { Stack } from "@chakra-ui/react";
import type { WorkOf } from "../../api/client";
import { SelectField } from "../../kit/SelectField";
import { MixedInFields } from "../MixedInFields";
import { CountField } from "./CountField";
import { FromField } from "./FromField";
import { NumberField } from "./NumberField";
import { Pair } from "./Pair";
import type { FieldsOf } from "./WorkFields";

/** Clusters. */
export function ClustersFields({ work, errors, onChange, ...pick }: FieldsOf<WorkOf<"clusters">>) {
  return (
    <Stack gap="4">
      <FromField label="Bound by" work={work} errors={errors} onChange={onChange} {...pick} />
      <MixedInFields
        mixedIn={work.mixed_in}
        needed
        errors={errors}
        onChange={(mixed_in) => mixed_in && onChange({ mixed_in })}
      />
      <Pair>
        <CountField
          value={work.count}
          error={errors.count}
          onChange={(count) => onChange({ count })}
        />
        <NumberField
          label="Each weighs"
          unit="g"
          value={work.each_g}
          error={errors.each_g}
          onChange={(each_g) => onChange({ each_g })}
        />
      </Pair>
      <SelectField
        label="On each"
        value={work.salted ? "salt" : ""}
        choices={[
          { value: "", label: "nothing" },
          { value: "salt", label: "a few flakes of salt" },
        ]}
        onChange={(on) => onChange({ salted: on === "salt" })}
      />
    </Stack>
  );
}
