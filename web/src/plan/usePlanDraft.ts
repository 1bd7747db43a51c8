import { replaceEqualDeep, useQueryClient } from "@tanstack/react-query";
import { useCallback, useEffect, useRef, useState } from "react";
import { api, type BatchInputs, type BatchPlan, type PlanOfBatch } from "../api/client";
import { keys } from "../api/queries";
import { accepted, Refusal } from "../api/refusal";
import { tidy } from "./edits";

/** How long after the last change it is saved. */
const SAVE_AFTER_MS = 400;
const TRY_AGAIN_MS = 2_000;
/** What a page that is left may still send, with some to spare. */
const MOST_KEPT_ALIVE = 60_000;

const none: Record<string, string> = {};

/** A change to what is stated. */
export type Edit = (inputs: BatchInputs) => BatchInputs;

export type Saving = "saved" | "saving" | "refused" | "offline" | "replaced";

/**
 * A plan under the maker's hands: every change is worked out at once by the
 * server, and saved a moment after the last one. What the server refuses stays
 * on screen with the reason beside its field, and is not saved.
 */
export function usePlanDraft(kept: PlanOfBatch) {
  const [draft, setDraft] = useState(kept.inputs);
  const [plan, setPlan] = useState(kept.plan);
  const [errors, setErrors] = useState<Record<string, string>>(none);
  const [saving, setSaving] = useState<Saving>("saved");
  const version = useRef(kept.version);
  const latest = useRef(kept.inputs);
  const unsaved = useRef(false);
  const asking = useRef(false);
  const asked = useRef(kept.inputs);
  const timer = useRef<ReturnType<typeof setTimeout>>(undefined);
  const running = useRef<Promise<void>>(undefined);
  const queries = useQueryClient();

  /** Asks at once, one question at a time; what changed meanwhile is asked next. */
  const work = useCallback(async () => {
    if (asking.current) return;
    asking.current = true;
    while (asked.current !== latest.current) {
      asked.current = latest.current;
      try {
        const answer = await api.POST("/api/v1/calc/batch", { body: asked.current });
        const fresh = accepted<BatchPlan>(answer);
        // What did not change stays the same object, so that it is not drawn anew.
        setPlan((before) => replaceEqualDeep(before, fresh));
        setErrors(none);
      } catch (error) {
        if (error instanceof Refusal) setErrors(error.fields);
        // Else offline, which saving will tell.
      }
    }
    asking.current = false;
  }, []);

  /** Saves what is not saved yet; one save at a time, each from the version before. */
  const flush = useCallback(async () => {
    while (unsaved.current) {
      unsaved.current = false;
      const sent = latest.current;
      setSaving("saving");
      try {
        const answer = await api.PUT("/api/v1/batches/{id}/plan", {
          params: { path: { id: kept.batch_id }, header: { "If-Match": `"${version.current}"` } },
          body: sent,
          // So that the last change is sent even as the page is left; browsers refuse that
          // for a body as large as a drawing may be.
          keepalive: JSON.stringify(sent).length < MOST_KEPT_ALIVE,
        });
        const saved = accepted<PlanOfBatch>(answer);
        version.current = saved.version;
        queries.setQueryData(keys.plan(kept.batch_id), saved);
        queries.invalidateQueries({ queryKey: keys.batches, exact: true });
        setSaving(unsaved.current ? "saving" : "saved");
      } catch (error) {
        if (!(error instanceof Refusal) || error.status >= 500) {
          unsaved.current = true;
          setSaving("offline");
          return;
        }
        if (error.status !== 412) {
          // What was refused may have been mended meanwhile: then that is sent.
          if (sent !== latest.current) continue;
          setErrors(error.fields);
          setSaving("refused");
          return;
        }
        const fresh = accepted<PlanOfBatch>(
          await api.GET("/api/v1/batches/{id}/plan", { params: { path: { id: kept.batch_id } } }),
        );
        version.current = fresh.version;
        latest.current = fresh.inputs;
        asked.current = fresh.inputs;
        unsaved.current = false;
        setDraft(fresh.inputs);
        setPlan(fresh.plan);
        setErrors(none);
        setSaving("replaced");
        queries.setQueryData(keys.plan(kept.batch_id), fresh);
      }
    }
  }, [kept.batch_id, queries]);

  const save = useCallback(async () => {
    clearTimeout(timer.current);
    running.current ??= flush().finally(() => {
      running.current = undefined;
    });
    await running.current;
    if (unsaved.current) timer.current = setTimeout(save, TRY_AGAIN_MS);
  }, [flush]);

  const change = useCallback(
    (edit: Edit) => {
      latest.current = tidy(edit(latest.current));
      unsaved.current = true;
      setSaving("saving");
      setDraft(latest.current);
      void work();
      clearTimeout(timer.current);
      timer.current = setTimeout(save, SAVE_AFTER_MS);
    },
    [work, save],
  );

  // Leaving, by a link or for good, saves what is not saved yet.
  useEffect(() => {
    const leave = () => void save();
    window.addEventListener("pagehide", leave);
    return () => {
      window.removeEventListener("pagehide", leave);
      leave();
    };
  }, [save]);

  return { draft, plan, errors, saving, change, save };
}

export type PlanDraft = ReturnType<typeof usePlanDraft>;
