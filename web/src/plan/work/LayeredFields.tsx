import { Box, Stack } from "@chakra-ui/react";
import type { WorkOf } from "../../api/client";
import { ListField } from "../../kit/ListField";
import { NumberField } from "../../kit/NumberField";
import { TrayField } from "../TrayField";
import { ChocolatePick } from "./ChocolatePick";
import { FinishFields } from "./FinishFields";
import type { FieldsOf } from "./fieldsOfWork";

const nth = ["Lowest layer", "Second layer", "Third layer", "Fourth layer"];

/** Layered bark: its layers, the lowest first. */
export function LayeredFields({ work, errors, onChange, ...pick }: FieldsOf<WorkOf<"layered">>) {
  const { layers } = work;
  return (
    <Stack gap="4">
      <TrayField tray={work.tray} errors={errors} onChange={(tray) => onChange({ tray })} />
      <ListField
        items={layers}
        at="layers"
        errors={errors}
        fewest={2}
        most={nth.length}
        nameOf={(_, i) => nth[i]?.toLowerCase() ?? ""}
        whole="The layers"
        more="Add layer"
        // Every other one alike, as bark is layered.
        onMore={() => onChange({ layers: [...layers, ...layers.slice(-2, -1)] })}
        onChange={(next) => onChange({ layers: next })}
      >
        {({ item, i, field, changed, away }) => (
          <Box
            display="grid"
            gridTemplateColumns="minmax(0, 1fr) 96px 40px"
            gap="2"
            alignItems="end"
          >
            <ChocolatePick
              {...pick}
              label={nth[i] ?? "Next layer"}
              value={item.chocolate}
              error={errors[`layers[${i}].chocolate`]}
              patch={(chocolate) => ({ layers: changed({ chocolate }) })}
              onChange={onChange}
            />
            <NumberField label="Thickness" unit="mm" {...field("thickness_mm")} />
            {away}
          </Box>
        )}
      </ListField>
      <FinishFields
        toppings={work.toppings}
        lining={work.lining}
        piece_cm2={work.piece_cm2}
        texture={work.texture}
        errors={errors}
        onChange={onChange}
      />
    </Stack>
  );
}
