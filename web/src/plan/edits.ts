import type {
  BowlInputs,
  CastInputs,
  ComponentInputs,
  Family,
  FilmInputs,
  KindAnswer,
  PigmentInputs,
  PlanInputs,
  WorkInputs,
} from "../api/client";

/** The faults of one part, without the part's name before each field. */
export function under(errors: Record<string, string>, part: string): Record<string, string> {
  const prefix = `${part}.`;
  const own = Object.entries(errors)
    .filter(([field]) => field.startsWith(prefix))
    .map(([field, message]) => [field.slice(prefix.length), message]);
  return Object.fromEntries(own);
}

/** The chocolates a piece of work is made from, by key. */
export function chocolatesOf(work: WorkInputs): string[] {
  switch (work.kind) {
    case "layered":
      return work.layers.map(({ chocolate }) => chocolate);
    case "marbled":
      return [work.base, ...work.accents.map(({ chocolate }) => chocolate)];
    case "wrap":
      return [work.chocolate, ...(work.pattern ? [work.pattern.chocolate] : [])];
    case "piped":
      return [work.chocolate, ...(work.second ? [work.second.chocolate] : [])];
    case "sugar":
      return [];
    case "sheet":
      return [work.chocolate, ...colours(work.colours)];
    case "shells":
      return [
        work.cast.chocolate,
        ...(work.cap?.chocolate ? [work.cap.chocolate] : []),
        ...colours(work.cast.colours),
      ];
    case "hollows":
      return [work.cast.chocolate, ...colours(work.cast.colours)];
    case "figures":
      return [
        work.cast.chocolate,
        ...work.tones.map(({ chocolate }) => chocolate),
        ...colours(work.cast.colours),
      ];
    case "bottled":
      return [work.colour];
    case "dipped":
      return [work.chocolate, ...(work.swirl ? [work.swirl] : [])];
    default:
      return [work.chocolate];
  }
}

function colours(films: FilmInputs[] | undefined): string[] {
  return (films ?? []).map(({ colour }) => colour);
}

/** The same work with its chocolates by other keys. */
function renamed(work: WorkInputs, key: (old: string) => string): WorkInputs {
  switch (work.kind) {
    case "layered":
      return {
        ...work,
        layers: work.layers.map((one) => ({ ...one, chocolate: key(one.chocolate) })),
      };
    case "marbled":
      return {
        ...work,
        base: key(work.base),
        accents: work.accents.map((one) => ({ ...one, chocolate: key(one.chocolate) })),
      };
    case "sugar":
      return work;
    case "bottled":
      return { ...work, colour: key(work.colour) };
    case "sheet":
      return { ...work, chocolate: key(work.chocolate), colours: recoloured(work.colours, key) };
    case "shells":
    case "hollows":
      return { ...work, cast: recast(work.cast, key) };
    case "figures":
      return {
        ...work,
        cast: recast(work.cast, key),
        tones: work.tones.map((one) => ({ ...one, chocolate: key(one.chocolate) })),
      };
    default:
      return { ...work, chocolate: key(work.chocolate) };
  }
}

function recoloured(films: FilmInputs[] | undefined, key: (old: string) => string): FilmInputs[] {
  return (films ?? []).map((film) => ({ ...film, colour: key(film.colour) }));
}

function recast(cast: CastInputs, key: (old: string) => string): CastInputs {
  return {
    ...cast,
    chocolate: key(cast.chocolate),
    colours: recoloured(cast.colours, key),
  };
}

/** A key that is not taken: "dark", "dark 2", … */
function free(wish: string, taken: readonly { key: string }[]): string {
  const keys = new Set(taken.map(({ key }) => key));
  let key = wish;
  for (let n = 2; keys.has(key); n += 1) key = `${wish} ${n}`;
  return key;
}

/** A new chocolate, melted as the first one is. */
function newBowl(family: Family, bowls: readonly BowlInputs[]): BowlInputs {
  const [first] = bowls;
  return {
    key: free(family.replaceAll("_", " "), bowls),
    family,
    ware_id: first?.ware_id ?? null,
    heat_id: first?.heat_id ?? null,
    thermometer_id: first?.thermometer_id ?? null,
    bowl: first?.bowl ?? null,
    microwave: first?.microwave ?? null,
    ...(first?.kitchen && { kitchen: first.kitchen }),
  };
}

