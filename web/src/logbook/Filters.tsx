import { Box, Button } from "@chakra-ui/react";
import { Image, Star } from "lucide-react";
import type { Narrowed } from "../api/queries";
import { useKinds, useMethods, useShelf } from "../api/queries";
import { dayOf } from "../kit/moments";
import { SelectField } from "../kit/SelectField";
import { TextField } from "../kit/TextField";
import { symptoms } from "../looks/words";
import { familyNames } from "../theme/chocolate";

interface Props {
  narrowed: Narrowed;
  onChange: (narrowed: Narrowed) => void;
}

const any = { "": "any" } as const;

const results = { good: "without a fault", faulty: "with a fault", not_looked: "not looked at" };

const colours = {
  white: "white",
  black: "black, grey",
  brown: "brown",
  red: "red",
  pink: "pink",
  orange: "orange",
  yellow: "yellow, gold",
  green: "green",
  blue: "blue",
  violet: "violet",
} satisfies Record<NonNullable<Narrowed["colour"]>, string>;

/** The first moment of a day by this device's clock; nothing where none was typed. */
function startOf(day: string, later = 0): string | undefined {
  const date = new Date(`${day}T00:00`);
  if (day === "" || Number.isNaN(date.getTime())) return undefined;
  date.setDate(date.getDate() + later);
  return date.toISOString();
}

/** The day that such a moment was typed as. */
function typedDay(iso: string | null | undefined, later = 0): string {
  if (!iso) return "";
  const date = new Date(iso);
  date.setDate(date.getDate() - later);
  return dayOf(date);
}

/** What the log is narrowed to. */
export function Filters({ narrowed, onChange }: Props) {
  const kinds = useKinds().data;
  const methods = useMethods().data;
  const shelf = useShelf().data;
  const set = (patch: { [K in keyof Narrowed]?: Narrowed[K] | "" | undefined }) => {
    const next = Object.entries({ ...narrowed, ...patch }).filter(
      ([, value]) => value !== "" && value !== undefined && value !== false,
    );
    onChange(Object.fromEntries(next) as Narrowed);
  };
  const things = shelf
    ? [
        ...shelf.chocolates,
        ...shelf.wares,
        ...shelf.heats,
        ...shelf.thermometers,
        ...shelf.moulds,
        ...shelf.trays,
        ...shelf.pigments,
        ...shelf.goods,
      ]
    : [];
  // One kind can go by several names; the first is the one it is known by here.
  const kindNames = Object.fromEntries(
    (kinds ?? []).toReversed().map(({ name, start }) => [start.kind, name]),
  );
  const methodNames = Object.fromEntries((methods ?? []).map(({ key, name }) => [key, name]));
  const touch = (is: boolean) => ({
    "aria-pressed": is,
    variant: "outline" as const,
    minH: "48px",
    borderWidth: "2px",
    borderColor: is ? "ink" : "border.emphasized",
    bg: is ? "cool.wash" : undefined,
  });
  return (
    <Box
      display="grid"
      gap="3"
      gridTemplateColumns="repeat(auto-fill, minmax(170px, 1fr))"
      alignItems="end"
    >
      <SelectField
        label="Chocolate"
        value={narrowed.family ?? ""}
        choices={{ ...any, ...familyNames }}
        onChange={(family) => set({ family })}
      />
      <SelectField
        label="Kind of work"
        value={narrowed.kind ?? ""}
        choices={{ ...any, ...kindNames }}
        onChange={(kind) => set({ kind })}
      />
      <SelectField
        label="Tempered by"
        value={narrowed.method ?? ""}
        choices={{ ...any, ...methodNames }}
        onChange={(method) => set({ method })}
      />
      <SelectField
        label="Colour"
        value={narrowed.colour ?? ""}
        choices={{ ...any, ...colours }}
        onChange={(colour) => set({ colour })}
      />
      <SelectField
        label="Came out"
        value={narrowed.result ?? ""}
        choices={{ ...any, ...results }}
        onChange={(result) => set({ result })}
      />
      <SelectField
        label="Fault"
        value={narrowed.fault ?? ""}
        choices={{ ...any, ...symptoms }}
        onChange={(fault) => set({ fault })}
      />
      <SelectField
        label="Made with"
        value={narrowed.gear ?? ""}
        choices={{ ...any, ...Object.fromEntries(things.map(({ id, thing }) => [id, thing.name])) }}
        onChange={(id) => set({ gear: id })}
      />
      <TextField
        label="From"
        kind="day"
        value={typedDay(narrowed.from)}
        onChange={(day) => set({ from: startOf(day) })}
      />
      <TextField
        label="To"
        kind="day"
        value={typedDay(narrowed.until, 1)}
        onChange={(day) => set({ until: startOf(day, 1) })}
      />
      <Button
        {...touch(narrowed.starred === true)}
        onClick={() => set({ starred: narrowed.starred ? undefined : true })}
      >
        <Star aria-hidden /> Marked
      </Button>
      <Button
        {...touch(narrowed.pictured === true)}
        onClick={() => set({ pictured: narrowed.pictured ? undefined : true })}
      >
        <Image aria-hidden /> With a picture
      </Button>
    </Box>
  );
}
