import { Box } from "@chakra-ui/react";
import type { StuckOnInputs } from "../../api/client";
import { CountField } from "../../kit/CountField";
import { Entry } from "../../kit/Entry";
import { Fold } from "../../kit/Fold";
import { faultyIn } from "../../kit/faultyIn";
import { ListField } from "../../kit/ListField";
import { NumberField } from "../../kit/NumberField";
import { SelectField } from "../../kit/SelectField";
import { TextField } from "../../kit/TextField";
import { ChocolatePick } from "./ChocolatePick";
import type { FieldsOf } from "./fieldsOfWork";

const madeBy: Record<StuckOnInputs["made_by"], string> = {
  piping: "piped",
  casting: "cast in a small mould",
  cutting: "cut from a thin sheet",
};

interface Props extends Pick<FieldsOf<unknown>, "bowls" | "names" | "errors" | "onAddChocolate"> {
  stuckOn: StuckOnInputs[];
  /** The chocolate that a new one is of. */
  usual: string;
  onChange: (patch: object) => void;
}

/** What is made beside a piece and stuck on: ears, a horn, leaves. */
export function StuckOnFields({ stuckOn, usual, errors, onChange, ...pick }: Props) {
  const patch = (stuck_on: StuckOnInputs[]) => ({ stuck_on });
  const fresh: StuckOnInputs = {
    name: "ears",
    chocolate: usual,
    made_by: "piping",
    count: 2,
    each_g: 2,
  };
  return (
    <Fold
      inner
      title="Stuck on"
      value={stuckOn.map(({ name, count }) => `${count} ${name}`).join(", ") || "nothing"}
      faulty={faultyIn(errors, "stuck_on")}
    >
      <ListField
        items={stuckOn}
        at="stuck_on"
        errors={errors}
        most={6}
        nameOf={({ name }) => name}
        whole="What is stuck on"
        more="Add ears, leaves, a horn"
        onMore={() => onChange(patch([...stuckOn, fresh]))}
        onChange={(next) => onChange(patch(next))}
      >
        {({ item, i, at, field, changed, away }) => (
          <Entry>
            <Box display="grid" gridTemplateColumns="minmax(0, 1fr) 44px" alignItems="end">
              <TextField label={`Stuck on (${i + 1})`} {...field("name")} />
              {away}
            </Box>
            <Box display="grid" gridTemplateColumns="1fr 1fr" gap="2">
              <ChocolatePick
                {...pick}
                label="Made from"
                value={item.chocolate}
                error={errors[`${at}.chocolate`]}
                patch={(chocolate) => patch(changed({ chocolate }))}
                onChange={onChange}
              />
              <SelectField label="Made by" choices={madeBy} {...field("made_by")} />
              <CountField label="On each" {...field("count")} />
              <NumberField label="Weight of one" unit="g" {...field("each_g")} />
            </Box>
          </Entry>
        )}
      </ListField>
    </Fold>
  );
}
