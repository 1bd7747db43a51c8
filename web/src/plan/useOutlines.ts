import { keepPreviousData, useQuery } from "@tanstack/react-query";
import { api, type LaidOut, type OutlinesAnswer, type WorkOf } from "../api/client";
import { accepted } from "../api/refusal";

const none: readonly LaidOut[] = [];

/** The outlines that are piped, line by line, as the core draws them; none where none are stated. */
export function useOutlines(work: WorkOf<"piped">): readonly LaidOut[] {
  const { outlines, line_mm, flooded } = work;
  const body = { outlines: outlines ?? [], line_mm, flooded: flooded != null };
  const laid = useQuery({
    queryKey: ["outlines", body],
    enabled: outlines != null,
    staleTime: Number.POSITIVE_INFINITY,
    placeholderData: keepPreviousData,
    queryFn: async () =>
      accepted<OutlinesAnswer>(await api.POST("/api/v1/calc/outlines", { body })),
  });
  return outlines ? (laid.data?.outlines ?? none) : none;
}
