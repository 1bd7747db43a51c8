import { Box, Button } from "@chakra-ui/react";
import { Scale } from "lucide-react";
import { useState } from "react";
import type { StockMove } from "../api/client";
import { SelectField } from "../kit/SelectField";
import { GramsForm } from "./GramsForm";

type ByHand = Extract<StockMove["kind"], "counted" | "bought" | "gone">;

const kinds: Record<ByHand, string> = {
  counted: "Weighed: there are",
  bought: "Bought more",
  gone: "Gone: eaten, given away",
};

/** Notes chocolate that came or went by hand; what a bowl takes is noted by itself. */
export function StockForm({ id, name }: { id: string; name: string }) {
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
    <GramsForm
      chocolateId={id}
      label="How much"
      move={(grams) => ({ kind, grams })}
      button="Save"
      onDone={() => setOpen(false)}
    >
      <Box flex="1 1 150px">
        <SelectField label="Change" value={kind} choices={kinds} onChange={setKind} />
      </Box>
    </GramsForm>
  );
}
