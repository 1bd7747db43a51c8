import { useEffect, useRef, useState } from "react";
import type { Place } from "../api/client";
import type { KitchenClock } from "../bench/useBowl";
import { enter } from "../outbox/outbox";
import { measureBy, type ProbeStands, picked } from "./probe";

/** A thermometer of the standard Bluetooth services that measures a place of a bowl from this page. */
export interface Bluetooth {
  stands: ProbeStands | undefined;
  /** Lets the maker pick one; whether one was picked. */
  connect: () => Promise<boolean>;
  letGo: () => void;
}

/** What a thermometer sends that stands there. */
export const sources = { middle: "probe", edge: "edge" } as const;

export function useBluetooth(bowlId: string, clock: KitchenClock, place: Place): Bluetooth {
  const [stands, setStands] = useState<ProbeStands>();
  const stop = useRef<() => void>(undefined);
  // It measures this bowl alone: who leaves the page takes it along.
  useEffect(() => () => stop.current?.(), []);
  const connect = async () => {
    const device = await picked();
    if (!device) return false;
    stop.current?.();
    const heard = (temp_c: number) => {
      const at = new Date(clock.now()).toISOString();
      const probe = (device.name || "Bluetooth thermometer").slice(0, 40);
      const body = { id: crypto.randomUUID(), at, temp_c, source: sources[place], probe };
      void enter(bowlId, { kind: "reading", body });
    };
    stop.current = measureBy(device, heard, setStands);
    return true;
  };
  const letGo = () => {
    stop.current?.();
    stop.current = undefined;
    setStands(undefined);
  };
  return { stands, connect, letGo };
}
