import { Stack } from "@chakra-ui/react";
import type { WorkOf } from "../../api/client";
import { EitherField } from "../../kit/EitherField";
import { fieldsOf } from "../../kit/fieldsOf";
import { NumberField } from "../../kit/NumberField";
import { ToppingFields } from "../goods/ToppingFields";
import { CoverFields } from "./CoverFields";
import { FromField } from "./FromField";
import type { FieldsOf } from "./fieldsOfWork";
import { LiningField } from "./LiningField";

/** Scored shards. */
export function ShardsFields({ work, errors, onChange, ...pick }: FieldsOf<WorkOf<"shards">>) {
  const field = fieldsOf(work, errors, onChange);
  return (
    <Stack gap="4">
      <FromField work={work} errors={errors} onChange={onChange} {...pick} />
      <CoverFields
        cover={work.cover}
        thickness={[2, 8]}
        errors={errors}
        onChange={(cover) => onChange({ cover })}
      />
      <NumberField label="Shard size" unit="cm²" {...field("piece_cm2")} />
      <EitherField
        label="Marks"
        value={work.pattern === "even"}
        no="slanted, of uneven width"
        yes="straight, into equal pieces"
        onChange={(even) => onChange({ pattern: even ? "even" : "uneven" })}
      />
      <ToppingFields
        toppings={work.toppings}
        errors={errors}
        onChange={(toppings) => onChange({ toppings })}
      />
      <LiningField value={work.lining} onChange={(lining) => onChange({ lining })} />
    </Stack>
  );
}
