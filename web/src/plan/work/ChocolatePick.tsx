import type { Family } from "../../api/client";
import { SelectField } from "../../kit/SelectField";
import { families, familyNames } from "../../theme/chocolate";
import type { FieldsOf } from "./fieldsOfWork";

const NEW = "+ ";

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
        ...offered.map((family) => ({
          value: `${NEW}${family}`,
          label: `another: ${familyNames[family].toLowerCase()}`,
        })),
      ]}
      error={error}
      onChange={(chosen) =>
        chosen.startsWith(NEW)
          ? onAddChocolate(chosen.slice(NEW.length) as Family, patch)
          : onChange(patch(chosen))
      }
    />
  );
}
