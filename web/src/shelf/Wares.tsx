import type { OnShelf } from "../api/queries";
import { materials } from "../chocolate/materials";
import { mass } from "../kit/format";
import { SelectField } from "../kit/SelectField";
import { UnitField } from "../kit/UnitField";
import { type FieldsProps, Gear } from "./Gear";
import { Pair } from "./Pair";

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
        label="Made of"
        value={draft.material}
        choices={materials.map((material) => ({ value: material, label: material }))}
        onChange={(chosen) => {
          const material = materials.find((one) => one === chosen);
          if (material) onChange({ ...draft, material });
        }}
      />
      <UnitField
        label="Empty, it weighs"
        unit="g"
        value={draft.mass_g}
        error={errors.mass_g}
        onChange={(mass_g) => mass_g !== null && onChange({ ...draft, mass_g })}
      />
    </Pair>
  );
}
