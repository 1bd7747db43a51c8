import { keepPreviousData, useQuery } from "@tanstack/react-query";
import {
  api,
  type ComponentPlan,
  type Paper,
  type PipingSheets,
  type ScoreMap,
  type WorkInputs,
} from "../api/client";
import { accepted } from "../api/refusal";

export interface Asked {
  work: WorkInputs;
  plan: ComponentPlan;
  paper: Paper;
  mirrored: boolean;
  seed: number;
}

interface Sheets {
  sheets: string[];
  piping?: PipingSheets;
  score?: ScoreMap;
}

async function asked({ work, plan, paper, mirrored, seed }: Asked): Promise<Sheets> {
  if (work.kind === "piped" && work.outlines) {
    const { outlines, line_mm, flooded } = work;
    const body = { outlines, line_mm, flooded: flooded != null, mirrored, paper };
    const piping = accepted<PipingSheets>(await api.POST("/api/v1/calc/piping-sheet", { body }));
    return { sheets: piping.sheets, piping };
  }
  if (work.kind === "wrap") {
    const body = {
      length_mm: plan.length_mm ?? 0,
      height_mm: work.height_mm,
      overlap_mm: work.overlap_mm ?? 25,
      paper,
    };
    return accepted<Sheets>(await api.POST("/api/v1/calc/wrap-sheet", { body }));
  }
  if (!plan.outline || plan.pieces?.area_cm2 == null) return { sheets: [] };
  const body = {
    outline: plan.outline,
    piece_cm2: plan.pieces.area_cm2,
    pattern:
      work.kind === "shards" && work.pattern === "even" ? ("even" as const) : ("uneven" as const),
    seed,
    paper,
  };
  const score = accepted<ScoreMap>(await api.POST("/api/v1/calc/score-map", { body }));
  return { sheets: score.sheets, score };
}

/** The sheets of a piece of work. */
export function useSheets(of: Asked) {
  return useQuery({
    queryKey: ["sheets", of],
    staleTime: Number.POSITIVE_INFINITY,
    placeholderData: keepPreviousData,
    queryFn: () => asked(of),
  });
}
