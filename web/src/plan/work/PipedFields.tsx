import { Stack } from "@chakra-ui/react";
import type { WorkOf } from "../../api/client";
import { CountField } from "../../kit/CountField";
import { EitherField } from "../../kit/EitherField";
import { fieldsOf } from "../../kit/fieldsOf";
import { NumberField } from "../../kit/NumberField";
import { Pair } from "../../kit/Pair";
import { SelectField } from "../../kit/SelectField";
import { ChocolatePick } from "./ChocolatePick";
import { FloodedFields } from "./FloodedFields";
import { FromField } from "./FromField";
import { FrozenFields } from "./FrozenFields";
import type { FieldsOf } from "./fieldsOfWork";
import { freshOutline, OutlineFields } from "./OutlineFields";

type Piped = WorkOf<"piped">;

const shapes: Record<Piped["shape"], string> = {
  outlines: "outlines over a printed sheet",
  lattices: "lattices",
  nests: "nests",
  bowls: "bowls over ice",
};

/** Outlines all in one colour. */
function withoutFeatures(outlines: Piped["outlines"]) {
  return outlines ? { outlines: outlines.map((one) => ({ ...one, features: [] })) } : {};
}

/** Piped pieces. */
export function PipedFields({ work, errors, onChange, ...pick }: FieldsOf<Piped>) {
  const { second, flooded } = work;
  const field = fieldsOf(work, errors, onChange);
  // Of features that are named it is known how much line they are.
  const named = work.outlines?.some(({ features }) => (features?.length ?? 0) > 0) ?? false;
  return (
    <Stack gap="4">
      <FromField work={work} errors={errors} onChange={onChange} {...pick} />
      <SelectField label="Piped as" choices={shapes} {...field("shape")} />
      {(work.shape === "nests" || work.shape === "bowls" || work.frozen) && (
        <FrozenFields
          frozen={work.frozen}
          words={
            work.shape === "bowls"
              ? { label: "Ice", no: "not weighed", yes: "by its weight", what: "Dome" }
              : {
                  label: "Piped on",
                  no: "a sheet",
                  yes: "a stone from the freezer",
                  what: "Stone",
                }
          }
          usual={
            work.shape === "bowls" ? { weighs_kg: 1, cold_c: -18 } : { weighs_kg: 6, cold_c: -18 }
          }
          errors={errors}
          onChange={(frozen) => onChange({ frozen })}
        />
      )}
      <NumberField label="Line width" unit="mm" {...field("line_mm")} />
      <EitherField
        label="Line length by"
        value={work.outlines != null}
        no="so much in each"
        yes="as these outlines take"
        onChange={(drawn) => onChange({ outlines: drawn ? [freshOutline] : null })}
      />
      {work.outlines ? (
        <OutlineFields
          work={work}
          outlines={work.outlines}
          errors={errors}
          onChange={(outlines) => onChange({ outlines })}
        />
      ) : (
        <Pair>
          <CountField {...field("count")} />
          <NumberField label="Line length each" unit="mm" {...field("length_mm")} />
        </Pair>
      )}
      {work.shape === "outlines" && (
        <EitherField
          label="Bodies"
          value={flooded != null}
          no="lines alone"
          yes="flooded: outlined, then filled"
          error={errors.flooded}
          onChange={(wanted) =>
            onChange({
              flooded: wanted
                ? { chocolate: work.chocolate, depth_mm: 3, area_cm2: work.outlines ? null : 12 }
                : null,
            })
          }
        />
      )}
      {flooded && (
        <FloodedFields
          {...pick}
          flooded={flooded}
          drawn={work.outlines != null}
          errors={errors}
          onChange={onChange}
        />
      )}
      <EitherField
        label="A second colour"
        value={second != null}
        no="none"
        yes="for the features, piped first"
        onChange={(wanted) =>
          wanted
            ? pick.onAddChocolate("white", (chocolate) => ({
                second: { chocolate, length_mm: 100 },
              }))
            : onChange({ second: null, ...withoutFeatures(work.outlines) })
        }
      />
      {second && (
        <Pair>
          <ChocolatePick
            {...pick}
            label="Features from"
            value={second.chocolate}
            error={errors["second.chocolate"]}
            patch={(chocolate) => ({ second: { ...second, chocolate } })}
            onChange={onChange}
          />
          {!named && (
            <NumberField
              label="Line length each, second"
              unit="mm"
              value={second.length_mm}
              error={errors["second.length_mm"]}
              onChange={(length_mm) => onChange({ second: { ...second, length_mm } })}
            />
          )}
        </Pair>
      )}
    </Stack>
  );
}
