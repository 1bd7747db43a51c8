import { Stack } from "@chakra-ui/react";
import { useMemo } from "react";
import type { WorkOf } from "../../api/client";
import { MixedInFields } from "../goods/MixedInFields";
import { CoverFields } from "./CoverFields";
import { FinishFields } from "./FinishFields";
import { FromField } from "./FromField";
import type { FieldsOf } from "./fieldsOfWork";

type Slab = WorkOf<"slab">;

const thicknesses: [number, number] = [2, 12];

/** A slab of bark, with dry goods in it or not. */
export function SlabFields({ work, errors, onChange, ...pick }: FieldsOf<Slab>) {
  const set = useMemo(() => {
    const field =
      <K extends keyof Slab>(key: K) =>
      (value: Slab[K]) =>
        onChange({ [key]: value });
    return {
      cover: field("cover"),
      mixed_in: field("mixed_in"),
    };
  }, [onChange]);
  return (
    <Stack gap="4">
      {pick.bowls.length > 1 && (
        <FromField work={work} errors={errors} onChange={onChange} {...pick} />
      )}
      <CoverFields
        cover={work.cover}
        thickness={thicknesses}
        errors={errors}
        onChange={set.cover}
      />
      <MixedInFields mixedIn={work.mixed_in} errors={errors} onChange={set.mixed_in} />
      <FinishFields
        toppings={work.toppings}
        lining={work.lining}
        piece_cm2={work.piece_cm2}
        texture={work.texture}
        errors={errors}
        onChange={onChange}
      />
    </Stack>
  );
}