/** The inputs with a chocolate of this family, and its key; one that is there is used. */
export function withChocolate(
  inputs: PlanInputs,
  family: Family,
  anew = false,
): { inputs: PlanInputs; key: string } {
  const there = inputs.bowls.find((bowl) => bowl.family === family && !bowl.blend);
  if (there && !anew) return { inputs, key: there.key };
  const bowl = newBowl(family, inputs.bowls);
  return { inputs: { ...inputs, bowls: [...inputs.bowls, bowl] }, key: bowl.key };
}

/** A pigment to make a colour with: one from the shelf, or as it usually is. */
export interface PigmentChoice {
  name: string;
  pigment_id?: string;
  pigment?: PigmentInputs;
}

/** Parts of pigment to a hundred of butter, to start with. */
const USUAL_PARTS = 10;

/** The inputs with one more colour, and its key. */
export function withColour(
  inputs: PlanInputs,
  { name, pigment_id, pigment }: PigmentChoice,
): { inputs: PlanInputs; key: string } {
  const bowl: BowlInputs = {
    ...newBowl("cocoa_butter", inputs.bowls),
    key: free(name.toLowerCase(), inputs.bowls),
    ware_id: null,
    bowl: null,
    colour: {
      pigments: [
        {
          pigment_id: pigment_id ?? null,
          pigment: pigment ?? null,
          parts_per_100: USUAL_PARTS,
        },
      ],
      strained: false,
    },
  };
  return { inputs: { ...inputs, bowls: [...inputs.bowls, bowl] }, key: bowl.key };
}

/** The inputs with one more component, and with the chocolates it starts from. */
export function added(inputs: PlanInputs, kind: KindAnswer): PlanInputs {
  let next = inputs;
  const keys = new Map<string, string>();
  kind.families.forEach((family, i) => {
    const only = next.bowls.find(({ colour }) => !colour);
    // The first chocolate is the one that is there, whatever it is.
    if (i === 0 && only) {
      keys.set(family, only.key);
      return;
    }
    const found = withChocolate(next, family);
    next = found.inputs;
    keys.set(family, found.key);
  });
  for (const colour of kind.colours) {
    // A colour of that name that is there will do.
    if (next.bowls.some((bowl) => bowl.key === colour.key && bowl.colour)) continue;
    const [first] = next.bowls;
    const key = free(colour.key, next.bowls);
    keys.set(colour.key, key);
    const gear = { heat_id: first?.heat_id ?? null, thermometer_id: first?.thermometer_id ?? null };
    next = { ...next, bowls: [...next.bowls, { ...colour, ...gear, key }] };
  }
  const component: ComponentInputs = {
    key: free(kind.start.kind, next.components),
    name: free(
      kind.name,
      next.components.map(({ name }) => ({ key: name })),
    ),
    work: renamed(kind.start, (old) => keys.get(old) ?? old),
  };
  return { ...next, components: [...next.components, component] };
}

/** With one more component that is ready as it is. */
export function addedReady(inputs: PlanInputs, component: ComponentInputs): PlanInputs {
  const key = free(component.key, inputs.components);
  return { ...inputs, components: [...inputs.components, { ...component, key }] };
}

export function withoutComponent(inputs: PlanInputs, index: number): PlanInputs {
  return { ...inputs, components: inputs.components.filter((_, i) => i !== index) };
}

export function withWork(inputs: PlanInputs, index: number, patch: object): PlanInputs {
  const components = inputs.components.map((one, i) =>
    i === index ? { ...one, work: { ...one.work, ...patch } as WorkInputs } : one,
  );
  return { ...inputs, components };
}

export function withBowl(inputs: PlanInputs, key: string, patch: Partial<BowlInputs>): PlanInputs {
  const bowls = inputs.bowls.map((bowl) => (bowl.key === key ? { ...bowl, ...patch } : bowl));
  return { ...inputs, bowls };
}

/** Without chocolates that nothing is made from and nothing is said of. */
export function tidy(inputs: PlanInputs): PlanInputs {
  const tints = inputs.bowls.flatMap(({ tint }) => (tint ? [tint.colour] : []));
  const used = new Set([...inputs.components.flatMap(({ work }) => chocolatesOf(work)), ...tints]);
  const kept = inputs.bowls.filter(({ key, total_g }) => used.has(key) || total_g != null);
  return kept.length === inputs.bowls.length ? inputs : { ...inputs, bowls: kept };
}
