import { Box } from "@chakra-ui/react";
import type { ReactNode } from "react";
import type { BowlInputs } from "../api/client";
import { useShelf } from "../api/queries";
import { materials } from "../chocolate/materials";
import { NumberField } from "../kit/NumberField";
import { SelectField } from "../kit/SelectField";
import { UnitField } from "../kit/UnitField";

type Gear = "bowl" | "microwave" | "ware_id" | "heat_id" | "thermometer_id";

export type GearProps = { [K in Gear]: BowlInputs[K] | undefined } & {
  errors: Record<string, string>;
  onChange: (patch: Partial<BowlInputs>) => void;
};

const usualBowl_g = 500;
const usualMicrowave = { watts: 800, power: 0.5 };

/** What it is melted in and with: from the shelf, or stated here. */
export function GearFields(props: GearProps) {
  const { errors, onChange, ware_id, heat_id, thermometer_id } = props;
  const shelf = useShelf().data;
  const bowl = props.bowl ?? null;
  const microwave = props.microwave ?? null;
  const wares = shelf?.wares ?? [];
  const heats = shelf?.heats ?? [];
  const thermometers = shelf?.thermometers ?? [];
  return (
    <>
      <Wide>
        <SelectField
          label="Bowl"
          value={ware_id ?? bowl?.material ?? ""}
          choices={[
            { value: "", label: "not counted" },
            ...wares.map(({ id, thing }) => ({ value: id, label: thing.name })),
            ...materials.map((material) => ({
              value: material,
              label: wares.length > 0 ? `another, ${material}` : material,
            })),
          ]}
          error={errors.ware_id}
          onChange={(chosen) => {
            const material = materials.find((one) => one === chosen);
            if (material) {
              onChange({ ware_id: null, bowl: { mass_g: usualBowl_g, ...bowl, material } });
            } else onChange({ ware_id: chosen || null, bowl: null });
          }}
        />
      </Wide>
      {bowl && !ware_id && (
        <Wide>
          <NumberField
            label="Empty bowl"
            unit="g"
            value={bowl.mass_g}
            error={errors["bowl.mass_g"]}
            onChange={(g) => onChange({ bowl: { ...bowl, mass_g: g } })}
          />
        </Wide>
      )}
      {heats.length > 0 && (
        <Wide>
          <SelectField
            label="Heat"
            value={heat_id ?? ""}
            choices={[
              { value: "", label: "another: say which" },
              ...heats.map(({ id, thing }) => ({ value: id, label: thing.name })),
            ]}
            error={errors.heat_id}
            onChange={(chosen) =>
              onChange(
                chosen
                  ? { heat_id: chosen, microwave: null }
                  : { heat_id: null, microwave: usualMicrowave },
              )
            }
          />
        </Wide>
      )}
      {!heat_id && (
        <UnitField
          label="Microwave"
          unit="W"
          optional="none: water bath"
          value={microwave?.watts}
          error={errors["microwave.watts"]}
          onChange={(watts) =>
            onChange({
              microwave: watts === null ? null : { ...usualMicrowave, ...microwave, watts },
            })
          }
        />
      )}
      {!heat_id &&
        (microwave ? (
          <NumberField
            label="Power setting"
            unit="%"
            value={Math.round(microwave.power * 100)}
            error={errors["microwave.power"]}
            onChange={(pct) => onChange({ microwave: { ...microwave, power: pct / 100 } })}
          />
        ) : (
          <Box />
        ))}
      {thermometers.length > 0 && (
        <Wide>
          <SelectField
            label="Thermometer"
            value={thermometer_id ?? ""}
            choices={[
              { value: "", label: "not corrected" },
              ...thermometers.map(({ id, thing }) => ({ value: id, label: thing.name })),
            ]}
            error={errors.thermometer_id}
            onChange={(chosen) => onChange({ thermometer_id: chosen || null, offset_c: null })}
          />
        </Wide>
      )}
    </>
  );
}

/** Names of the maker's own take a line. */
function Wide({ children }: { children: ReactNode }) {
  return <Box gridColumn="1 / -1">{children}</Box>;
}
