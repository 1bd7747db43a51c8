const NAME = "wide-sheen.place";

/** Remembers where one is, for the next time that the installed application is opened. */
export function rememberPlace(path: string): void {
  try {
    localStorage.setItem(NAME, path);
  } catch {
    // Then it is opened at its beginning.
  }
}

/** Where one was when it was left. */
export function lastPlace(): string | undefined {
  const kept = localStorage.getItem(NAME);
  // Nothing but an address of our own.
  return kept?.startsWith("/") && !kept.startsWith("//") && !kept.startsWith("/begin")
    ? kept
    : undefined;
}
