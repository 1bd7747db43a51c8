import { Stack } from "@chakra-ui/react";
import type { WorkOf } from "../../api/client";
import { fieldsOf } from "../../kit/fieldsOf";
import { NumberField } from "../../kit/NumberField";
import { SelectField } from "../../kit/SelectField";
import { CoverFields } from "./CoverFields";
import { FilmsFields } from "./FilmsFields";
import { FromField } from "./FromField";
import type { FieldsOf } from "./fieldsOfWork";

type Sheet = WorkOf<"sheet">;

const finishes: Record<Sheet["finish"], string> = {
  plain: "nothing: it shines",
  painted: "painted with coloured cocoa butter",
  flecked: "flecked with it",
  printed: "printed",
};
const shapes: Record<Sheet["shape"], string> = {
  flat: "shapes that stay flat",
  shards: "shards",
  curls: "curls",
};

/** Thin work on a sheet. */
export function SheetFields({ work, errors, onChange, ...pick }: FieldsOf<Sheet>) {
  const field = fieldsOf(work, errors, onChange);
  return (
    <Stack gap="4">
      <FromField work={work} errors={errors} onChange={onChange} {...pick} />
      <SelectField
        label="On the sheet"
        value={work.finish}
        choices={finishes}
        onChange={(finish) =>
          onChange({
            finish,
            ...(finish === "painted" || finish === "flecked" ? {} : { colours: [] }),
          })
        }
      />
      {(work.finish === "painted" || work.finish === "flecked") && (
        <FilmsFields
          {...pick}
          films={work.colours ?? []}
          field="colours"
          errors={errors}
          regions={[]}
          usual="sheet"
          patch={(colours) => ({ colours })}
          onChange={onChange}
        />
      )}
      <SelectField label="Made into" choices={shapes} {...field("shape")} />
      <CoverFields
        cover={work.cover}
        thickness={[1, 4]}
        errors={errors}
        onChange={(cover) => onChange({ cover })}
      />
      <NumberField label="Piece size" unit="cm²" {...field("piece_cm2")} />
    </Stack>
  );
}
