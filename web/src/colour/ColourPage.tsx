import { Box, Button, Heading, IconButton, Stack } from "@chakra-ui/react";
import { ArrowUp, Plus, X } from "lucide-react";
import { useState } from "react";
import type { PigmentInputs, RecipeInputs } from "../api/client";
import { usePigments, useShelf } from "../api/queries";
import { RecipeFields } from "../chocolate/RecipeFields";
import { CountField } from "../kit/CountField";
import { withChange, withEarlier } from "../kit/lists";
import { Notes } from "../kit/Notes";
import { NumberField } from "../kit/NumberField";
import { Panel } from "../kit/Panel";
import { SelectField } from "../kit/SelectField";
import { Missing } from "../kit/Standing";
import { under } from "../plan/edits";
import { wayWords } from "../plan/work/wayWords";
import { FinishedPiece } from "./FinishedPiece";
import { OverEach } from "./OverEach";
import { type LabFilm, type SeenPiece, useLook } from "./useLook";
import { WeighColour } from "./WeighColour";

const MOST = 6;

/** What the lab needs of a pigment: itself, since nothing here is kept. */
function recipeOf(pigment: PigmentInputs, parts_per_100 = 10): RecipeInputs {
  return { pigments: [{ pigment, pigment_id: null, parts_per_100 }], strained: false };
}

function filmOf(pigment: PigmentInputs): LabFilm {
  return {
    id: crypto.randomUUID(),
    mix: [{ recipe: recipeOf(pigment), share: 1 }],
    way: "brush",
    passes: 1,
  };
}

/** Mixing and stacking coloured cocoa butter, and how it will look. */
export default function ColourPage() {
  const usual = usePigments();
  if (!usual.data) return <Missing what="pigments" asked={[usual]} />;
  return <Lab usual={usual.data} />;
}

function Lab({ usual }: { usual: PigmentInputs[] }) {
  const shelf = useShelf().data;
  const [films, setFilms] = useState<LabFilm[]>(() =>
    // One that lets the ground through: what white behind it does is seen at once.
    usual.filter(({ name }) => name === "Red lake").map((pigment) => filmOf(pigment)),
  );
  const [seen, setSeen] = useState<SeenPiece | null>(null);
  // What is named on the shelf is put in: the lab asks with the pigments themselves.
  const filled = films.map((film) => ({
    ...film,
    mix: film.mix.map((part) => ({ ...part, recipe: withPigments(part.recipe) })),
  }));
  function withPigments(recipe: RecipeInputs): RecipeInputs {
    return {
      ...recipe,
      pigments: recipe.pigments.map((part) => {
        const saved = shelf?.pigments.find(({ id }) => id === part.pigment_id)?.thing;
        if (!saved) return part;
        const { kind: _, ...pigment } = saved;
        return { ...part, pigment };
      }),
    };
  }
  /** A colour by its pigments. */
  const nameOf = (recipe: RecipeInputs) =>
    withPigments(recipe)
      .pigments.map(({ pigment }) => pigment?.name.toLowerCase() ?? "colour")
      .join(" and ");
  const { look, errors } = useLook(filled, seen);
  const set = (i: number, patch: Partial<LabFilm>) => setFilms(withChange(films, i, patch));
  return (
    <Box px={{ base: "3", md: "6" }} pb="8" maxW="1500px" width="full" mx="auto">
      <Heading as="h1" textStyle="title" fontSize="2xl" py="4">
        Colour
      </Heading>
      <Box
        display="grid"
        gap="4"
        gridTemplateColumns={{ base: "minmax(0, 1fr)", lg: "400px minmax(0, 1fr)" }}
        alignItems="start"
      >
        <Stack gap="4">
          {films.map((film, i) => (
            <Panel
              key={film.id}
              title={i === 0 ? "First in, first seen" : `Then, behind it (${i + 1})`}
              data-testid="lab-film"
            >
              <FilmFields
                film={film}
                errors={under(errors, `films[${i}]`)}
                alone={look?.alone[i]}
                usual={usual}
                onChange={(patch) => set(i, patch)}
              />
              <Box display="flex" gap="1" mt="3">
                <IconButton
                  aria-label={`Earlier: colour ${i + 1}`}
                  variant="ghost"
                  disabled={i === 0}
                  onClick={() => setFilms(withEarlier(films, i))}
                >
                  <ArrowUp size={18} />
                </IconButton>
                <IconButton
                  aria-label={`Remove: colour ${i + 1}`}
                  variant="ghost"
                  disabled={films.length <= 1}
                  onClick={() => {
                    setSeen(null);
                    setFilms(films.filter((_, at) => at !== i));
                  }}
                >
                  <X size={18} />
                </IconButton>
              </Box>
            </Panel>
          ))}
          <Button
            variant="outline"
            borderColor="border.emphasized"
            disabled={films.length >= MOST || !usual[1]}
            onClick={() => usual[1] && setFilms([...films, filmOf(usual[1])])}
          >
            <Plus aria-hidden /> Add a film behind it
          </Button>
        </Stack>
        <Stack gap="4">
          {look && (
            <>
              <Panel title="How it looks when it is turned out">
                <OverEach over={look.over} />
              </Panel>
              <Panel title="Correct a colour by a finished piece">
                <FinishedPiece
                  films={films}
                  seen={seen}
                  strength={look.strength}
                  onSeen={setSeen}
                />
              </Panel>
              <WeighColour films={films} filled={filled} nameOf={nameOf} />
              {look.notes.length > 0 && (
                <Panel title="Mind">
                  <Notes
                    notes={look.notes.map((note, i) => ({ ...note, code: `${note.code} ${i}` }))}
                  />
                </Panel>
              )}
            </>
          )}
        </Stack>
      </Box>
    </Box>
  );
}

