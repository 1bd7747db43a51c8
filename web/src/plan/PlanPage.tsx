import { Box, Button, Stack } from "@chakra-ui/react";
import { useMutation } from "@tanstack/react-query";
import { useNavigate, useParams } from "react-router";
import { api, type Batch, type BowlWithPlan } from "../api/client";
import { useBatch, useComponentOf } from "../api/queries";
import { accepted } from "../api/refusal";
import { Panel } from "../kit/Panel";
import { Failed, Loading } from "../kit/Standing";
import { BurstStrip } from "./BurstStrip";
import { MethodField } from "./MethodField";
import { NameField } from "./NameField";
import { PlanInputs } from "./PlanInputs";
import { RoomVerdict } from "./RoomVerdict";
import { SlabPicture } from "./SlabPicture";
import { type Saving, usePlanDraft } from "./usePlanDraft";
import { WeighOut } from "./WeighOut";

const savingWords: Record<Saving, string> = {
  saved: "Saved",
  saving: "Saving…",
  refused: "Not saved: mend the marked fields",
  offline: "Not saved: no connection, trying again",
  replaced: "Changed on another screen; this is the newer one",
};

export default function PlanPage() {
  const { batchId = "" } = useParams();
  const batch = useBatch(batchId);
  const component = useComponentOf(batch.data?.components[0]?.id);
  const failed = batch.error ?? component.error;
  if (failed) return <Failed what="plan" error={failed} retry={() => batch.refetch()} />;
  if (!batch.data || !component.data) return <Loading what="the plan" />;
  return <Plan key={component.data.id} batch={batch.data} kept={component.data} />;
}

interface Props {
  batch: Batch;
  kept: Parameters<typeof usePlanDraft>[0];
}

function Plan({ batch, kept }: Props) {
  const { draft, plan, errors, saving, change, save } = usePlanDraft(kept);
  const navigate = useNavigate();
  const open = useMutation({
    mutationFn: async (simulated: boolean) => {
      await save();
      return accepted<BowlWithPlan>(
        await api.POST("/api/v1/components/{id}/bowls", {
          params: { path: { id: kept.id } },
          body: { id: crypto.randomUUID(), simulated },
        }),
      );
    },
    onSuccess: ({ bowl }) => navigate(`/bench/${bowl.id}`),
  });
  const faulty = Object.keys(errors).length > 0;
  return (
    <Box px={{ base: "3", md: "6" }} pb="8" maxW="1500px" width="full" mx="auto">
      <Box display="flex" alignItems="center" gap="5" mb="3" flexWrap="wrap">
        <NameField batch={batch} />
        <Box
          role="status"
          data-testid="saving"
          fontSize="sm"
          color={saving === "saved" || saving === "saving" ? "fg.muted" : "stop"}
        >
          {faulty ? savingWords.refused : savingWords[saving]}
        </Box>
        <Button
          size="lg"
          h="56px"
          px="6"
          bg="ink"
          color="onInk"
          disabled={faulty || open.isPending}
          onClick={() => open.mutate(false)}
        >
          Take it to the bench
        </Button>
      </Box>
      {open.error && (
        <Box role="alert" color="stop" mb="3">
          The bowl could not be opened: {open.error.message}
        </Box>
      )}
      <Box
        display="grid"
        gap="4"
        gridTemplateColumns={{ base: "1fr", lg: "370px minmax(0, 1fr)" }}
        alignItems="start"
      >
        <Stack gap="4">
          <PlanInputs
            draft={draft}
            windows={plan.windows}
            melted_c={plan.amounts.melted_c}
            target_c={plan.amounts.target_c}
            errors={errors}
            onChange={change}
          />
          <MethodField
            method={draft.method}
            kitchen={draft.kitchen}
            stone_c={draft.stone_c}
            crystals_pct={draft.crystals_pct}
            room_c={draft.room_c}
            plan={plan}
            errors={errors}
            onChange={change}
          />
        </Stack>
        <Box
          display="grid"
          gap="4"
          gridTemplateColumns={{ base: "1fr", xl: "minmax(0, 1.6fr) minmax(260px, 1fr)" }}
          // The figures stay in sight while what is stated is scrolled through.
          position={{ lg: "sticky" }}
          top="3"
          opacity={faulty ? 0.45 : 1}
          aria-busy={faulty}
        >
          <Panel title="What it takes" gridColumn={{ xl: "1 / -1" }}>
            <WeighOut plan={plan} mixedIn={draft.mixed_in?.name} onTop={draft.topping?.name} />
          </Panel>
          <Panel title="The slab">
            <SlabPicture
              tray={draft.tray}
              thickness={draft.thickness_mm}
              family={plan.windows.family}
              topping={draft.topping}
              count={plan.topping?.count}
            />
          </Panel>
          <Panel title="The room">
            <RoomVerdict room={plan.room} setting={plan.setting} fridge={plan.fridge} />
          </Panel>
          <Panel title="The melt" gridColumn={{ xl: "1 / -1" }}>
            <BurstStrip melt={plan.microwave} heat_id={draft.heat_id} />
          </Panel>
        </Box>
      </Box>
    </Box>
  );
}
