import { Box } from "@chakra-ui/react";
import type { NewResult } from "../api/client";
import { PictureChoice } from "./PictureChoice";

type Tests = NonNullable<NewResult["bloom"]>;

const rubbed = {
  "": "Not done",
  wipes_off: "It wipes off: fat",
  stays: "It stays, rough: sugar",
} as const;
const wetted = {
  "": "Not done",
  beads: "The drop beads, the veil stays: fat",
  dissolves: "The veil dissolves: sugar",
} as const;

/** A fingertip, and what it does to a veil. */
function Finger({ clears }: { clears: boolean }) {
  return (
    <svg viewBox="0 0 56 40" width="56" height="40" aria-hidden="true">
      <rect x="4" y="20" width="48" height="16" rx="3" fill="#6A4128" />
      <rect x="4" y="20" width="48" height="16" rx="3" fill="#D8D4CC" opacity="0.75" />
      {clears && <path d="M14 24h26v8H14z" fill="#6A4128" />}
      <path d="M30 4l14 14c2 4-4 9-8 6L24 10z" fill="#E6B89A" />
    </svg>
  );
}

/** A drop of water on a veil. */
function Drop({ clears }: { clears: boolean }) {
  return (
    <svg viewBox="0 0 56 40" width="56" height="40" aria-hidden="true">
      <rect x="4" y="22" width="48" height="14" rx="3" fill="#6A4128" />
      <rect x="4" y="22" width="48" height="14" rx="3" fill="#D8D4CC" opacity="0.75" />
      {clears ? (
        <ellipse cx="28" cy="28" rx="15" ry="5" fill="#54331F" />
      ) : (
        <path d="M18 23a10 10 0 0 1 20 0z" fill="#8FC1DE" opacity="0.9" />
      )}
      <path d="M28 4c4 6 5 8 0 10c-5-2-4-4 0-10z" fill="#8FC1DE" />
    </svg>
  );
}

/** Rub it, wet it: which bloom a veil is. */
export function BloomTests({ tests, onChange }: { tests: Tests; onChange: (next: Tests) => void }) {
  return (
    <Box display="grid" gap="3">
      <PictureChoice
        label="Rub it with a dry, warm fingertip"
        name="rubbed"
        value={tests.rubbed ?? ""}
        choices={rubbed}
        picture={(value) => value && <Finger clears={value === "wipes_off"} />}
        onChange={(value) => onChange({ ...tests, rubbed: value || null })}
      />
      <PictureChoice
        label="Put a drop of water on it"
        name="wetted"
        value={tests.wetted ?? ""}
        choices={wetted}
        picture={(value) => value && <Drop clears={value === "dissolves"} />}
        onChange={(value) => onChange({ ...tests, wetted: value || null })}
      />
    </Box>
  );
}
