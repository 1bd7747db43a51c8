import { Button, Stack } from "@chakra-ui/react";
import { keepPreviousData, useQuery } from "@tanstack/react-query";
import { FlaskConical } from "lucide-react";
import { useState } from "react";
import { api, type BottledAmount, type ColourPlan, type RecipeInputs } from "../api/client";
import { useShelf } from "../api/queries";
import { accepted, Refusal } from "../api/refusal";
import { Fault } from "../kit/Fault";
import { Panel } from "../kit/Panel";
import { SelectField } from "../kit/SelectField";
import { ColourWeighOut } from "../plan/ColourWeighOut";
import { useNewPlan } from "../plan/useNewPlan";
import { AmountOfColour, gramsOf } from "../plan/work/AmountOfColour";
import type { LabFilm } from "./useLook";

/** The room of a kitchen that is not known yet, °C and % humid. */
const ROOM = { room_c: 20, rh_pct: 50 };

interface Props {
  /** As they were chosen, with pigments by their place on the shelf. */
  films: LabFilm[];
  /** The same with the pigments themselves. */
  filled: LabFilm[];
  /** A colour in a word or two. */
  nameOf: (recipe: RecipeInputs) => string;
}

/** A colour of the lab by weight, and on to a plan. */
export function WeighColour({ films, filled, nameOf }: Props) {
  const [which, setWhich] = useState(0);
  const [amount, setAmount] = useState<BottledAmount>({ by: "total", total_g: 60 });
  const at = Math.min(which, films.length - 1);
  const [film, of] = [films[at], filled[at]];
  const kitchen = useShelf().data?.kitchen?.thing;
  const plan = useNewPlan();
  if (!film || !of) return null;
  const shares = of.mix.reduce((sum, { share }) => sum + share, 0) || 1;
  /** Each butter's part; of a mix only the whole can be known. */
  const partOf = (share: number): BottledAmount =>
    of.mix.length > 1 ? { by: "total", total_g: (gramsOf(amount) * share) / shares } : amount;
  const keep = () => {
    const colours = film.mix.map(({ recipe, share }, i) => ({
      key: film.mix.length > 1 ? `${nameOf(recipe)} ${i + 1}` : nameOf(recipe),
      recipe,
      amount: partOf(share),
    }));
    plan.mutate({
      name: "Coloured cocoa butter",
      inputs: {
        room_c: kitchen?.room_c ?? ROOM.room_c,
        rh_pct: kitchen?.rh_pct ?? ROOM.rh_pct,
        fridge_c: kitchen?.fridge_c ?? null,
        bowls: colours.map(({ key, recipe }) => ({ key, family: "cocoa_butter", colour: recipe })),
        components: colours.map(({ key, amount }, i) => ({
          key: `bottle-${i + 1}`,
          name: `A bottle of ${key}`,
          work: { kind: "bottled", colour: key, amount },
        })),
      },
    });
  };
  return (
    <Panel title="Weigh it out">
      <Stack gap="4">
        {films.length > 1 && (
          <SelectField
            label="Which butter"
            value={String(at)}
            choices={filled.map(({ mix }, i) => ({
              value: String(i),
              label: `${i + 1}: ${mix.map(({ recipe }) => nameOf(recipe)).join(" with ")}`,
            }))}
            onChange={(next) => setWhich(Number(next))}
          />
        )}
        {film.mix.map(({ share }, i) => (
          <Part
            // biome-ignore lint/suspicious/noArrayIndexKey: a part is its place
            key={i}
            recipe={of.mix[i]?.recipe}
            amount={partOf(share)}
            only={of.mix.length === 1}
            whole={amount}
            onChange={setAmount}
            first={i === 0}
          />
        ))}
        {plan.error && <Fault>{plan.error.message}</Fault>}
        <Button
          variant="outline"
          borderColor="border.emphasized"
          alignSelf="start"
          loading={plan.isPending}
          onClick={keep}
        >
          <FlaskConical aria-hidden /> Make it: a plan for the bottle
        </Button>
      </Stack>
    </Panel>
  );
}

interface PartProps {
  recipe: RecipeInputs | undefined;
  amount: BottledAmount;
  /** Whether it is the only butter, so that what is in hand may be known. */
  only: boolean;
  whole: BottledAmount;
  first: boolean;
  onChange: (amount: BottledAmount) => void;
}

function Part({ recipe, amount, only, whole, first, onChange }: PartProps) {
  const asked = useQuery({
    queryKey: ["colour-recipe", recipe, amount],
    enabled: recipe !== undefined,
    staleTime: Number.POSITIVE_INFINITY,
    placeholderData: keepPreviousData,
    retry: false,
    queryFn: async () =>
      accepted<ColourPlan>(
        await api.POST("/api/v1/calc/colour-recipe", {
          body: { recipe: recipe ?? { pigments: [] }, amount },
        }),
      ),
  });
  const errors: Record<string, string> = asked.error instanceof Refusal ? asked.error.fields : {};
  const shown: BottledAmount = only ? whole : { by: "total", total_g: gramsOf(whole) };
  return (
    <>
      {first && <AmountOfColour amount={shown} errors={errors} onChange={onChange} />}
      {asked.data && <ColourWeighOut colour={{ ...asked.data, notes: [] }} />}
    </>
  );
}
