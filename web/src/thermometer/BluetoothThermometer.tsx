import { Box } from "@chakra-ui/react";
import { Bluetooth, BluetoothSearching } from "lucide-react";
import { useEffect, useRef, useState } from "react";
import { enter } from "../bench/outbox";
import { Touch } from "../bench/Touch";
import type { KitchenClock } from "../bench/useBowl";
import { temperature } from "../kit/format";
import { CAN_CONNECT, measureBy, type ProbeStands, picked } from "./probe";

interface Props {
  bowlId: string;
  clock: KitchenClock;
}

const words = {
  connecting: "is being connected…",
  lost: "is out of reach: it is looked for…",
};

/** A thermometer of the standard Bluetooth services that measures this bowl, from this page. */
export function BluetoothThermometer({ bowlId, clock }: Props) {
  const [stands, setStands] = useState<ProbeStands>();
  const stop = useRef<() => void>(undefined);
  // It measures this bowl alone: who leaves the page takes it along.
  useEffect(() => () => stop.current?.(), []);
  if (!CAN_CONNECT) return null;
  const connect = async () => {
    const device = await picked();
    if (!device) return;
    stop.current?.();
    const heard = (temp_c: number) => {
      const at = new Date(clock.now()).toISOString();
      const probe = (device.name || "Bluetooth thermometer").slice(0, 40);
      const body = { id: crypto.randomUUID(), at, temp_c, source: "probe" as const, probe };
      void enter(bowlId, { kind: "reading", body });
    };
    stop.current = measureBy(device, heard, setStands);
  };
  if (!stands) {
    return (
      <Touch minH="56px" fontSize="md" onClick={connect}>
        Connect a Bluetooth thermometer
      </Touch>
    );
  }
  const { state, name, temp_c, battery_pct } = stands;
  const Icon = state === "measuring" ? Bluetooth : BluetoothSearching;
  return (
    <Box display="flex" gap="3" alignItems="center" flexWrap="wrap" data-testid="bluetooth">
      <Box role="status" display="flex" gap="2" alignItems="center" fontWeight="560">
        <Icon size={20} aria-hidden />
        {name} {state === "measuring" ? temp_c != null && temperature(temp_c) : words[state]}
        {battery_pct != null && (
          <Box as="span" color={battery_pct < 15 ? "stop" : "fg.muted"}>
            battery {battery_pct} %
          </Box>
        )}
      </Box>
      <Touch
        minH="56px"
        fontSize="md"
        onClick={() => {
          stop.current?.();
          stop.current = undefined;
          setStands(undefined);
        }}
      >
        Let go of it
      </Touch>
    </Box>
  );
}
