import { chakra } from "@chakra-ui/react";
import { Link } from "react-router";

/** A way to another place that stands by itself, as tall as a finger. */
export const WayTo = chakra(Link, {
  base: {
    display: "inline-flex",
    alignItems: "center",
    minH: "12",
    color: "ink",
    textDecoration: "underline",
  },
});
