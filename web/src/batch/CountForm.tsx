import { Box, Button } from "@chakra-ui/react";
import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { api, type Batch, type CountAnswer } from "../api/client";
import { keys } from "../api/queries";
import { accepted, Refusal } from "../api/refusal";
import { Fault } from "../kit/Fault";
import { mass } from "../kit/format";
import { UnitField } from "../kit/UnitField";
import { packedWords } from "../labels/packedWords";

interface Counted {
  component: string;
  whole: number;
  broken: number;
  given_away: number;
}

const counts = { whole: "Whole", broken: "Broken", given_away: "Given away" } as const;

/** What is counted of a batch: what lies in boxes, or else all that goes by the piece. */
function toCount(batch: Batch) {
  const components = batch.plan?.components ?? [];
  const packed = batch.plan?.packing?.kinds;
  if (packed) {
    return packed.map(({ component, name, by_the_piece, makes }) => ({
      component,
      name,
      by_the_piece,
      makes: Math.floor(makes),
    }));
  }
  return components.flatMap(({ key, name, pieces }) =>
    pieces ? [{ component: key, name, by_the_piece: true, makes: Math.floor(pieces.count) }] : [],
  );
}

/** Counts what came out: what is whole, and what broke. */
export function CountForm({ batch }: { batch: Batch }) {
  const things = toCount(batch);
  const kept = batch.counted?.made;
  const [made, setMade] = useState<Counted[]>(() =>
    things.map(({ component, makes }) => {
      const before = kept?.find((one) => one.component === component);
      return {
        component,
        whole: before?.whole ?? makes,
        broken: before?.broken ?? 0,
        given_away: before?.given_away ?? 0,
      };
    }),
  );
  const queries = useQueryClient();
  const save = useMutation({
    mutationFn: async () =>
      accepted<CountAnswer>(
        await api.POST("/api/v1/batches/{id}/counts", {
          params: { path: { id: batch.id } },
          body: { id: crypto.randomUUID(), made },
        }),
      ),
    onSuccess: () => {
      queries.invalidateQueries({ queryKey: keys.batch(batch.id) });
      queries.invalidateQueries({ queryKey: keys.plans });
    },
  });
  if (things.length === 0) return null;
  const errors = save.error instanceof Refusal ? save.error.fields : {};
  const set = (i: number, patch: Partial<Counted>) =>
    setMade(made.map((one, j) => (j === i ? { ...one, ...patch } : one)));
  return (
    <Box display="grid" gap="2" data-testid="count-form">
      {things.map(({ component, name, by_the_piece }, i) => (
        <Box
          key={component}
          role="group"
          aria-label={name}
          display="grid"
          gap="2"
          gridTemplateColumns={{ base: "1fr 1fr 1fr", md: "minmax(0, 240px) repeat(3, 120px)" }}
          alignItems="end"
        >
          <Box
            fontWeight="600"
            gridColumn={{ base: "span 3", md: "auto" }}
            alignSelf={{ md: "center" }}
            minW="0"
          >
            {name}
          </Box>
          {(Object.keys(counts) as (keyof typeof counts)[]).map((of) => (
            <UnitField
              key={of}
              label={counts[of]}
              unit={by_the_piece ? "" : "g"}
              value={made[i]?.[of]}
              error={errors[`made[${i}].${of}`]}
              onChange={(value) => value !== null && set(i, { [of]: value })}
            />
          ))}
        </Box>
      ))}
      {save.error && Object.keys(errors).length === 0 && (
        <Fault>Not saved: {save.error.message}</Fault>
      )}
      <Button
        h="52px"
        size="lg"
        variant="outline"
        borderColor="border.emphasized"
        justifySelf="start"
        disabled={save.isPending}
        onClick={() => save.mutate()}
      >
        Save the count
      </Button>
      {batch.counted && <Counts batch={batch} counted={batch.counted} />}
    </Box>
  );
}

/** What a count comes to: how many it fills, and what is left then. */
function Counts({ batch, counted }: { batch: Batch; counted: CountAnswer }) {
  const packing = batch.plan?.packing;
  const things = toCount(batch);
  const left = counted.made.flatMap(({ component, left: amount }) => {
    const thing = things.find((one) => one.component === component);
    if (!thing || amount <= 0) return [];
    return [`${thing.by_the_piece ? amount : mass(amount)} of ${thing.name}`];
  });
  const first = things.find(({ component }) => component === counted.scarcest)?.name;
  return (
    <Box data-testid="counted">
      {packing && counted.fills != null && (
        <Box fontWeight="640" fontSize="lg">
          {counted.fills >= packing.count
            ? `That fills all ${packing.count} ${packing.of}.`
            : `That fills ${counted.fills} of ${packing.count} ${packing.of}: ${first} runs out first.`}
        </Box>
      )}
      {left.length > 0 && (
        <Box>
          Left over: {left.join(", ")}
          {(counted.fills_more ?? 0) > 0 && packing
            ? `; that fills ${counted.fills_more} more ${counted.fills_more === 1 ? packedWords[packing.of].one : packing.of}.`
            : "."}
        </Box>
      )}
    </Box>
  );
}
