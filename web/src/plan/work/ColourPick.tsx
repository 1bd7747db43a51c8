import { SelectField } from "../../kit/SelectField";
import { useNewColours } from "../useNewColours";
import type { FieldsOf } from "./fieldsOfWork";

const PART = "part of ";

interface Props extends Pick<FieldsOf<unknown>, "bowls" | "onAddColour"> {
  label: string;
  value: string;
  error: string | undefined;
  /** The patch that puts a colour in this place. */
  patch: (key: string) => object;
  onChange: (patch: object) => void;
}

/** One of the batch's colours, or a new one from a pigment. */
export function ColourPick(props: Props) {
  const { label, value, error, bowls, patch, onChange, onAddColour } = props;
  const fresh = useNewColours();
  const colours = bowls.filter(({ colour }) => colour);
  return (
    <SelectField
      label={label}
      value={value}
      choices={[
        ...(colours.some(({ key }) => key === value)
          ? []
          : [{ value, label: value === "" ? "choose a colour…" : value }]),
        ...colours.map(({ key }) => ({ value: key, label: key })),
        ...colours
          .filter(({ part }) => !part)
          .map(({ key }) => ({ value: PART + key, label: `a part of the ${key}, to mix` })),
        ...fresh.choices,
      ]}
      error={error}
      onChange={(chosen) => {
        const pigment = fresh.pigmentOf(chosen);
        const isThere = colours.some(({ key }) => key === chosen);
        if (!isThere && chosen.startsWith(PART)) {
          onAddColour({ part_of: chosen.slice(PART.length) }, patch);
        } else if (pigment) onAddColour(pigment, patch);
        else onChange(patch(chosen));
      }}
    />
  );
}
