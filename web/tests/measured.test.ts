import { describe, expect, test } from "vitest";
import { environmentalSensing, healthThermometer } from "../src/thermometer/measured";

const bytes = (...all: number[]) => new DataView(new Uint8Array(all).buffer);

describe("what a thermometer sends", () => {
  test("is °C, of either service, in either unit", () => {
    // 4551 hundredths; 314 tenths; 886 tenths of °F.
    expect(healthThermometer(bytes(0, 0xc7, 0x11, 0, 0xfe))).toBeCloseTo(45.51);
    expect(healthThermometer(bytes(0, 0x3a, 0x01, 0, 0xff))).toBeCloseTo(31.4);
    expect(healthThermometer(bytes(1, 0x76, 0x03, 0, 0xff))).toBeCloseTo(31.44, 1);
    expect(healthThermometer(bytes(0, 0x9c, 0xff, 0xff, 0xff))).toBeCloseTo(-10);
    expect(environmentalSensing(bytes(0x44, 0x0c))).toBeCloseTo(31.4);
    expect(environmentalSensing(bytes(0x18, 0xfc))).toBeCloseTo(-10);
  });

  test("is nothing where the thermometer has none, or sent too little", () => {
    for (const none of [0x7fffff, 0x800000, 0x7ffffe, 0x800002, 0x800001]) {
      const sent = bytes(0, none & 0xff, (none >> 8) & 0xff, none >> 16, 0);
      expect(healthThermometer(sent), none.toString(16)).toBeNull();
    }
    expect(environmentalSensing(bytes(0, 0x80))).toBeNull();
    expect(healthThermometer(bytes(0, 1))).toBeNull();
    expect(environmentalSensing(bytes(1))).toBeNull();
  });
});
