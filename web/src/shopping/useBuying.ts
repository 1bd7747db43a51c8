import { useState } from "react";
import type { ShoppingList, Thing } from "../api/client";
import { capitalised } from "../kit/capitalised";
import { enter, useWholeOutbox } from "../outbox/outbox";
import { type Bought, basket, ofLine, sameTick } from "./basket";
import type { ShopLine } from "./shops";

/** What does not stand on the shelf yet, as it is put there. */
function asThing({ name, unit, family, pigment, shop }: ShopLine): Thing {
  if (pigment) return { kind: "pigment", ...pigment };
  if (family) {
    return { kind: "chocolate", name: capitalised(name), family };
  }
  const sort = shop === "packing" ? "packaging" : shop === "chilled" ? "dairy" : "other";
  return { kind: "goods", name, unit, sort };
}

/**
 * Ticks lines of a list off: what is bought goes to stock, and can be taken back. In a shop there is
 * no server: what is ticked off there waits in the outbox.
 */
export function useBuying(list: ShoppingList) {
  const { waiting, failing, refusals } = useWholeOutbox();
  const [here, setHere] = useState<Bought[]>([]);
  const noted = (all: Bought[]) => all.filter(({ thingId }) => !refusals.has(thingId));
  const buy = (line: ShopLine) => {
    const id = crypto.randomUUID();
    const thingId = line.thing_id ?? id;
    const moveId = line.thing_id ? id : null;
    setHere((all) => [...noted(all), { line, thingId, moveId }]);
    if (line.thing_id) {
      void enter(thingId, { kind: "bought", body: { id, amount: line.bought }, line });
    } else {
      // Pigments are not counted.
      const left = line.pigment ? null : line.bought;
      void enter(thingId, { kind: "new_thing", body: { id, thing: asThing(line), left }, line });
    }
  };
  const takeBack = (one: Bought) => {
    setHere((all) => noted(all).filter((other) => !sameTick(one, other)));
    void enter(one.thingId, { kind: "not_bought", move: one.moveId, line: one.line });
  };
  const names = new Map(
    [...list.lines, ...here.map(({ line, thingId }) => ({ ...line, thing_id: thingId }))].map(
      (line) => [ofLine(line), line.name],
    ),
  );
  const refused = [...refusals].flatMap(([id, { why }]) => {
    const name = names.get(id);
    return name ? { name, why } : [];
  });
  return { ...basket(list, noted(here), waiting), failing, buy, takeBack, refused };
}
