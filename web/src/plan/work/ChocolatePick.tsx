import type { Family } from "../../api/client";
import { SelectField } from "../../kit/SelectField";
import { families, familyNames } from "../../theme/chocolate";
import type { FieldsOf } from "./fieldsOfWork";

const NEW = "+ ";
const PART = "part of ";

interface Props extends Pick<FieldsOf<unknown>, "bowls" | "names" | "onAddChocolate"> {
  label: string;
  value: string;
  error: string | undefined;
  /** The patch that puts a chocolate in this place. */
  patch: (key: string) => object;
  onChange: (patch: object) => void;
}

/** One of the batch's chocolates, or a new one. */
export function ChocolatePick(props: Props) {
  const { label, value, error, bowls, names, patch, onChange, onAddChocolate } = props;
  const offered = families.filter((family) => family !== "cocoa_butter");
  return (
    <SelectField
      label={label}
      value={value}
      choices={[
        ...bowls
          .filter(({ colour }) => !colour)
          .map(({ key }) => ({ value: key, label: names.get(key) ?? key })),
        ...bowls
          .filter(({ colour, part }) => !colour && !part)
          .map(({ key }) => ({
            value: `${PART}${key}`,
            label: `a part of the ${names.get(key) ?? key}`,
          })),
        ...offered.map((family) => ({
          value: `${NEW}${family}`,
          label: `another: ${familyNames[family].toLowerCase()}`,
        })),
      ]}
      error={error}
      onChange={(chosen) => {
        if (bowls.some(({ key }) => key === chosen)) onChange(patch(chosen));
        else if (chosen.startsWith(PART)) {
          onAddChocolate({ part_of: chosen.slice(PART.length) }, patch);
        } else onAddChocolate(chosen.slice(NEW.length) as Family, patch);
      }}
    />
  );
}
