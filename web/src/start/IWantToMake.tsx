import { Box, Button, Heading, Input } from "@chakra-ui/react";
import { useState } from "react";
import type { KindAnswer } from "../api/client";
import { useKinds } from "../api/queries";
import { Fault } from "../kit/Fault";
import { Failed, Loading } from "../kit/Standing";
import { useNewPlan } from "../plan/useNewPlan";
import { KindSketch, sketched } from "../sketch/KindSketch";

const groups: Record<KindAnswer["group"], string> = {
  flat: "Flat",
  moulded: "Moulded",
  dipped: "Dipped",
  piped: "Piped and wrapped",
  colour: "Colour",
};

/** Whether every word that is looked for is in what a kind is called or known by. */
function found(kind: KindAnswer, search: string): boolean {
  const all = `${kind.name} ${kind.how} ${kind.words}`.toLowerCase();
  return search
    .toLowerCase()
    .split(/\s+/)
    .every((word) => all.includes(word));
}

/** The kinds of work as pictures, grouped, and found by the words makers use. */
export function IWantToMake() {
  const kinds = useKinds();
  const [search, setSearch] = useState("");
  const begin = useNewPlan();
  if (kinds.error && !kinds.data)
    return <Failed what="kinds" error={kinds.error} retry={() => kinds.refetch()} />;
  if (!kinds.data) return <Loading what="the kinds of work" />;
  const shown = kinds.data.filter((kind) => found(kind, search));
  return (
    <Box>
      <Input
        type="search"
        aria-label="Find something to make"
        placeholder="Bonbons, bark, truffles, letters …"
        maxLength={80}
        h="52px"
        maxW="560px"
        bg="bg.panel"
        borderColor="border.emphasized"
        value={search}
        onChange={(event) => setSearch(event.target.value)}
      />
      {begin.error && <Fault mt="2">That plan was not made: {begin.error.message}</Fault>}
      {shown.length === 0 && (
        <Box mt="4" color="fg.muted">
          Nothing is called “{search}” here. Try what it looks like: a slab, a shell, a coat, a
          line.
        </Box>
      )}
      {(Object.keys(groups) as KindAnswer["group"][]).map((group) => {
        const of = shown.filter((kind) => kind.group === group);
        if (of.length === 0) return null;
        return (
          <Box as="section" key={group} aria-labelledby={`group-${group}`} mt="4">
            <Heading as="h2" id={`group-${group}`} textStyle="label" mb="2">
              {groups[group]}
            </Heading>
            <Box
              display="grid"
              gap="3"
              gridTemplateColumns="repeat(auto-fill, minmax(min(100%, 290px), 1fr))"
            >
              {of.map((kind) => (
                <Button
                  key={kind.name}
                  variant="plain"
                  h="auto"
                  p="3"
                  display="grid"
                  gridTemplateColumns="120px minmax(0, 1fr)"
                  gap="3"
                  alignItems="center"
                  textAlign="start"
                  whiteSpace="normal"
                  bg="bg.panel"
                  borderRadius="slab"
                  borderWidth="2px"
                  borderColor="border"
                  _hover={{ borderColor: "ink" }}
                  disabled={begin.isPending}
                  onClick={() => begin.mutate({ name: kind.name, kind: kind.name })}
                  data-testid="kind"
                >
                  {/* A button would have it as small as its letters. */}
                  <Box
                    css={{ "& svg": { width: "120px", height: "72px" } }}
                    bg="tile"
                    borderRadius="slab"
                  >
                    <KindSketch of={sketched(kind.start)} />
                  </Box>
                  <Box minW="0">
                    <Box fontWeight="640" lineHeight="1.2">
                      {kind.name}
                    </Box>
                    <Box color="fg.muted" fontSize="sm" fontWeight="400" mt="1" lineHeight="1.3">
                      {kind.how}
                    </Box>
                  </Box>
                </Button>
              ))}
            </Box>
          </Box>
        );
      })}
    </Box>
  );
}
