import { Box, Button, Field, IconButton, Input, Stack } from "@chakra-ui/react";
import { Plus, X } from "lucide-react";
import type { WorkOf } from "../../api/client";
import { SelectField } from "../../kit/SelectField";
import { ChocolatePick } from "./ChocolatePick";
import { CountField } from "./CountField";
import { CoverFields } from "./CoverFields";
import { FinishFields } from "./FinishFields";
import { NumberField } from "./NumberField";
import type { FieldsOf } from "./WorkFields";

type Marbled = WorkOf<"marbled">;
type Accent = Marbled["accents"][number];
type Colour = NonNullable<Accent["colour"]>;

const MOST = 4;
const fresh: Colour = { kind: "oil", srgb: "#6a5acd" };
const kinds = [
  { value: "", label: "none: as it is" },
  { value: "oil", label: "soluble in oil" },
  { value: "cocoa_butter", label: "powder in cocoa butter" },
  { value: "water", label: "water-based or gel" },
];

/** A marbled slab: its base, what is drawn through it, and how often. */
export function MarbledFields({ work, errors, onChange, ...pick }: FieldsOf<Marbled>) {
  const set = (i: number, patch: Partial<Accent>) =>
    work.accents.map((accent, at) => (at === i ? { ...accent, ...patch } : accent));
  return (
    <Stack gap="4">
      <ChocolatePick
        {...pick}
        label="Base"
        value={work.base}
        error={errors.base}
        patch={(base) => ({ base })}
        onChange={onChange}
      />
      {work.accents.map((accent, i) => (
        <Box
          // biome-ignore lint/suspicious/noArrayIndexKey: an accent is its place
          key={i}
          display="grid"
          gridTemplateColumns="minmax(0, 1fr) 92px 40px"
          gap="2"
          alignItems="end"
        >
          <ChocolatePick
            {...pick}
            label={work.accents.length > 1 ? `Accent ${i + 1}` : "Accent"}
            value={accent.chocolate}
            error={errors[`accents[${i}].chocolate`]}
            patch={(chocolate) => ({ accents: set(i, { chocolate }) })}
            onChange={onChange}
          />
          <NumberField
            label="Share"
            unit="%"
            value={accent.share_pct}
            error={errors[`accents[${i}].share_pct`]}
            onChange={(share_pct) => onChange({ accents: set(i, { share_pct }) })}
          />
          <IconButton
            aria-label={`Take away: accent ${i + 1}`}
            variant="ghost"
            disabled={work.accents.length <= 1}
            onClick={() => onChange({ accents: work.accents.filter((_, at) => at !== i) })}
          >
            <X size={18} />
          </IconButton>
          <SelectField
            label="Colour in it"
            value={accent.colour?.kind ?? ""}
            choices={kinds}
            error={errors[`accents[${i}].colour.kind`]}
            onChange={(kind) =>
              onChange({
                accents: set(i, {
                  colour: kind
                    ? { ...fresh, ...accent.colour, kind: kind as Colour["kind"] }
                    : null,
                }),
              })
            }
          />
          {accent.colour && (
            <Field.Root gridColumn="span 2">
              <Field.Label textStyle="label">Looks</Field.Label>
              <Input
                type="color"
                p="1"
                value={accent.colour.srgb}
                onChange={(event) =>
                  accent.colour &&
                  onChange({
                    accents: set(i, { colour: { ...accent.colour, srgb: event.target.value } }),
                  })
                }
              />
            </Field.Root>
          )}
        </Box>
      ))}
      {errors.accents && (
        <Box color="stop" fontWeight="560" fontSize="sm">
          The accents {errors.accents}
        </Box>
      )}
      <Button
        variant="outline"
        minH="44px"
        disabled={work.accents.length >= MOST}
        onClick={() =>
          onChange({
            accents: [...work.accents, { chocolate: work.base, share_pct: 10, colour: null }],
          })
        }
      >
        <Plus aria-hidden /> One accent more
      </Button>
      <CountField
        label="Strokes"
        value={work.strokes}
        error={errors.strokes}
        onChange={(strokes) => onChange({ strokes })}
      />
      <CoverFields
        cover={work.cover}
        thickness={[2, 12]}
        errors={errors}
        onChange={(cover) => onChange({ cover })}
      />
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
