import { memo } from "react";
import type { Family, WorkInputs } from "../../api/client";
import type { PigmentChoice } from "../edits";
import { BottledFields } from "./BottledFields";
import { ClustersFields } from "./ClustersFields";
import { DippedFields } from "./DippedFields";
import { FiguresFields } from "./FiguresFields";
import { HollowsFields } from "./HollowsFields";
import { LayeredFields } from "./LayeredFields";
import { MarbledFields } from "./MarbledFields";
import { PipedFields } from "./PipedFields";
import { RibbonsFields } from "./RibbonsFields";
import { ShardsFields } from "./ShardsFields";
import { SheetFields } from "./SheetFields";
import { ShellsFields } from "./ShellsFields";
import { SlabFields } from "./SlabFields";
import { SugarFields } from "./SugarFields";
import { WrapFields } from "./WrapFields";

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

/** What is stated of a piece of work, by its kind. */
export const WorkFields = memo(function WorkFields({ work, ...rest }: FieldsOf<WorkInputs>) {
  switch (work.kind) {
    case "slab":
      return <SlabFields work={work} {...rest} />;
    case "clusters":
      return <ClustersFields work={work} {...rest} />;
    case "layered":
      return <LayeredFields work={work} {...rest} />;
    case "marbled":
      return <MarbledFields work={work} {...rest} />;
    case "shards":
      return <ShardsFields work={work} {...rest} />;
    case "sheet":
      return <SheetFields work={work} {...rest} />;
    case "wrap":
      return <WrapFields work={work} {...rest} />;
    case "piped":
      return <PipedFields work={work} {...rest} />;
    case "ribbons":
      return <RibbonsFields work={work} {...rest} />;
    case "sugar":
      return <SugarFields work={work} {...rest} />;
    case "shells":
      return <ShellsFields work={work} {...rest} />;
    case "hollows":
      return <HollowsFields work={work} {...rest} />;
    case "figures":
      return <FiguresFields work={work} {...rest} />;
    case "bottled":
      return <BottledFields work={work} {...rest} />;
    case "dipped":
      return <DippedFields work={work} {...rest} />;
  }
});
