import { useMutation } from "@tanstack/react-query";
import { useState } from "react";
import { api, type Thing, type ThingAnswer } from "../api/client";
import { accepted, done } from "../api/refusal";
import { capitalised } from "../kit/capitalised";
import { useShelfChanged } from "../shelf/useThing";
import type { ShopLine } from "./shops";

/** Something that was ticked off, and how it is taken back. */
export interface Ticked {
  line: ShopLine;
  thingId: string;
  /** The move that put it on the shelf; left out where the thing itself is new there. */
  moveId?: string;
}

/** What does not stand on the shelf yet, as it is put there. */
function asThing({ name, unit, family, pigment, shop }: ShopLine): Thing {
  if (pigment) return { kind: "pigment", ...pigment };
  if (family) {
    return { kind: "chocolate", name: capitalised(name), family };
  }
  const sort = shop === "packing" ? "packaging" : shop === "chilled" ? "dairy" : "other";
  return { kind: "goods", name, unit, sort };
}

/** Ticks lines of a list off: what is bought goes to stock, and can be taken back. */
export function useBuying() {
  const changed = useShelfChanged();
  const [ticked, setTicked] = useState<Ticked[]>([]);
  const buy = useMutation({
    mutationFn: async (line: ShopLine): Promise<Ticked> => {
      const id = crypto.randomUUID();
      if (line.thing_id) {
        accepted<ThingAnswer>(
          await api.POST("/api/v1/shelf/{id}/moves", {
            params: { path: { id: line.thing_id } },
            body: { id, kind: "bought", amount: line.bought },
          }),
        );
        return { line, thingId: line.thing_id, moveId: id };
      }
      // Pigments are not counted.
      const left = line.pigment ? null : line.bought;
      const body = { id, thing: asThing(line), left };
      accepted<ThingAnswer>(await api.POST("/api/v1/shelf", { body }));
      return { line, thingId: id };
    },
    onSuccess: (one) => {
      setTicked((all) => [...all, one]);
      changed();
    },
  });
  const takeBack = useMutation({
    mutationFn: async ({ thingId, moveId }: Ticked) => {
      if (moveId) {
        const path = { id: thingId, move: moveId };
        accepted<ThingAnswer>(
          await api.DELETE("/api/v1/shelf/{id}/moves/{move}", { params: { path } }),
        );
      } else {
        done(await api.DELETE("/api/v1/shelf/{id}", { params: { path: { id: thingId } } }));
      }
    },
    onSuccess: (_, one) => {
      setTicked((all) => all.filter((other) => other !== one));
      changed();
    },
  });
  const failed = buy.error ?? takeBack.error;
  const busy = buy.isPending || takeBack.isPending;
  return { ticked, buy: buy.mutate, takeBack: takeBack.mutate, busy, failed };
}
