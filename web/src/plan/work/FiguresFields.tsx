import { Box, Stack } from "@chakra-ui/react";
import type { WorkOf } from "../../api/client";
import { useShelf } from "../../api/queries";
import { Fault } from "../../kit/Fault";
import { ListField } from "../../kit/ListField";
import { SelectField } from "../../kit/SelectField";
import { CastFields } from "./CastFields";
import { ChocolatePick } from "./ChocolatePick";
import type { FieldsOf } from "./fieldsOfWork";

type Figures = WorkOf<"figures">;

/** Two-tone figures. */
export function FiguresFields({ work, errors, onChange, ...pick }: FieldsOf<Figures>) {
  const { tones } = work;
  const saved = useShelf().data?.moulds ?? [];
  const mould = saved.find(({ id }) => id === work.cast.mould_id)?.thing.mould ?? work.cast.mould;
  const regions = (mould.regions ?? []).map(({ name }) => name);
  const free = regions.find((name) => tones.every(({ region }) => region !== name));
  return (
    <Stack gap="4">
      <CastFields {...pick} cast={work.cast} of="Body from" errors={errors} onChange={onChange} />
      <ListField
        items={tones}
        at="tones"
        errors={errors}
        fewest={1}
        most={regions.length}
        nameOf={(_, i) => `tone ${i + 1}`}
        whole="The tones"
        more="Add tone"
        onMore={
          free === undefined
            ? undefined
            : () =>
                onChange({ tones: [...tones, { region: free, chocolate: work.cast.chocolate }] })
        }
        onChange={(next) => onChange({ tones: next })}
      >
        {({ item, i, at, field, changed, away }) => (
          <Box
            display="grid"
            gridTemplateColumns="minmax(0, 1fr) minmax(0, 1fr) 44px"
            gap="2"
            alignItems="end"
          >
            <SelectField
              label={i === 0 ? "First tone, on" : `Tone ${i + 1}, on`}
              choices={[...new Set([...regions, item.region])].map((name) => ({
                value: name,
                label: `the ${name}`,
              }))}
              {...field("region")}
            />
            <ChocolatePick
              {...pick}
              label="From"
              value={item.chocolate}
              error={errors[`${at}.chocolate`]}
              patch={(chocolate) => ({ tones: changed({ chocolate }) })}
              onChange={onChange}
            />
            {away}
          </Box>
        )}
      </ListField>
      {work.cast.mould_id && errors["cast.mould.regions"] && (
        <Fault fontSize="sm">The mould's regions {errors["cast.mould.regions"]}</Fault>
      )}
    </Stack>
  );
}
