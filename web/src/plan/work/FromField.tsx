import { ChocolatePick } from "./ChocolatePick";
import type { FieldsOf } from "./fieldsOfWork";

type Props = Omit<FieldsOf<{ chocolate: string }>, "onChange"> & {
  label?: string;
  onChange: (patch: object) => void;
};

/** The chocolate that a piece of work is made from. */
export function FromField({ work, errors, label = "From", onChange, ...pick }: Props) {
  return (
    <ChocolatePick
      {...pick}
      label={label}
      value={work.chocolate}
      error={errors.chocolate}
      patch={(chocolate) => ({ chocolate })}
      onChange={onChange}
    />
  );
}
