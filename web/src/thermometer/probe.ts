import { services } from "./measured";

/** How a thermometer stands. */
export interface ProbeStands {
  state: "connecting" | "measuring" | "lost";
  name: string;
  /** What it said last, °C. */
  temp_c?: number;
  battery_pct?: number;
}

/** How often one that does not send by itself is asked, and how often any is heard. */
const EVERY_MS = 1_000;
const TRY_AGAIN_MS = 2_000;

/** Whether this browser can talk to a thermometer at all. */
export const CAN_CONNECT = typeof navigator !== "undefined" && "bluetooth" in navigator;

/** Lets the maker pick a thermometer; null where none was picked. */
export async function picked(): Promise<BluetoothDevice | null> {
  const filters = services.map(({ service }) => ({ services: [service] }));
  const asked = navigator.bluetooth?.requestDevice({
    filters,
    optionalServices: ["battery_service"],
  });
  return (await asked?.catch(() => null)) ?? null;
}

/**
 * Measures by a thermometer until it is told to stop. Where it goes out of reach it is looked for
 * again until it is back.
 */
export function measureBy(
  device: BluetoothDevice,
  heard: (temp_c: number) => void,
  stands: (now: ProbeStands) => void,
): () => void {
  const name = device.name || "Bluetooth thermometer";
  let over = false;
  let now: ProbeStands = { state: "connecting", name };
  let last = 0;
  let asking: ReturnType<typeof setInterval> | undefined;
  const say = (change: Partial<ProbeStands>) => {
    now = { ...now, ...change };
    if (!over) stands(now);
  };
  const said = (temp_c: number | null) => {
    // However often it sends, a bowl is read once a second.
    const at = Date.now();
    if (over || temp_c === null || at - last < EVERY_MS * 0.9) return;
    last = at;
    say({ state: "measuring", temp_c });
    heard(temp_c);
  };
  const battery = async (server: BluetoothServer) => {
    const service = await server.getPrimaryService("battery_service");
    const level = await service.getCharacteristic("battery_level");
    say({ battery_pct: (await level.readValue()).getUint8(0) });
  };
  const listen = async (server: BluetoothServer) => {
    for (const { service, temperature, read } of services) {
      const found = await server.getPrimaryService(service).catch(() => undefined);
      if (!found) continue;
      const characteristic = await found.getCharacteristic(temperature);
      const { notify, indicate } = characteristic.properties;
      if (notify || indicate) {
        characteristic.addEventListener("characteristicvaluechanged", () => {
          if (characteristic.value) said(read(characteristic.value));
        });
        await characteristic.startNotifications();
      } else {
        const ask = () =>
          characteristic.readValue().then(
            (value) => said(read(value)),
            () => {},
          );
        asking = setInterval(ask, EVERY_MS);
        void ask();
      }
      return;
    }
    throw new Error("no temperature");
  };
  const connect = async () => {
    clearInterval(asking);
    try {
      const server = await device.gatt?.connect();
      if (!server || over) return;
      await listen(server);
      // One without a battery's level measures all the same.
      void battery(server).catch(() => {});
    } catch {
      again();
    }
  };
  const again = () => {
    if (over) return;
    clearInterval(asking);
    say({ state: "lost" });
    setTimeout(() => void connect(), TRY_AGAIN_MS);
  };
  device.addEventListener("gattserverdisconnected", again);
  say({});
  void connect();
  return () => {
    over = true;
    clearInterval(asking);
    device.removeEventListener("gattserverdisconnected", again);
    device.gatt?.disconnect();
  };
}
