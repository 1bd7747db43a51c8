import type { Seen } from "../api/client";

/** A smear as it looks in each case: shape before colour. */
export function Smear({ seen }: { seen: Seen }) {
  return (
    <svg style={{ width: 72, height: 34 }} viewBox="0 0 72 34" aria-hidden="true">
      <path d="M4 20c4-14 18-17 32-15s30 0 32 12-14 13-32 12S1 30 4 20z" fill="#3A241A" />
      {seen === "sets_from_edge" && (
        <path
          d="M4 20c4-14 18-17 32-15s30 0 32 12-14 13-32 12S1 30 4 20z"
          fill="none"
          stroke="#B39C8E"
          strokeWidth="7"
        />
      )}
      {seen === "even_satin" && (
        <path d="M4 20c4-14 18-17 32-15s30 0 32 12-14 13-32 12S1 30 4 20z" fill="#8C7466" />
      )}
      {seen === "streaks" && (
        <path
          d="M10 22c14-8 40-8 54-3M14 27c16-4 30-5 44-2M14 13c14-5 30-4 46 1"
          stroke="#C9B7AB"
          strokeWidth="3"
          fill="none"
        />
      )}
      {seen === "still_wet" && (
        <path
          d="M16 12c8-4 22-5 30-3"
          stroke="#FFFFFF"
          strokeWidth="4"
          strokeLinecap="round"
          fill="none"
        />
      )}
    </svg>
  );
}
