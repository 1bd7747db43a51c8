import { Box, Button, Stack } from "@chakra-ui/react";
import { useState } from "react";
import type { MouldInputs } from "../api/client";
import type { OnShelf } from "../api/queries";
import { Fault } from "../kit/Fault";
import { NumberField } from "../kit/NumberField";
import { SelectField } from "../kit/SelectField";
import { MouldMeasures, mouldWords } from "../plan/MouldMeasures";
import { familyNames } from "../theme/chocolate";
import { type FieldsProps, Gear } from "./Gear";
import { HowManyField } from "./HowManyField";

type Weighing = NonNullable<MouldInputs["weighings"]>[number];

const fresh: Weighing = {
  family: "dark",
  flow_grade: 3,
  poured_c: null,
  wait_s: 20,
  empty_g: 600,
  lined_g: 680,
};

function words({ thing: { mould } }: OnShelf<"mould">): string {
  const weighed = (mould.weighings ?? []).length;
  return weighed === 0
    ? mouldWords(mould)
    : `${mouldWords(mould)}; weighed ${weighed === 1 ? "once" : `${weighed} times`}`;
}

/** The moulds, and how they came out when they were weighed. */
export function Moulds({ moulds }: { moulds: OnShelf<"mould">[] }) {
  return (
    <Gear
      title="Moulds"
      one="a mould"
      none="No mould yet. Its cavity is known by its form, or by the water it holds."
      items={moulds}
      fresh={{
        kind: "mould",
        name: "",
        mould: {
          cavity: { shape: "hemisphere", diameter_mm: 30 },
          count: 24,
          material: "rigid",
          regions: [],
          weighings: [],
        },
      }}
      words={words}
      learns={false}
      Fields={MouldFields}
    />
  );
}

function MouldFields({ draft, errors, onChange }: FieldsProps<"mould">) {
  const { mould } = draft;
  const [adding, setAdding] = useState<Weighing>();
  const weighings = mould.weighings ?? [];
  const set = (patch: Partial<MouldInputs>) =>
    onChange({ ...draft, mould: { ...mould, ...patch } });
  const fault = Object.entries(errors).find(([field]) => field.startsWith("mould.weighings"));
  return (
    <Stack gap="3">
      <MouldMeasures
        mould={mould}
        errors={errors}
        field="mould"
        onChange={(next) => onChange({ ...draft, mould: next })}
      />
      <HowManyField draft={draft} errors={errors} usual="1" onChange={onChange} />
      <Box>
        <Box textStyle="label" mb="1">
          Weighed empty and lined, it corrects how thick its shells come out
        </Box>
        {weighings.map((one, i) => (
          <Box
            // biome-ignore lint/suspicious/noArrayIndexKey: a weighing is its place
            key={i}
            display="flex"
            gap="2"
            alignItems="center"
            fontSize="sm"
          >
            {familyNames[one.family]}, {one.wait_s} s: {one.empty_g} g, then {one.lined_g} g
            <Button
              variant="ghost"
              size="sm"
              onClick={() => set({ weighings: weighings.filter((_, at) => at !== i) })}
            >
              Forget it
            </Button>
          </Box>
        ))}
        {fault && <Fault fontSize="sm">A weighing {fault[1]}</Fault>}
      </Box>
      {adding ? (
        <WeighingFields
          weighing={adding}
          onChange={setAdding}
          onAdd={() => {
            set({ weighings: [adding, ...weighings] });
            setAdding(undefined);
          }}
        />
      ) : (
        <Button variant="outline" onClick={() => setAdding({ ...fresh, ...weighings[0] })}>
          Weigh it again
        </Button>
      )}
    </Stack>
  );
}

interface WeighingProps {
  weighing: Weighing;
  onChange: (weighing: Weighing) => void;
  onAdd: () => void;
}

function WeighingFields({ weighing, onChange, onAdd }: WeighingProps) {
  const number = (name: "wait_s" | "empty_g" | "lined_g", label: string, unit: string) => (
    <NumberField
      label={label}
      unit={unit}
      value={weighing[name]}
      onChange={(value) => onChange({ ...weighing, [name]: value })}
    />
  );
  return (
    <Box display="grid" gap="2" gridTemplateColumns="1fr 1fr" alignItems="start">
      <SelectField
        label="Chocolate"
        value={weighing.family}
        choices={familyNames}
        onChange={(family) => onChange({ ...weighing, family })}
      />
      {number("wait_s", "Waited", "s")}
      {number("empty_g", "Empty", "g")}
      {number("lined_g", "Lined, scraped", "g")}
      <Button gridColumn="1 / -1" variant="outline" onClick={onAdd}>
        Add this weighing
      </Button>
    </Box>
  );
}
