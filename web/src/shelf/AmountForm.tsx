import { Box, Button } from "@chakra-ui/react";
import { type ReactNode, useState } from "react";
import type { CountedIn, StockMove } from "../api/client";
import { Refusal } from "../api/refusal";
import { UnitField } from "../kit/UnitField";
import { fieldUnit } from "./counted";
import { useDeeds } from "./useThing";

interface Props {
  /** The chocolate or the goods that come or go. */
  id: string;
  /** What they are counted in. */
  unit: CountedIn;
  label: string;
  /** What the amount means. */
  move: (amount: number) => StockMove;
  button: string;
  onDone?: () => void;
  /** What is asked before the grams. */
  children?: ReactNode;
}

/** Notes how much of a chocolate or of goods came or went. */
export function AmountForm({ id, unit, label, move, button, onDone, children }: Props) {
  const [amount, setAmount] = useState<number | null>(null);
  const { move: moving } = useDeeds(id);
  const noted = () => {
    setAmount(null);
    onDone?.();
  };
  return (
    <Box
      as="form"
      flex="1 1 280px"
      display="flex"
      flexWrap="wrap"
      gap="2"
      alignItems="end"
      onSubmit={(event: React.FormEvent) => {
        event.preventDefault();
        if (amount !== null) moving.mutate(move(amount), { onSuccess: noted });
      }}
    >
      {children}
      <UnitField
        label={label}
        unit={fieldUnit(unit)}
        optional=""
        width="140px"
        value={amount}
        error={moving.error instanceof Refusal ? moving.error.fields.amount : undefined}
        onChange={setAmount}
      />
      <Button type="submit" bg="ink" color="onInk" h="48px" disabled={moving.isPending}>
        {button}
      </Button>
    </Box>
  );
}
