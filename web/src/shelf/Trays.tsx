import type { OnShelf } from "../api/queries";
import { TrayField } from "../plan/TrayField";
import { trayWords } from "../plan/trayWords";
import { type FieldsProps, Gear } from "./Gear";
import { HowManyField } from "./HowManyField";

/** The trays and tins. */
export function Trays({ trays }: { trays: OnShelf<"tray">[] }) {
  return (
    <Gear
      title="Trays"
      one="a tray"
      none="No tray yet. Measured once, on the inside, it need not be measured again."
      items={trays}
      fresh={{
        kind: "tray",
        name: "",
        shape: { shape: "rectangle", length_mm: 300, width_mm: 200, rim_mm: 15 },
      }}
      words={({ thing }) => trayWords(thing.shape)}
      learns={false}
      Fields={TrayFields}
    />
  );
}

function TrayFields({ draft, errors, onChange }: FieldsProps<"tray">) {
  return (
    <>
      <TrayField
        tray={draft.shape}
        errors={errors}
        field="shape"
        bare
        onChange={(shape) => onChange({ ...draft, shape })}
      />
      <HowManyField draft={draft} errors={errors} usual="1" onChange={onChange} />
    </>
  );
}
