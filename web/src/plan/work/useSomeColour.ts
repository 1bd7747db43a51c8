import { usePigments } from "../../api/queries";
import type { FieldsOf } from "./fieldsOfWork";

type Given = Pick<FieldsOf<unknown>, "bowls" | "onAddColour">;

/** Puts a colour where none was chosen yet: one of the batch, or else a new one. */
export function useSomeColour({ bowls, onAddColour }: Given, onChange: (patch: object) => void) {
  const [first] = usePigments().data ?? [];
  return (put: (colour: string) => object) => {
    const there = bowls.find((bowl) => bowl.colour)?.key;
    if (there !== undefined) onChange(put(there));
    else if (first) onAddColour({ name: first.name, pigment: first }, put);
  };
}
