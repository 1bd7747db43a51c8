import type { TrayInputs } from "../api/client";

/** A tray in a line. */
export function trayWords(tray: TrayInputs): string {
  const rim = "rim_mm" in tray && tray.rim_mm != null ? `, rim ${tray.rim_mm} mm` : "";
  switch (tray.shape) {
    case "rectangle":
      return `${tray.length_mm} by ${tray.width_mm} mm${rim}`;
    case "round":
      return `${tray.diameter_mm} mm across${rim}`;
    case "area":
      return `${tray.area_cm2} cm²`;
    case "saved":
      return "from the shelf";
  }
}
