import type { BowlInputs, PigmentChoice } from "../api/client";
import { NumberField } from "../kit/NumberField";
import { Pair } from "../kit/Pair";
import { SelectField } from "../kit/SelectField";
import { useNewColours } from "./useNewColours";

type Tint = NonNullable<BowlInputs["tint"]>;

/** Where a share, and where drops start. */
const SHARE_PCT = 2;
const DROPS = 40;
/** Where a mixture of two colours starts: a thickening of white. */
const MIXED_PCT = 30;

interface Props {
  tint: BowlInputs["tint"];
  /** What is stirred into: a colour is mixed, a chocolate tinted. */
  into?: "chocolate" | "colour";
  /** The plan's colours. */
  colours: readonly string[];
  errors: Record<string, string>;
  onChange: (patch: Pick<BowlInputs, "tint">) => void;
  /** Adds a colour to the plan, and puts its key where the patch says. */
  onAddColour: (pigment: PigmentChoice, patch: (key: string) => Partial<BowlInputs>) => void;
}

/** A colour stirred into a chocolate that is in temper: one of the plan's, or a new one. */
export function TintFields(props: Props) {
  const { tint, into = "chocolate", colours, errors, onChange, onAddColour } = props;
  const fresh = useNewColours();
  const tinted = (colour: string): Pick<BowlInputs, "tint"> => ({
    tint: { share_pct: into === "colour" ? MIXED_PCT : SHARE_PCT, ...tint, colour },
  });
  return (
    <>
      <SelectField
        label={into === "colour" ? "Mixed with" : "Tinted with"}
        value={tint?.colour ?? ""}
        choices={[
          { value: "", label: "nothing" },
          ...[...new Set([...colours, ...(tint ? [tint.colour] : [])])].map((key) => ({
            value: key,
            label: key,
          })),
          ...fresh.choices,
        ]}
        error={errors["tint.colour"] ?? errors.tint}
        onChange={(chosen) => {
          const pigment = fresh.pigmentOf(chosen);
          if (pigment) onAddColour(pigment, tinted);
          else onChange(chosen ? tinted(chosen) : { tint: null });
        }}
      />
      {tint && (
        <HowMuch tint={tint} errors={errors} onChange={(next) => onChange({ tint: next })} />
      )}
    </>
  );
}

interface HowMuchProps {
  tint: Tint;
  errors: Record<string, string>;
  onChange: (tint: Tint) => void;
}

/** How much of it: by weight, or in drops. */
function HowMuch({ tint, errors, onChange }: HowMuchProps) {
  const drops = tint.drops_per_100_g;
  return (
    <Pair>
      <SelectField
        label="Measured"
        value={drops == null ? "share" : "drops"}
        choices={{ share: "by weight", drops: "in drops" }}
        onChange={(by) => onChange({ ...tint, drops_per_100_g: by === "drops" ? DROPS : null })}
      />
      {drops == null ? (
        <NumberField
          label="Share of the weight"
          unit="%"
          value={tint.share_pct}
          error={errors["tint.share_pct"]}
          onChange={(share_pct) => onChange({ ...tint, share_pct })}
        />
      ) : (
        <NumberField
          label="Drops to 100 g"
          unit=""
          value={drops}
          error={errors["tint.drops_per_100_g"]}
          onChange={(drops_per_100_g) => onChange({ ...tint, drops_per_100_g })}
        />
      )}
    </Pair>
  );
}
