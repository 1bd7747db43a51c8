import { afterEach, beforeEach, expect, test, vi } from "vitest";
import { measureBy, type ProbeStands } from "../src/thermometer/probe";

/** A thermometer as a page sees it: what it says, whether it sends by itself, whether it answers. */
class Thermometer extends EventTarget {
  readonly name = "Long probe";
  hundredths = 4_000;
  answers = true;
  /** Whether it says so when it goes. */
  connections = 0;
  isConnected = false;
  asked = 0;
  readonly characteristic: EventTarget & { value?: DataView };

  constructor(private readonly notify = false) {
    super();
    this.characteristic = new EventTarget();
  }

  private answer<T>(what: () => T): Promise<T> {
    if (!this.answers) return new Promise(() => {});
    return this.isConnected ? Promise.resolve(what()) : Promise.reject(new Error("not connected"));
  }

  private value() {
    const value = new DataView(new ArrayBuffer(2));
    value.setInt16(0, this.hundredths, true);
    return value;
  }

  sends() {
    this.characteristic.value = this.value();
    this.characteristic.dispatchEvent(new Event("characteristicvaluechanged"));
  }

  goes() {
    this.isConnected = false;
    this.dispatchEvent(new Event("gattserverdisconnected"));
  }

  /** Of another service it knows nothing. */
  private service(name: string) {
    if (name === "health_thermometer") return this.answer(() => Promise.reject(new Error("none")));
    const read = () => {
      this.asked += 1;
      return this.answer(() => (name === "battery_service" ? battery : this.value()));
    };
    const battery = new DataView(new Uint8Array([64]).buffer);
    const characteristic = Object.assign(
      name === "battery_service" ? new EventTarget() : this.characteristic,
      {
        properties: { notify: this.notify, indicate: false },
        readValue: read,
        startNotifications: () => this.answer(() => undefined),
      },
    );
    return this.answer(() => ({ getCharacteristic: () => this.answer(() => characteristic) }));
  }

  readonly gatt = {
    connected: false,
    connect: async () => {
      this.connections += 1;
      if (!this.answers) return new Promise<never>(() => {});
      this.isConnected = true;
      return { ...this.gatt, getPrimaryService: (name: string) => this.service(name) };
    },
    disconnect: () => {
      if (!this.isConnected) return;
      this.goes();
    },
  };
}

let heard: number[];
let stands: ProbeStands[];
const now = () => stands.at(-1);

beforeEach(() => {
  vi.useFakeTimers();
  heard = [];
  stands = [];
});

afterEach(() => {
  vi.useRealTimers();
});

function measured(by: Thermometer) {
  return measureBy(
    by as unknown as BluetoothDevice,
    (c) => heard.push(c),
    (stand) => stands.push(stand),
  );
}

test("one that does not send is asked once a second, and its battery once", async () => {
  const probe = new Thermometer();
  const stop = measured(probe);
  await vi.advanceTimersByTimeAsync(3_500);
  expect(heard).toEqual([40, 40, 40, 40]);
  expect(now()).toEqual({ state: "measuring", name: "Long probe", temp_c: 40, battery_pct: 64 });
  expect(probe.asked).toBe(5);
  stop();
  await vi.advanceTimersByTimeAsync(60_000);
  expect(probe.asked).toBe(5);
  expect(probe.isConnected).toBe(false);
});

test("one that sends by itself is heard once a second, however often it does", async () => {
  const probe = new Thermometer(true);
  measured(probe);
  await vi.advanceTimersByTimeAsync(100);
  for (let tenths = 0; tenths < 25; tenths += 1) {
    probe.hundredths = 4_000 + 10 * tenths;
    probe.sends();
    await vi.advanceTimersByTimeAsync(100);
  }
  expect(heard.map((c) => Math.round(c * 10) / 10)).toEqual([40, 40.9, 41.8]);
  expect(now()?.battery_pct).toBe(64);
});

test("one that is gone is looked for once at a time, however often it goes", async () => {
  const probe = new Thermometer();
  measured(probe);
  await vi.advanceTimersByTimeAsync(100);
  for (let times = 0; times < 6; times += 1) {
    probe.goes();
    probe.goes();
    expect(now()?.state).toBe("lost");
    await vi.advanceTimersByTimeAsync(2_100);
    expect(now()?.state).toBe("measuring");
  }
  expect(probe.connections).toBe(7);
  const before = heard.length;
  await vi.advanceTimersByTimeAsync(5_000);
  expect(heard.length).toBe(before + 5);
});

test("one that answers nothing any more is out of reach, and measures again when it is back", async () => {
  const probe = new Thermometer();
  measured(probe);
  await vi.advanceTimersByTimeAsync(1_500);
  probe.answers = false;
  await vi.advanceTimersByTimeAsync(6_000);
  expect(now()?.state).toBe("lost");
  // Connecting hangs as well, until it is given up and begun again.
  await vi.advanceTimersByTimeAsync(30_000);
  expect(now()?.state).toBe("lost");
  expect(probe.connections).toBeGreaterThan(2);
  probe.answers = true;
  await vi.advanceTimersByTimeAsync(25_000);
  expect(now()).toMatchObject({ state: "measuring", temp_c: 40 });
});

test("what a lost connection says late counts for nothing", async () => {
  const probe = new Thermometer(true);
  measured(probe);
  await vi.advanceTimersByTimeAsync(100);
  probe.sends();
  probe.goes();
  await vi.advanceTimersByTimeAsync(1_500);
  probe.sends();
  expect(now()?.state).toBe("lost");
  expect(heard).toEqual([40]);
});
