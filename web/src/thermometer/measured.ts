/** The standard services of thermometers, with the temperature that each has. */
export const services = [
  {
    service: "health_thermometer",
    temperature: "temperature_measurement",
    read: healthThermometer,
  },
  {
    service: "environmental_sensing",
    temperature: "temperature",
    read: environmentalSensing,
  },
] as const;

/**
 * °C of a Temperature Measurement, 0x2A1C: flags, the first of which says °F, then a number of 32
 * bits: an exponent of ten in the last byte, and before it a mantissa of 24 bits. Null where the
 * thermometer itself says that it has none.
 */
export function healthThermometer(value: DataView): number | null {
  if (value.byteLength < 5) return null;
  const inFahrenheit = (value.getUint8(0) & 1) === 1;
  const low = value.getUint8(1) | (value.getUint8(2) << 8);
  const mantissa = (value.getInt8(3) << 16) | low;
  // Not a number, not at this resolution, reserved, and both infinities.
  const isNone = mantissa >= 0x7ffffe || mantissa <= -0x7ffffe;
  if (isNone) return null;
  const read = mantissa * 10 ** value.getInt8(4);
  const c = inFahrenheit ? ((read - 32) * 5) / 9 : read;
  return Number.isFinite(c) ? c : null;
}

/** °C of a Temperature, 0x2A6E: hundredths in 16 bits. Null where it is not known. */
export function environmentalSensing(value: DataView): number | null {
  if (value.byteLength < 2) return null;
  const hundredths = value.getInt16(0, true);
  return hundredths === -0x8000 ? null : hundredths / 100;
}
