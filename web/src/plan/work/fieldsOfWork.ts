import type { Family, PigmentChoice } from "../../api/client";

/** A bowl of the batch, as far as work chooses among them. */
export interface BowlLine {
  key: string;
  family: Family;
  /** Whether it is a colour. */
  colour: boolean;
}

/** What every kind's fields are given. */
export interface FieldsOf<W> {
  work: W;
  bowls: readonly BowlLine[];
  names: ReadonlyMap<string, string>;
  errors: Record<string, string>;
  onChange: (patch: Partial<W>) => void;
  /** Adds a chocolate to the batch, and puts its key where the patch says. */
  onAddChocolate: (family: Family, patch: (key: string) => object) => void;
  /** Adds a colour to the batch, and puts its key where the patch says. */
  onAddColour: (pigment: PigmentChoice, patch: (key: string) => object) => void;
}
