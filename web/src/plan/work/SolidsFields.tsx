import { Stack } from "@chakra-ui/react";
import type { WorkOf } from "../../api/client";
import { MixedInFields } from "../goods/MixedInFields";
import { ToppingFields } from "../goods/ToppingFields";
import { CastFields } from "./CastFields";
import type { FieldsOf } from "./fieldsOfWork";
import { PaintedFields } from "./PaintedFields";
import { ToeFields } from "./ToeFields";

/** Bars and pieces cast solid. */
export function SolidsFields({ work, errors, onChange, ...pick }: FieldsOf<WorkOf<"solids">>) {
  return (
    <Stack gap="4">
      <CastFields
        {...pick}
        cast={work.cast}
        of="From"
        solid="always"
        errors={errors}
        onChange={onChange}
      />
      <MixedInFields
        mixedIn={work.mixed_in}
        errors={errors}
        onChange={(mixed_in) => onChange({ mixed_in })}
      />
      <ToppingFields
        toppings={work.toppings}
        errors={errors}
        onChange={(toppings) => onChange({ toppings })}
      />
      <ToeFields
        {...pick}
        dipped={work.dipped}
        usual={work.cast.chocolate}
        errors={errors}
        onChange={onChange}
      />
      <PaintedFields {...pick} painted={work.painted ?? []} errors={errors} onChange={onChange} />
    </Stack>
  );
}
