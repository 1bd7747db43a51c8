import { Box } from "@chakra-ui/react";
import type { ReactNode } from "react";
import type { Family } from "../api/client";
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

interface Props {
  of: {
    name: string;
    families: readonly Family[];
    colours: readonly string[];
    components: readonly string[];
    to_weigh_g?: number | null;
    unreadable?: string | null;
  };
  /** Whether it has the sheen of what was poured. */
  shines: boolean;
  /** What else there is to say of it, where it can be read. */
  children?: ReactNode;
  stands: ReactNode;
  when: string;
  lost?: boolean;
}

/** A plan or a batch in a list, with the look of what it is made from. */
export function Row(props: Props) {
  const { of, shines, children, stands, when, lost } = props;
  const { name, families, colours } = of;
  const looks = [...families.map((family) => chocolateColours[family].body), ...colours];
  const step = 100 / Math.max(looks.length, 1);
  const stripes = looks.map((look, i) => `${look} ${i * step}% ${(i + 1) * step}%`);
  const light = chocolateColours[families[0] ?? "dark"].light;
  return (
    <Box
      display="grid"
      gridTemplateColumns="64px minmax(0, 1fr) auto"
      gap="4"
      alignItems="center"
      bg="bg.panel"
      borderRadius="slab"
      p="3"
      minH="72px"
      _hover={{ boxShadow: "inset 0 0 0 2px var(--chakra-colors-border-emphasized)" }}
    >
      <Box
        h="40px"
        borderRadius="4px"
        borderWidth="1px"
        borderColor="border.emphasized"
        bg={looks[0] ?? "bg.muted"}
        backgroundImage={[
          ...(shines
            ? [`linear-gradient(105deg, transparent 30%, ${light}99 44%, transparent 60%)`]
            : []),
          ...(looks.length > 1 ? [`linear-gradient(100deg, ${stripes.join(", ")})`] : []),
        ].join(", ")}
      />
      <Box minW="0">
        <Box fontWeight="600" fontSize="lg" lineHeight="1.2" overflowWrap="anywhere">
          {name}
        </Box>
        <Box color="fg.muted" fontSize="sm">
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
      <Box textAlign="end" fontSize="sm">
        <Box fontWeight="600" color={lost ? "stop" : "fg"}>
          {stands}
        </Box>
        <Box color="fg.muted">{when}</Box>
      </Box>
    </Box>
  );
}
