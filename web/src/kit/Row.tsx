import { Box } from "@chakra-ui/react";
import type { ReactNode } from "react";
import type { Family } from "../api/client";
import { KindSketch, sketchOf } from "../sketch/KindSketch";
import { chocolateColours, familyNames } from "../theme/chocolate";
import { mass } from "./format";

/** Its chocolates, each named once, and how many colours. */
function madeFrom(families: readonly Family[], colours: readonly string[]): string {
  const names = [...new Set(families)].map((family) => familyNames[family]);
  if (colours.length > 0) {
    names.push(colours.length === 1 ? "one colour" : `${colours.length} colours`);
  }
  return names.length > 0 ? `${names.join(", ")}: ` : "";
}

interface Of {
  name: string;
  families: readonly Family[];
  colours: readonly string[];
  components: readonly string[];
  kinds: readonly string[];
  to_weigh_g?: number | null;
  unreadable?: string | null;
}

interface Props {
  of: Of;
  /** A photo of it, in place of a drawing. */
  photo?: string | null | undefined;
  /** What lies over the drawing: how it came out. */
  finish?: ReactNode;
  /** What else there is to say of it, where it can be read. */
  children?: ReactNode;
  stands: ReactNode;
  when: string;
  lost?: boolean;
}

/** A plan or a batch in a list, seen: drawn as what is made, or by its photo. */
export function Row(props: Props) {
  const { of, photo, finish, children, stands, when, lost } = props;
  const { name, families, colours } = of;
  return (
    <Box
      display="grid"
      gridTemplateColumns={{ base: "84px minmax(0, 1fr)", md: "132px minmax(0, 1fr) auto" }}
      columnGap={{ base: "3", md: "4" }}
      alignItems="center"
      bg="bg.panel"
      borderRadius="slab"
      p="2.5"
      minH="92px"
      _hover={{ boxShadow: "inset 0 0 0 2px var(--chakra-colors-border-emphasized)" }}
    >
      <Box
        position="relative"
        overflow="hidden"
        borderRadius="4px"
        bg={{ base: "bg.muted", _dark: "tile" }}
        w={{ base: "84px", md: "132px" }}
        h={{ base: "60px", md: "80px" }}
        display="grid"
        placeItems="center"
        gridRow={{ base: "span 2", md: "auto" }}
        css={{ "& svg": { width: "92%", height: "92%" } }}
      >
        {photo ? (
          <img
            src={`/api/v1/photos/${photo}`}
            alt={`${name}, as it came out`}
            loading="lazy"
            style={{ width: "100%", height: "100%", objectFit: "cover" }}
          />
        ) : (
          <Drawn of={of} />
        )}
        {finish}
      </Box>
      <Box minW="0">
        <Box
          fontWeight="600"
          fontSize={{ base: "md", md: "lg" }}
          lineHeight="1.2"
          overflowWrap="anywhere"
        >
          {name}
        </Box>
        <Box color="fg.muted" fontSize="sm" lineClamp={{ base: 2, md: 3 }}>
          {of.unreadable ? (
            "It cannot be read by this release; it is kept as it is."
          ) : (
            <>
              {madeFrom(families, colours)}
              {of.components.join(", ")}
              {of.to_weigh_g != null && `, ${mass(of.to_weigh_g)}`}
              {children}
            </>
          )}
        </Box>
      </Box>
      <Box
        textAlign={{ base: "start", md: "end" }}
        fontSize="sm"
        display={{ base: "flex", md: "block" }}
        flexWrap="wrap"
        columnGap="3"
        gridColumn={{ base: "2", md: "auto" }}
      >
        <Box fontWeight="600" color={lost ? "stop" : "fg"}>
          {stands}
        </Box>
        <Box color="fg.muted">{when}</Box>
      </Box>
    </Box>
  );
}

/** What is made, drawn; of what an earlier release kept only its chocolates are known. */
export function Drawn({ of }: { of: Pick<Of, "kinds" | "families" | "colours"> }) {
  const kind = sketchOf(of.kinds[0]);
  if (kind) return <KindSketch of={kind} families={of.families} colours={of.colours} />;
  return (
    <Box
      w="80%"
      h="70%"
      borderRadius="4px"
      style={{ background: chocolateColours[of.families[0] ?? "dark"].body }}
    />
  );
}
