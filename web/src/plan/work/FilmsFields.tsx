import { Box, Button, IconButton } from "@chakra-ui/react";
import { ArrowUp, Plus, X } from "lucide-react";
import type { FilmInputs, Way } from "../../api/client";
import { usePigments } from "../../api/queries";
import { SelectField } from "../../kit/SelectField";
import { ColourPick } from "./ColourPick";
import { CountField } from "./CountField";
import { NumberField } from "./NumberField";
import type { FieldsOf } from "./WorkFields";
import { wayChoices } from "./wayWords";

const MOST = 8;

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
  const [first] = usePigments().data ?? [];
  const set = (i: number, change: Partial<FilmInputs>) =>
    patch(films.map((film, at) => (at === i ? { ...film, ...change } : film)));
  const earlier = (i: number) => {
    const next = [...films];
    next.splice(i - 1, 0, ...next.splice(i, 1));
    onChange(patch(next));
  };
  const fresh = (colour: string): FilmInputs => ({
    colour,
    way: usual,
    passes: 1,
    share_pct: 100,
    region: null,
  });
  const more = () => {
    const colour = bowls.find((bowl) => bowl.colour)?.key;
    if (colour !== undefined) onChange(patch([...films, fresh(colour)]));
    else if (first) {
      onAddColour({ name: first.name, pigment: first }, (key) => patch([...films, fresh(key)]));
    }
  };
  return (
    <Box as="fieldset" display="grid" gap="3">
      <Box as="legend" textStyle="label" mb="2">
        Colours on the face: the first in is the first seen
      </Box>
      {films.map((film, i) => (
        <Box
          // biome-ignore lint/suspicious/noArrayIndexKey: a film is its place
          key={i}
          borderInlineStartWidth="4px"
          borderColor="border.emphasized"
          ps="3"
          display="grid"
          gap="2"
          data-testid="film"
        >
          <Box display="grid" gridTemplateColumns="minmax(0, 1fr) 44px 44px" alignItems="end">
            <ColourPick
              label={i === 0 ? "First in" : `Then (${i + 1})`}
              value={film.colour}
              error={errors[`${field}[${i}].colour`]}
              bowls={bowls}
              patch={(colour) => set(i, { colour })}
              onChange={onChange}
              onAddColour={onAddColour}
            />
            <IconButton
              aria-label={`Earlier: colour ${i + 1}`}
              variant="ghost"
              disabled={i === 0}
              onClick={() => earlier(i)}
            >
              <ArrowUp size={18} />
            </IconButton>
            <IconButton
              aria-label={`Take away: colour ${i + 1}`}
              variant="ghost"
              onClick={() => onChange(patch(films.filter((_, at) => at !== i)))}
            >
              <X size={18} />
            </IconButton>
          </Box>
          <Box display="grid" gridTemplateColumns="minmax(0, 1.4fr) 84px 96px" gap="2">
            <SelectField
              label="Put on"
              value={film.way}
              choices={wayChoices}
              onChange={(way) => onChange(set(i, { way: way as Way }))}
            />
            <CountField
              label={film.way === "spray" ? "Passes" : "Coats"}
              value={film.passes ?? 1}
              error={errors[`${field}[${i}].passes`]}
              onChange={(passes) => onChange(set(i, { passes }))}
            />
            <NumberField
              label="Covers"
              unit="%"
              value={film.share_pct ?? 100}
              error={errors[`${field}[${i}].share_pct`]}
              onChange={(share_pct) => onChange(set(i, { share_pct }))}
            />
          </Box>
          {regions.length > 0 && (
            <SelectField
              label="On"
              value={film.region ?? ""}
              choices={[
                { value: "", label: "the whole face" },
                ...regions.map((name) => ({ value: name, label: `the ${name}` })),
              ]}
              error={errors[`${field}[${i}].region`]}
              onChange={(region) => onChange(set(i, { region: region || null }))}
            />
          )}
        </Box>
      ))}
      {errors[field] && (
        <Box color="stop" fontWeight="560" fontSize="sm">
          The colours {errors[field]}
        </Box>
      )}
      <Button variant="outline" minH="44px" disabled={films.length >= MOST} onClick={more}>
        <Plus aria-hidden /> {films.length === 0 ? "Colour the face" : "One colour more"}
      </Button>
    </Box>
  );
}
