import type { OnShelf } from "../api/queries";
import { SelectField } from "../kit/SelectField";
import { UnitField } from "../kit/UnitField";
import { type FieldsProps, Gear } from "./Gear";
import { Pair } from "./Pair";

/** Microwaves and water baths. */
export function HeatSources({ heats }: { heats: OnShelf<"heat">[] }) {
  return (
    <Gear
      title="Heat"
      one="a heat source"
      none="None yet. What a microwave really puts into chocolate is learned bowl by bowl."
      items={heats}
      fresh={{ kind: "heat", name: "", microwave: { watts: 800, power: 0.5 } }}
      words={({ thing }) =>
        thing.microwave
          ? `microwave, ${thing.microwave.watts} W at ${Math.round(thing.microwave.power * 100)} %`
          : "water bath, barely simmering"
      }
      learns
      Fields={HeatFields}
    />
  );
}

function HeatFields({ draft, errors, onChange }: FieldsProps<"heat">) {
  const { microwave } = draft;
  return (
    <>
      <SelectField
        label="What it is"
        value={microwave ? "microwave" : "bath"}
        choices={[
          { value: "microwave", label: "a microwave" },
          { value: "bath", label: "a water bath" },
        ]}
        onChange={(kind) =>
          onChange({
            ...draft,
            microwave: kind === "microwave" ? { watts: 800, power: 0.5 } : null,
          })
        }
      />
      {microwave && (
        <Pair>
          <UnitField
            label="Rated output"
            unit="W"
            value={microwave.watts}
            error={errors["microwave.watts"]}
            onChange={(watts) =>
              watts !== null && onChange({ ...draft, microwave: { ...microwave, watts } })
            }
          />
          <UnitField
            label="Setting you melt at"
            unit="%"
            value={Math.round(microwave.power * 100)}
            error={errors["microwave.power"]}
            onChange={(pct) =>
              pct !== null && onChange({ ...draft, microwave: { ...microwave, power: pct / 100 } })
            }
          />
        </Pair>
      )}
    </>
  );
}
