import { Box } from "@chakra-ui/react";
import type { ThingOf } from "../api/client";
import { Fold } from "../kit/Fold";
import { faultyIn } from "../kit/faultyIn";
import { fieldsOf } from "../kit/fieldsOf";
import { TextField } from "../kit/TextField";
import { UnitField } from "../kit/UnitField";

type Kitchen = ThingOf<"kitchen">;

interface Props {
  kitchen: Kitchen;
  errors: Record<string, string>;
  onChange: (patch: Partial<Kitchen>) => void;
}

/** Who makes it, as labels say, and what an hour, a kilowatt-hour and a margin are. */
export function SellingFields({ kitchen, errors, onChange }: Props) {
  const field = fieldsOf<Kitchen>(kitchen, errors, onChange);
  const text = (name: "currency" | "maker" | "address") => ({
    ...field(name),
    value: kitchen[name] ?? "",
  });
  return (
    <Fold
      inner
      title="Prices and labels"
      value={sellingWords(kitchen) || "nothing stated"}
      faulty={faultyIn(
        errors,
        "currency",
        "maker",
        "address",
        "hour_price",
        "kwh_price",
        "margin_pct",
      )}
    >
      <TextField label="Maker on labels" {...text("maker")} />
      <TextField label="Address on labels" kind="lines" {...text("address")} />
      <Box display="grid" gap="3" gridTemplateColumns="1fr 1fr" alignItems="start">
        <TextField label="Currency" placeholder="€, CHF, $" {...text("currency")} />
        <UnitField label="Profit margin" unit="%" optional="none" {...field("margin_pct")} />
        <UnitField
          label="Price of an hour"
          unit=""
          optional="not counted"
          {...field("hour_price")}
        />
        <UnitField label="Price of a kWh" unit="" optional="not counted" {...field("kwh_price")} />
      </Box>
    </Fold>
  );
}

/** The same in a line. */
export function sellingWords({ maker, currency, margin_pct }: Kitchen): string {
  const parts = [
    maker && `labels by ${maker}`,
    currency && `prices in ${currency}`,
    margin_pct != null && `${margin_pct} % margin`,
  ];
  return parts.filter((part) => typeof part === "string" && part !== "").join(", ");
}
