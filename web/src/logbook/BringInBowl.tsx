import { Box } from "@chakra-ui/react";
import { useMutation, useQueryClient } from "@tanstack/react-query";
import { Upload } from "lucide-react";
import { useNavigate } from "react-router";
import { api, type BowlWithPlan } from "../api/client";
import { keys } from "../api/queries";
import { accepted, Refusal } from "../api/refusal";
import { Fault } from "../kit/Fault";
import { FilePick } from "../kit/FilePick";

/** Takes up a bowl that was saved as JSON, here or elsewhere. */
export function BringInBowl() {
  const navigate = useNavigate();
  const queries = useQueryClient();
  const bring = useMutation({
    mutationFn: async (file: File) => {
      let saved: unknown;
      try {
        saved = JSON.parse(await file.text());
      } catch {
        throw new Error("it is not a bowl that was saved as JSON");
      }
      // biome-ignore lint/suspicious/noExplicitAny: what a file holds is for the server to say.
      return accepted<BowlWithPlan>(await api.POST("/api/v1/bowls", { body: saved as any }));
    },
    onSuccess: ({ batch_id }) => {
      queries.invalidateQueries({ queryKey: keys.lists });
      navigate(`/log/${batch_id}`);
    },
  });
  const error = bring.error;
  const first = error instanceof Refusal ? Object.entries(error.fields)[0] : undefined;
  return (
    <Box textAlign="end">
      <FilePick
        label="A saved bowl"
        accept=".json,application/json"
        busy={bring.isPending}
        onPick={(file) => bring.mutate(file)}
      >
        <Upload aria-hidden /> Import a saved bowl
      </FilePick>
      {error && (
        <Fault mt="1">Not imported: {first ? `${first[0]} ${first[1]}` : error.message}</Fault>
      )}
    </Box>
  );
}
