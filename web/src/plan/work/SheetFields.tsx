import { Stack } from "@chakra-ui/react";
import type { WorkOf } from "../../api/client";
import { SelectField } from "../../kit/SelectField";
import { CoverFields } from "./CoverFields";
import { FilmsFields } from "./FilmsFields";
import { FromField } from "./FromField";
import { NumberField } from "./NumberField";
import type { FieldsOf } from "./WorkFields";

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

function choices(of: Record<string, string>) {
  return Object.entries(of).map(([value, label]) => ({ value, label }));
}

/** Thin work on a sheet. */
export function SheetFields({ work, errors, onChange, ...pick }: FieldsOf<Sheet>) {
  return (
    <Stack gap="4">
      <FromField work={work} errors={errors} onChange={onChange} {...pick} />
      <SelectField
        label="On the sheet"
        value={work.finish}
        choices={choices(finishes)}
        onChange={(finish) =>
          onChange({
            finish: finish as Sheet["finish"],
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
      <SelectField
        label="Made into"
        value={work.shape}
        choices={choices(shapes)}
        onChange={(shape) => onChange({ shape: shape as Sheet["shape"] })}
      />
      <CoverFields
        cover={work.cover}
        thickness={[1, 4]}
        errors={errors}
        onChange={(cover) => onChange({ cover })}
      />
      <NumberField
        label="Pieces of"
        unit="cm²"
        value={work.piece_cm2}
        error={errors.piece_cm2}
        onChange={(piece_cm2) => onChange({ piece_cm2 })}
      />
    </Stack>
  );
}
