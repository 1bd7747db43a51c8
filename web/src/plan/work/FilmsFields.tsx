import { Box, IconButton } from "@chakra-ui/react";
import { ArrowUp } from "lucide-react";
import type { FilmInputs, Way } from "../../api/client";
import { CountField } from "../../kit/CountField";
import { EitherField } from "../../kit/EitherField";
import { Entry } from "../../kit/Entry";
import { Fold } from "../../kit/Fold";
import { faultyIn } from "../../kit/faultyIn";
import { ListField } from "../../kit/ListField";
import { NumberField } from "../../kit/NumberField";
import { SelectField } from "../../kit/SelectField";
import { ColourPick } from "./ColourPick";
import type { FieldsOf } from "./fieldsOfWork";
import { someColour } from "./someColour";
import { wayWords } from "./wayWords";

interface Props extends Pick<FieldsOf<unknown>, "bowls" | "errors" | "onAddColour"> {
  films: FilmInputs[];
  /** Their name among the fields. */
  field: string;
  /** The mould's regions. */
  regions: string[];
  /** How a new one is put on. */
  usual: Way;
  /** The patch that puts other films in their place. */
  patch: (films: FilmInputs[]) => object;
  onChange: (patch: object) => void;
}

/** The colours on a face, in the order of work: what goes in first is what is seen. */
export function FilmsFields(props: Props) {
  const { films, field, regions, usual, bowls, errors, patch, onChange, onAddColour } = props;
  const withColour = someColour({ bowls, onAddColour }, onChange);
  const fresh = (colour: string): FilmInputs => ({
    colour,
    way: usual,
    passes: 1,
    share_pct: 100,
    region: null,
  });
  return (
    <Fold
      inner
      title="Colours on the face: the first applied is the first seen"
      value={films.map(({ colour }) => colour).join(", then ") || "none"}
      faulty={faultyIn(errors, field)}
    >
      <ListField
        items={films}
        at={field}
        errors={errors}
        most={8}
        nameOf={(_, i) => `colour ${i + 1}`}
        whole="The colours"
        more={films.length === 0 ? "Colour the face" : "Add colour"}
        onMore={() => withColour((colour) => patch([...films, fresh(colour)]))}
        onChange={(next) => onChange(patch(next))}
      >
        {({ item, i, at, field: its, changed, earlier, away }) => (
          <Entry testId="film">
            <Box display="grid" gridTemplateColumns="minmax(0, 1fr) 44px 44px" alignItems="end">
              <ColourPick
                label={i === 0 ? "First applied" : `Then (${i + 1})`}
                value={item.colour}
                error={errors[`${at}.colour`]}
                bowls={bowls}
                patch={(colour) => patch(changed({ colour }))}
                onChange={onChange}
                onAddColour={onAddColour}
              />
              <IconButton
                aria-label={`Earlier: colour ${i + 1}`}
                variant="ghost"
                disabled={i === 0}
                onClick={() => onChange(patch(earlier()))}
              >
                <ArrowUp size={18} />
              </IconButton>
              {away}
            </Box>
            <Box display="grid" gridTemplateColumns="minmax(0, 1.4fr) 84px 96px" gap="2">
              <SelectField label="Applied by" choices={wayWords} {...its("way")} />
              <CountField
                label={item.way === "spray" ? "Passes" : "Coats"}
                {...its("passes")}
                value={item.passes ?? 1}
              />
              <NumberField
                label="Covers"
                unit="%"
                {...its("share_pct")}
                value={item.share_pct ?? 100}
              />
            </Box>
            <EitherField
              label="Edge"
              no="free"
              yes="taped off, the rest stays bare"
              value={item.masked ?? false}
              onChange={(masked) => onChange(patch(changed({ masked })))}
            />
            {regions.length > 0 && (
              <SelectField
                label="On"
                value={item.region ?? ""}
                choices={[
                  { value: "", label: "the whole face" },
                  ...regions.map((name) => ({ value: name, label: `the ${name}` })),
                ]}
                error={errors[`${at}.region`]}
                onChange={(region) => onChange(patch(changed({ region: region || null })))}
              />
            )}
          </Entry>
        )}
      </ListField>
    </Fold>
  );
}
