import { Box, chakra } from "@chakra-ui/react";
import { SlidersHorizontal } from "lucide-react";
import type { ReactNode } from "react";
import { Navigate, NavLink, Outlet, useLocation } from "react-router";
import { FINGER } from "./finger";
import { Mark } from "./Mark";

const Link = chakra(NavLink);

interface Props {
  /** What is under way, beside the places. */
  underWay?: ReactNode;
  /** What there is to say above every page. */
  above?: ReactNode;
  /** The places, the first of which is where one begins. */
  places: readonly { to: string; name: string }[];
  /** Whether there is anything to do at an address; else one is led to where one begins. */
  isOpen?: (path: string) => boolean;
}

/** Where the header has no room beside the places, what is under way lies at the foot. */
export const AT_THE_FOOT = "@media screen and (max-width: 61.99em)";

/** The frame round every page: the name, and the places. */
export function Shell({ underWay, above, places, isOpen }: Props) {
  const { pathname } = useLocation();
  const closed = isOpen !== undefined && !isOpen(pathname);
  return (
    <Box minH="100dvh" display="flex" flexDirection="column">
      <Box
        as="header"
        display="flex"
        alignItems="center"
        gap={{ base: "0", sm: "1", md: "8" }}
        px={{ base: "0.5", sm: "3", md: "6" }}
        h="52px"
        flexShrink={0}
        _print={{ display: "none" }}
      >
        {/* On a phone the places need the whole width. */}
        <Box hideBelow="sm">
          <Box display="flex" alignItems="center" gap="2.5" textStyle="title" fontSize="lg">
            <Mark />
            <Box as="span" hideBelow="md">
              Wide Sheen
            </Box>
          </Box>
        </Box>
        <Box
          as="nav"
          aria-label="Places"
          display="flex"
          flex={{ base: "1", sm: "none" }}
          gap={{ base: "0", sm: "1" }}
        >
          {places.map((place) => (
            <Link
              key={place.to}
              to={place.to}
              px={{ base: "0.5", sm: "2", md: "4" }}
              flex={{ base: "1 1 auto", sm: "none" }}
              // In large print too the places have room on a phone.
              fontSize={{ base: "min(0.875rem, max(14px, 3.7vw))", sm: "sm", md: "md" }}
              h="48px"
              minW={FINGER}
              display="flex"
              alignItems="center"
              justifyContent="center"
              borderRadius="slab"
              fontWeight="560"
              color="fg.muted"
              _hover={{ bg: "bg.muted" }}
              css={{
                "&[aria-current=page]": {
                  color: "fg",
                  bg: "bg.panel",
                  boxShadow: "inset 0 -3px 0 var(--chakra-colors-ink)",
                },
              }}
            >
              {place.name}
            </Link>
          ))}
        </Box>
        {underWay}
        <Link
          to="/settings"
          aria-label="Settings"
          ms="auto"
          w={{ base: "32px", sm: "48px" }}
          h="48px"
          flexShrink={0}
          display="grid"
          placeItems="center"
          borderRadius="slab"
          color="fg.muted"
          minW={FINGER}
          _hover={{ bg: "bg.muted" }}
        >
          <SlidersHorizontal size={22} aria-hidden />
        </Link>
      </Box>
      <Box
        as="main"
        flex="1"
        display="flex"
        flexDirection="column"
        minW="0"
        // What lies at the foot covers nothing for good.
        css={{ [AT_THE_FOOT]: { "header:has(aside) ~ &": { paddingBottom: "56px" } } }}
      >
        {above}
        {closed ? <Navigate to={places[0]?.to ?? "/"} replace /> : <Outlet />}
      </Box>
    </Box>
  );
}
