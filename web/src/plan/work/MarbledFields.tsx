import { Box, Field, Input, Stack } from "@chakra-ui/react";
import type { WorkOf } from "../../api/client";
import { CountField } from "../../kit/CountField";
import { Fold } from "../../kit/Fold";
import { faultyIn } from "../../kit/faultyIn";
import { fieldsOf } from "../../kit/fieldsOf";
import { ListField } from "../../kit/ListField";
import { NumberField } from "../../kit/NumberField";
import { SelectField } from "../../kit/SelectField";
import { ChocolatePick } from "./ChocolatePick";
import { CoverFields } from "./CoverFields";
import { FinishFields } from "./FinishFields";
import type { FieldsOf } from "./fieldsOfWork";

type Marbled = WorkOf<"marbled">;
type Colour = NonNullable<Marbled["accents"][number]["colour"]>;

const fresh: Colour = { kind: "oil", srgb: "#6a5acd" };
const kinds: Record<Colour["kind"] | "", string> = {
  "": "none: as it is",
  oil: "soluble in oil",
  cocoa_butter: "powder in cocoa butter",
  water: "water-based or gel",
};

/** A marbled slab: its base, what is drawn through it, and how often. */
export function MarbledFields({ work, errors, onChange, ...pick }: FieldsOf<Marbled>) {
  const { accents } = work;
  const field = fieldsOf(work, errors, onChange);
  return (
    <Stack gap="4">
      <Box display="grid" gridTemplateColumns="minmax(0, 1fr) 92px" gap="2" alignItems="start">
        <ChocolatePick
          {...pick}
          label="Base"
          value={work.base}
          error={errors.base}
          patch={(base) => ({ base })}
          onChange={onChange}
        />
        <CountField label="Strokes" {...field("strokes")} />
      </Box>
      <Fold
        inner
        title={accents.length > 1 ? `${accents.length} accents` : "Accent"}
        value={accents
          .map(
            ({ chocolate, share_pct }) =>
              `${pick.names.get(chocolate) ?? chocolate} ${share_pct} %`,
          )
          .join(", ")}
        faulty={faultyIn(errors, "accents")}
      >
        <ListField
          items={accents}
          at="accents"
          errors={errors}
          fewest={1}
          most={4}
          nameOf={(_, i) => `accent ${i + 1}`}
          whole="The accents"
          more="Add accent"
          onMore={() =>
            onChange({
              accents: [...accents, { chocolate: work.base, share_pct: 10, colour: null }],
            })
          }
          onChange={(next) => onChange({ accents: next })}
        >
          {({ item, i, at, field: its, changed, away }) => (
            <Box
              display="grid"
              gridTemplateColumns="minmax(0, 1fr) 92px 40px"
              gap="2"
              alignItems="end"
            >
              <ChocolatePick
                {...pick}
                label={accents.length > 1 ? `Accent ${i + 1}` : "Accent"}
                value={item.chocolate}
                error={errors[`${at}.chocolate`]}
                patch={(chocolate) => ({ accents: changed({ chocolate }) })}
                onChange={onChange}
              />
              <NumberField label="Share" unit="%" {...its("share_pct")} />
              {away}
              <SelectField
                label="Colour in it"
                value={item.colour?.kind ?? ""}
                choices={kinds}
                error={errors[`${at}.colour.kind`]}
                onChange={(kind) =>
                  onChange({
                    accents: changed({ colour: kind ? { ...fresh, ...item.colour, kind } : null }),
                  })
                }
              />
              {item.colour && (
                <Looks
                  colour={item.colour}
                  onChange={(colour) => onChange({ accents: changed({ colour }) })}
                />
              )}
            </Box>
          )}
        </ListField>
      </Fold>
      <CoverFields
        cover={work.cover}
        thickness={[2, 12]}
        errors={errors}
        onChange={(cover) => onChange({ cover })}
      />
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

interface LooksProps {
  colour: Colour;
  onChange: (colour: Colour) => void;
}

/** What an accent's colour looks like. */
function Looks({ colour, onChange }: LooksProps) {
  return (
    <Field.Root gridColumn="span 2">
      <Field.Label textStyle="label">Looks</Field.Label>
      <Input
        type="color"
        p="1"
        value={colour.srgb}
        onChange={(event) => onChange({ ...colour, srgb: event.target.value })}
      />
    </Field.Root>
  );
}
