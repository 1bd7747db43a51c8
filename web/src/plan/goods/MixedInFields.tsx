import { memo } from "react";
import type { GoodsInputs, MixedInInputs } from "../../api/client";
import { faultyIn } from "../../kit/faultyIn";
import { mass } from "../../kit/format";
import { NumberField } from "../../kit/NumberField";
import { AmountField } from "./AmountField";
import { GoodsList } from "./GoodsList";
import { GoodsPick } from "./GoodsPick";
import { KnownFields } from "./KnownFields";
import { PreparedFields } from "./PreparedFields";
import { type Pickable, picked, useGoods } from "./useGoods";
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

const hasDensity = ({ density_g_cm3 }: GoodsInputs) => density_g_cm3 != null;

const fresh: MixedInInputs = {
  name: "my dry goods",
  amount: ways.parts.start,
  density_g_cm3: 1,
};

/** What follows from picking one; of what is not known of it the usual stands. */
function from(goods: Pickable | undefined): Omit<MixedInInputs, "amount"> {
  return {
    name: goods?.name ?? fresh.name,
    goods_id: goods?.goods_id ?? null,
    density_g_cm3: goods?.density_g_cm3 ?? fresh.density_g_cm3,
    known: goods?.known ?? {},
  };
}

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
  const goods = useGoods(hasDensity);
  const another = goods.find(({ name }) => !mixedIn.some((one) => one.name === name));
  return (
    <GoodsList
      title="Mixed in"
      at="mixed_in"
      goods={mixedIn}
      errors={errors}
      more="Add dry goods"
      fewest={needed ? 1 : 0}
      onMore={() => onChange([...mixedIn, { ...fresh, ...from(another) }])}
      onChange={onChange}
    >
      {({ item, i, at, field, changed, away }) => (
        <>
          <GoodsPick
            label={i === 0 ? "Dry goods" : `Dry goods ${i + 1}`}
            ownLabel="Name of the dry goods"
            goods={goods}
            away={away}
            item={item}
            error={errors[`${at}.name`] ?? errors[`${at}.goods_id`]}
            onChoose={(chosen) => onChange(changed(from(chosen)))}
            onName={(name) => onChange(changed({ name, goods_id: null }))}
          />
          <AmountField
            ways={ways}
            amount={item.amount}
            errors={errors}
            at={`${at}.amount`}
            onChange={(amount) => onChange(changed({ amount }))}
          />
          <PreparedFields
            prepared={item.prepared}
            errors={errors}
            at={`${at}.prepared`}
            onChange={(prepared) => onChange(changed({ prepared }))}
          />
          <KnownFields
            known={item.known ?? {}}
            errors={errors}
            at={`${at}.known`}
            brief={`1 cm³ weighs ${mass(item.density_g_cm3)}`}
            faulty={faultyIn(errors, `${at}.density_g_cm3`)}
            shelf={item.goods_id ? picked(goods, item) : undefined}
            onChange={(known) => onChange(changed({ known }))}
          >
            <NumberField label="Density, solid" unit="g" {...field("density_g_cm3")} />
          </KnownFields>
        </>
      )}
    </GoodsList>
  );
});
