import { Box, Button } from "@chakra-ui/react";
import { Pencil } from "lucide-react";
import { type ReactNode, useState } from "react";
import type { ThingOf } from "../api/client";
import type { OnShelf } from "../api/queries";
import { Swatch } from "../kit/Swatch";
import { TextField } from "../kit/TextField";
import { Learned } from "./Learned";
import { Section, Slot } from "./Section";
import { ThingForm } from "./ThingForm";
import { useDeeds, useKeep } from "./useThing";

/** What the shelf keeps without an amount: gear, and the jars of pigment. */
export type GearKind = "ware" | "heat" | "thermometer" | "tray" | "mould" | "pigment";

export interface FieldsProps<K extends GearKind> {
  draft: ThingOf<K>;
  errors: Record<string, string>;
  onChange: (draft: ThingOf<K>) => void;
}

interface Props<K extends GearKind> {
  title: string;
  one: string;
  none: string;
  alone?: boolean;
  items: OnShelf<K>[];
  /** Where a new one starts. */
  fresh: ThingOf<K>;
  /** One of them in a line. */
  words: (item: OnShelf<K>) => string;
  /** Its colour, where it is known by one. */
  swatch?: (item: OnShelf<K>) => string;
  /** Whether bowls teach anything about it. */
  learns: boolean;
  Fields: (props: FieldsProps<K>) => ReactNode;
  /** What stands under one of them. */
  Below?: (props: { item: OnShelf<K> }) => ReactNode;
}

/** Gear of one kind. */
export function Gear<K extends GearKind>(props: Props<K>) {
  const { title, one, none, alone, items, fresh } = props;
  return (
    <Section
      title={title}
      one={one}
      none={none}
      alone={alone}
      empty={items.length === 0}
      form={(done) => <GearForm {...props} standing={null} start={fresh} done={done} />}
    >
      {items.map((item) => (
        <GearItem key={item.id} {...props} item={item} />
      ))}
    </Section>
  );
}

function GearItem<K extends GearKind>({ item, ...props }: Props<K> & { item: OnShelf<K> }) {
  const [editing, setEditing] = useState(false);
  const { name }: { name: string } = item.thing;
  return (
    <Slot name={name}>
      {editing ? (
        <GearForm {...props} standing={item} start={item.thing} done={() => setEditing(false)} />
      ) : (
        <>
          <Box display="flex" justifyContent="space-between" gap="3" alignItems="start">
            {props.swatch && <Swatch looks={props.swatch(item)} size={44} />}
            <Box flexGrow="1">
              <Box fontWeight="600">{name}</Box>
              <Box fontSize="sm">
                {props.words(item)}
                {howMany(item.thing)}
              </Box>
            </Box>
            <Edit name={name} onClick={() => setEditing(true)} />
          </Box>
          {props.Below && <props.Below item={item} />}
          {props.learns && <Learned id={item.id} learned={item.learned} />}
        </>
      )}
    </Slot>
  );
}

/** How many of it there are, where that is stated. */
function howMany(thing: object): string {
  const { how_many }: { how_many?: number | null } = thing;
  return how_many == null ? "" : `; ${how_many === 1 ? "one" : how_many} of them`;
}

/** The way into a thing's form. */
export function Edit({ name, row, onClick }: { name: string; row?: boolean; onClick: () => void }) {
  return (
    <Button
      variant="ghost"
      px="0"
      mt={row ? "0" : "-2"}
      me="-2"
      aria-label={`Change ${name}`}
      onClick={onClick}
    >
      <Pencil aria-hidden />
    </Button>
  );
}

interface FormProps<K extends GearKind> extends Pick<Props<K>, "Fields"> {
  standing: OnShelf<K> | null;
  start: ThingOf<K>;
  done: () => void;
}

function GearForm<K extends GearKind>({ Fields, standing, start, done }: FormProps<K>) {
  const [draft, setDraft] = useState(start);
  const { name }: { name: string } = draft;
  const { keep, busy, errors, said } = useKeep(standing, done);
  const { putAway } = useDeeds(standing?.id ?? "");
  return (
    <ThingForm
      busy={busy}
      said={said}
      onKeep={() => keep({ thing: draft })}
      onLeave={done}
      onPutAway={standing ? () => putAway.mutate() : undefined}
    >
      <TextField
        label="Name"
        value={name}
        error={errors.name}
        onChange={(next) => setDraft({ ...draft, name: next })}
      />
      <Fields draft={draft} errors={errors} onChange={setDraft} />
    </ThingForm>
  );
}
