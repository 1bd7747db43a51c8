import { Stack } from "@chakra-ui/react";
import type { Family, FillingInputs, WorkOf } from "../../api/client";
import { SelectField } from "../../kit/SelectField";
import { TextField } from "../../kit/TextField";
import { UnitField } from "../../kit/UnitField";
import { families, familyNames } from "../../theme/chocolate";
import { CastFields } from "./CastFields";
import { ChocolatePick } from "./ChocolatePick";
import { NumberField } from "./NumberField";
import { Pair } from "./Pair";
import type { FieldsOf } from "./WorkFields";

type Shells = WorkOf<"shells">;

const CAP_MM = 1.8;
const usual: Record<string, FillingInputs | null> = {
  "": null,
  ganache: { kind: "ganache", family: "dark", ratio: 1.5, butter_pct: 0 },
  other: { kind: "other", name: "hazelnut praline", density_g_cm3: 1.2, perishable: false },
};

/** Shells, plain or filled and capped. */
export function ShellsFields({ work, errors, onChange, ...pick }: FieldsOf<Shells>) {
  const { filling, cap } = work;
  return (
    <Stack gap="4">
      <CastFields {...pick} cast={work.cast} of="Shells from" errors={errors} onChange={onChange} />
      <SelectField
        label="Filled with"
        value={filling?.kind ?? ""}
        choices={[
          { value: "", label: "nothing: they stay open" },
          { value: "ganache", label: "ganache" },
          { value: "other", label: "another filling" },
        ]}
        onChange={(kind) =>
          onChange({
            filling: usual[kind] ?? null,
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
        <SelectField
          label="Closed by"
          value={cap ? "cap" : ""}
          choices={[
            { value: "cap", label: "a cap" },
            { value: "", label: "nothing: open on top" },
          ]}
          onChange={(yes) => onChange({ cap: yes ? { cap_mm: CAP_MM } : null })}
        />
      )}
      {cap && (
        <Pair>
          <ChocolatePick
            {...pick}
            label="Cap from"
            value={cap.chocolate ?? work.cast.chocolate}
            error={errors["cap.chocolate"]}
            patch={(chocolate) => ({ cap: { ...cap, chocolate } })}
            onChange={onChange}
          />
          <NumberField
            label="Cap is thick"
            unit="mm"
            value={cap.cap_mm}
            error={errors["cap.cap_mm"]}
            onChange={(cap_mm) => onChange({ cap: { ...cap, cap_mm } })}
          />
        </Pair>
      )}
    </Stack>
  );
}

interface FillingProps {
  filling: FillingInputs;
  errors: Record<string, string>;
  onChange: (filling: FillingInputs) => void;
}

const chocolates = families.filter((family) => !["cocoa_butter", "coating"].includes(family));

function FillingFields({ filling, errors, onChange }: FillingProps) {
  const each = (
    <UnitField
      label="In each"
      unit="g"
      optional="as much as fits"
      value={filling.each_g}
      error={errors["filling.each_g"]}
      onChange={(each_g) => onChange({ ...filling, each_g })}
    />
  );
  if (filling.kind === "other") {
    return (
      <>
        <TextField
          label="The filling"
          value={filling.name}
          error={errors["filling.name"]}
          onChange={(name) => onChange({ ...filling, name })}
        />
        <Pair>
          <NumberField
            label="A ml weighs"
            unit="g"
            value={filling.density_g_cm3}
            error={errors["filling.density_g_cm3"]}
            onChange={(density_g_cm3) => onChange({ ...filling, density_g_cm3 })}
          />
          {each}
        </Pair>
        <SelectField
          label="Water in it"
          value={filling.perishable ? "yes" : ""}
          choices={[
            { value: "", label: "none: fat, sugar, dry things" },
            { value: "yes", label: "yes: cream, purée, fresh things" },
          ]}
          onChange={(yes) => onChange({ ...filling, perishable: yes !== "" })}
        />
      </>
    );
  }
  return (
    <>
      <Pair>
        <SelectField
          label="Its chocolate"
          value={filling.family}
          choices={chocolates.map((family) => ({ value: family, label: familyNames[family] }))}
          onChange={(family) => onChange({ ...filling, family: family as Family })}
        />
        <NumberField
          label="Parts to one of cream"
          unit=""
          value={filling.ratio}
          error={errors["filling.ratio"]}
          onChange={(ratio) => onChange({ ...filling, ratio })}
        />
      </Pair>
      <Pair>
        <NumberField
          label="Butter"
          unit="%"
          value={filling.butter_pct ?? 0}
          error={errors["filling.butter_pct"]}
          onChange={(butter_pct) => onChange({ ...filling, butter_pct })}
        />
        {each}
      </Pair>
      <TextField
        label="Steeped in the cream"
        value={filling.infusion ?? ""}
        error={errors["filling.infusion"]}
        onChange={(infusion) => onChange({ ...filling, infusion: infusion || null })}
      />
    </>
  );
}
