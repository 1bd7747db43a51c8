import { Box, chakra } from "@chakra-ui/react";
import { Link as RouterLink } from "react-router";
import { temperature } from "../kit/format";
import { inWords } from "../kit/message";
import { BowlSwatch } from "./BowlSwatch";
import { useWholeBench } from "./useWholeBench";

const Link = chakra(RouterLink);

/** More than this would push this bowl's own instruction away. */
const SHOWN = 4;

/** The other bowls at the bench, and whether one of them comes before this one. */
export function OtherBowls({ bowlId }: { bowlId: string }) {
  const bowls = useWholeBench().bench?.bowls ?? [];
  const here = bowls.findIndex((bowl) => bowl.id === bowlId);
  // One that is held, or poured and setting, asks for nothing.
  const others = bowls.filter((bowl) => bowl.id !== bowlId && bowl.needs !== "never");
  if (others.length === 0) return null;
  return (
    <Box as="nav" aria-label="Other bowls" display="flex" gap="2" flexWrap="wrap">
      {others.slice(0, SHOWN).map((bowl) => {
        const before = bowl.needs === "now" && bowls.indexOf(bowl) < here;
        return (
          <Link
            key={bowl.id}
            to={`/bench/${bowl.id}`}
            data-testid={before ? "comes-first" : "other-bowl"}
            display="flex"
            flexWrap="wrap"
            columnGap="2"
            alignItems="center"
            maxW="100%"
            minH="48px"
            px="3"
            py="1"
            borderRadius="slab"
            borderWidth="2px"
            borderColor={before ? "heat" : "border"}
            bg={before ? "heat.wash" : "bg.panel"}
            fontWeight="560"
          >
            {before && <strong>First:</strong>}
            <BowlSwatch bowl={bowl} />
            <span>{bowl.batch_name}</span>
            <Box as="span" color="fg.muted">
              {bowl.latest && temperature(bowl.latest.temp_c)}
            </Box>
            <Box as="span" fontWeight="600">
              {inWords(bowl.advice.say)}
            </Box>
          </Link>
        );
      })}
      {others.length > SHOWN && (
        <Link to="/bench" color="ink" textDecoration="underline" alignContent="center" minH="48px">
          {others.length - SHOWN} more
        </Link>
      )}
    </Box>
  );
}
