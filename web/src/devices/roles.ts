import type { Role } from "../api/client";

/** What each may do, as the maker reads it. */
export const roles: { value: Role; label: string; may: string }[] = [
  { value: "maker", label: "Maker", may: "All that this screen may." },
  {
    value: "helper",
    label: "Helper",
    may: "Sees what is to be done and ticks what is safe: never heat, sugar, blades or settings.",
  },
  {
    value: "thermometer",
    label: "Thermometer",
    may: "Sends readings to the bowl it is lent to, and does nothing else.",
  },
];

export function roleName(role: Role): string {
  return roles.find(({ value }) => value === role)?.label ?? role;
}
