import { Box, Button } from "@chakra-ui/react";
import { Check, Plus } from "lucide-react";
import type { GoodsInputs } from "../api/client";
import { type OnShelf, useUsualGoods } from "../api/queries";
import { Fault } from "../kit/Fault";
import { Fold } from "../kit/Fold";
import { bySort } from "./sorts";
import { useKeep } from "./useThing";

/** Common things, each a touch away from the shelf; they are counted and corrected there. */
export function CommonGoods({ goods }: { goods: OnShelf<"goods">[] }) {
  const usual = useUsualGoods().data ?? [];
  const { keep, busy, said } = useKeep(null, () => undefined);
  const there = new Set(goods.map(({ thing }) => thing.name.toLowerCase()));
  return (
    <Box>
      <Box fontWeight="560" mb="1">
        Touch what you have. It can be counted afterwards.
      </Box>
      {said && <Fault>{said}</Fault>}
      {bySort(usual, ({ sort }) => sort).map(({ sort, words, things }) => (
        <Fold key={sort} inner title={words} value={things.map(({ name }) => name).join(", ")}>
          <Box display="flex" flexWrap="wrap" gap="1.5">
            {things.map((one) => (
              <Chip
                key={one.name}
                one={one}
                there={there.has(one.name.toLowerCase())}
                busy={busy}
                onAdd={() => keep({ thing: { kind: "goods", ...one } })}
              />
            ))}
          </Box>
        </Fold>
      ))}
    </Box>
  );
}

interface ChipProps {
  one: GoodsInputs;
  /** Whether it stands on the shelf already. */
  there: boolean;
  busy: boolean;
  onAdd: () => void;
}

function Chip({ one, there, busy, onAdd }: ChipProps) {
  return (
    <Button
      variant="outline"
      borderColor="border.emphasized"
      h="48px"
      px="3"
      disabled={there || busy}
      onClick={onAdd}
    >
      {there ? <Check size={18} aria-label="on the shelf:" /> : <Plus size={18} aria-hidden />}
      {one.name}
    </Button>
  );
}
