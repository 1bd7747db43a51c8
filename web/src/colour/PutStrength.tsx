import { Button } from "@chakra-ui/react";
import type { OnShelf } from "../api/queries";
import { useKeep } from "../shelf/useThing";

/** As exact as a strength is worth. */
const DIGITS = 100;

/** Keeps a pigment's corrected strength on the shelf. */
export function PutStrength({ saved, factor }: { saved: OnShelf<"pigment">; factor: number }) {
  const { keep, busy, said } = useKeep(saved, () => {});
  const strength = Math.round((saved.thing.strength ?? 1) * factor * DIGITS) / DIGITS;
  return (
    <>
      <Button
        bg="ink"
        color="onInk"
        disabled={busy || factor === 1}
        onClick={() => keep({ thing: { ...saved.thing, strength } })}
      >
        Keep it on the shelf
      </Button>
      {said}
    </>
  );
}
