import { Box, Button, IconButton, Stack } from "@chakra-ui/react";
import { Plus, X } from "lucide-react";
import type { WorkOf } from "../../api/client";
import { TrayField } from "../TrayField";
import { ChocolatePick } from "./ChocolatePick";
import { FinishFields } from "./FinishFields";
import { NumberField } from "./NumberField";
import type { FieldsOf } from "./WorkFields";

const nth = ["Lowest layer", "Second layer", "Third layer", "Fourth layer"];
const FEWEST = 2;
const MOST = 4;

/** Layered bark: its layers, the lowest first. */
export function LayeredFields({ work, errors, onChange, ...pick }: FieldsOf<WorkOf<"layered">>) {
  const set = (i: number, patch: object) =>
    work.layers.map((layer, at) => (at === i ? { ...layer, ...patch } : layer));
  return (
    <Stack gap="4">
      <TrayField tray={work.tray} errors={errors} onChange={(tray) => onChange({ tray })} />
      {work.layers.map((layer, i) => (
        <Box
          // biome-ignore lint/suspicious/noArrayIndexKey: a layer is its place
          key={i}
          display="grid"
          gridTemplateColumns="minmax(0, 1fr) 96px 40px"
          gap="2"
          alignItems="end"
        >
          <ChocolatePick
            {...pick}
            label={nth[i] ?? "Next layer"}
            value={layer.chocolate}
            error={errors[`layers[${i}].chocolate`]}
            patch={(chocolate) => ({ layers: set(i, { chocolate }) })}
            onChange={onChange}
          />
          <NumberField
            label="Thick"
            unit="mm"
            value={layer.thickness_mm}
            error={errors[`layers[${i}].thickness_mm`]}
            onChange={(thickness_mm) => onChange({ layers: set(i, { thickness_mm }) })}
          />
          <IconButton
            aria-label={`Take away: ${nth[i]?.toLowerCase()}`}
            variant="ghost"
            disabled={work.layers.length <= FEWEST}
            onClick={() => onChange({ layers: work.layers.filter((_, at) => at !== i) })}
          >
            <X size={18} />
          </IconButton>
        </Box>
      ))}
      {errors.layers && (
        <Box color="stop" fontWeight="560" fontSize="sm">
          The layers {errors.layers}
        </Box>
      )}
      <Button
        variant="outline"
        minH="44px"
        disabled={work.layers.length >= MOST}
        onClick={() =>
          onChange({
            layers: [...work.layers, ...work.layers.slice(-2, -1).map((one) => ({ ...one }))],
          })
        }
      >
        <Plus aria-hidden /> One layer more
      </Button>
      <FinishFields
        topping={work.topping}
        lining={work.lining}
        piece_cm2={work.piece_cm2}
        errors={errors}
        onChange={onChange}
      />
    </Stack>
  );
}
