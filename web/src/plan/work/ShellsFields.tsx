import { Stack } from "@chakra-ui/react";
import type { FillingInputs, WorkOf } from "../../api/client";
import { EitherField } from "../../kit/EitherField";
import { Fold } from "../../kit/Fold";
import { faultyIn } from "../../kit/faultyIn";
import { fieldsOf } from "../../kit/fieldsOf";
import { NumberField } from "../../kit/NumberField";
import { Pair } from "../../kit/Pair";
import { SelectField } from "../../kit/SelectField";
import { TextField } from "../../kit/TextField";
import { UnitField } from "../../kit/UnitField";
import { families, familyNames } from "../../theme/chocolate";
import { startingRecipes } from "../filling/ingredients";
import { RecipeFields } from "../filling/RecipeFields";
import { CastFields } from "./CastFields";
import type { FieldsOf } from "./fieldsOfWork";
import { PaintedFields } from "./PaintedFields";
import { PlateFields } from "./PlateFields";

type Shells = WorkOf<"shells">;

const CAP_MM = 1.8;
const usual: Record<FillingInputs["kind"], FillingInputs> = {
  recipe: {
    kind: "recipe",
    name: "fruit filling",
    parts: startingRecipes["fruit and white chocolate"],
  },
  ganache: { kind: "ganache", family: "dark", ratio: 1.5, butter_pct: 0 },
  other: { kind: "other", name: "hazelnut praline", density_g_cm3: 1.2, perishable: false },
};

/** Shells, plain or filled and capped. */
export function ShellsFields({ work, errors, onChange, ...pick }: FieldsOf<Shells>) {
  const { filling, cap } = work;
  return (
    <Stack gap="4">
      <CastFields {...pick} cast={work.cast} of="Shells from" errors={errors} onChange={onChange} />
      <Fold
        inner
        title="Filling"
        value={fillingWords(work)}
        faulty={faultyIn(errors, "filling", "cap.")}
      >
        <Stack gap="4">
          <SelectField
            label="Filling"
            value={filling?.kind ?? ""}
            choices={{
              "": "nothing: they stay open",
              ganache: "ganache",
              recipe: "by a recipe of my own",
              other: "another filling",
            }}
            onChange={(kind) =>
              onChange({
                filling: kind ? usual[kind] : null,
                cap: kind ? (cap ?? { cap_mm: CAP_MM }) : null,
              })
            }
          />
          {filling && (
            <FillingFields
              filling={filling}
              errors={errors}
              onChange={(next) => onChange({ filling: next })}
            />
          )}
          {filling && (
            <EitherField
              label="Closure"
              value={cap != null}
              no="nothing: open on top"
              yes="a cap"
              onChange={(capped) => onChange({ cap: capped ? { cap_mm: CAP_MM } : null })}
            />
          )}
          {cap && (
            <PlateFields
              {...pick}
              plate={cap}
              at="cap"
              words={["Cap from", "Cap thickness"]}
              usual={work.cast.chocolate}
              errors={errors}
              patch={(next) => ({ cap: next })}
              onChange={onChange}
            />
          )}
        </Stack>
      </Fold>
      <PaintedFields {...pick} painted={work.painted ?? []} errors={errors} onChange={onChange} />
    </Stack>
  );
}

/** What is in them, and how they are closed, in short. */
function fillingWords({ filling, cap }: Shells): string {
  if (!filling) return "nothing: they stay open";
  const name = filling.kind === "ganache" ? "ganache" : filling.name;
  return `${name}, ${cap ? "capped" : "open on top"}`;
}

interface FillingProps<F> {
  filling: F;
  errors: Record<string, string>;
  onChange: (filling: FillingInputs) => void;
}

const chocolates = families.filter((family) => !["cocoa_butter", "coating"].includes(family));

function FillingFields({ filling, ...rest }: FillingProps<FillingInputs>) {
  switch (filling.kind) {
    case "ganache":
      return <GanacheFields filling={filling} {...rest} />;
    case "recipe":
      return <OfRecipeFields filling={filling} {...rest} />;
    case "other":
      return <OtherFields filling={filling} {...rest} />;
  }
}

type Filling<K extends FillingInputs["kind"]> = Extract<FillingInputs, { kind: K }>;

function GanacheFields({ filling, errors, onChange }: FillingProps<Filling<"ganache">>) {
  const set = (patch: Partial<typeof filling>) => onChange({ ...filling, ...patch });
  const field = fieldsOf(filling, errors, set, "filling.");
  return (
    <>
      <Pair>
        <SelectField
          label="Ganache chocolate"
          choices={chocolates.map((family) => ({ value: family, label: familyNames[family] }))}
          {...field("family")}
        />
        <NumberField label="Parts to one of cream" unit="" {...field("ratio")} />
      </Pair>
      <Pair>
        <NumberField
          label="Butter"
          unit="%"
          {...field("butter_pct")}
          value={filling.butter_pct ?? 0}
        />
        <UnitField label="In each" unit="g" optional="as much as fits" {...field("each_g")} />
      </Pair>
      <TextField
        label="Infusion"
        value={filling.infusion ?? ""}
        error={errors["filling.infusion"]}
        onChange={(infusion) => set({ infusion: infusion || null })}
      />
    </>
  );
}

function OfRecipeFields({ filling, errors, onChange }: FillingProps<Filling<"recipe">>) {
  const set = (patch: Partial<typeof filling>) => onChange({ ...filling, ...patch });
  const field = fieldsOf(filling, errors, set, "filling.");
  return (
    <>
      <Pair>
        <TextField label="Name of the filling" {...field("name")} />
        <UnitField label="In each" unit="g" optional="as much as fits" {...field("each_g")} />
      </Pair>
      <RecipeFields recipe={filling} errors={errors} at="filling" onChange={set} />
    </>
  );
}

function OtherFields({ filling, errors, onChange }: FillingProps<Filling<"other">>) {
  const field = fieldsOf(
    filling,
    errors,
    (patch) => onChange({ ...filling, ...patch }),
    "filling.",
  );
  return (
    <>
      <TextField label="Name of the filling" {...field("name")} />
      <Pair>
        <NumberField label="Weight of 1 ml" unit="g" {...field("density_g_cm3")} />
        <UnitField label="In each" unit="g" optional="as much as fits" {...field("each_g")} />
      </Pair>
      <EitherField
        label="Perishable"
        no="none: fat, sugar, dry things"
        yes="yes: cream, purée, fresh things"
        {...field("perishable")}
        value={filling.perishable ?? false}
      />
    </>
  );
}
