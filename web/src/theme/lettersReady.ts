/** Longer than this nobody waits for a typeface. */
const PATIENCE_MS = 1_000;

/**
 * Waits for the typeface that ships with the application: a page that is drawn in another first
 * wraps its lines anew when this one comes.
 */
export async function lettersReady(): Promise<void> {
  const loaded = Promise.all(
    [400, 640].map((weight) => document.fonts.load(`${weight} 1rem "Archivo Variable"`)),
  );
  const enough = new Promise((resolve) => setTimeout(resolve, PATIENCE_MS));
  await Promise.race([loaded, enough]).catch(() => undefined);
}