interface FilmProps {
  film: LabFilm;
  errors: Record<string, string>;
  /** How it looks by itself. */
  alone: string | undefined;
  usual: PigmentInputs[];
  onChange: (patch: Partial<LabFilm>) => void;
}

function FilmFields({ film, errors, alone, usual, onChange }: FilmProps) {
  const set = (i: number, patch: Partial<LabFilm["mix"][number]>) =>
    onChange({ mix: withChange(film.mix, i, patch) });
  return (
    <Stack gap="3">
      <Box
        h="36px"
        borderRadius="slab"
        borderWidth="1px"
        borderColor="border.emphasized"
        style={{ background: alone }}
        role="img"
        aria-label="This butter by itself, thick"
      />
      {film.mix.map((part, i) => (
        <Box
          // biome-ignore lint/suspicious/noArrayIndexKey: a part is its place
          key={i}
          display="grid"
          gap="2"
        >
          <RecipeFields
            recipe={part.recipe}
            errors={errors}
            field={`mix[${i}].recipe`}
            strains={false}
            onChange={(recipe) => set(i, { recipe })}
          />
          {film.mix.length > 1 && (
            <NumberField
              label={`Spoons of butter ${i + 1}`}
              unit=""
              value={part.share}
              error={errors[`mix[${i}].share`]}
              onChange={(share) => set(i, { share })}
            />
          )}
        </Box>
      ))}
      {film.mix.length < 2 && usual[3] && (
        <Button
          variant="ghost"
          onClick={() =>
            usual[3] && onChange({ mix: [...film.mix, { recipe: recipeOf(usual[3]), share: 1 }] })
          }
        >
          <Plus aria-hidden /> Mix it with another butter
        </Button>
      )}
      <Box display="grid" gridTemplateColumns="minmax(0, 1fr) 96px" gap="2">
        <SelectField
          label="Applied by"
          value={film.way}
          choices={wayWords}
          onChange={(way) => onChange({ way })}
        />
        <CountField
          label={film.way === "spray" ? "Passes" : "Coats"}
          value={film.passes}
          error={errors.passes}
          onChange={(passes) => onChange({ passes })}
        />
      </Box>
    </Stack>
  );
}
