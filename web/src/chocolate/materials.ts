/** What bowls are made of. */
export const materials = ["glass", "steel", "plastic", "ceramic"] as const;
