import { Box, Button, chakra } from "@chakra-ui/react";
import { useMutation, useQueryClient } from "@tanstack/react-query";
import { Download, Upload } from "lucide-react";
import { useState } from "react";
import { done, Refusal } from "../api/refusal";
import { Fault } from "../kit/Fault";
import { FilePick } from "../kit/FilePick";
import { Panel } from "../kit/Panel";
import { SavingProgress } from "./SavingProgress";

const Anchor = chakra("a");

/** All that is kept, out as one file and in again. */
export function Everything() {
  const queries = useQueryClient();
  // Each file that is saved has an id of its own, by which it is asked how far it is.
  const [next, setNext] = useState(() => crypto.randomUUID());
  const [saving, setSaving] = useState<string>();
  const bring = useMutation({
    mutationFn: async (file: File) => {
      const response = await fetch("/api/v1/archive", {
        method: "POST",
        headers: { "Content-Type": "application/zip" },
        body: file,
      });
      done({ response, error: await response.json().catch(() => undefined) });
    },
    onSuccess: () => queries.invalidateQueries(),
  });
  const { error } = bring;
  const why = error instanceof Refusal ? (error.fields.file ?? error.message) : error?.message;
  return (
    <Panel title="All your data">
      <Box fontSize="sm" color="fg.muted" mb="3">
        Plans, batches with their readings and photos, and the shelf, in one file. Brought in
        elsewhere it is the same; here, what is there already stays as it is. A copy is made each
        day besides, in the folder of the data.
      </Box>
      <Box display="flex" gap="2" flexWrap="wrap">
        <Button asChild size="lg" variant="outline" borderColor="border.emphasized">
          <Anchor
            href={`/api/v1/archive?id=${next}`}
            download
            onClick={() => {
              setSaving(next);
              // The link is followed as it was clicked; the one after it is another file.
              setTimeout(() => setNext(crypto.randomUUID()));
            }}
          >
            <Download aria-hidden /> Save everything
          </Anchor>
        </Button>
        <FilePick
          label="A backup file"
          accept=".zip,application/zip"
          busy={bring.isPending}
          onPick={(file) => bring.mutate(file)}
        >
          <Upload aria-hidden /> {bring.isPending ? "Importing…" : "Import"}
        </FilePick>
      </Box>
      {saving && <SavingProgress key={saving} id={saving} />}
      {bring.isSuccess && (
        <Box role="status" mt="2" fontWeight="560">
          All of it is here.
        </Box>
      )}
      {why && <Fault mt="2">Nothing was brought in: the file {why}</Fault>}
    </Panel>
  );
}
