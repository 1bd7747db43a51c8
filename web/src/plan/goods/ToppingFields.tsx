import { memo } from "react";
import type { GoodsInputs, ToppingInputs } from "../../api/client";
import { faultyIn } from "../../kit/faultyIn";
import { NumberField } from "../../kit/NumberField";
import { AmountField } from "./AmountField";
import { GoodsList } from "./GoodsList";
import { GoodsPick } from "./GoodsPick";
import { KnownFields } from "./KnownFields";
import { PreparedFields } from "./PreparedFields";
import { type Pickable, picked, useGoods } from "./useGoods";
import { bySpoons, byWeight, restOf, type Ways } from "./ways";

type Wish = ToppingInputs["wish"];

const ways: Ways<Wish> = {
  pieces: {
    words: "some on every piece",
    start: { by: "pieces", piece_cm2: 16 },
    numbers: [["piece_cm2", "Piece size", "cm²"]],
  },
  coverage: {
    words: "by how much it covers",
    start: { by: "coverage", coverage_pct: 15 },
    numbers: [["coverage_pct", "Coverage", "%"]],
  },
  share: {
    words: "by the chocolate's weight",
    start: { by: "share", share_pct: 12.5 },
    numbers: [["share_pct", "Share of the chocolate", "%"]],
  },
  grams: byWeight(30),
  spooned: bySpoons(2, "tablespoon"),
  count: {
    words: "by count",
    start: { by: "count", count: 24 },
    numbers: [["count", "Pieces of it", ""]],
  },
  fill_to: restOf(80, "All toppings together"),
};

const hasSize = ({ across_mm, each_g }: GoodsInputs) => across_mm != null && each_g != null;

const fresh: ToppingInputs = {
  name: "my topping",
  across_mm: 10,
  each_g: 0.5,
  wish: ways.pieces.start,
};

/** What follows from picking one; of what is not known of it the usual stands. */
function from(goods: Pickable | undefined): Omit<ToppingInputs, "wish"> {
  return {
    name: goods?.name ?? fresh.name,
    goods_id: goods?.goods_id ?? null,
    across_mm: goods?.across_mm ?? fresh.across_mm,
    each_g: goods?.each_g ?? fresh.each_g,
    known: goods?.known ?? {},
  };
}

interface Props {
  toppings: readonly ToppingInputs[] | undefined;
  errors: Record<string, string>;
  onChange: (toppings: ToppingInputs[]) => void;
}

const none: ToppingInputs[] = [];

/** What goes on top: each with its size, and how much of it. */
export const ToppingFields = memo(function ToppingFields(props: Props) {
  const { toppings = none, errors, onChange } = props;
  const goods = useGoods(hasSize);
  const another = goods.find(({ name }) => !toppings.some((one) => one.name === name));
  return (
    <GoodsList
      title="On top"
      at="toppings"
      goods={toppings}
      errors={errors}
      more="Add topping"
      onMore={() => onChange([...toppings, { ...fresh, ...from(another) }])}
      onChange={onChange}
    >
      {({ item, i, at, field, changed, away }) => (
        <>
          <GoodsPick
            label={i === 0 ? "Topping" : `Topping ${i + 1}`}
            ownLabel="Name of the topping"
            goods={goods}
            away={away}
            item={item}
            error={errors[`${at}.name`] ?? errors[`${at}.goods_id`]}
            onChoose={(chosen) => onChange(changed(from(chosen)))}
            onName={(name) => onChange(changed({ name, goods_id: null }))}
          />
          <AmountField
            ways={ways}
            amount={item.wish}
            errors={errors}
            at={`${at}.wish`}
            onChange={(wish) => onChange(changed({ wish }))}
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
            brief={`${item.across_mm} mm`}
            faulty={faultyIn(errors, `${at}.across_mm`, `${at}.each_g`)}
            shelf={item.goods_id ? picked(goods, item) : undefined}
            onChange={(known) => onChange(changed({ known }))}
          >
            <NumberField label="Size of one" unit="mm" {...field("across_mm")} />
            <NumberField label="Weight of one" unit="g" {...field("each_g")} />
          </KnownFields>
        </>
      )}
    </GoodsList>
  );
});
