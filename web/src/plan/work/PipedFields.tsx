import { Stack } from "@chakra-ui/react";
import type { WorkOf } from "../../api/client";
import { SelectField } from "../../kit/SelectField";
import { ChocolatePick } from "./ChocolatePick";
import { CountField } from "./CountField";
import { FromField } from "./FromField";
import { NumberField } from "./NumberField";
import { freshOutline, OutlineFields } from "./OutlineFields";
import { Pair } from "./Pair";
import type { FieldsOf } from "./WorkFields";

type Piped = WorkOf<"piped">;

const shapes: Record<Piped["shape"], string> = {
  outlines: "outlines over a printed sheet",
  lattices: "lattices",
  nests: "nests",
  bowls: "bowls over ice",
};

/** Piped pieces. */
export function PipedFields({ work, errors, onChange, ...pick }: FieldsOf<Piped>) {
  const { second } = work;
  return (
    <Stack gap="4">
      <FromField work={work} errors={errors} onChange={onChange} {...pick} />
      <SelectField
        label="Piped as"
        value={work.shape}
        choices={Object.entries(shapes).map(([value, label]) => ({ value, label }))}
        onChange={(shape) => onChange({ shape: shape as Piped["shape"] })}
      />
      <NumberField
        label="Line is wide"
        unit="mm"
        value={work.line_mm}
        error={errors.line_mm}
        onChange={(line_mm) => onChange({ line_mm })}
      />
      <SelectField
        label="How much line"
        value={work.outlines ? "outlines" : ""}
        choices={[
          { value: "outlines", label: "as these outlines take" },
          { value: "", label: "so much in each" },
        ]}
        onChange={(by) => onChange({ outlines: by ? [freshOutline] : null })}
      />
      {work.outlines ? (
        <OutlineFields
          outlines={work.outlines}
          errors={errors}
          onChange={(outlines) => onChange({ outlines })}
        />
      ) : (
        <Pair>
          <CountField
            value={work.count}
            error={errors.count}
            onChange={(count) => onChange({ count })}
          />
          <NumberField
            label="Line in each"
            unit="mm"
            value={work.length_mm}
            error={errors.length_mm}
            onChange={(length_mm) => onChange({ length_mm })}
          />
        </Pair>
      )}
      <SelectField
        label="A second colour"
        value={second ? "yes" : ""}
        choices={[
          { value: "", label: "none" },
          { value: "yes", label: "for the features, piped first" },
        ]}
        onChange={(yes) =>
          yes
            ? pick.onAddChocolate("white", (chocolate) => ({
                second: { chocolate, length_mm: 100 },
              }))
            : onChange({ second: null })
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
          <NumberField
            label="Its line in each"
            unit="mm"
            value={second.length_mm}
            error={errors["second.length_mm"]}
            onChange={(length_mm) => onChange({ second: { ...second, length_mm } })}
          />
        </Pair>
      )}
    </Stack>
  );
}
