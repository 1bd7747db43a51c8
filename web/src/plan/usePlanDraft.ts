import { replaceEqualDeep, useQueryClient } from "@tanstack/react-query";
import { useCallback, useEffect, useRef, useState } from "react";
import {
  api,
  type Clash,
  type Edited,
  type Plan,
  type PlanEdit,
  type PlanInputs,
  type WholePlan,
} from "../api/client";
import { keys } from "../api/queries";
import { accepted, Refusal, wrong } from "../api/refusal";
import { isDragged } from "../kit/dragged";
import { settled } from "./clashes";
import { withoutBowls } from "./edits";
import { isTrouble, type Saving, savingWords } from "./saving";
import { isSaved, keepUnsaved, savePlan, type Text, takeUp } from "./unsaved";

/** How long after the last change it is saved. */
const SAVE_AFTER_MS = 400;
/** Shorter than a slider that was let go waits for what stands. */
const DRAWN_AFTER_MS = 200;
const TRY_AGAIN_MS = 2_000;
/** What a page that is left may still send, with some to spare. */
const MOST_KEPT_ALIVE = 60_000;

const none: Record<string, string> = {};

/** A change to what is stated. */
export type Edit = (inputs: PlanInputs) => PlanInputs;

/** Has the server do an edit that touches several places, then goes on from there. */
export type Ask = (edit: PlanEdit, then?: (edited: Edited) => PlanInputs) => Promise<void>;

function textOf({ name, note, inputs }: Plan): Text {
  return { name, note, inputs };
}

/** The faults of what was kept, by their fields, without the part that holds them all. */
function byField(faults: Plan["faults"]): Record<string, string> {
  return unprefixed(Object.fromEntries(faults.map((fault) => [fault.field, wrong(fault)])));
}

function unprefixed(fields: Record<string, string>): Record<string, string> {
  return Object.fromEntries(
    Object.entries(fields).map(([field, message]) => [field.replace(/^inputs\./, ""), message]),
  );
}

/**
 * What was typed since `sent` went out comes on top of what others changed meanwhile. A field
 * that was sent and then typed anew is no clash: it was mine before.
 */
async function typedMeanwhile(
  sent: Text,
  theirs: Text,
  latest: { current: Text },
  show: (text: Text) => void,
): Promise<void> {
  let mine: Text;
  let both: Text;
  do {
    mine = latest.current;
    both = accepted<Text>(
      await api.POST("/api/v1/calc/plan/merge", { body: { base: sent, mine, theirs } }),
    );
  } while (latest.current !== mine);
  latest.current = both;
  show(both);
}

/**
 * A plan under the maker's hands: every change is worked out at once by the
 * server, and saved a moment after the last one, its name and note with it. What the
 * server refuses stays on screen with the reason beside its field, and is not saved.
 * What another screen changed meanwhile stays too; of a field that both changed, both
 * values are shown.
 */
