import { Box, Heading, Input } from "@chakra-ui/react";
import { useState } from "react";
import { glossary, type Term } from "./glossary";
import { TermPicture } from "./TermPicture";

const terms = (Object.keys(glossary) as Term[]).toSorted((a, b) =>
  glossary[a].name.localeCompare(glossary[b].name),
);

/** The words of the craft, each in a line and drawn where it can be. */
export default function GlossaryPage() {
  const [search, setSearch] = useState("");
  const shown = terms.filter((term) => {
    const { name, line } = glossary[term];
    return `${name} ${line}`.toLowerCase().includes(search.trim().toLowerCase());
  });
  return (
    <Box px={{ base: "3", md: "6" }} pb="8" maxW="1240px" width="full" mx="auto">
      <Heading as="h1" textStyle="title" fontSize="2xl" py="4">
        Words of the craft
      </Heading>
      <Input
        type="search"
        aria-label="Find a word"
        placeholder="Find a word"
        h="52px"
        maxW="480px"
        maxLength={60}
        bg="bg.panel"
        borderColor="border.emphasized"
        value={search}
        onChange={(event) => setSearch(event.target.value)}
        _print={{ display: "none" }}
      />
      {shown.length === 0 && (
        <Box mt="4" color="fg.muted">
          “{search}” is not among them.
        </Box>
      )}
      <Box
        as="dl"
        mt="4"
        display="grid"
        gap="3"
        gridTemplateColumns="repeat(auto-fill, minmax(min(100%, 340px), 1fr))"
      >
        {shown.map((term) => (
          <Box
            key={term}
            bg="bg.panel"
            borderRadius="slab"
            p="3"
            display="grid"
            gridTemplateColumns="96px minmax(0, 1fr)"
            gap="3"
            alignItems="center"
            css={{ breakInside: "avoid", "& svg": { width: "96px", height: "58px" } }}
          >
            <Box as="dd" order={0} aria-hidden bg="tile" borderRadius="slab" w="96px" h="58px">
              <TermPicture of={term} />
            </Box>
            <Box as="dt" fontWeight="640" order={1}>
              {glossary[term].name}
              <Box as="span" display="block" fontWeight="400" fontSize="sm" color="fg.muted">
                {glossary[term].line}
              </Box>
            </Box>
          </Box>
        ))}
      </Box>
    </Box>
  );
}
