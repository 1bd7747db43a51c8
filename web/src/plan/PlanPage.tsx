import { Box, Button, Stack } from "@chakra-ui/react";
import { useCallback, useMemo, useState } from "react";
import { useParams } from "react-router";
import type { BowlInputs, ComponentInputs, Plan, WholePlan } from "../api/client";
import { usePlan, useShelf } from "../api/queries";
import { Notes } from "../kit/Notes";
import { Panel } from "../kit/Panel";
import { Failed, Loading } from "../kit/Standing";
import { TextField } from "../kit/TextField";
import { useSame } from "../kit/useSame";
import { AllItTakes } from "./AllItTakes";
import { BowlChoice } from "./BowlChoice";
import { BowlPanels } from "./BowlPanels";
import { Clashes } from "./Clashes";
import { ColourWeighOut } from "./ColourWeighOut";
import { ComponentPanel } from "./ComponentPanel";
import { Days } from "./Days";
import { under, withBowl, withoutBowls } from "./edits";
import { HeatAsked } from "./HeatAsked";
import { LeftOver } from "./LeftOver";
import { NameField } from "./NameField";
import { bowlNames } from "./names";
import { PlanActions } from "./PlanActions";
import { PlanDeeds } from "./PlanDeeds";
import { RoomFields } from "./RoomFields";
import { type Saving, usePlanDraft } from "./usePlanDraft";
import { WeighOut } from "./WeighOut";
import { WorkView } from "./WorkView";

const savingWords: Record<Saving, string> = {
  saved: "Saved",
  saving: "Saving…",
  refused: "Not saved: mend the marked fields",
  offline: "Not saved: no connection, trying again",
  merged: "Saved, with what another screen changed",
  clash: "Not saved: changed on another screen too",
};

/** What stands where a plan cannot be worked out before it is mended. */
const nothing: WholePlan = {
  bowls: [],
  components: [],
  lines: [],
  notes: [],
  idle: [],
  made_from: [],
  unused: [],
  room: { dew_point_c: Number.NaN, notes: [], sum: [] },
};

export default function PlanPage() {
  const { planId = "" } = useParams();
  const plan = usePlan(planId);
  if (plan.error) return <Failed what="plan" error={plan.error} retry={() => plan.refetch()} />;
  if (!plan.data) return <Loading what="the plan" />;
  return <Drafted key={planId} kept={plan.data} />;
}

