import { Box, chakra } from "@chakra-ui/react";
import { Timer } from "lucide-react";
import { useEffect } from "react";
import { Link as RouterLink, useLocation } from "react-router";
import { useTick } from "../bench/useTick";
import { about, clock } from "../kit/format";
import { AT_THE_FOOT } from "../kit/Shell";
import { soonest, useUnderWay } from "./useUnderWay";

const Link = chakra(RouterLink);
const NAME = "Wide Sheen";
/** What is further off than this is told without its seconds, s. */
const FAR_S = 3_600;

function until(seconds: number): string {
  return seconds >= FAR_S ? about(seconds) : clock(seconds);
}

/** What is under way and its nearest clock: on every page, and in the tab's title. */
export function UnderWayBar() {
  useTick(1_000);
  const { pathname } = useLocation();
  const { all, now } = useUnderWay();
  const first = soonest(all);
  const left = first?.at == null ? null : (first.at - now) / 1_000;
  const when = left === null || left <= 0 ? "now" : until(left);
  const title = first ? `${when}: ${first.say} · ${NAME}` : NAME;
  useEffect(() => {
    document.title = title;
    return () => {
      document.title = NAME;
    };
  }, [title]);
  // At its own place all of it stands large; at the bench the other bowls are told there.
  if (!first || first.to === pathname || pathname.startsWith("/bench")) return null;
  const more = all.length - 1;
  return (
    <Box
      as="aside"
      aria-label="Under way"
      display="flex"
      alignItems="center"
      minW="0"
      flex="1"
      // There it is under the thumb, and moves nothing as it comes.
      css={{
        [AT_THE_FOOT]: {
          position: "fixed",
          insetInline: 0,
          bottom: 0,
          zIndex: 10,
          background: "var(--chakra-colors-bg-panel)",
          borderTop: "2px solid var(--chakra-colors-border-emphasized)",
        },
      }}
      _print={{ display: "none" }}
    >
      <Link
        to={first.to}
        data-testid="under-way"
        display="flex"
        gap="2"
        alignItems="center"
        minW="0"
        minH="48px"
        px="3"
        borderRadius="slab"
        fontSize="sm"
        whiteSpace="nowrap"
        _hover={{ bg: "bg.muted" }}
      >
        <Box flexShrink={0} color={when === "now" ? "heat" : "fg.muted"}>
          <Timer size={20} aria-hidden />
        </Box>
        <Box as="span" textStyle="figure" fontSize="md" minW="3.2em" flexShrink={0}>
          {when}
        </Box>
        <Box as="span" overflow="hidden" textOverflow="ellipsis">
          <strong>{first.say}</strong>
          <Box as="span" color="fg.muted">
            {" "}
            · {first.name}
          </Box>
        </Box>
      </Link>
      {more > 0 && (
        <Link
          to="/plans"
          aria-label={`${more} more under way`}
          color="fg.muted"
          flexShrink={0}
          minH="48px"
          minW="48px"
          display="grid"
          placeItems="center"
        >
          +{more}
        </Link>
      )}
    </Box>
  );
}
