import type { OnShelf } from "../api/queries";
import { EitherField } from "../kit/EitherField";
import { NumberField } from "../kit/NumberField";
import { Pair } from "../kit/Pair";
import { type FieldsProps, Gear } from "./Gear";
import { HowManyField } from "./HowManyField";

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
      <EitherField
        label="Type"
        value={microwave != null}
        no="a water bath"
        yes="a microwave"
        onChange={(is) => onChange({ ...draft, microwave: is ? { watts: 800, power: 0.5 } : null })}
      />
      {microwave && (
        <Pair>
          <NumberField
            label="Rated output"
            unit="W"
            value={microwave.watts}
            error={errors["microwave.watts"]}
            onChange={(watts) => onChange({ ...draft, microwave: { ...microwave, watts } })}
          />
          <NumberField
            label="Power setting"
            unit="%"
            value={Math.round(microwave.power * 100)}
            error={errors["microwave.power"]}
            onChange={(pct) =>
              onChange({ ...draft, microwave: { ...microwave, power: pct / 100 } })
            }
          />
        </Pair>
      )}
      <HowManyField draft={draft} errors={errors} usual="enough" onChange={onChange} />
    </>
  );
}
