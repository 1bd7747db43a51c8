import { Box, chakra } from "@chakra-ui/react";
import { NavLink } from "react-router";
import { FINGER } from "./finger";

const Link = chakra(NavLink);

interface Props {
  /** Of what these are the places, for who cannot see them stand together. */
  label: string;
  places: { to: string; name: string; wide?: boolean | undefined }[];
}

/** The places of one thing, each with its address and a touch from the others. */
export function Places({ label, places }: Props) {
  return (
    <Box
      as="nav"
      aria-label={label}
      data-testid="places"
      display="flex"
      gap={{ base: "0", md: "1" }}
      w={{ base: "full", md: "auto" }}
      _print={{ display: "none" }}
    >
      {places.map(({ to, name, wide }) => (
        <Link
          key={to}
          to={to}
          end
          flex={{ base: "1 1 auto", md: "none" }}
          h="48px"
          px={{ base: "0.5", md: "4" }}
          display={wide ? { base: "none", md: "flex" } : "flex"}
          minW={FINGER}
          alignItems="center"
          justifyContent="center"
          // As small as it takes for all of them to fit.
          fontSize={{ base: "clamp(0.75rem, 3.6vw, 0.875rem)", md: "md" }}
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
