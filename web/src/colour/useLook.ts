import { keepPreviousData, useQuery } from "@tanstack/react-query";
import { api, type ColourLook, type Family, type RecipeInputs, type Way } from "../api/client";
import { accepted, Refusal } from "../api/refusal";

/** A coloured butter of the lab. */
export interface LabFilm {
  id: string;
  mix: { recipe: RecipeInputs; share: number }[];
  way: Way;
  passes: number;
}

export interface SeenPiece {
  srgb: string;
  family: Family;
  film: number;
}

/** How films look over each chocolate; asked at every change, the last answer kept meanwhile. */
export function useLook(films: LabFilm[], seen: SeenPiece | null) {
  const body = { films: films.map(({ mix, way, passes }) => ({ mix, way, passes })), seen };
  const asked = useQuery({
    queryKey: ["colour-look", body],
    staleTime: Number.POSITIVE_INFINITY,
    placeholderData: keepPreviousData,
    retry: false,
    queryFn: async () => accepted<ColourLook>(await api.POST("/api/v1/calc/colour-look", { body })),
  });
  const errors: Record<string, string> = asked.error instanceof Refusal ? asked.error.fields : {};
  return { look: asked.data, errors };
}
