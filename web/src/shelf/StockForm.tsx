import { Box, Button } from "@chakra-ui/react";
import { Scale } from "lucide-react";
import { useState } from "react";
import type { CountedIn, StockMove } from "../api/client";
import { SelectField } from "../kit/SelectField";
import { AmountForm } from "./AmountForm";

type ByHand = Extract<StockMove["kind"], "counted" | "bought" | "gone">;

const kinds: Record<ByHand, string> = {
  counted: "Counted: there is",
  bought: "Bought more",
  gone: "Gone: eaten, given away",
};

interface Props {
  id: string;
  name: string;
  unit: CountedIn;
}

/** Notes what came or went by hand; what is made of it is noted by itself. */
export function StockForm({ id, name, unit }: Props) {
  const [open, setOpen] = useState(false);
  const [kind, setKind] = useState<ByHand>("counted");
  if (!open) {
    return (
      <Button
        variant="outline"
        borderColor="border.emphasized"
        h="48px"
        aria-label={`Count ${name}`}
        onClick={() => setOpen(true)}
      >
        <Scale aria-hidden /> Count
      </Button>
    );
  }
  return (
    <AmountForm
      id={id}
      unit={unit}
      label="How much"
      move={(amount) => ({ kind, amount })}
      button="Save"
      onDone={() => setOpen(false)}
    >
      <Box flex="1 1 150px">
        <SelectField label="Change" value={kind} choices={kinds} onChange={setKind} />
      </Box>
    </AmountForm>
  );
}
