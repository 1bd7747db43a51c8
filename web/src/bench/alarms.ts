import { useEffect, useRef } from "react";
import { type Notice, useNotice } from "../alarms/notify";
import type { Alarm, BowlAnswer } from "../api/client";
import { inWords } from "../kit/message";
import { advisedDeed } from "./advised";

/** Two notes for the band, three falling for a timer, a fast four for the limit. */
const tunes: Record<Alarm, { hz: number; at: number; s: number }[]> = {
  limit: [0, 0.16, 0.32, 0.48].map((at) => ({ hz: 988, at, s: 0.11 })),
  band: [
    { hz: 523, at: 0, s: 0.18 },
    { hz: 784, at: 0.22, s: 0.3 },
  ],
  timer: [
    { hz: 784, at: 0, s: 0.2 },
    { hz: 659, at: 0.25, s: 0.2 },
    { hz: 523, at: 0.5, s: 0.35 },
  ],
};

let context: AudioContext | undefined;

export function play(alarm: Alarm): void {
  try {
    context ??= new AudioContext();
    for (const note of tunes[alarm]) {
      const start = context.currentTime + note.at;
      const tone = context.createOscillator();
      const volume = context.createGain();
      tone.frequency.value = note.hz;
      volume.gain.setValueAtTime(0, start);
      volume.gain.linearRampToValueAtTime(0.3, start + 0.02);
      volume.gain.linearRampToValueAtTime(0, start + note.s);
      tone.connect(volume).connect(context.destination);
      tone.start(start);
      tone.stop(start + note.s);
    }
  } catch {
    // No sound on this device: the alarm is seen all the same.
  }
}

/** Sounds an alarm once each time the coach raises a new one. */
export function useAlarms(
  bowl: Pick<BowlAnswer, "id" | "advice"> | undefined,
  silent: boolean,
  /** Whether this screen only looks on. */
  looksOn = false,
): void {
  const alarm = bowl?.advice.alarm ?? null;
  const cause = alarm ? `${bowl?.id} ${alarm} ${bowl?.advice.rule}` : "";
  const before = useRef<string>(undefined);
  useEffect(() => {
    // What stands when the page opens is seen, not heard.
    if (before.current !== undefined && cause !== before.current && alarm && !silent) play(alarm);
    before.current = cause;
  }, [cause, alarm, silent]);
  useNotice(cause, bowl && alarm ? noticeOf(bowl, alarm, looksOn) : null);
}

/** An alarm as it is shown beside other applications; a pour is never answered from there. */
function noticeOf(
  { id, advice }: Pick<BowlAnswer, "id" | "advice">,
  alarm: Alarm,
  looksOn: boolean,
): Notice {
  const deed = looksOn || advice.asks?.kind === "poured" ? null : advisedDeed(advice, false);
  const body = deed && { ...deed.action, id: crypto.randomUUID() };
  return {
    title: inWords(advice.say),
    body: inWords(advice.why),
    path: `/bench/${id}`,
    stays: alarm === "limit",
    answer:
      deed && body ? { label: deed.label, of: id, said: { kind: "action", body } } : undefined,
  };
}
