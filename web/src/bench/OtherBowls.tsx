import { Box, chakra } from "@chakra-ui/react";
import { Link as RouterLink } from "react-router";
import { temperature } from "../kit/format";
import { inWords } from "../kit/message";
import { useWider } from "../kit/useWider";
import { BowlSwatch } from "./BowlSwatch";
import { useWholeBench } from "./useWholeBench";

const Link = chakra(RouterLink);

/** More than these would push this bowl's own instruction away. */
const SHOWN = { phone: 1, wide: 2 };

/** The other bowls at the bench, and whether one of them comes before this one. */
export function OtherBowls({ bowlId }: { bowlId: string }) {
  const bowls = useWholeBench().bench?.bowls ?? [];
  const shown = useWider(48) ? SHOWN.wide : SHOWN.phone;
  const here = bowls.findIndex((bowl) => bowl.id === bowlId);
  // One that is held, or poured and setting, asks for nothing.
  const others = bowls.filter((bowl) => bowl.id !== bowlId && bowl.needs !== "never");
  if (others.length === 0) return null;
  return (
    <Box as="nav" aria-label="Other bowls" display="flex" gap="2" minW="0">
      {others.slice(0, shown).map((bowl) => {
        const before = bowl.needs === "now" && bowls.indexOf(bowl) < here;
        return (
          <Link
            key={bowl.id}
            to={`/bench/${bowl.id}`}
            data-testid={before ? "comes-first" : "other-bowl"}
            display="flex"
            columnGap="2"
            alignItems="center"
            minW="0"
            flex="0 1 auto"
            h="48px"
            px="3"
            overflow="hidden"
            whiteSpace="nowrap"
            borderRadius="slab"
            borderWidth="2px"
            borderColor={before ? "heat" : "border"}
            bg={before ? "heat.wash" : "bg.panel"}
            fontWeight="560"
          >
            {before && <strong>First:</strong>}
            <BowlSwatch bowl={bowl} />
            <Box as="span" color="fg.muted">
              {bowl.latest && temperature(bowl.latest.temp_c)}
            </Box>
            <Box as="span" overflow="hidden" textOverflow="ellipsis">
              <strong>{inWords(bowl.advice.say)}</strong> · {bowl.batch_name}
            </Box>
          </Link>
        );
      })}
      {others.length > shown && (
        <Link
          to="/bench"
          color="ink"
          textDecoration="underline"
          alignContent="center"
          minH="48px"
          px="2"
          flexShrink={0}
        >
          {others.length - shown} more
        </Link>
      )}
    </Box>
  );
}
