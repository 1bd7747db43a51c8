import { Box } from "@chakra-ui/react";
import { Swatch } from "../../kit/Swatch";
import { wayWords } from "../work/wayWords";
import type { Face } from "./FacePatch";

interface Props {
  face: Face;
  /** The colour of what lies behind the films, and what that is. */
  behind: string;
  what: string;
}

/** The films in the order of work: the first in is the first seen. */
export function FilmOrder({ face, behind, what }: Props) {
  const step = {
    display: "grid",
    gridTemplateColumns: "26px minmax(0, 1fr)",
    gap: "2",
    alignItems: "center",
  } as const;
  return (
    <Box as="ol" listStyleType="none" mt="3" color="fg" fontSize="sm" data-testid="film-order">
      {face.films.map((film, i) => (
        // biome-ignore lint/suspicious/noArrayIndexKey: a film is its place
        <Box as="li" key={i} {...step} minH="32px" opacity={film.seen ? 1 : 0.55}>
          <Swatch looks={film.looks} size={26} />
          <span>
            <strong>{i === 0 ? "First in, first seen: " : "Then "}</strong>
            {film.colour}, {wayWords[film.way]}
            {film.region && `, on the ${film.region}`}
            {film.share_pct < 100 && `, over ${Math.round(film.share_pct)} %`}
            {film.thickness_mm > 0 && `, ${film.thickness_mm} mm`}
            {!film.seen && " (not seen)"}
          </span>
        </Box>
      ))}
      <Box as="li" {...step} minH="32px">
        <Swatch looks={behind} size={26} />
        <span>Behind them all, {what}</span>
      </Box>
    </Box>
  );
}
