import { Box } from "@chakra-ui/react";
import type { ThingOf } from "../api/client";
import type { OnShelf } from "../api/queries";
import { Allergens } from "../chocolate/Allergens";
import { mass, onDay } from "../kit/format";
import { counted } from "./counted";
import { Edit } from "./Gear";
import { StockForm } from "./StockForm";

interface Props {
  one: OnShelf<"goods">;
  onEdit: () => void;
}

/** Goods in a row: what they are, what is left of them, and what is known of them. */
export function GoodsRow({ one, onEdit }: Props) {
  const { thing, left } = one;
  return (
    <Box>
      <Box display="flex" flexWrap="wrap" columnGap="3" alignItems="center">
        <Box flex="1 1 140px" minW="0" fontWeight="640">
          {thing.name}
        </Box>
        {left == null ? (
          <Box color="fg.muted">not counted</Box>
        ) : (
          <Box textStyle="figure" fontSize="xl" data-testid="left" whiteSpace="nowrap">
            {counted(left, thing.unit)}
          </Box>
        )}
        <StockForm id={one.id} name={thing.name} unit={thing.unit} />
        <Edit name={thing.name} onClick={onEdit} row />
      </Box>
      <Box fontSize="sm">{facts(thing).join(" · ")}</Box>
      {thing.allergens ? (
        <Allergens
          of={{
            contains: thing.allergens.contains ?? [],
            may_contain: thing.allergens.may_contain ?? [],
            unread: [],
          }}
        />
      ) : null}
      {thing.label && (
        <Box fontSize="sm">
          <Box as="span" textStyle="label">
            Label:{" "}
          </Box>
          {thing.label}
        </Box>
      )}
    </Box>
  );
}

function facts(thing: ThingOf<"goods">): string[] {
  const { unit, pack_size, pack_price, best_before, across_mm, each_g } = thing;
  const bulk = thing.known?.bulk_g_ml;
  return [
    best_before && `best before ${onDay(best_before)}`,
    pack_size != null && `a pack is ${counted(pack_size, unit)}`,
    pack_price != null && `${pack_price.toFixed(2)} a pack`,
    across_mm != null && `${across_mm} mm`,
    unit === "piece" && each_g != null && each_g >= 0.5 && `one weighs ${mass(each_g)}`,
    bulk != null && `a cup weighs ${mass(bulk * 236.6)}`,
  ].filter((part) => typeof part === "string");
}
