import { chakra } from "@chakra-ui/react";
import { Link } from "react-router";

/** What stands by itself and leads on, as tall as a finger. */
const standing = {
  base: {
    display: "inline-flex",
    alignItems: "center",
    minH: "12",
    color: "ink",
    textDecoration: "underline",
  },
} as const;

/** A way to another place. */
export const WayTo = chakra(Link, standing);

/** A way to another place, within a sentence. */
export const InText = chakra(Link, { base: { color: "ink", textDecoration: "underline" } });

/** A way to a file: what is kept, to save it. */
export const FileTo = chakra("a", standing);
