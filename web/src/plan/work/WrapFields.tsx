import { Stack } from "@chakra-ui/react";
import type { WorkOf } from "../../api/client";
import { SelectField } from "../../kit/SelectField";
import { UnitField } from "../../kit/UnitField";
import { ChocolatePick } from "./ChocolatePick";
import { FromField } from "./FromField";
import { NumberField } from "./NumberField";
import { Pair } from "./Pair";
import type { FieldsOf } from "./WorkFields";

type Wrap = WorkOf<"wrap">;

/** A wrap round a cake. */
export function WrapFields({ work, errors, onChange, ...pick }: FieldsOf<Wrap>) {
  const number = (
    name: "diameter_mm" | "cake_mm" | "height_mm" | "thickness_mm",
    label: string,
  ) => (
    <NumberField
      label={label}
      unit="mm"
      value={work[name]}
      error={errors[name]}
      onChange={(mm) => onChange({ [name]: mm })}
    />
  );
  const { pattern } = work;
  const set = (patch: object) => pattern && onChange({ pattern: { ...pattern, ...patch } });
  return (
    <Stack gap="4">
      <FromField work={work} errors={errors} onChange={onChange} {...pick} />
      <Pair>
        {number("diameter_mm", "Cake across, iced")}
        {number("cake_mm", "Cake is high")}
        {number("height_mm", "Wrap is high")}
        {number("thickness_mm", "Thickness")}
        <UnitField
          label="Overlap"
          unit="mm"
          optional="25"
          value={work.overlap_mm}
          error={errors.overlap_mm}
          onChange={(overlap_mm) => onChange({ overlap_mm })}
        />
        <UnitField
          label="Over the edges"
          unit="%"
          optional="15"
          value={work.spill_pct}
          error={errors.spill_pct}
          onChange={(spill_pct) => onChange({ spill_pct })}
        />
      </Pair>
      <SelectField
        label="A pattern first"
        value={pattern ? "yes" : ""}
        choices={[
          { value: "", label: "none" },
          { value: "yes", label: "piped in another chocolate" },
        ]}
        onChange={(yes) =>
          yes
            ? pick.onAddChocolate("white", (chocolate) => ({
                pattern: { chocolate, length_mm: 2000, line_mm: 3 },
              }))
            : onChange({ pattern: null })
        }
      />
      {pattern && (
        <>
          <ChocolatePick
            {...pick}
            label="Pattern from"
            value={pattern.chocolate}
            error={errors["pattern.chocolate"]}
            patch={(chocolate) => ({ pattern: { ...pattern, chocolate } })}
            onChange={onChange}
          />
          <Pair>
            <NumberField
              label="Line in all"
              unit="mm"
              value={pattern.length_mm}
              error={errors["pattern.length_mm"]}
              onChange={(length_mm) => set({ length_mm })}
            />
            <NumberField
              label="Line is wide"
              unit="mm"
              value={pattern.line_mm}
              error={errors["pattern.line_mm"]}
              onChange={(line_mm) => set({ line_mm })}
            />
          </Pair>
        </>
      )}
    </Stack>
  );
}
