import { Box, Button, Heading } from "@chakra-ui/react";
import { Check, Undo2 } from "lucide-react";
import type { ShoppingList } from "../api/client";
import { useIsHelper } from "../devices/me";
import { Fault } from "../kit/Fault";
import { Fold } from "../kit/Fold";
import { money } from "../kit/money";
import { Offline } from "../kit/Offline";
import { InText } from "../kit/WayTo";
import { counted } from "../shelf/counted";
import { ofLine, type Bought as Tick } from "./basket";
import { byShop, isShort, type ShopLine, shopWords } from "./shops";
import { useBuying } from "./useBuying";

interface Props {
  list: ShoppingList;
  /** The plans it is for, by name, where it is for several. */
  plans?: string[];
}

/** A shopping list: ticked off in the shop, what is bought goes to stock. */
export function ShoppingLines({ list, plans }: Props) {
  const { short, bought, waits, failing, buy, takeBack, refused } = useBuying(list);
  const helper = useIsHelper();
  const unknown = list.lines.filter(({ short: missing }) => missing == null);
  const there = list.lines.filter(({ short: missing }) => missing === 0);
  const names = (line: ShopLine) =>
    plans && plans.length > 1 ? line.plans.map((i) => plans[i]).join(", ") : "";
  return (
    <Box data-testid="shopping">
      {short.length === 0 && (
        <Box textStyle="figure" fontSize="2xl" mb="2">
          {unknown.length > 0 ? "Nothing to buy that was counted." : "Nothing to buy."}
        </Box>
      )}
      {byShop(short).map(({ shop, words, lines }) => (
        <Box as="section" key={shop} aria-label={words} mb="4">
          <Heading as="h3" textStyle="label" mb="1">
            {words}
          </Heading>
          {lines.map((line) => (
            <ToBuy
              key={ofLine(line)}
              line={line}
              currency={list.currency}
              of={names(line)}
              onBought={helper ? undefined : () => buy(line)}
            />
          ))}
        </Box>
      ))}
      {short.length > 0 && (
        <Box fontWeight="600" data-testid="shopping-total">
          {money(list.total, list.currency)} in all{waits > 0 && ", with what is ticked off here"}
          {list.unpriced.length > 0 && (
            <Box as="span" fontWeight="400" color="fg.muted">
              {`, without what has no price: ${list.unpriced.join(", ")}`}
            </Box>
          )}
        </Box>
      )}
      {refused.map(({ name, why }) => (
        <Fault key={name} mt="2">
          {`${name} was not noted: ${why}`}
        </Fault>
      ))}
      {failing && waits > 0 && (
        <Offline
          mt="3"
          data-testid="waiting"
        >{`Waiting: ${waits}, sent once the server is reached.`}</Offline>
      )}
      {bought.length > 0 && (
        <Box as="section" aria-label="Bought" mt="4" data-testid="bought">
          <Heading as="h3" textStyle="label" mb="1">
            Bought
          </Heading>
          {bought.map((one) => (
            <Bought key={one.moveId ?? one.thingId} one={one} onTakeBack={takeBack} />
          ))}
        </Box>
      )}
      {unknown.length > 0 && (
        <Box as="section" aria-label="To look after" mt="4">
          <Heading as="h3" textStyle="label" mb="1">
            Check that there is enough
          </Heading>
          {unknown.map((line) => (
            <Box
              key={ofLine(line)}
              borderTopWidth="1px"
              borderColor="border"
              py="2"
              display="flex"
              justifyContent="space-between"
              gap="3"
            >
              <span>{line.name}</span>
              <strong>{counted(line.needed, line.unit)}</strong>
            </Box>
          ))}
        </Box>
      )}
      {there.length > 0 && (
        <Fold
          inner
          mt="3"
          _print={{ display: "none" }}
          title="In stock"
          value={there.map(({ name }) => name).join(", ")}
        >
          <Box as="ul" listStyleType="none">
            {there.map((line) => (
              <Box as="li" key={ofLine(line)} py="1">
                {line.name}: {counted(line.needed, line.unit)} of{" "}
                {counted(line.left ?? 0, line.unit)}
              </Box>
            ))}
          </Box>
        </Fold>
      )}
      <Box mt="2" fontSize="sm" color="fg.muted" _print={{ display: "none" }}>
        What stands on the <InText to="/shelf">shelf</InText> with its amount is counted here; packs
        and prices are put in there too.
      </Box>
    </Box>
  );
}

interface ToBuyProps {
  line: ShopLine;
  currency: string;
  of: string;
  /** Left out where it is only looked at. */
  onBought: (() => void) | undefined;
}

/** One line: what to buy, why, and a touch when it is in the basket. */
function ToBuy({ line, currency, of, onBought }: ToBuyProps) {
  const { name, unit, needed, left, short, packs, pack, bought, cost } = line;
  return (
    <Box
      display="grid"
      gridTemplateColumns="minmax(0, 1fr) auto"
      gap="3"
      alignItems="center"
      borderTopWidth="1px"
      borderColor="border"
      py="2"
      data-testid="to-buy"
    >
      <Box minW="0">
        <Box fontWeight="640" fontSize="lg" lineHeight="1.25">
          {name}: {counted(bought, unit)}
        </Box>
        <Box fontSize="sm" color="fg.muted">
          {packs != null && pack != null
            ? `${packs} ${packs === 1 ? "pack" : "packs"} of ${counted(pack, unit)}; `
            : ""}
          {`${counted(short ?? 0, unit)} short of ${counted(needed, unit)}`}
          {(left ?? 0) > 0 ? `, ${counted(left ?? 0, unit)} there` : ""}
          {cost != null ? ` · ${money(cost, currency)}` : " · no price"}
          {of && ` · ${of}`}
        </Box>
      </Box>
      {onBought && (
        <Button
          variant="outline"
          borderColor="border.emphasized"
          h="56px"
          minW="56px"
          aria-label={`Bought: ${name}`}
          onClick={onBought}
          css={{ "@media print": { "& svg": { visibility: "hidden" } } }}
        >
          <Check aria-hidden />
        </Button>
      )}
    </Box>
  );
}

interface BoughtProps {
  one: Tick;
  onTakeBack: (one: Tick) => void;
}

function Bought({ one, onTakeBack }: BoughtProps) {
  const { line } = one;
  return (
    <Box
      display="flex"
      justifyContent="space-between"
      alignItems="center"
      gap="3"
      borderTopWidth="1px"
      borderColor="border"
      py="1"
    >
      <Box as="span" textDecoration="line-through">
        {line.name}: {counted(line.bought, line.unit)}
      </Box>
      <Button
        variant="ghost"
        h="48px"
        aria-label={`Take back: ${line.name}`}
        onClick={() => onTakeBack(one)}
      >
        <Undo2 aria-hidden /> Take back
      </Button>
    </Box>
  );
}

/** The kinds of shop that a list goes to, in a line. */
export function shopsOf(list: ShoppingList): string {
  const shops = byShop(list.lines.filter(isShort)).map(({ shop }) => shopWords[shop]);
  return shops.join(", ");
}
