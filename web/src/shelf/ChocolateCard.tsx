import { Box } from "@chakra-ui/react";
import type { ThingOf } from "../api/client";
import type { OnShelf } from "../api/queries";
import { Allergens } from "../chocolate/Allergens";
import { OwnBeside } from "../chocolate/OwnBeside";
import { band, mass, onDay } from "../kit/format";
import { kindWords, lookOf } from "../theme/chocolate";
import { flowWords } from "./flow";
import { Edit } from "./Gear";
import { StockForm } from "./StockForm";

/** One square of what is left, g; and the most that are drawn. */
const SQUARE_G = 100;
const MOST_SQUARES = 30;

interface Props {
  chocolate: OnShelf<"chocolate">;
  onEdit: () => void;
}

/** A chocolate: what is left of it, drawn in squares of a hundred grams, and its numbers. */
export function ChocolateCard({ chocolate, onEdit }: Props) {
  const { thing, windows, usual, left } = chocolate;
  return (
    <Box>
      <Box display="flex" justifyContent="space-between" gap="3" alignItems="start">
        <Box minW="0">
          <Box textStyle="title" fontSize="lg">
            {thing.name}
          </Box>
          <Box fontSize="sm">{[kindWords(thing), ...facts(thing)].join(" · ")}</Box>
        </Box>
        <Edit name={thing.name} onClick={onEdit} />
      </Box>
      <Box
        display="grid"
        gridTemplateColumns={{ base: "minmax(0, 1fr)", md: "minmax(0, 1fr) auto" }}
        columnGap="5"
        rowGap="2"
        mt="3"
        alignItems="center"
      >
        {left == null ? (
          <Box color="fg.muted">Not counted yet</Box>
        ) : (
          <Squares grams={left} look={lookOf(thing)} />
        )}
        <Box display="flex" gap="3" alignItems="center">
          {left != null && (
            <Box textStyle="figure" fontSize="3xl" data-testid="left">
              {mass(left)}
            </Box>
          )}
          <StockForm id={chocolate.id} name={thing.name} unit="g" />
        </Box>
      </Box>
      {windows && usual && (
        <Box mt="3">
          {windows.own ? (
            <OwnBeside windows={windows} usual={usual} />
          ) : (
            <Box fontSize="sm">
              By the usual numbers: melt {band(windows.melt_c)}, work {band(windows.work_c)}.{" "}
              <Box as="span" color="fg.muted">
                The bag may know better: put its own in.
              </Box>
            </Box>
          )}
        </Box>
      )}
      {thing.allergens && (
        <Allergens
          of={{
            contains: thing.allergens.contains ?? [],
            may_contain: thing.allergens.may_contain ?? [],
            unread: [],
          }}
        />
      )}
      {thing.label && (
        <Box fontSize="sm" mt="2">
          <Box as="span" textStyle="label">
            Label:{" "}
          </Box>
          {thing.label}
        </Box>
      )}
    </Box>
  );
}

function facts(thing: ThingOf<"chocolate">): string[] {
  return [
    thing.best_before && `best before ${onDay(thing.best_before)}`,
    thing.lot && `lot ${thing.lot}`,
    thing.price_per_kg != null && `${thing.price_per_kg.toFixed(2)} a kilogram`,
    thing.flow_grade != null && `flows ${thing.flow_grade}, ${flowWords[thing.flow_grade]}`,
  ].filter((part) => typeof part === "string" && part !== "") as string[];
}

/** What is left, as a row of squares; the last one broken off where it ends. */
function Squares({ grams, look }: { grams: number; look: string }) {
  const whole = Math.floor(grams / SQUARE_G);
  const rest = grams / SQUARE_G - whole;
  const shown = Math.min(whole, MOST_SQUARES);
  return (
    <Box
      role="img"
      aria-label={`${mass(grams)} left`}
      display="flex"
      flexWrap="wrap"
      gap="2px"
      css={{
        "& > div": {
          height: "30px",
          borderRadius: "3px",
          boxShadow: "inset 2px 2px 0 rgba(255,255,255,0.16), inset -2px -2px 0 rgba(0,0,0,0.18)",
          outline: "1px solid var(--chakra-colors-border-emphasized)",
          outlineOffset: "-1px",
        },
      }}
    >
      {Array.from({ length: shown }, (_, i) => (
        // biome-ignore lint/suspicious/noArrayIndexKey: squares have no identity but their place
        <div key={i} style={{ width: 30, background: look }} />
      ))}
      {whole <= MOST_SQUARES && rest > 0.02 && (
        <div style={{ width: Math.max(3, 30 * rest), background: look }} />
      )}
    </Box>
  );
}
