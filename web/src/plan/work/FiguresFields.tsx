import { Stack } from "@chakra-ui/react";
import type { WorkOf } from "../../api/client";
import { useShelf } from "../../api/queries";
import { EitherField } from "../../kit/EitherField";
import { Fold } from "../../kit/Fold";
import { faultyIn } from "../../kit/faultyIn";
import { CastFields } from "./CastFields";
import type { FieldsOf } from "./fieldsOfWork";
import { InsideFields } from "./InsideFields";
import { PaintedFields } from "./PaintedFields";
import { PlateFields } from "./PlateFields";
import { onRegions } from "./regions";
import { StuckOnFields } from "./StuckOnFields";
import { ToeFields } from "./ToeFields";
import { TonesFields } from "./TonesFields";

type Figures = WorkOf<"figures">;

/** Figures in one tone or several. */
export function FiguresFields({ work, errors, onChange, ...pick }: FieldsOf<Figures>) {
  const { base, cast } = work;
  const saved = useShelf().data?.moulds ?? [];
  const mould = saved.find(({ id }) => id === cast.mould_id)?.thing.mould ?? cast.mould;
  const regions = (mould.regions ?? []).map(({ name }) => name);
  const usual = cast.chocolate;
  const castChanged = (patch: Partial<Figures>) => {
    const next = patch.cast?.mould ?? cast.mould;
    onChange({ ...patch, tones: onRegions(work.tones, cast.mould, next) });
  };
  return (
    <Stack gap="4">
      <CastFields
        {...pick}
        cast={cast}
        of="Body from"
        solid="may"
        errors={errors}
        onChange={castChanged}
      />
      <TonesFields
        {...pick}
        tones={work.tones}
        regions={regions}
        body={usual}
        errors={errors}
        onChange={onChange}
      />
      <InsideFields
        inside={work.inside ?? []}
        errors={errors}
        onChange={(inside) => onChange({ inside })}
      />
      <Fold
        inner
        title="Foot"
        value={base ? "closed with a plate" : "left open"}
        faulty={faultyIn(errors, "base")}
      >
        <EitherField
          label="Foot"
          no="left open"
          yes="closed with a plate"
          value={base != null}
          error={errors.base}
          onChange={(closed) => onChange({ base: closed ? { cap_mm: 2 } : null })}
        />
        {base && (
          <PlateFields
            {...pick}
            plate={base}
            at="base"
            words={["Plate from", "Plate thickness"]}
            usual={usual}
            errors={errors}
            patch={(next) => ({ base: next })}
            onChange={onChange}
          />
        )}
      </Fold>
      <StuckOnFields
        {...pick}
        stuckOn={work.stuck_on ?? []}
        usual={usual}
        errors={errors}
        onChange={onChange}
      />
      <ToeFields {...pick} dipped={work.dipped} usual={usual} errors={errors} onChange={onChange} />
      <PaintedFields {...pick} painted={work.painted ?? []} errors={errors} onChange={onChange} />
    </Stack>
  );
}
