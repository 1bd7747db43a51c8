import { useQuery } from "@tanstack/react-query";
import { api, type Me } from "../api/client";
import { keys } from "../api/queries";
import { accepted, done } from "../api/refusal";
import { signed } from "./ownKey";

/** A device that was sent away learns of it within so long, wherever it stands. */
const ASKED_EVERY_MS = 15_000;
const FRESH_MS = 5_000;

async function ask(): Promise<Me> {
  return accepted<Me>(await api.GET("/api/v1/me"));
}

/** Who this is to the server; at another address than before this browser proves it by its key. */
async function readMe(): Promise<Me> {
  const me = await ask();
  if (me.must !== "prove" || !me.sign) return me;
  const signature = await signed(me.sign);
  if (!signature) return { ...me, must: "pair" };
  try {
    done(await api.POST("/api/v1/me/proof", { body: { signature } }));
  } catch {
    return { ...me, must: "pair" };
  }
  return ask();
}

/** It is asked before anything is drawn, and not anew by each that wants to know. */
export const whoIsHere = { queryKey: keys.me, queryFn: readMe, staleTime: FRESH_MS };

export function useMe() {
  return useQuery({ ...whoIsHere, refetchInterval: ASKED_EVERY_MS });
}

/**
 * Whether this is a helper's screen: it sees what is to be done, and ticks what is safe. Until the
 * server has said so it is taken for the maker's: what it must not do is refused there.
 */
export function useIsHelper(): boolean {
  return useMe().data?.role === "helper";
}
