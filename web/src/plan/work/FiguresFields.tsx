import { Box, Button, IconButton, Stack } from "@chakra-ui/react";
import { Plus, X } from "lucide-react";
import type { WorkOf } from "../../api/client";
import { useShelf } from "../../api/queries";
import { SelectField } from "../../kit/SelectField";
import { CastFields } from "./CastFields";
import { ChocolatePick } from "./ChocolatePick";
import type { FieldsOf } from "./WorkFields";

type Figures = WorkOf<"figures">;
type Tone = Figures["tones"][number];

/** Figures of several tones. */
export function FiguresFields({ work, errors, onChange, ...pick }: FieldsOf<Figures>) {
  const saved = useShelf().data?.moulds ?? [];
  const mould = saved.find(({ id }) => id === work.cast.mould_id)?.thing.mould ?? work.cast.mould;
  const regions = (mould.regions ?? []).map(({ name }) => name);
  const free = regions.find((name) => work.tones.every(({ region }) => region !== name));
  const set = (i: number, patch: Partial<Tone>) =>
    work.tones.map((tone, at) => (at === i ? { ...tone, ...patch } : tone));
  return (
    <Stack gap="4">
      <CastFields {...pick} cast={work.cast} of="Body from" errors={errors} onChange={onChange} />
      {work.tones.map((tone, i) => (
        <Box
          // biome-ignore lint/suspicious/noArrayIndexKey: a tone is its place
          key={i}
          display="grid"
          gridTemplateColumns="minmax(0, 1fr) minmax(0, 1fr) 44px"
          gap="2"
          alignItems="end"
        >
          <SelectField
            label={i === 0 ? "First tone, on" : `Tone ${i + 1}, on`}
            value={tone.region}
            choices={[...new Set([...regions, tone.region])].map((name) => ({
              value: name,
              label: `the ${name}`,
            }))}
            error={errors[`tones[${i}].region`]}
            onChange={(region) => onChange({ tones: set(i, { region }) })}
          />
          <ChocolatePick
            {...pick}
            label="From"
            value={tone.chocolate}
            error={errors[`tones[${i}].chocolate`]}
            patch={(chocolate) => ({ tones: set(i, { chocolate }) })}
            onChange={onChange}
          />
          <IconButton
            aria-label={`Take away: tone ${i + 1}`}
            variant="ghost"
            disabled={work.tones.length <= 1}
            onClick={() => onChange({ tones: work.tones.filter((_, at) => at !== i) })}
          >
            <X size={18} />
          </IconButton>
        </Box>
      ))}
      {(errors.tones ?? errors["cast.mould.regions"]) && (
        <Box color="stop" fontWeight="560" fontSize="sm">
          {errors.tones
            ? `The tones ${errors.tones}`
            : `The mould's regions ${errors["cast.mould.regions"]}`}
        </Box>
      )}
      <Button
        variant="outline"
        minH="44px"
        disabled={free === undefined}
        onClick={() =>
          free !== undefined &&
          onChange({ tones: [...work.tones, { region: free, chocolate: work.cast.chocolate }] })
        }
      >
        <Plus aria-hidden /> One tone more
      </Button>
    </Stack>
  );
}
