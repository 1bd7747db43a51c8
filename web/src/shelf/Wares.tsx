import type { OnShelf } from "../api/queries";
import { materials } from "../chocolate/materials";
import { mass } from "../kit/format";
import { NumberField } from "../kit/NumberField";
import { Pair } from "../kit/Pair";
import { SelectField } from "../kit/SelectField";
import { type FieldsProps, Gear } from "./Gear";
import { HowManyField } from "./HowManyField";

/** The bowls. */
export function Wares({ wares }: { wares: OnShelf<"ware">[] }) {
  return (
    <Gear
      title="Bowls"
      one="a bowl"
      none="No bowl yet. A bowl holds heat: weighed empty, it makes the seed come out right."
      items={wares}
      fresh={{ kind: "ware", name: "", material: "glass", mass_g: 450 }}
      words={({ thing }) => `${thing.material}, ${mass(thing.mass_g)} empty`}
      learns
      Fields={WareFields}
    />
  );
}

function WareFields({ draft, errors, onChange }: FieldsProps<"ware">) {
  return (
    <Pair>
      <SelectField
        label="Material"
        value={draft.material}
        choices={materials.map((material) => ({ value: material, label: material }))}
        onChange={(material) => onChange({ ...draft, material })}
      />
      <NumberField
        label="Weight, empty"
        unit="g"
        value={draft.mass_g}
        error={errors.mass_g}
        onChange={(mass_g) => onChange({ ...draft, mass_g })}
      />
      <HowManyField draft={draft} errors={errors} usual="enough" onChange={onChange} />
    </Pair>
  );
}
