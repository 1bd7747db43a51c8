import { memo } from "react";
import type { MixedInInputs } from "../../api/client";
import { useDryGoods } from "../../api/queries";
import { faultyIn } from "../../kit/faultyIn";
import { mass } from "../../kit/format";
import { NumberField } from "../../kit/NumberField";
import { AmountField } from "./AmountField";
import { GoodsList } from "./GoodsList";
import { GoodsPick } from "./GoodsPick";
import { KnownFields } from "./KnownFields";
import { bySpoons, byWeight, restOf, type Ways } from "./ways";

type Amount = MixedInInputs["amount"];

const ways: Ways<Amount> = {
  parts: {
    words: "in parts to one of chocolate",
    start: { by: "parts", parts: 0.2 },
    numbers: [["parts", "Parts to one of chocolate", "parts"]],
  },
  share: {
    words: "as a share of the whole",
    start: { by: "share", share_pct: 15 },
    numbers: [["share_pct", "Share of the whole", "%"]],
  },
  grams: byWeight(50),
  spooned: bySpoons(0.5, "cup"),
  count: {
    words: "by count",
    start: { by: "count", count: 12, each_g: 2 },
    numbers: [
      ["count", "Pieces of it", ""],
      ["each_g", "Weight of one", "g"],
    ],
  },
  fill_to: restOf(150, "All goods together"),
};

const fresh: MixedInInputs = {
  name: "my dry goods",
  amount: ways.parts.start,
  density_g_cm3: 1,
};

interface Props {
  mixedIn: readonly MixedInInputs[] | undefined;
  /** Whether there must be some. */
  needed?: boolean;
  errors: Record<string, string>;
  onChange: (mixedIn: MixedInInputs[]) => void;
}

const none: MixedInInputs[] = [];

/** What is folded into the chocolate, and how much of each. */
export const MixedInFields = memo(function MixedInFields(props: Props) {
  const { mixedIn = none, needed = false, errors, onChange } = props;
  const usual = useDryGoods().data ?? [];
  const another = usual.find(({ name }) => !mixedIn.some((one) => one.name === name));
  return (
    <GoodsList
      title="Mixed in"
      at="mixed_in"
      goods={mixedIn}
      errors={errors}
      more="Add dry goods"
      fewest={needed ? 1 : 0}
      onMore={() => onChange([...mixedIn, { ...fresh, ...another }])}
      onChange={onChange}
    >
      {({ item, i, at, field, changed, away }) => (
        <>
          <GoodsPick
            label={i === 0 ? "Dry goods" : `Dry goods ${i + 1}`}
            ownLabel="Name of the dry goods"
            usual={usual}
            away={away}
            name={item.name}
            error={errors[`${at}.name`]}
            onChoose={(from) => onChange(changed(from ?? { name: fresh.name }))}
            onName={(name) => onChange(changed({ name }))}
          />
          <AmountField
            ways={ways}
            amount={item.amount}
            errors={errors}
            at={`${at}.amount`}
            onChange={(amount) => onChange(changed({ amount }))}
          />
          <KnownFields
            known={item.known ?? {}}
            errors={errors}
            at={`${at}.known`}
            brief={`1 cm³ weighs ${mass(item.density_g_cm3)}`}
            faulty={faultyIn(errors, `${at}.density_g_cm3`)}
            onChange={(known) => onChange(changed({ known }))}
          >
            <NumberField label="Density, solid" unit="g" {...field("density_g_cm3")} />
          </KnownFields>
        </>
      )}
    </GoodsList>
  );
});
