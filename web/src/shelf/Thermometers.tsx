import { Box } from "@chakra-ui/react";
import type { OnShelf } from "../api/queries";
import { offWords } from "../chocolate/offWords";
import { degreeUnit, shownDegrees } from "../kit/display";
import { temperature } from "../kit/format";
import { Pair } from "../kit/Pair";
import { SelectField } from "../kit/SelectField";
import { UnitField } from "../kit/UnitField";
import { type FieldsProps, Gear } from "./Gear";

/** A mouth, under the tongue, °C: what the core takes it for. */
const MOUTH_C = 36.8;

const checks = {
  "": "not checked",
  ice_water: "ice water",
  body: "a mouth, under the tongue",
};

/** The thermometers, with what they are off by. */
export function Thermometers({ thermometers }: { thermometers: OnShelf<"thermometer">[] }) {
  return (
    <Gear
      title="Thermometers"
      one="a thermometer"
      none="None yet. One that is half a degree off is enough to miss the band: check it in ice water."
      items={thermometers}
      fresh={{ kind: "thermometer", name: "", checked_in: "ice_water", showed_c: 0 }}
      words={({ offset_c }) => offWords(offset_c)}
      learns={false}
      Fields={ThermometerFields}
    />
  );
}

function ThermometerFields({ draft, errors, onChange }: FieldsProps<"thermometer">) {
  const checked = draft.checked_in ?? "";
  return (
    <>
      <Pair>
        <SelectField
          label="Checked in"
          value={checked}
          choices={checks}
          error={errors.checked_in}
          onChange={(chosen) =>
            onChange({
              ...draft,
              checked_in: chosen || null,
              showed_c: chosen ? (draft.showed_c ?? null) : null,
            })
          }
        />
        {checked && (
          <UnitField
            label="It read"
            unit="°C"
            optional=""
            value={draft.showed_c}
            error={errors.showed_c}
            onChange={(showed_c) => onChange({ ...draft, showed_c })}
          />
        )}
      </Pair>
      <Box fontSize="sm" color="fg.muted">
        {checked === "body"
          ? `A rough check: a mouth is ${temperature(MOUTH_C)}, give or take ${shownDegrees(0.5)} ${degreeUnit}. Clean the tip before and after.`
          : "Crushed ice with a little water, stirred until it stands still. The tip in the middle, not at the glass."}
      </Box>
    </>
  );
}
