import { Stack } from "@chakra-ui/react";
import type { WorkOf } from "../../api/client";
import { CountField } from "../../kit/CountField";
import { EitherField } from "../../kit/EitherField";
import { fieldsOf } from "../../kit/fieldsOf";
import { NumberField } from "../../kit/NumberField";
import { Pair } from "../../kit/Pair";
import { UnitField } from "../../kit/UnitField";
import { ChocolatePick } from "./ChocolatePick";
import { FromField } from "./FromField";
import { FrozenFields } from "./FrozenFields";
import type { FieldsOf } from "./fieldsOfWork";

type Wrap = WorkOf<"wrap">;

/** A wrap round a cake. */
export function WrapFields({ work, errors, onChange, ...pick }: FieldsOf<Wrap>) {
  const { pattern } = work;
  const field = fieldsOf(work, errors, onChange);
  return (
    <Stack gap="4">
      <FromField work={work} errors={errors} onChange={onChange} {...pick} />
      <Pair>
        <NumberField label="Cake width, iced" unit="mm" {...field("diameter_mm")} />
        <NumberField label="Cake height" unit="mm" {...field("cake_mm")} />
        <NumberField label="Wrap height" unit="mm" {...field("height_mm")} />
        <NumberField label="Thickness" unit="mm" {...field("thickness_mm")} />
        <UnitField label="Overlap" unit="mm" optional="25" {...field("overlap_mm")} />
        <UnitField label="Spill over the edges" unit="%" optional="15" {...field("spill_pct")} />
      </Pair>
      <FrozenFields
        frozen={work.frozen}
        words={{
          label: "Spread on",
          no: "a sheet, lifted with it",
          yes: "a stone from the freezer",
          what: "Stone",
        }}
        usual={{ weighs_kg: 8, cold_c: -18 }}
        errors={errors}
        onChange={(frozen) =>
          onChange({
            frozen,
            strips: frozen ? (work.strips ?? 1) : null,
            ...(frozen && { pattern: null }),
          })
        }
      />
      {work.frozen && (
        <CountField label="Strips round it" {...field("strips")} value={work.strips ?? 1} />
      )}
      {!work.frozen && (
        <EitherField
          label="Pattern first"
          value={pattern != null}
          no="none"
          yes="piped in another chocolate"
          onChange={(wanted) =>
            wanted
              ? pick.onAddChocolate("white", (chocolate) => ({
                  pattern: { chocolate, length_mm: 2000, line_mm: 3 },
                }))
              : onChange({ pattern: null })
          }
        />
      )}
      {pattern && <PatternFields pattern={pattern} errors={errors} onChange={onChange} {...pick} />}
    </Stack>
  );
}

interface PatternProps extends Omit<FieldsOf<Wrap>, "work"> {
  pattern: NonNullable<Wrap["pattern"]>;
}

/** What is piped on the strip before the rest is spread over it. */
function PatternFields({ pattern, errors, onChange, ...pick }: PatternProps) {
  const changed = (patch: object) => ({ pattern: { ...pattern, ...patch } });
  const field = fieldsOf(pattern, errors, (patch) => onChange(changed(patch)), "pattern.");
  return (
    <>
      <ChocolatePick
        {...pick}
        label="Pattern from"
        value={pattern.chocolate}
        error={errors["pattern.chocolate"]}
        patch={(chocolate) => changed({ chocolate })}
        onChange={onChange}
      />
      <Pair>
        <NumberField label="Line length" unit="mm" {...field("length_mm")} />
        <NumberField label="Line width" unit="mm" {...field("line_mm")} />
      </Pair>
    </>
  );
}
