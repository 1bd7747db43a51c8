/** How a thing sets, against what was predicted. */
export function paceWords(pace: number): string {
  const off = Math.round(Math.abs(pace - 1) * 100);
  if (off < 1) return "Setting as predicted";
  return `Setting ${off} % ${pace > 1 ? "slower" : "faster"} than predicted`;
}
