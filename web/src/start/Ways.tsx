import { Box, chakra } from "@chakra-ui/react";
import { NavLink } from "react-router";
import { Rehearse } from "./Rehearse";

const Link = chakra(NavLink);

/** The ways into a plan, as one would ask for them; in brief once one is taken. */
export function Ways({ brief }: { brief?: boolean }) {
  return (
    <Box
      display="grid"
      gap="3"
      gridTemplateColumns={{ base: "minmax(0, 1fr)", md: "repeat(3, minmax(0, 1fr))" }}
      css={
        brief
          ? {
              "& [data-part=way]": { minHeight: "48px", paddingBlock: "2" },
              "& [data-part=words]": { display: "none" },
              "& [data-part=title]": { fontSize: "md" },
            }
          : undefined
      }
    >
      <Way to="/plans/new/have" title="What can I make from what I have?">
        One chocolate, some grams, a tray or a mould: see what comes of it, drawn to scale.
      </Way>
      <Way to="/plans/new/make" title="I want to make …">
        Bark, shells, truffles, piping, colours: pick a picture and start from there.
      </Way>
      <Rehearse />
    </Box>
  );
}

function Way({ to, title, children }: { to: string; title: string; children: string }) {
  return (
    <Link
      to={to}
      data-part="way"
      display="block"
      bg="bg.panel"
      borderRadius="slab"
      borderWidth="2px"
      borderColor="border.emphasized"
      p="4"
      minH={{ base: "88px", md: "112px" }}
      _hover={{ borderColor: "ink" }}
      css={{ "&[aria-current=page]": { borderColor: "ink", bg: "bg.muted" } }}
    >
      <Box data-part="title" textStyle="title" fontSize={{ base: "lg", md: "xl" }}>
        {title}
      </Box>
      <Box data-part="words" color="fg.muted" fontSize="sm" mt="1.5">
        {children}
      </Box>
    </Link>
  );
}
