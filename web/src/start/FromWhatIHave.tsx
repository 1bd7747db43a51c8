import { Box, Button } from "@chakra-ui/react";
import { keepPreviousData, useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { api, type HaveInputs, type ProposalAnswer } from "../api/client";
import { useShelf } from "../api/queries";
import { accepted, Refusal } from "../api/refusal";
import { Fault } from "../kit/Fault";
import { inWords } from "../kit/message";
import { Notes } from "../kit/Notes";
import { NumberField } from "../kit/NumberField";
import { SelectField } from "../kit/SelectField";
import { Loading } from "../kit/Standing";
import { mouldWords } from "../plan/MouldMeasures";
import { TrayField } from "../plan/TrayField";
import { takesWords } from "../plan/takesWords";
import { useNewPlan } from "../plan/useNewPlan";
import { WorkPicture } from "../plan/WorkPicture";
import { families, familyNames } from "../theme/chocolate";

type Shape = "tray" | "mould" | "none";

const usual: HaveInputs = {
  family: "dark",
  in_hand_g: 400,
  tray: { shape: "rectangle", length_mm: 300, width_mm: 200 },
};
/** Half balls, as most moulds are. */
const usualMould: NonNullable<HaveInputs["mould"]> = {
  cavity: { shape: "hemisphere", diameter_mm: 30 },
  count: 24,
};

/** What can be made of one chocolate: so many grams, in a tray or a mould. */
export function FromWhatIHave() {
  const shelf = useShelf().data;
  const [have, setHave] = useState(usual);
  const set = (patch: Partial<HaveInputs>) => setHave((before) => ({ ...before, ...patch }));
  const proposals = useQuery({
    queryKey: ["proposals", have],
    placeholderData: keepPreviousData,
    retry: false,
    queryFn: async () =>
      accepted<ProposalAnswer[]>(await api.POST("/api/v1/calc/proposals", { body: have })),
  });
  const errors = proposals.error instanceof Refusal ? proposals.error.fields : {};
  const chocolates = shelf?.chocolates ?? [];
  const moulds = shelf?.moulds ?? [];
  const shape: Shape = have.tray ? "tray" : have.mould || have.mould_id ? "mould" : "none";
  const into = (next: Shape) =>
    set({
      tray: next === "tray" ? (usual.tray ?? null) : null,
      mould: next === "mould" ? usualMould : null,
      mould_id: null,
    });
  return (
    <Box>
      <Box
        display="grid"
        gap="3"
        gridTemplateColumns={{ base: "minmax(0, 1fr)", md: "1.2fr 160px 180px minmax(0, 1.6fr)" }}
        alignItems="start"
        bg="bg.panel"
        borderRadius="slab"
        p="4"
      >
        <SelectField
          label="Chocolate"
          value={have.chocolate_id ?? have.family}
          choices={[
            ...chocolates.map(({ id, thing }) => ({ value: id, label: thing.name })),
            ...families
              .filter((family) => family !== "cocoa_butter")
              .map((family) => ({ value: family as string, label: familyNames[family] })),
          ]}
          error={errors.chocolate_id}
          onChange={(value) => {
            const saved = chocolates.find(({ id }) => id === value);
            const family = families.find((one) => one === value);
            set({
              chocolate_id: saved?.id ?? null,
              family: saved?.thing.family ?? family ?? have.family,
            });
          }}
        />
        <NumberField
          label="I have"
          unit="g"
          ingredient="chips"
          value={have.in_hand_g}
          error={errors.in_hand_g}
          onChange={(in_hand_g) => set({ in_hand_g })}
        />
        <SelectField
          label="It goes into"
          value={shape}
          choices={{ tray: "a tray", mould: "a mould", none: "neither" }}
          onChange={into}
        />
        {have.tray && (
          <TrayField tray={have.tray} errors={errors} onChange={(tray) => set({ tray })} />
        )}
        {shape === "mould" && (
          <SelectField
            label="Mould"
            value={have.mould_id ?? ""}
            choices={[
              { value: "", label: mouldWords(usualMould) },
              ...moulds.map(({ id, thing }) => ({
                value: id,
                label: `${thing.name}: ${mouldWords(thing.mould)}`,
              })),
            ]}
            error={errors.mould_id}
            onChange={(id) => set({ mould_id: id || null, mould: id ? null : usualMould })}
          />
        )}
      </Box>
      {proposals.error && Object.keys(errors).length === 0 && (
        <Fault mt="3">{proposals.error.message}</Fault>
      )}
      {!proposals.data && !proposals.error && <Loading what="what can be made" />}
      <Box
        mt="4"
        display="grid"
        gap="3"
        gridTemplateColumns="repeat(auto-fill, minmax(min(100%, 340px), 1fr))"
        opacity={proposals.error ? 0.45 : 1}
      >
        {proposals.data?.map((proposal) => (
          <ProposalCard key={proposal.text.text} proposal={proposal} />
        ))}
      </Box>
    </Box>
  );
}

/** One proposal, drawn to scale; a touch makes it a plan. */
function ProposalCard({ proposal }: { proposal: ProposalAnswer }) {
  const { text, inputs, plan } = proposal;
  const begin = useNewPlan();
  const [component] = inputs.components;
  const [planned] = plan.components;
  if (!component || !planned) return null;
  const name = inWords(text);
  return (
    <Box
      as="article"
      aria-label={name}
      bg="bg.panel"
      borderRadius="slab"
      p="4"
      display="flex"
      flexDirection="column"
      gap="2"
      data-testid="proposal"
    >
      <Box textStyle="title" fontSize="lg">
        {name}
      </Box>
      <Box css={{ "& svg": { maxHeight: "180px" } }}>
        <WorkPicture work={component.work} plan={planned} bowls={inputs.bowls} />
      </Box>
      <Box fontSize="sm">{takesWords(plan.takes).whole}.</Box>
      {plan.in_the_way && <Notes notes={[plan.in_the_way.note]} />}
      <Button
        mt="auto"
        minH="52px"
        bg="ink"
        color="onInk"
        disabled={begin.isPending}
        onClick={() => begin.mutate({ name, inputs })}
      >
        Plan this
      </Button>
      {begin.error && <Fault>That plan was not made: {begin.error.message}</Fault>}
    </Box>
  );
}
