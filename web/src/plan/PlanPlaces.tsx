import { Box, chakra } from "@chakra-ui/react";
import { NavLink } from "react-router";

const Link = chakra(NavLink);

const places = [
  { at: "", name: "Plan" },
  { at: "/steps", name: "Steps" },
  { at: "/schedule", name: "Schedule" },
  { at: "/shopping", name: "Shopping" },
  { at: "/card", name: "Paper" },
];

/** The places of one plan, each a touch from the others. */
export function PlanPlaces({ planId }: { planId: string }) {
  return (
    <Box
      as="nav"
      aria-label="Of this plan"
      display="flex"
      gap={{ base: "0", md: "1" }}
      w={{ base: "full", md: "auto" }}
      _print={{ display: "none" }}
    >
      {places.map(({ at, name }) => (
        <Link
          key={name}
          to={`/plans/${planId}${at}`}
          end
          flex={{ base: "1 1 auto", md: "none" }}
          h="48px"
          px={{ base: "1", md: "4" }}
          display="flex"
          alignItems="center"
          justifyContent="center"
          fontSize={{ base: "sm", md: "md" }}
          fontWeight="560"
          color="fg.muted"
          borderBottomWidth="3px"
          borderColor="transparent"
          _hover={{ color: "fg" }}
          css={{
            "&[aria-current=page]": { color: "fg", borderColor: "ink" },
          }}
        >
          {name}
        </Link>
      ))}
    </Box>
  );
}
