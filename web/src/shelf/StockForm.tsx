import { Box, Button } from "@chakra-ui/react";
import { Scale } from "lucide-react";
import { useState } from "react";
import type { StockMove } from "../api/client";
import { Refusal } from "../api/refusal";
import { SelectField } from "../kit/SelectField";
import { UnitField } from "../kit/UnitField";
import { useDeeds } from "./useThing";

type ByHand = Extract<StockMove["kind"], "counted" | "bought" | "gone">;

const kinds: { value: ByHand; label: string }[] = [
  { value: "counted", label: "Weighed: there are" },
  { value: "bought", label: "Bought more" },
  { value: "gone", label: "Gone: eaten, given away" },
];

/** Notes chocolate that came or went by hand; what a bowl takes is noted by itself. */
export function StockForm({ id, name }: { id: string; name: string }) {
  const [open, setOpen] = useState(false);
  const [kind, setKind] = useState<ByHand>("counted");
  const [grams, setGrams] = useState<number | null>(null);
  const { move } = useDeeds(id);
  if (!open) {
    return (
      <Button
        variant="outline"
        borderColor="border.emphasized"
        h="44px"
        aria-label={`Count ${name}`}
        onClick={() => setOpen(true)}
      >
        <Scale aria-hidden /> Count
      </Button>
    );
  }
  const fault = move.error instanceof Refusal ? move.error.fields.grams : undefined;
  return (
    <Box
      as="form"
      display="grid"
      gridTemplateColumns="minmax(150px, 1fr) 110px auto"
      gap="2"
      alignItems="end"
      onSubmit={(event: React.FormEvent) => {
        event.preventDefault();
        if (grams === null) return;
        move.mutate(
          { kind, grams },
          {
            onSuccess: () => {
              setOpen(false);
              setGrams(null);
            },
          },
        );
      }}
    >
      <SelectField
        label="What happened"
        value={kind}
        choices={kinds}
        onChange={(value) => setKind(kinds.find((one) => one.value === value)?.value ?? "counted")}
      />
      <UnitField
        label="How much"
        unit="g"
        optional=""
        value={grams}
        error={fault}
        onChange={setGrams}
      />
      <Button type="submit" bg="ink" color="onInk" h="40px" disabled={move.isPending}>
        Note it
      </Button>
    </Box>
  );
}
