import { Stack } from "@chakra-ui/react";
import type { CastInputs } from "../../api/client";
import { useShelf } from "../../api/queries";
import { CountField } from "../../kit/CountField";
import { fieldsOf } from "../../kit/fieldsOf";
import { NumberField } from "../../kit/NumberField";
import { Pair } from "../../kit/Pair";
import { SelectField } from "../../kit/SelectField";
import { UnitField } from "../../kit/UnitField";
import { MouldMeasures, mouldWords } from "../MouldMeasures";
import { ThicknessField } from "../ThicknessField";
import { ChocolatePick } from "./ChocolatePick";
import { FilmsFields } from "./FilmsFields";
import type { FieldsOf } from "./fieldsOfWork";

type Wall = CastInputs["wall"];

const usualWall: { [By in Wall["by"]]: Extract<Wall, { by: By }> } = {
  wished: { by: "wished", shell_mm: 2 },
  waited: { by: "waited", wait_s: 30 },
};

interface Props extends Omit<FieldsOf<unknown>, "work" | "onChange"> {
  cast: CastInputs;
  /** What the shell's chocolate is called. */
  of: string;
  onChange: (patch: object) => void;
}

/** What all work in moulds states: the mould, the colours, the wall. */
export function CastFields({ cast, of, errors, onChange, ...pick }: Props) {
  const saved = useShelf().data?.moulds ?? [];
  const chosen = saved.find(({ id }) => id === cast.mould_id);
  const set = (patch: Partial<CastInputs>) => onChange({ cast: { ...cast, ...patch } });
  const mould = chosen?.thing.mould ?? cast.mould;
  const { wall } = cast;
  return (
    <Stack gap="4">
      <ChocolatePick
        {...pick}
        label={of}
        value={cast.chocolate}
        error={errors["cast.chocolate"]}
        patch={(chocolate) => ({ cast: { ...cast, chocolate } })}
        onChange={onChange}
      />
      <SelectField
        label="Mould"
        value={cast.mould_id ?? ""}
        choices={[
          { value: "", label: "by measurements" },
          ...(cast.mould_id && !chosen
            ? [{ value: cast.mould_id, label: "one that was archived" }]
            : []),
          ...saved.map(({ id, thing }) => ({
            value: id,
            label: `${thing.name}: ${mouldWords(thing.mould)}`,
          })),
        ]}
        error={errors["cast.mould_id"]}
        onChange={(id) => set({ mould_id: id || null, mould })}
      />
      {!cast.mould_id && (
        <MouldMeasures
          mould={cast.mould}
          errors={errors}
          field="cast.mould"
          onChange={(next) => set({ mould: next })}
        />
      )}
      <FilmsFields
        {...pick}
        films={cast.colours ?? []}
        field="cast.colours"
        errors={errors}
        regions={(mould.regions ?? []).map(({ name }) => name)}
        usual="brush"
        patch={(colours) => ({ cast: { ...cast, colours } })}
        onChange={onChange}
      />
      <Pair>
        <SelectField
          label="Shell method"
          value={cast.way ?? "dump"}
          choices={{ dump: "filling and dumping", brush: "brushed coats" }}
          onChange={(way) =>
            set({
              way,
              ...(way === "brush" && wall.by === "waited" ? { wall: usualWall.wished } : {}),
            })
          }
        />
        <CountField label="Casts" {...fieldsOf(cast, errors, set, "cast.")("casts")} />
      </Pair>
      {(cast.way ?? "dump") === "dump" && (
        <SelectField
          label="Wall"
          value={wall.by}
          choices={{
            wished: "Set the wall",
            waited: "Set the drain time",
          }}
          onChange={(by) => set({ wall: usualWall[by] })}
        />
      )}
      <WallFields wall={wall} errors={errors} onChange={(next) => set({ wall: next })} />
    </Stack>
  );
}

interface WallProps {
  wall: Wall;
  errors: Record<string, string>;
  onChange: (wall: Wall) => void;
}

/** How thick the wall is to be, or how long it is waited. */
function WallFields({ wall, errors, onChange }: WallProps) {
  if (wall.by === "wished") {
    const set = (patch: Partial<typeof wall>) => onChange({ ...wall, ...patch });
    return (
      <ThicknessField range={[1, 5]} {...fieldsOf(wall, errors, set, "cast.wall.")("shell_mm")} />
    );
  }
  const set = (patch: Partial<typeof wall>) => onChange({ ...wall, ...patch });
  const field = fieldsOf(wall, errors, set, "cast.wall.");
  return (
    <Pair>
      <NumberField label="Drain time" unit="s" {...field("wait_s")} />
      <UnitField label="Pour at" unit="°C" optional="middle of its range" {...field("poured_c")} />
    </Pair>
  );
}
