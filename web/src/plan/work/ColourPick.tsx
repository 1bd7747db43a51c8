import { usePigments, useShelf } from "../../api/queries";
import { SelectField } from "../../kit/SelectField";
import type { FieldsOf } from "./fieldsOfWork";

const SAVED = "shelf ";
const USUAL = "usual ";
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
  const saved = useShelf().data?.pigments ?? [];
  const usual = usePigments().data ?? [];
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
        ...saved.map(({ id, thing }) => ({
          value: SAVED + id,
          label: `another, with ${thing.name} from your shelf`,
        })),
        ...usual.map(({ name }) => ({
          value: USUAL + name,
          label: `another, with ${name.toLowerCase()}`,
        })),
      ]}
      error={error}
      onChange={(chosen) => {
        const of = saved.find(({ id }) => chosen === SAVED + id);
        const pigment = usual.find(({ name }) => chosen === USUAL + name);
        const isThere = colours.some(({ key }) => key === chosen);
        if (!isThere && chosen.startsWith(PART)) {
          onAddColour({ part_of: chosen.slice(PART.length) }, patch);
        } else if (of) onAddColour({ name: of.thing.name, pigment_id: of.id }, patch);
        else if (pigment) onAddColour({ name: pigment.name, pigment }, patch);
        else onChange(patch(chosen));
      }}
    />
  );
}
