import { Box, Heading } from "@chakra-ui/react";
import { useState } from "react";
import type { OnShelf } from "../api/queries";
import { GoodsForm } from "./GoodsForm";
import { GoodsRow } from "./GoodsRow";
import { Section } from "./Section";
import { bySort } from "./sorts";

/** Goods, sugars, dairy, spirits, sticks and packaging, each sort by itself. */
export function Pantry({ goods }: { goods: OnShelf<"goods">[] }) {
  const sorts = bySort(goods, ({ thing }) => thing.sort);
  return (
    <Section
      title="Goods"
      one="goods"
      none="No goods yet. Touch what you have: plans take it from here, count what is left and read its label."
      empty={goods.length === 0}
      form={(done) => <GoodsForm standing={null} goods={goods} done={done} />}
    >
      <Box css={{ columnGap: "20px", columnCount: { base: 1, lg: 2 } }}>
        {sorts.map(({ sort, words, things }) => (
          <Box
            as="section"
            key={sort}
            aria-label={words}
            bg="bg.panel"
            borderRadius="slab"
            px="4"
            pt="3"
            pb="1"
            mb="4"
            css={{ breakInside: "avoid-column" }}
          >
            <Heading as="h3" textStyle="label" mb="1">
              {words}
            </Heading>
            {things.map((one) => (
              <Good key={one.id} one={one} goods={goods} />
            ))}
          </Box>
        ))}
      </Box>
    </Section>
  );
}

function Good({ one, goods }: { one: OnShelf<"goods">; goods: OnShelf<"goods">[] }) {
  const [editing, setEditing] = useState(false);
  return (
    <Box
      as="article"
      aria-label={one.thing.name}
      borderTopWidth="1px"
      borderColor="border"
      py={editing ? "4" : "2"}
    >
      {editing ? (
        <GoodsForm standing={one} goods={goods} done={() => setEditing(false)} />
      ) : (
        <GoodsRow one={one} onEdit={() => setEditing(true)} />
      )}
    </Box>
  );
}
