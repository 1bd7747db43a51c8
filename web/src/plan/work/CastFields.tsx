import { Stack } from "@chakra-ui/react";
import type { CastInputs } from "../../api/client";
import { useShelf } from "../../api/queries";
import { CountField } from "../../kit/CountField";
import { EitherField } from "../../kit/EitherField";
import { fieldsOf } from "../../kit/fieldsOf";
import { Pair } from "../../kit/Pair";
import { SelectField } from "../../kit/SelectField";
import { UnitField } from "../../kit/UnitField";
import { MouldMeasures, mouldWords } from "../MouldMeasures";
import { ChocolatePick } from "./ChocolatePick";
import { FilmsFields } from "./FilmsFields";
import type { FieldsOf } from "./fieldsOfWork";
import { LiningFields } from "./LiningFields";
import { onRegions } from "./regions";
import { SmearFields } from "./SmearFields";

interface Props extends Omit<FieldsOf<unknown>, "work" | "onChange"> {
  cast: CastInputs;
  /** What the shell's chocolate is called. */
  of: string;
  /** Whether it is solid: never, if the maker says so, or always. */
  solid?: "never" | "may" | "always";
  onChange: (patch: object) => void;
}

/** What all work in moulds states: the mould, the colours, the wall. */
export function CastFields({ cast, of, solid = "never", errors, onChange, ...pick }: Props) {
  const saved = useShelf().data?.moulds ?? [];
  const chosen = saved.find(({ id }) => id === cast.mould_id);
  const set = (patch: Partial<CastInputs>) => onChange({ cast: { ...cast, ...patch } });
  const mould = chosen?.thing.mould ?? cast.mould;
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
        error={errors["cast.mould_id"] ?? (chosen && errors["cast.mould.two_sided"])}
        onChange={(id) => set({ mould_id: id || null, mould })}
      />
      {!cast.mould_id && (
        <MouldMeasures
          mould={cast.mould}
          errors={errors}
          field="cast.mould"
          onChange={(next) =>
            set({ mould: next, colours: onRegions(cast.colours ?? [], cast.mould, next) })
          }
        />
      )}
      <HowMany cast={cast} errors={errors} onChange={set} />
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
      {(cast.colours?.length ?? 0) > 0 && (
        <UnitField
          label="Colour rests"
          unit="h"
          optional="6"
          {...fieldsOf(cast, errors, set, "cast.")("colour_rest_h")}
        />
      )}
      {solid !== "always" && (
        <LiningFields cast={cast} mould={mould} solid={solid} errors={errors} onChange={set} />
      )}
      <SmearFields cast={cast} errors={errors} onChange={onChange} {...pick} />
    </Stack>
  );
}

interface HowManyProps {
  cast: CastInputs;
  errors: Record<string, string>;
  onChange: (patch: Partial<CastInputs>) => void;
}

/** How often the mould is filled, or for how many pieces. */
function HowMany({ cast, errors, onChange }: HowManyProps) {
  const field = fieldsOf(cast, errors, onChange, "cast.");
  return (
    <Pair>
      <EitherField
        label="Count by"
        no="casts"
        yes="pieces wanted"
        value={cast.wanted != null}
        onChange={(wanted) => onChange({ wanted: wanted ? cast.mould.count * cast.casts : null })}
      />
      {cast.wanted == null ? (
        <CountField label="Casts" {...field("casts")} />
      ) : (
        <CountField label="Pieces wanted" {...field("wanted")} value={cast.wanted} />
      )}
    </Pair>
  );
}