export function usePlanDraft(kept: Plan) {
  const { id } = kept;
  const [draft, setDraft] = useState(() => textOf(kept));
  const [plan, setPlan] = useState<WholePlan | null>(kept.plan ?? null);
  const [errors, setErrors] = useState<Record<string, string>>(() => byField(kept.faults));
  const [saving, setShown] = useState<Saving>("saved");
  const said = useRef(saving);
  const [clashes, setClashes] = useState<Clash[]>([]);
  const [wishes, setWishes] = useState(0);
  const wished = useRef<Promise<void>>(Promise.resolve());
  const version = useRef(kept.version);
  const latest = useRef(draft);
  const unsaved = useRef(false);
  const clashing = useRef(false);
  const asking = useRef(false);
  const asked = useRef(kept.inputs);
  const timer = useRef<ReturnType<typeof setTimeout>>(undefined);
  const drawn = useRef<ReturnType<typeof setTimeout>>(undefined);
  const running = useRef<Promise<void>>(undefined);
  const here = useRef(true);
  const queries = useQueryClient();

  const setSaving = useCallback((now: Saving) => {
    said.current = now;
    setShown(now);
  }, []);

  /** Takes over what the server keeps now. */
  const take = useCallback(
    (fresh: Plan) => {
      version.current = fresh.version;
      latest.current = textOf(fresh);
      asked.current = fresh.inputs;
      setDraft(latest.current);
      setPlan(fresh.plan ?? null);
      setErrors(byField(fresh.faults));
      queries.setQueryData(keys.plan(id), fresh);
      queries.invalidateQueries({ queryKey: keys.lists });
    },
    [id, queries],
  );

  /** Saves what is not saved yet; one save at a time, each from the version before. */
  const flush = useCallback(async () => {
    while (unsaved.current && !clashing.current) {
      unsaved.current = false;
      const sent = latest.current;
      const from = version.current;
      setSaving("saving");
      try {
        // So that the last change is sent even as the page is left; browsers refuse that
        // for a body as large as a drawing may be.
        const keepalive = JSON.stringify(sent).length < MOST_KEPT_ALIVE;
        const saved = await savePlan(id, { from, text: sent }, keepalive);
        void isSaved(id);
        const merged = saved.version > from + 1;
        if (merged && sent === latest.current) {
          take(saved);
        } else {
          if (merged) await typedMeanwhile(sent, textOf(saved), latest, setDraft);
          version.current = saved.version;
          queries.setQueryData(keys.plan(id), saved);
          queries.invalidateQueries({ queryKey: keys.lists });
          // Figures that were asked for in vain, the server being away, come with what is saved.
          const figures = saved.plan;
          if (figures && sent === latest.current) {
            setPlan((before) => replaceEqualDeep(before, figures));
          }
        }
        setSaving(unsaved.current ? "saving" : merged ? "merged" : "saved");
      } catch (error) {
        if (!(error instanceof Refusal) || error.passes) {
          unsaved.current = true;
          setSaving("offline");
          await keepUnsaved(id, { from, text: latest.current });
          return;
        }
        if (error.status === 412 || error.clashes.length > 0) {
          clashing.current = true;
          setClashes(error.clashes);
          setSaving("clash");
          return;
        }
        // What was refused may have been mended meanwhile: then that is sent.
        if (sent !== latest.current) continue;
        setErrors(unprefixed(error.fields));
        setSaving("refused");
        return;
      }
    }
  }, [id, queries, setSaving, take]);

  const save = useCallback(async () => {
    clearTimeout(timer.current);
    running.current ??= flush().finally(() => {
      running.current = undefined;
    });
    await running.current;
    // Once the page is left, what is kept of it is saved elsewhere.
    if (unsaved.current && !clashing.current && here.current) {
      timer.current = setTimeout(save, TRY_AGAIN_MS);
    }
  }, [flush]);

  /** What stands now, to be saved. */
  const keep = useCallback(
    (next: Text) => {
      latest.current = next;
      unsaved.current = true;
      clearTimeout(drawn.current);
      // What is dragged is drawn once, with its figures, or soon where they are long in coming.
      if (isDragged()) drawn.current = setTimeout(() => setDraft(latest.current), DRAWN_AFTER_MS);
      else setDraft(next);
      setSaving("saving");
      clearTimeout(timer.current);
      timer.current = setTimeout(save, SAVE_AFTER_MS);
    },
    [save, setSaving],
  );

  /** Asks at once, one question at a time; what changed meanwhile is asked next. */
  const work = useCallback(async () => {
    if (asking.current) return;
    asking.current = true;
    while (asked.current !== latest.current.inputs) {
      asked.current = latest.current.inputs;
      try {
        const answer = await api.POST("/api/v1/calc/plan", { body: asked.current });
        const fresh = accepted<WholePlan>(answer);
        // What did not change stays the same object, so that it is not drawn anew.
        setPlan((before) => replaceEqualDeep(before, fresh));
        setErrors((all) => ("name" in all ? { name: all.name ?? "" } : none));
        const { inputs } = latest.current;
        if (inputs === asked.current && fresh.idle.length > 0) {
          keep({ ...latest.current, inputs: withoutBowls(inputs, fresh.idle) });
        }
      } catch (error) {
        if (error instanceof Refusal) setErrors(error.fields);
        // Else offline, which saving will tell.
      }
      clearTimeout(drawn.current);
      setDraft(latest.current);
    }
    asking.current = false;
  }, [keep]);

  const edit = useCallback(
    (next: Text) => {
      keep(next);
      void work();
    },
    [keep, work],
  );
  const change = useCallback(
    (of: Edit) => edit({ ...latest.current, inputs: of(latest.current.inputs) }),
    [edit],
  );
  const done = useCallback(
    async (wish: PlanEdit, then: (edited: Edited) => PlanInputs) => {
      try {
        let from: PlanInputs;
        let edited: Edited;
        // What was typed meanwhile is edited too.
        do {
          from = latest.current.inputs;
          const answer = await api.POST("/api/v1/calc/plan/edit", {
            body: { inputs: from, edit: wish },
          });
          edited = accepted<Edited>(answer);
        } while (latest.current.inputs !== from);
        change(() => then(edited));
      } catch (error) {
        if (error instanceof Refusal && !error.passes) setErrors(unprefixed(error.fields));
        else setSaving("not_done");
      } finally {
        setWishes((open) => open - 1);
      }
    },
    [change, setSaving],
  );
  /** One wish after the other, in the order in which they were said. */
  const ask = useCallback<Ask>(
    (wish, then = ({ inputs }) => inputs) => {
      setWishes((open) => open + 1);
      wished.current = wished.current.then(() => done(wish, then));
      return wished.current;
    },
    [done],
  );
  const say = useCallback(
    (words: Partial<Pick<Text, "name" | "note">>) => edit({ ...latest.current, ...words }),
    [edit],
  );

  /** Says which of two values stands, where two screens changed one field. */
  const settle = useCallback(
    async (side: "mine" | "theirs") => {
      const mine = latest.current;
      // First with theirs in those fields, so that all else of both comes together; then,
      // where that is wanted, with mine on top.
      latest.current = settled(mine, clashes, "theirs");
      setClashes([]);
      clashing.current = false;
      unsaved.current = true;
      await save();
      if (side === "mine") edit(settled(latest.current, clashes, "mine"));
    },
    [clashes, save, edit],
  );

  /** Saves what is wished for too: what comes next is done with all of it. */
  const saveAll = useCallback(async () => {
    await wished.current;
    await save();
  }, [save]);

  /** The same, or throws why it is not saved. */
  const saved = useCallback(async () => {
    await saveAll();
    const is = said.current;
    // What was not done was said before, and is none of what stands here.
    if (isTrouble(is) && is !== "not_done") throw new Error(savingWords[is]);
  }, [saveAll]);

  /** Takes the last edit back. */
  const undo = useCallback(async () => {
    await saveAll();
    const fresh = accepted<Plan>(
      await api.POST("/api/v1/plans/{id}/undo", {
        params: { path: { id }, header: { "If-Match": `"${version.current}"` } },
      }),
    );
    take(fresh);
  }, [id, saveAll, take]);

  // Leaving, by a link or for good, saves what is not saved yet.
  useEffect(() => {
    const last = () => void save();
    window.addEventListener("pagehide", last);
    return () => {
      window.removeEventListener("pagehide", last);
      last();
    };
  }, [save]);

  // What was changed here without the server, and left, is gone on with.
  useEffect(() => {
    here.current = true;
    const { left, leave } = takeUp(id);
    void left.then((found) => {
      if (!found || !here.current || unsaved.current) return;
      version.current = found.from;
      edit(found.text);
    });
    return () => {
      here.current = false;
      void save().finally(leave);
    };
  }, [id, save, edit]);

  /** What is stated at this moment, for what does not follow every change. */
  const stated = useCallback(() => latest.current.inputs, []);

  return {
    draft,
    plan,
    errors,
    saving,
    clashes,
    /** Whether the server is still at an edit that it was asked to do. */
    awaited: wishes > 0,
    stated,
    change,
    ask,
    say,
    save: saveAll,
    saved,
    settle,
    undo,
  };
}

export type PlanDraft = ReturnType<typeof usePlanDraft>;
