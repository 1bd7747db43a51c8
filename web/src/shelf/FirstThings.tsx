import { Box, Button } from "@chakra-ui/react";
import { Check } from "lucide-react";
import { useNavigate } from "react-router";
import type { Shelf } from "../api/queries";
import { toAdd } from "./places";

type Kind = "chocolates" | "wares" | "heats" | "thermometers";

/** What one needs, in the order in which one picks it up. */
const first: { kind: Kind; one: string; why: string }[] = [
  { kind: "chocolates", one: "a chocolate", why: "the numbers on its bag, and what is left of it" },
  { kind: "wares", one: "a bowl", why: "weighed empty: a bowl holds heat" },
  {
    kind: "heats",
    one: "a heat source",
    why: "how strong your microwave is, or that you use water",
  },
  { kind: "thermometers", one: "a thermometer", why: "checked in ice water or in the mouth" },
];

/** Leads through an empty shelf, one thing after the other. */
export function FirstThings({ shelf }: { shelf: Shelf }) {
  const navigate = useNavigate();
  const missing = first.filter(({ kind }) => shelf[kind].length === 0);
  const [next] = missing;
  if (!next) return null;
  return (
    <Box
      as="section"
      aria-label="To begin with"
      bg="bg.panel"
      borderRadius="slab"
      p="4"
      mb="4"
      data-testid="first-things"
    >
      <Box textStyle="title" fontSize="lg">
        To begin with
      </Box>
      <Box color="fg.muted" fontSize="sm" mb="3">
        Plans work without any of it, with what is usual. With yours they are exact.
      </Box>
      <Box
        as="ol"
        listStyleType="none"
        display="grid"
        gap="2"
        gridTemplateColumns={{ base: "minmax(0, 1fr)", lg: "repeat(4, minmax(0, 1fr))" }}
      >
        {first.map(({ kind, one, why }, i) => {
          const there = shelf[kind].length > 0;
          const now = kind === next.kind;
          return (
            <Box as="li" key={kind} display="grid">
              <Button
                variant={now ? "solid" : "outline"}
                {...(now
                  ? { bg: "ink", color: "onInk" }
                  : { borderColor: "border.emphasized", color: "fg" })}
                h="auto"
                minH="56px"
                py="2"
                justifyContent="start"
                textAlign="start"
                whiteSpace="normal"
                onClick={() => navigate(toAdd(one))}
              >
                {there ? <Check aria-label="on the shelf" /> : <Box as="strong">{i + 1}</Box>}
                <Box>
                  <Box fontWeight="640">{there ? `Add another: ${one}` : `Add ${one}`}</Box>
                  <Box fontSize="sm" fontWeight="400">
                    {why}
                  </Box>
                </Box>
              </Button>
            </Box>
          );
        })}
      </Box>
    </Box>
  );
}
