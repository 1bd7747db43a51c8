import type { CastInputs } from "../../api/client";
import { EitherField } from "../../kit/EitherField";
import { Fold } from "../../kit/Fold";
import { faultyIn } from "../../kit/faultyIn";
import { NumberField } from "../../kit/NumberField";
import { Pair } from "../../kit/Pair";
import { ChocolatePick } from "./ChocolatePick";
import type { FieldsOf } from "./fieldsOfWork";

interface Props extends Pick<FieldsOf<unknown>, "bowls" | "names" | "errors" | "onAddChocolate"> {
  cast: CastInputs;
  onChange: (patch: object) => void;
}

/** What is smeared on the bare mould before the shell. */
export function SmearFields({ cast, errors, onChange, ...pick }: Props) {
  const { smear } = cast;
  const patch = (next: CastInputs["smear"]) => ({ cast: { ...cast, smear: next ?? null } });
  return (
    <Fold
      inner
      title="Smear before the shell"
      value={
        smear
          ? `${pick.names.get(smear.chocolate) ?? smear.chocolate}, ${smear.share_pct} %`
          : "none"
      }
      faulty={faultyIn(errors, "cast.smear")}
    >
      <EitherField
        label="Before the shell"
        no="the bare mould"
        yes="a smear: streaks, or a first thin coat"
        value={smear != null}
        onChange={(smeared) =>
          onChange(patch(smeared ? { chocolate: cast.chocolate, share_pct: 30 } : null))
        }
      />
      {smear && (
        <Pair>
          <ChocolatePick
            {...pick}
            label="Smear from"
            value={smear.chocolate}
            error={errors["cast.smear.chocolate"]}
            patch={(chocolate) => patch({ ...smear, chocolate })}
            onChange={onChange}
          />
          <NumberField
            label="Covers"
            unit="%"
            value={smear.share_pct}
            error={errors["cast.smear.share_pct"]}
            onChange={(share_pct) => onChange(patch({ ...smear, share_pct }))}
          />
        </Pair>
      )}
    </Fold>
  );
}