function Drafted({ kept }: { kept: Plan }) {
  const whole = usePlanDraft(kept);
  const { errors, saving, clashes, change, ask, say, save, settle, undo } = whole;
  const draft = whole.draft.inputs;
  const plan = whole.plan ?? nothing;
  const [chosen, setChosen] = useState(0);
  const [chosenBowl, setChosenBowl] = useState<string>();
  const shelf = useShelf().data;
  const named = useSame([...bowlNames(draft.bowls, shelf)]);
  const names = useMemo(() => new Map(named), [named]);
  // What pictures need of the bowls: they are large, and are not drawn for the rest.
  const drawnFrom = useSame(
    draft.bowls.map(({ key, family, blend }) => ({ key, family, blend: blend ?? null })),
  );
  const index = Math.min(chosen, draft.components.length - 1);
  const component = draft.components[index];
  const own = plan.made_from.find((of) => of.component === component?.key)?.chocolates ?? [];
  // The chocolate that was picked, or the one of the work at hand.
  const bowlKey = [chosenBowl, own[0], draft.bowls[0]?.key].find((key) =>
    draft.bowls.some((bowl) => bowl.key === key),
  );
  const bowlIndex = draft.bowls.findIndex(({ key }) => key === bowlKey);
  const bowl = draft.bowls[bowlIndex];
  const bowlPlan = plan.bowls.find(({ key }) => key === bowlKey);
  const componentErrors = useMemo(() => under(errors, `components[${index}]`), [errors, index]);
  const bowlErrors = useMemo(() => under(errors, `bowls[${bowlIndex}]`), [errors, bowlIndex]);
  const changeBowl = useCallback(
    (patch: Partial<BowlInputs>) => {
      if (bowlKey !== undefined) change((inputs) => withBowl(inputs, bowlKey, patch));
    },
    [bowlKey, change],
  );
  const changeRoom = useCallback(
    (patch: object) => change((inputs) => ({ ...inputs, ...patch })),
    [change],
  );
  const meltWith = useCallback(
    (heat_id: string) =>
      change((inputs) => ({
        ...inputs,
        bowls: inputs.bowls.map((bowl) => ({ ...bowl, heat_id, microwave: null })),
      })),
    [change],
  );
  const addReady = useCallback(
    async (component: ComponentInputs) => {
      await ask({ edit: "add_ready", component });
      setChosen(Number.MAX_SAFE_INTEGER);
    },
    [ask],
  );
  const choose = useCallback((next: number) => {
    setChosen(next);
    setChosenBowl(undefined);
  }, []);
  const looks = useMemo(
    () =>
      new Map(
        plan.bowls.flatMap(({ key, plan: of }) => (of?.colour ? [[key, of.colour.looks]] : [])),
      ),
    [plan.bowls],
  );
  const colours = useMemo(
    () => draft.bowls.filter(({ colour }) => colour).map(({ key }) => key),
    [draft.bowls],
  );
  const faulty = Object.keys(errors).length > 0;
  return (
    <Box px={{ base: "3", md: "6" }} pb="8" maxW="1500px" width="full" mx="auto">
      <Box display="flex" alignItems="center" gap="4" mb="3" flexWrap="wrap">
        <NameField name={whole.draft.name} error={errors.name} onSay={say} />
        <Box
          role="status"
          data-testid="saving"
          fontSize="sm"
          color={
            saving === "refused" || saving === "offline" || saving === "clash" ? "stop" : "fg.muted"
          }
        >
          {faulty ? savingWords.refused : savingWords[saving]}
        </Box>
        <PlanActions
          planId={kept.id}
          batches={kept.batches}
          chocolate={bowlPlan?.plan ? bowlKey : undefined}
          name={draft.bowls.length > 1 && bowlKey !== undefined ? names.get(bowlKey) : undefined}
          faulty={faulty}
          save={save}
        />
      </Box>
      <Clashes clashes={clashes} onSettle={settle} />
      <Box
        display="grid"
        gap="4"
        gridTemplateColumns={{ base: "minmax(0, 1fr)", lg: "380px minmax(0, 1fr)" }}
        alignItems="start"
      >
        <Stack gap="4">
          <ComponentPanel
            draft={draft}
            plan={plan}
            index={index}
            names={names}
            errors={componentErrors}
            onChoose={choose}
            onChange={change}
            onAsk={ask}
          />
          <Panel title="Where you make it">
            <RoomFields
              room_c={draft.room_c}
              rh_pct={draft.rh_pct}
              fridge_c={draft.fridge_c}
              errors={errors}
              onChange={changeRoom}
            />
          </Panel>
          {bowl && draft.bowls.length > 1 && (
            <BowlChoice
              bowls={draft.bowls}
              names={names}
              looks={looks}
              chosen={bowl.key}
              onChoose={setChosenBowl}
            />
          )}
          {bowl && plan.unused.includes(bowl.key) && (
            <Panel title="Not used">
              <Box>Nothing is made from it now. What you stated of it is kept.</Box>
              <Button
                variant="outline"
                borderColor="border.emphasized"
                minH="44px"
                mt="3"
                onClick={() => change((inputs) => withoutBowls(inputs, [bowl.key]))}
              >
                Take it out of the plan
              </Button>
            </Panel>
          )}
          {bowl && (
            <BowlPanels
              bowl={bowl}
              plan={bowlPlan?.plan ?? undefined}
              room_c={draft.room_c}
              colours={colours}
              errors={bowlErrors}
              onChange={changeBowl}
            />
          )}
          <Panel title="Remarks">
            <TextField
              label="For whoever makes it"
              kind="lines"
              value={whole.draft.note}
              error={errors.note}
              onChange={(note) => say({ note })}
            />
          </Panel>
          <PlanDeeds kept={kept} draft={whole.draft} save={save} undo={undo} />
        </Stack>
        <Box
          display="grid"
          gap="4"
          gridTemplateColumns={{
            base: "minmax(0, 1fr)",
            xl: "minmax(0, 1.6fr) minmax(260px, 1fr)",
          }}
          opacity={faulty ? 0.45 : 1}
          aria-busy={faulty}
        >
          {draft.bowls.length > 0 && <HeatAsked onKnown={meltWith} />}
          <Panel title="What it takes" gridColumn={{ xl: "1 / -1" }}>
            {(plan.bowls.length > 1 || plan.components.some(({ goods }) => goods.length > 0)) && (
              <AllItTakes plan={plan} names={names} chosen={bowlKey} onChoose={setChosenBowl} />
            )}
            {bowlPlan?.plan?.colour && (
              <ColourWeighOut
                colour={bowlPlan.plan.colour}
                bought={bowlPlan.plan.colour.melted_g == null}
              />
            )}
            {bowlPlan?.plan && <WeighOut plan={bowlPlan.plan} />}
            {bowlPlan && <Notes notes={bowlPlan.notes} />}
            {bowlPlan?.left_over && <LeftOver left={bowlPlan.left_over} onAdd={addReady} />}
            <Notes notes={plan.notes} />
          </Panel>
          <Days planId={kept.id} version={kept.version} />
          {component && (
            <WorkView
              planId={kept.id}
              component={component}
              bowls={drawnFrom}
              plan={plan}
              meltOf={bowlKey}
              meltTitle={
                draft.bowls.length > 1 && bowlKey !== undefined
                  ? `The melt: ${names.get(bowlKey)}`
                  : "The melt"
              }
              heat_id={bowl?.heat_id}
            />
          )}
        </Box>
      </Box>
    </Box>
  );
}
