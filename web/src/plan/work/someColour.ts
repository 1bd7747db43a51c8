import type { FieldsOf } from "./fieldsOfWork";

type Given = Pick<FieldsOf<unknown>, "bowls" | "onAddColour">;

/** Puts a colour where none was chosen yet: one of the batch, or else a new one. */
export function someColour({ bowls, onAddColour }: Given, onChange: (patch: object) => void) {
  return (put: (colour: string) => object) => {
    const there = bowls.find((bowl) => bowl.colour)?.key;
    if (there !== undefined) onChange(put(there));
    else onAddColour("usual", put);
  };
}
