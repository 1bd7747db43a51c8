import { Stack } from "@chakra-ui/react";
import type { WorkOf } from "../../api/client";
import { SelectField } from "../../kit/SelectField";
import { ToppingFields } from "../ToppingFields";
import { CoverFields } from "./CoverFields";
import { FromField } from "./FromField";
import { LiningField } from "./LiningField";
import { NumberField } from "./NumberField";
import type { FieldsOf } from "./WorkFields";

/** Scored shards. */
export function ShardsFields({ work, errors, onChange, ...pick }: FieldsOf<WorkOf<"shards">>) {
  return (
    <Stack gap="4">
      <FromField work={work} errors={errors} onChange={onChange} {...pick} />
      <CoverFields
        cover={work.cover}
        thickness={[2, 8]}
        errors={errors}
        onChange={(cover) => onChange({ cover })}
      />
      <NumberField
        label="Shards of"
        unit="cm²"
        value={work.piece_cm2}
        error={errors.piece_cm2}
        onChange={(piece_cm2) => onChange({ piece_cm2 })}
      />
      <SelectField
        label="The marks run"
        value={work.pattern ?? "uneven"}
        choices={[
          { value: "uneven", label: "slanted, of uneven width" },
          { value: "even", label: "straight, into equal pieces" },
        ]}
        onChange={(pattern) => onChange({ pattern: pattern === "even" ? "even" : "uneven" })}
      />
      <ToppingFields
        topping={work.topping}
        errors={errors}
        onChange={(topping) => onChange({ topping })}
      />
      <LiningField value={work.lining} onChange={(lining) => onChange({ lining })} />
    </Stack>
  );
}
