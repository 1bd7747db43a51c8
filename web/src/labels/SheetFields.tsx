import { Box, Button } from "@chakra-ui/react";
import { useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import type { LabelSheet } from "../api/client";
import { useShelf } from "../api/queries";
import { CountField } from "../kit/CountField";
import { Fault } from "../kit/Fault";
import { Fold } from "../kit/Fold";
import { fieldsOf } from "../kit/fieldsOf";
import { NumberField } from "../kit/NumberField";
import { SelectField } from "../kit/SelectField";
import { useKeep } from "../shelf/useThing";

const papers = { a4: "A4", letter: "Letter" } as const;

/** The sheets that labels are printed on: any grid, as its pack says or a ruler measures. */
export function SheetFields({ sheet }: { sheet: LabelSheet }) {
  const kitchen = useShelf().data?.kitchen;
  if (!kitchen) return null;
  // Kept from elsewhere it is shown anew.
  return <Fields key={JSON.stringify(sheet)} sheet={sheet} kitchen={kitchen} />;
}

type Kitchen = NonNullable<NonNullable<ReturnType<typeof useShelf>["data"]>["kitchen"]>;

function Fields({ sheet, kitchen }: { sheet: LabelSheet; kitchen: Kitchen }) {
  const [draft, setDraft] = useState(sheet);
  const queries = useQueryClient();
  const { keep, busy, errors, said } = useKeep(kitchen, () => {
    queries.invalidateQueries({ queryKey: ["labels"] });
  });
  const field = fieldsOf<LabelSheet>(
    draft,
    errors,
    (patch) => setDraft({ ...draft, ...patch }),
    "label_sheet.",
  );
  const changed = JSON.stringify(draft) !== JSON.stringify(sheet);
  return (
    <Fold
      title="Label sheets"
      value={`${papers[sheet.paper ?? "a4"]}, ${sheet.columns} by ${sheet.rows}, ${sheet.width_mm} × ${sheet.height_mm} mm`}
      faulty={Object.keys(errors).length > 0}
    >
      <SelectField label="Paper" choices={papers} {...field("paper")} value={draft.paper ?? "a4"} />
      <Box display="grid" gap="3" gridTemplateColumns="1fr 1fr" alignItems="start">
        <CountField label="Columns" {...field("columns")} />
        <CountField label="Rows" {...field("rows")} />
        <NumberField label="Label width" unit="mm" {...field("width_mm")} />
        <NumberField label="Label height" unit="mm" {...field("height_mm")} />
        <NumberField label="Horizontal gap" unit="mm" {...field("gap_x_mm")} />
        <NumberField label="Vertical gap" unit="mm" {...field("gap_y_mm")} />
        <NumberField label="Left margin" unit="mm" {...field("left_mm")} />
        <NumberField label="Top margin" unit="mm" {...field("top_mm")} />
      </Box>
      {said && <Fault>{said}</Fault>}
      <Button
        h="48px"
        bg="ink"
        color="onInk"
        disabled={busy || !changed}
        onClick={() => keep({ thing: { ...kitchen.thing, label_sheet: draft } })}
      >
        Save
      </Button>
    </Fold>
  );
}
