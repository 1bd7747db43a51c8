import { createStore, get, set } from "idb-keyval";

const store = createStore("wide-sheen-device", "keys");
const NAME = "own";
const HOW = { name: "ECDSA", namedCurve: "P-256" } as const;

function forAddresses(bytes: ArrayBuffer): string {
  const text = String.fromCharCode(...new Uint8Array(bytes));
  return btoa(text).replaceAll("+", "-").replaceAll("/", "_").replaceAll("=", "");
}

/**
 * Makes this browser's own key and gives its public half. The private one cannot be taken out of
 * the browser, by nobody's script either: it proves that whoever comes back at another address is
 * this browser and no copy of its cookie. Nothing where the browser keeps no keys.
 */
export async function newOwnKey(): Promise<string | undefined> {
  try {
    const pair = await crypto.subtle.generateKey(HOW, false, ["sign", "verify"]);
    await set(NAME, pair, store);
    return forAddresses(await crypto.subtle.exportKey("raw", pair.publicKey));
  } catch {
    return undefined;
  }
}

/** Signs what the server asks for; nothing where this browser has no key of its own. */
export async function signed(asked: string): Promise<string | undefined> {
  const pair = await get<CryptoKeyPair>(NAME, store).catch(() => undefined);
  if (!pair) return undefined;
  const bytes = new TextEncoder().encode(asked);
  const how = { name: "ECDSA", hash: "SHA-256" };
  return forAddresses(await crypto.subtle.sign(how, pair.privateKey, bytes));
}
