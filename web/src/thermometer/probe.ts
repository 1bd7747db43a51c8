import pTimeout from "p-timeout";
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
/** Browsers let a question to a device that went away wait for ever: after this it is out of reach. */
const ANSWERS = { milliseconds: 5_000 };
/** A slow one takes its time until it is connected. */
const CONNECTS = { milliseconds: 20_000 };

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

/** Where it says the temperature, and how what it says is read. */
async function temperatureOf(server: BluetoothServer) {
  for (const { service, temperature, read } of services) {
    const found = await pTimeout(server.getPrimaryService(service), ANSWERS).catch(() => undefined);
    if (!found) continue;
    const characteristic = await pTimeout(found.getCharacteristic(temperature), ANSWERS);
    return { characteristic, read };
  }
  throw new Error("no temperature");
}

async function batteryOf(server: BluetoothServer) {
  const service = await pTimeout(server.getPrimaryService("battery_service"), ANSWERS);
  const level = await pTimeout(service.getCharacteristic("battery_level"), ANSWERS);
  return (await pTimeout(level.readValue(), ANSWERS)).getUint8(0);
}

/**
 * Measures by a thermometer until it is told to stop. Where it goes out of reach, or does not answer
 * any more, it is looked for again until it is back.
 */
export function measureBy(
  device: BluetoothDevice,
  heard: (temp_c: number) => void,
  stands: (now: ProbeStands) => void,
): () => void {
  const name = device.name || "Bluetooth thermometer";
  let now: ProbeStands = { state: "connecting", name };
  let last = Number.NEGATIVE_INFINITY;
  // Each connection has its number: what comes late of one that is over counts for nothing, and
  // however many ways tell that it is lost, it is looked for once.
  let connection = 0;
  let over = false;
  let nextTry: ReturnType<typeof setTimeout> | undefined;
  const say = (change: Partial<ProbeStands>) => {
    now = { ...now, ...change };
    if (!over) stands(now);
  };
  const said = (of: number, temp_c: number | null) => {
    // However often it sends, a bowl is read once a second.
    const at = Date.now();
    if (of !== connection || temp_c === null || at - last < EVERY_MS * 0.9) return;
    last = at;
    say({ state: "measuring", temp_c });
    heard(temp_c);
  };
  const measure = async (server: BluetoothServer, of: number) => {
    const { characteristic, read } = await temperatureOf(server);
    const { notify, indicate } = characteristic.properties;
    const sends = notify || indicate;
    const ask = async () => said(of, read(await pTimeout(characteristic.readValue(), ANSWERS)));
    if (sends) {
      characteristic.addEventListener("characteristicvaluechanged", () => {
        if (characteristic.value) said(of, read(characteristic.value));
      });
      await pTimeout(characteristic.startNotifications(), ANSWERS);
    } else {
      await ask();
    }
    // One without a battery's level measures all the same. Asked in its turn: a device answers one
    // question at a time.
    await batteryOf(server).then(
      (battery_pct) => say({ battery_pct }),
      () => {},
    );
    while (!sends && of === connection) {
      await new Promise((resolve) => setTimeout(resolve, EVERY_MS));
      if (of === connection) await ask();
    }
  };
  const connect = async () => {
    connection += 1;
    const of = connection;
    try {
      const asked = device.gatt?.connect();
      if (!asked) return;
      await measure(await pTimeout(asked, CONNECTS), of);
    } catch {
      lost(of);
    }
  };
  const lost = (of: number) => {
    if (over || of !== connection) return;
    connection += 1;
    // What is left of the connection would be in the way of the next one.
    device.gatt?.disconnect();
    say({ state: "lost" });
    clearTimeout(nextTry);
    nextTry = setTimeout(() => void connect(), TRY_AGAIN_MS);
  };
  const gone = () => lost(connection);
  device.addEventListener("gattserverdisconnected", gone);
  say({});
  void connect();
  return () => {
    over = true;
    connection += 1;
    clearTimeout(nextTry);
    device.removeEventListener("gattserverdisconnected", gone);
    device.gatt?.disconnect();
  };
}
