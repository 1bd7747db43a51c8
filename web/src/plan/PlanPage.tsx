import { Box, Button, Stack, VisuallyHidden } from "@chakra-ui/react";
import { useCallback, useMemo, useState } from "react";
import { useParams } from "react-router";
import type { BowlInputs, ComponentInputs, PigmentChoice, Plan, WholePlan } from "../api/client";
import { usePlan, useShelf } from "../api/queries";
import { Panel } from "../kit/Panel";
import { Failed, Loading, Standing } from "../kit/Standing";
import { useRested } from "../kit/useRested";
import { useSame } from "../kit/useSame";
import { useWider } from "../kit/useWider";
import { BowlChoice } from "./BowlChoice";
import { BowlPanels } from "./BowlPanels";
import { BoxesPlace } from "./boxes/BoxesPlace";
import { Clashes } from "./Clashes";
import { ComponentPanel } from "./ComponentPanel";
import { CostPlace } from "./CostPlace";
import { Days } from "./days/Days";
import { under, withBowl, withoutBowls } from "./edits";
import { Glance } from "./Glance";
import { HeatAsked } from "./HeatAsked";
import { InBrief } from "./InBrief";
import { KitchenFold } from "./KitchenFold";
import { NameField } from "./NameField";
import { bowlNames, isColour } from "./names";
import { PlanActions } from "./PlanActions";
import { PlanDeeds } from "./PlanDeeds";
import { PlanPlaces } from "./PlanPlaces";
import { ShoppingPlace } from "./ShoppingPlace";
import { StepsPlace } from "./StepsPlace";
import { isTrouble, savingWords } from "./saving";
import { usePlanDraft } from "./usePlanDraft";
import { WatchForPanel } from "./WatchForPanel";
import { WeighedPanel } from "./WeighedPanel";
import { AfterThePourPanel, DrawnWork } from "./WorkView";
import { kindOf } from "./work/kindsOfWork";

/** What stands where a plan cannot be worked out before it is mended. */
const nothing: WholePlan = {
  bowls: [],
  components: [],
  lines: [],
  notes: [],
  idle: [],
  goods: [],
  made_from: [],
  unused: [],
  watch_for: [],
  room: { dew_point_c: Number.NaN, notes: [], sum: [] },
  takes: { over_s: 0, hands_s: 0, sittings: 0 },
  allergens: { contains: [], may_contain: [], unread: [] },
};

export default function PlanPage() {
  const { planId = "", place } = useParams();
  const plan = usePlan(planId);
  const shelf = useShelf();
  if (plan.error && !plan.data)
    return <Failed what="plan" error={plan.error} retry={() => plan.refetch()} />;
  // The shelf names the bowls: without it the page would be drawn twice.
  // A draft begins from what the server has now, where it answers.
  const asks = plan.isFetching && !plan.isFetchedAfterMount;
  if (!plan.data || asks || shelf.isPending) return <Loading what="the plan" />;
  return <Drafted key={planId} kept={plan.data} place={place} />;
}

