import { Box, Button } from "@chakra-ui/react";
import { type ReactNode, useState } from "react";
import type { StockMove } from "../api/client";
import { Refusal } from "../api/refusal";
import { UnitField } from "../kit/UnitField";
import { useDeeds } from "./useThing";

interface Props {
  /** The chocolate that comes or goes. */
  chocolateId: string;
  label: string;
  /** What the grams mean. */
  move: (grams: number) => StockMove;
  button: string;
  onDone?: () => void;
  /** What is asked before the grams. */
  children?: ReactNode;
}

/** Notes how much of a chocolate came or went. */
export function GramsForm({ chocolateId, label, move, button, onDone, children }: Props) {
  const [grams, setGrams] = useState<number | null>(null);
  const { move: moving } = useDeeds(chocolateId);
  const noted = () => {
    setGrams(null);
    onDone?.();
  };
  return (
    <Box
      as="form"
      display="flex"
      flexWrap="wrap"
      gap="2"
      alignItems="end"
      onSubmit={(event: React.FormEvent) => {
        event.preventDefault();
        if (grams !== null) moving.mutate(move(grams), { onSuccess: noted });
      }}
    >
      {children}
      <UnitField
        label={label}
        unit="g"
        optional=""
        width="140px"
        value={grams}
        error={moving.error instanceof Refusal ? moving.error.fields.grams : undefined}
        onChange={setGrams}
      />
      <Button type="submit" bg="ink" color="onInk" h="48px" disabled={moving.isPending}>
        {button}
      </Button>
    </Box>
  );
}
