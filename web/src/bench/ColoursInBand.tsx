import { Box, chakra } from "@chakra-ui/react";
import { Link as RouterLink } from "react-router";
import type { BenchBowl } from "../api/client";
import { temperature } from "../kit/format";
import { advisedBurst } from "./advised";

const Link = chakra(RouterLink);

/** What a bottle needs: warmth, or to be shaken. */
function hint({ bottle, latest, use_c, advice }: BenchBowl): string {
  if (!bottle) return "";
  const burst = advisedBurst(advice);
  if (latest && latest.temp_c < use_c[0] && burst !== null) return `Warm it ${burst} s`;
  if (latest && latest.temp_c > use_c[1]) return "Too warm to use yet";
  if (bottle.shake_due) return "Shake it before use";
  return "In its range";
}

function shaken({ bottle, clock }: BenchBowl): string {
  if (!bottle?.shaken_at) return "not shaken yet";
  const minutes = (Date.parse(clock.now) - Date.parse(bottle.shaken_at)) / 60_000;
  return minutes < 1 ? "shaken just now" : `shaken ${Math.floor(minutes)} min ago`;
}

/** The colours at the bench, as bottles in a row: which are in band. */
export function ColoursInBand({ bowls }: { bowls: readonly BenchBowl[] }) {
  const bottles = bowls.filter(({ bottle }) => bottle);
  if (bottles.length === 0) return null;
  return (
    <Box
      as="section"
      aria-label="Colours in their range"
      display="flex"
      gap="3"
      flexWrap="wrap"
      mb="4"
      data-testid="colours-in-band"
    >
      {bottles.map((bowl) => {
        const { bottle, latest, use_c } = bowl;
        const inBand = latest && latest.temp_c >= use_c[0] && latest.temp_c <= use_c[1];
        return (
          <Link
            key={bowl.id}
            to={`/bench/${bowl.id}`}
            display="grid"
            gridTemplateColumns="44px auto"
            columnGap="3"
            alignItems="center"
            bg="bg.panel"
            borderRadius="slab"
            borderWidth="2px"
            borderColor={inBand ? "work" : "border"}
            px="3"
            py="2"
            minW="210px"
            minH="92px"
            color="fg"
          >
            <svg viewBox="0 0 44 72" width="44" height="72" aria-hidden="true">
              <rect x="15" y="2" width="14" height="10" rx="2" fill="currentColor" opacity="0.6" />
              <rect
                x="5"
                y="14"
                width="34"
                height="56"
                rx="8"
                fill={bottle?.looks}
                stroke="currentColor"
                strokeWidth="2"
              />
            </svg>
            <Box>
              <Box fontWeight="600">{bottle?.name}</Box>
              <Box textStyle="figure" fontSize="2xl">
                {latest ? temperature(latest.temp_c) : "no reading"}
              </Box>
              <Box fontSize="sm" fontWeight="560">
                {hint(bowl)}
              </Box>
              <Box fontSize="sm" color="fg.muted">
                {shaken(bowl)}
              </Box>
            </Box>
          </Link>
        );
      })}
    </Box>
  );
}