function Drafted({ kept, place }: { kept: Plan; place: string | undefined }) {
  const whole = usePlanDraft(kept);
  const { errors, saving, clashes, change, ask, say, save, saved, settle, undo } = whole;
  const draft = whole.draft.inputs;
  const plan = whole.plan ?? nothing;
  const [chosen, setChosen] = useState(0);
  const [chosenBowl, setChosenBowl] = useState<string>();
  const shelf = useShelf().data;
  const named = useSame([...bowlNames(draft.bowls, plan.bowls, shelf)]);
  const names = useMemo(() => new Map(named), [named]);
  // What pictures need of the bowls: they are large, and are not drawn for the rest.
  const drawnFrom = useSame(
    draft.bowls.map(({ key, family, blend, taken_from }) => ({
      key,
      family,
      blend: blend ?? null,
      taken_from: taken_from ?? null,
      looks: plan.bowls.find((one) => one.key === key)?.looks ?? null,
    })),
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
  const addColour = useCallback(
    (pigment: PigmentChoice, patch: (key: string) => Partial<BowlInputs>) =>
      ask({ edit: "add_colour", pigment }, ({ inputs, key }) =>
        bowlKey === undefined ? inputs : withBowl(inputs, bowlKey, patch(key)),
      ),
    [ask, bowlKey],
  );
  const choose = useCallback((next: number) => {
    setChosen(next);
    setChosenBowl(undefined);
  }, []);
  const colours = useMemo(
    () => draft.bowls.filter((bowl) => isColour(bowl, draft.bowls)).map(({ key }) => key),
    [draft.bowls],
  );
  // What stands beside the first figures follows once the hand rests.
  const later = useRested(plan);
  const planned = later.components.find(({ key }) => key === component?.key);
  const weighed = later.bowls.find(({ key }) => key === bowlKey);
  const lies = component && kindOf(component.work).lies;
  const faulty = Object.keys(errors).length > 0;
  // On a phone the figures come before the touches that begin.
  const laptop = useWider(62);
  const bowlName = draft.bowls.length > 1 && bowlKey !== undefined ? names.get(bowlKey) : undefined;
  const actions = (
    <PlanActions
      planId={kept.id}
      batches={kept.batches}
      chocolate={bowlPlan?.plan ? bowlKey : bowlPlan?.taken?.from}
      name={bowlPlan?.taken ? (names.get(bowlPlan.taken.from) ?? bowlName) : bowlName}
      busy={faulty || whole.awaited}
      saved={saved}
    />
  );
  const deeds = (
    <PlanDeeds
      kept={kept}
      name={whole.draft.name}
      note={whole.draft.note}
      stated={whole.stated}
      noteError={errors.note}
      say={say}
      save={save}
      undo={undo}
    />
  );
  const kitchen = (
    <KitchenFold
      room_c={draft.room_c}
      rh_pct={draft.rh_pct}
      fridge_c={draft.fridge_c}
      errors={errors}
      onChange={changeRoom}
    />
  );
  const inPlan = (
    <Box
      display="grid"
      gap="4"
      gridTemplateColumns={{ base: "minmax(0, 1fr)", lg: "380px minmax(0, 1fr)" }}
      alignItems="start"
    >
      <Box display="grid" gap="4" gridColumn={{ lg: "2" }} gridRow={{ lg: "1" }} minW="0">
        <Box display="grid" gap="4" minW="0" opacity={faulty ? 0.45 : 1} aria-busy={faulty}>
          <Glance
            plan={plan}
            names={names}
            chosen={bowlKey}
            onChoose={setChosenBowl}
            picture={component && <DrawnWork component={component} bowls={drawnFrom} plan={plan} />}
          />
          {!laptop && (
            <Box display="flex" gap="2" flexWrap="wrap">
              {actions}
            </Box>
          )}
          {draft.bowls.length > 0 && <HeatAsked onKnown={meltWith} />}
          {laptop && weighed && <WeighedPanel bowl={weighed} name={bowlName} onAdd={addReady} />}
          {laptop && lies && <AfterThePourPanel planned={planned} room={later.room} lies={lies} />}
        </Box>
        {laptop && (
          <Box
            display="grid"
            gap="2"
            gridTemplateColumns="repeat(2, minmax(0, 1fr))"
            alignItems="start"
          >
            {kitchen}
            {deeds}
          </Box>
        )}
      </Box>
      <Stack
        gap="2"
        gridRow={{ lg: "1" }}
        minW="0"
        data-testid="stated"
        aria-busy={whole.awaited}
        // Only where it takes long enough to be wondered at.
        transition="opacity 0.2s 0.5s"
        css={{ "&[aria-busy=true]": { opacity: 0.6, cursor: "progress" } }}
      >
        <WatchForPanel plan={plan} onChange={change} />
        <ComponentPanel
          draft={draft}
          plan={later}
          index={index}
          names={names}
          errors={componentErrors}
          onChoose={choose}
          onChange={change}
          onAsk={ask}
        />

        {bowl && draft.bowls.length > 1 && (
          <BowlChoice
            bowls={draft.bowls}
            names={names}
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
            name={names.get(bowl.key) ?? bowl.key}
            takenFrom={
              bowl.taken_from ? (names.get(bowl.taken_from) ?? bowl.taken_from) : undefined
            }
            onChange={changeBowl}
            onAddColour={addColour}
          />
        )}
        {!laptop && kitchen}
        {!laptop && weighed && (
          <WeighedPanel bowl={weighed} name={bowlName} onAdd={addReady} folded />
        )}
        {!laptop && lies && (
          <AfterThePourPanel planned={planned} room={later.room} lies={lies} folded />
        )}
        {!laptop && deeds}
      </Stack>
    </Box>
  );
  const places: Record<string, React.ReactNode> = {
    steps: (
      <StepsPlace
        components={draft.components}
        index={index}
        plan={plan}
        bowl={bowl}
        bowlName={bowlName}
        onChoose={choose}
      />
    ),
    schedule: (
      <Days
        planId={kept.id}
        version={kept.version}
        when={draft.when}
        errors={errors}
        onChange={change}
      />
    ),
    boxes: (
      <BoxesPlace planId={kept.id} draft={draft} plan={later} errors={errors} onChange={change} />
    ),
    shopping: <ShoppingPlace planId={kept.id} version={kept.version} plan={plan} names={names} />,
    cost: <CostPlace plan={plan} />,
  };
  return (
    <Box px={{ base: "3", md: "6" }} pb="8" maxW="1500px" width="full" mx="auto">
      <Box display="flex" alignItems="center" columnGap="4" rowGap="1" flexWrap="wrap">
        <VisuallyHidden asChild>
          <h1>{whole.draft.name}</h1>
        </VisuallyHidden>
        <NameField name={whole.draft.name} error={errors.name} onSay={say} />
        <Box
          role="status"
          data-testid="saving"
          fontSize="sm"
          color={isTrouble(saving) ? "stop" : "fg.muted"}
        >
          {savingWords[faulty ? "refused" : whole.awaited ? "saving" : saving]}
        </Box>
        {laptop && actions}
      </Box>
      <Box
        display="flex"
        flexWrap="wrap"
        justifyContent="space-between"
        columnGap="4"
        mb="3"
        bg="bg"
        _print={{ bg: "white" }}
        zIndex="docked"
        // Where the window is too low for it, it scrolls away.
        css={{ "@media (min-height: 600px)": { position: "sticky", top: 0 } }}
      >
        <PlanPlaces planId={kept.id} />
        <InBrief plan={plan} faulty={faulty} />
      </Box>
      <Clashes clashes={clashes} onSettle={settle} />
      {place === undefined
        ? inPlan
        : (places[place] ?? (
            <Standing title="Page not found">Pick a place of this plan above.</Standing>
          ))}
    </Box>
  );
}
