import { memo } from "react";
import type { ToppingInputs } from "../../api/client";
import { useToppings } from "../../api/queries";
import { faultyIn } from "../../kit/faultyIn";
import { NumberField } from "../../kit/NumberField";
import { AmountField } from "./AmountField";
import { GoodsList } from "./GoodsList";
import { GoodsPick } from "./GoodsPick";
import { KnownFields } from "./KnownFields";
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

const fresh: ToppingInputs = {
  name: "my topping",
  across_mm: 10,
  each_g: 0.5,
  wish: ways.pieces.start,
};

interface Props {
  toppings: readonly ToppingInputs[] | undefined;
  errors: Record<string, string>;
  onChange: (toppings: ToppingInputs[]) => void;
}

const none: ToppingInputs[] = [];

/** What goes on top: each with its size, and how much of it. */
export const ToppingFields = memo(function ToppingFields(props: Props) {
  const { toppings = none, errors, onChange } = props;
  const usual = useToppings().data ?? [];
  const another = usual.find(({ name }) => !toppings.some((one) => one.name === name));
  return (
    <GoodsList
      title="On top"
      at="toppings"
      goods={toppings}
      errors={errors}
      more="Add topping"
      onMore={() => onChange([...toppings, { ...fresh, ...another }])}
      onChange={onChange}
    >
      {({ item, i, at, field, changed, away }) => (
        <>
          <GoodsPick
            label={i === 0 ? "Topping" : `Topping ${i + 1}`}
            ownLabel="Name of the topping"
            usual={usual}
            away={away}
            name={item.name}
            error={errors[`${at}.name`]}
            onChoose={(from) => onChange(changed(from ?? { name: fresh.name }))}
            onName={(name) => onChange(changed({ name }))}
          />
          <AmountField
            ways={ways}
            amount={item.wish}
            errors={errors}
            at={`${at}.wish`}
            onChange={(wish) => onChange(changed({ wish }))}
          />
          <KnownFields
            known={item.known ?? {}}
            errors={errors}
            at={`${at}.known`}
            brief={`${item.across_mm} mm`}
            faulty={faultyIn(errors, `${at}.across_mm`, `${at}.each_g`)}
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
