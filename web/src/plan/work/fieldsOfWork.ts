import type { Family, PigmentChoice } from "../../api/client";

/** A bowl of the batch, as far as work chooses among them. */
export interface BowlLine {
  key: string;
  family: Family;
  /** Whether it is a colour. */
  colour: boolean;
  /** Whether it is a part of another. */
  part: boolean;
}

/** A chocolate that comes in: of a family, or a part of one that is there, by its key. */
export type MoreChocolate = Family | { part_of: string };

/** A colour that comes in: a usual one, of a pigment, or a part of one that is there, by its key. */
export type MoreColour = "usual" | PigmentChoice | { part_of: string };

/** What every kind's fields are given. */
export interface FieldsOf<W> {
  work: W;
  bowls: readonly BowlLine[];
  names: ReadonlyMap<string, string>;
  errors: Record<string, string>;
  onChange: (patch: Partial<W>) => void;
  /** Adds a chocolate to the batch, and puts its key where the patch says. */
  onAddChocolate: (more: MoreChocolate, patch: (key: string) => object) => void;
  /** Adds a colour to the batch, and puts its key where the patch says. */
  onAddColour: (more: MoreColour, patch: (key: string) => object) => void;
}
