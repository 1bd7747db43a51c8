import { Box } from "@chakra-ui/react";
import type { ToneInputs } from "../../api/client";
import { Entry } from "../../kit/Entry";
import { Fold } from "../../kit/Fold";
import { faultyIn } from "../../kit/faultyIn";
import { ListField } from "../../kit/ListField";
import { NumberField } from "../../kit/NumberField";
import { SelectField } from "../../kit/SelectField";
import { UnitField } from "../../kit/UnitField";
import { ChocolatePick } from "./ChocolatePick";
import type { FieldsOf } from "./fieldsOfWork";

type Fill = NonNullable<ToneInputs["fill"]>;

const coat: Fill = { by: "layer", thickness_mm: 0.9 };
const fills: { [By in Fill["by"]]: Fill } = { layer: coat, solid: { by: "solid", each_g: null } };

interface Props extends Pick<FieldsOf<unknown>, "bowls" | "names" | "errors" | "onAddChocolate"> {
  tones: ToneInputs[];
  /** The mould's regions. */
  regions: string[];
  /** The body's chocolate. */
  body: string;
  onChange: (patch: object) => void;
}

/** The tones of a figure, in the order in which they go in: the first is seen. */
export function TonesFields({ tones, regions, body, errors, onChange, ...pick }: Props) {
  const patch = (next: ToneInputs[]) => ({ tones: next });
  const free = regions.find((name) => tones.every(({ region }) => region !== name)) ?? null;
  return (
    <Fold
      inner
      title="Tones: the first in a region is seen"
      value={tones.map(({ region }) => region ?? "the whole face").join(", then ") || "none"}
      faulty={faultyIn(errors, "tones")}
    >
      <ListField
        items={tones}
        at="tones"
        errors={errors}
        most={8}
        nameOf={(_, i) => `tone ${i + 1}`}
        whole="The tones"
        more="Add tone"
        onMore={() => onChange(patch([...tones, { region: free, chocolate: body, fill: coat }]))}
        onChange={(next) => onChange(patch(next))}
      >
        {({ item, i, at, changed, away }) => {
          const fill = item.fill ?? coat;
          return (
            <Entry>
              <Box
                display="grid"
                gridTemplateColumns="minmax(0, 1fr) minmax(0, 1fr) 44px"
                gap="2"
                alignItems="end"
              >
                <SelectField
                  label={i === 0 ? "First tone, on" : `Tone ${i + 1}, on`}
                  value={item.region ?? ""}
                  choices={[
                    ...[...new Set([...regions, ...(item.region ? [item.region] : [])])].map(
                      (name) => ({ value: name, label: `the ${name}` }),
                    ),
                    { value: "", label: "the whole face" },
                  ]}
                  error={errors[`${at}.region`]}
                  onChange={(region) => onChange(patch(changed({ region: region || null })))}
                />
                <ChocolatePick
                  {...pick}
                  label="From"
                  value={item.chocolate}
                  error={errors[`${at}.chocolate`]}
                  patch={(chocolate) => patch(changed({ chocolate }))}
                  onChange={onChange}
                />
                {away}
              </Box>
              <Box display="grid" gridTemplateColumns="1fr 1fr" gap="2">
                <SelectField
                  label="It lies"
                  value={fill.by}
                  choices={{ layer: "in a layer", solid: "solid, all through" }}
                  onChange={(by) => onChange(patch(changed({ fill: fills[by] })))}
                />
                {fill.by === "layer" ? (
                  <NumberField
                    label="Thickness"
                    unit="mm"
                    value={fill.thickness_mm}
                    error={errors[`${at}.fill.thickness_mm`]}
                    onChange={(thickness_mm) =>
                      onChange(patch(changed({ fill: { by: "layer", thickness_mm } })))
                    }
                  />
                ) : (
                  <UnitField
                    label="In each"
                    unit="g"
                    optional="by its share of the face"
                    value={fill.each_g}
                    error={errors[`${at}.fill.each_g`]}
                    onChange={(each_g) =>
                      onChange(patch(changed({ fill: { by: "solid", each_g } })))
                    }
                  />
                )}
              </Box>
            </Entry>
          );
        }}
      </ListField>
    </Fold>
  );
}
