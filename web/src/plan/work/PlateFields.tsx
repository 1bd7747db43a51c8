import type { CapInputs } from "../../api/client";
import { NumberField } from "../../kit/NumberField";
import { Pair } from "../../kit/Pair";
import { ChocolatePick } from "./ChocolatePick";
import type { FieldsOf } from "./fieldsOfWork";

interface Props extends Pick<FieldsOf<unknown>, "bowls" | "names" | "errors" | "onAddChocolate"> {
  plate: CapInputs;
  /** Its name among the fields. */
  at: string;
  /** What its chocolate and its thickness are called. */
  words: [string, string];
  /** Its chocolate, where none is stated. */
  usual: string;
  patch: (plate: CapInputs) => object;
  onChange: (patch: object) => void;
}

/** What closes a shell or a foot: its chocolate and how thick it is. */
export function PlateFields(props: Props) {
  const { plate, at, words, usual, errors, patch, onChange, ...pick } = props;
  return (
    <Pair>
      <ChocolatePick
        {...pick}
        label={words[0]}
        value={plate.chocolate ?? usual}
        error={errors[`${at}.chocolate`]}
        patch={(chocolate) => patch({ ...plate, chocolate })}
        onChange={onChange}
      />
      <NumberField
        label={words[1]}
        unit="mm"
        value={plate.cap_mm}
        error={errors[`${at}.cap_mm`]}
        onChange={(cap_mm) => onChange(patch({ ...plate, cap_mm }))}
      />
    </Pair>
  );
}
