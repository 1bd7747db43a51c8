import { Box } from "@chakra-ui/react";
import type { ToeInputs } from "../../api/client";
import { EitherField } from "../../kit/EitherField";
import { Fold } from "../../kit/Fold";
import { faultyIn } from "../../kit/faultyIn";
import { fieldsOf } from "../../kit/fieldsOf";
import { NumberField } from "../../kit/NumberField";
import { ChocolatePick } from "./ChocolatePick";
import type { FieldsOf } from "./fieldsOfWork";

interface Props extends Pick<FieldsOf<unknown>, "bowls" | "names" | "errors" | "onAddChocolate"> {
  dipped: ToeInputs | null | undefined;
  /** The chocolate that it starts with. */
  usual: string;
  onChange: (patch: object) => void;
}

/** What of a piece is dipped in the end: a toe, a corner, a base. */
export function ToeFields({ dipped, usual, errors, onChange, ...pick }: Props) {
  const set = (next: ToeInputs | null) => onChange({ dipped: next });
  const field =
    dipped && fieldsOf(dipped, errors, (patch) => set({ ...dipped, ...patch }), "dipped.");
  return (
    <Fold
      inner
      title="Dipped in the end"
      value={dipped ? `${dipped.deep_mm} mm deep` : "nothing"}
      faulty={faultyIn(errors, "dipped")}
    >
      <EitherField
        label="Once it is out of the mould"
        no="left as it is"
        yes="a part of it is dipped"
        value={dipped != null}
        onChange={(is) =>
          set(is ? { chocolate: usual, share_pct: 20, deep_mm: 20, vessel_mm: 60 } : null)
        }
      />
      {dipped && field && (
        <Box display="grid" gridTemplateColumns="1fr 1fr" gap="2">
          <ChocolatePick
            {...pick}
            label="Dipped in"
            value={dipped.chocolate}
            error={errors["dipped.chocolate"]}
            patch={(chocolate) => ({ dipped: { ...dipped, chocolate } })}
            onChange={onChange}
          />
          <NumberField label="Share of the surface" unit="%" {...field("share_pct")} />
          <NumberField label="How deep" unit="mm" {...field("deep_mm")} />
          <NumberField label="Vessel, across" unit="mm" {...field("vessel_mm")} />
        </Box>
      )}
    </Fold>
  );
}
