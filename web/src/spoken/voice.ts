import { useSyncExternalStore } from "react";

/** How this device speaks. */
export interface Voice {
  on: boolean;
  /** How fast, where 1 is usual. */
  pace: number;
  /** How loud, 0 to 1. */
  volume: number;
}

const NAME = "wide-sheen.voice";
const usual: Voice = { on: false, pace: 1, volume: 1 };
const listeners = new Set<() => void>();
const speech = typeof speechSynthesis === "undefined" ? undefined : speechSynthesis;

function kept(): Voice {
  try {
    return { ...usual, ...(JSON.parse(localStorage.getItem(NAME) ?? "{}") as Partial<Voice>) };
  } catch {
    return usual;
  }
}

let voice = kept();

function tell(): void {
  for (const listener of listeners) listener();
}

// Browsers come to know their voices only after a while.
speech?.addEventListener?.("voiceschanged", tell);

function subscribe(listener: () => void): () => void {
  listeners.add(listener);
  return () => listeners.delete(listener);
}

export function setVoice(change: Partial<Voice>): void {
  voice = { ...voice, ...change };
  if (!voice.on) speech?.cancel();
  try {
    localStorage.setItem(NAME, JSON.stringify(voice));
  } catch {
    // Then it is as usual the next time.
  }
  tell();
}

/** A voice that this device has itself and that speaks English; one from elsewhere needs a network. */
function own(): SpeechSynthesisVoice | undefined {
  return speech
    ?.getVoices()
    .find(({ lang, localService }) => localService && lang.startsWith("en"));
}

/** How this device speaks; null where it has no voice of its own. */
export function useVoice(): Voice | null {
  const has = useSyncExternalStore(subscribe, () => own() !== undefined);
  const now = useSyncExternalStore(subscribe, () => voice);
  return has ? now : null;
}

/** Says something, in place of what it was saying. */
export function say(words: string): void {
  const speaks = own();
  if (!speech || !speaks || !voice.on) return;
  speech.cancel();
  const told = new SpeechSynthesisUtterance(asSpoken(words));
  told.voice = speaks;
  told.lang = speaks.lang;
  told.rate = voice.pace;
  told.volume = voice.volume;
  speech.speak(told);
}

/** Signs as they are said. */
export function asSpoken(words: string): string {
  return words
    .replace(/(\d)\s*°C/g, "$1 degrees")
    .replace(/(\d)\s*°F/g, "$1 degrees Fahrenheit")
    .replace(/(\d)\s*°/g, "$1 degrees")
    .replace(/(\d) g\b/g, "$1 grams")
    .replace(/(\d) oz\b/g, "$1 ounces")
    .replace(/(\d) s\b/g, "$1 seconds")
    .replace(/(\d) min\b/g, "$1 minutes")
    .replace(/(\d)[–-](\d)/g, "$1 to $2")
    .replace(/(\d)×/g, "$1 times");
}
