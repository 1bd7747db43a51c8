import { Box, Stack } from "@chakra-ui/react";
import type { CastInputs } from "../../api/client";
import { useShelf } from "../../api/queries";
import { SelectField } from "../../kit/SelectField";
import { UnitField } from "../../kit/UnitField";
import { MouldMeasures, mouldWords } from "../MouldMeasures";
import { ThicknessField } from "../ThicknessField";
import { ChocolatePick } from "./ChocolatePick";
import { CountField } from "./CountField";
import { FilmsFields } from "./FilmsFields";
import { NumberField } from "./NumberField";
import { Pair } from "./Pair";
import type { FieldsOf } from "./WorkFields";

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
          { value: "", label: "by its measures" },
          ...(cast.mould_id && !chosen
            ? [{ value: cast.mould_id, label: "one that was put away" }]
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
          label="Lined by"
          value={cast.way ?? "dump"}
          choices={[
            { value: "dump", label: "filling and dumping" },
            { value: "brush", label: "brushed coats" },
          ]}
          onChange={(way) =>
            set({
              way: way as NonNullable<CastInputs["way"]>,
              ...(way === "brush" && wall.by === "waited"
                ? { wall: { by: "wished", shell_mm: 2 } }
                : {}),
            })
          }
        />
        <CountField
          label="Times filled"
          value={cast.casts}
          error={errors["cast.casts"]}
          onChange={(casts) => set({ casts })}
        />
      </Pair>
      {(cast.way ?? "dump") === "dump" && (
        <SelectField
          label="The wall"
          value={wall.by}
          choices={[
            { value: "wished", label: "so thick: how long to wait?" },
            { value: "waited", label: "after such a wait: how thick?" },
          ]}
          onChange={(by) =>
            set({
              wall: by === "waited" ? { by: "waited", wait_s: 30 } : { by: "wished", shell_mm: 2 },
            })
          }
        />
      )}
      {wall.by === "wished" ? (
        <ThicknessField
          value={wall.shell_mm}
          range={[1, 5]}
          error={errors["cast.wall.shell_mm"]}
          onChange={(shell_mm) => set({ wall: { ...wall, shell_mm } })}
        />
      ) : (
        <Box display="grid" gridTemplateColumns="1fr 1fr" gap="3" alignItems="start">
          <NumberField
            label="Waits"
            unit="s"
            value={wall.wait_s}
            error={errors["cast.wall.wait_s"]}
            onChange={(wait_s) => set({ wall: { ...wall, wait_s } })}
          />
          <UnitField
            label="Poured at"
            unit="°C"
            optional="middle of its band"
            value={wall.poured_c}
            error={errors["cast.wall.poured_c"]}
            onChange={(poured_c) => set({ wall: { ...wall, poured_c } })}
          />
        </Box>
      )}
    </Stack>
  );
}
