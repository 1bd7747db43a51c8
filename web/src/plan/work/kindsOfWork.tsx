import type { ComponentType } from "react";
import type { BowlInputs, ComponentPlan, WorkKind, WorkOf } from "../../api/client";
import { Pieces } from "../picture/Pieces";
import { Piped } from "../picture/Piped";
import { Strip } from "../picture/Strip";
import { Whole } from "../picture/Whole";
import { BottledFields } from "./BottledFields";
import { ClustersFields } from "./ClustersFields";
import { DippedFields } from "./DippedFields";
import { FiguresFields } from "./FiguresFields";
import type { FieldsOf } from "./fieldsOfWork";
import { HollowsFields } from "./HollowsFields";
import { LayeredFields } from "./LayeredFields";
import { MarbledFields } from "./MarbledFields";
import { PipedFields } from "./PipedFields";
import { RibbonsFields } from "./RibbonsFields";
import { ShardsFields } from "./ShardsFields";
import { SheetFields } from "./SheetFields";
import { ShellsFields } from "./ShellsFields";
import { SlabFields } from "./SlabFields";
import { SolidsFields } from "./SolidsFields";
import { SugarFields } from "./SugarFields";
import { WrapFields } from "./WrapFields";

/** What a picture of it is drawn from. */
export interface PictureOf<W> {
  work: W;
  plan: ComponentPlan;
  bowls: readonly BowlInputs[];
}

/** What the interface knows of a kind of work. */
interface KindOfWork<K extends WorkKind> {
  /** Its fields. */
  Fields: ComponentType<FieldsOf<WorkOf<K>>>;
  /** What is drawn of it. */
  Picture: ComponentType<PictureOf<WorkOf<K>>> | null;
  /** What is done with it while it sets: it lies, is bent, or is closed round something. */
  lies: "flat" | "bent" | "closed";
}

/** Every kind of work: one that is missing here is a fault of types. */
const all: { [K in WorkKind]: KindOfWork<K> } = {
  slab: { Fields: SlabFields, Picture: Whole, lies: "flat" },
  clusters: { Fields: ClustersFields, Picture: Pieces, lies: "flat" },
  layered: { Fields: LayeredFields, Picture: Whole, lies: "flat" },
  marbled: { Fields: MarbledFields, Picture: Whole, lies: "flat" },
  shards: { Fields: ShardsFields, Picture: Whole, lies: "flat" },
  sheet: { Fields: SheetFields, Picture: Whole, lies: "flat" },
  wrap: { Fields: WrapFields, Picture: Strip, lies: "bent" },
  piped: { Fields: PipedFields, Picture: Piped, lies: "flat" },
  ribbons: { Fields: RibbonsFields, Picture: Strip, lies: "bent" },
  sugar: { Fields: SugarFields, Picture: Whole, lies: "flat" },
  shells: { Fields: ShellsFields, Picture: Whole, lies: "closed" },
  hollows: { Fields: HollowsFields, Picture: Whole, lies: "closed" },
  figures: { Fields: FiguresFields, Picture: Whole, lies: "closed" },
  solids: { Fields: SolidsFields, Picture: Whole, lies: "closed" },
  dipped: { Fields: DippedFields, Picture: Pieces, lies: "closed" },
  bottled: { Fields: BottledFields, Picture: null, lies: "flat" },
};

/** What the interface knows of the kind that a piece of work is of. */
export function kindOf<K extends WorkKind>({ kind }: { kind: K }): KindOfWork<K> {
  return all[kind];
}
