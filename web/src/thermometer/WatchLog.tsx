import { Box } from "@chakra-ui/react";
import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useEffect, useState } from "react";
import { api, type LogFiles, type Place, type Scale } from "../api/client";
import { keys } from "../api/queries";
import { accepted, done, Refusal } from "../api/refusal";
import { Touch } from "../bench/Touch";
import { Fault } from "../kit/Fault";
import { SelectField } from "../kit/SelectField";
import { TextField } from "../kit/TextField";

interface Props {
  bowlId: string;
  place: Place;
  watched: () => void;
}

type Unit = "" | Scale;

/** Lets the maker pick the log that a thermometer's own program appends to. */
export function WatchLog({ bowlId, place, watched }: Props) {
  const queries = useQueryClient();
  const [picked, setPicked] = useState("");
  const [unit, setUnit] = useState<Unit>("");
  const [column, setColumn] = useState("");
  const logs = useQuery({
    queryKey: keys.logs,
    refetchInterval: 5_000,
    queryFn: async () => accepted<LogFiles>(await api.GET("/api/v1/logs")),
  });
  const files = logs.data?.files ?? [];
  const first = files[0]?.name ?? "";
  // The latest comes first at first; whichever writes next does not change what is chosen.
  useEffect(() => setPicked((picked) => picked || first), [first]);
  const name = picked || first;
  const watch = useMutation({
    mutationFn: async () => {
      const params = { path: { id: bowlId, place } };
      const body = { name, ...(unit && { unit }), ...(column && { temp_column: column }) };
      done(await api.PUT("/api/v1/bowls/{id}/logs/{place}", { params, body }));
    },
    onSuccess: async () => {
      await queries.invalidateQueries({ queryKey: keys.watched(bowlId) });
      watched();
    },
  });
  const fields = watch.error instanceof Refusal ? watch.error.fields : {};
  const asksColumn = column !== "" || fields.temp_column !== undefined;
  if (logs.error) return <Fault>{logs.error.message}</Fault>;
  if (!logs.data) return null;
  if (files.length === 0) {
    return (
      <Box maxW="60ch" data-testid="no-logs">
        No log is there yet. Have your thermometer's program write a table of times and temperatures
        (CSV) into the folder{" "}
        <Box as="code" overflowWrap="anywhere">
          {logs.data.folder}
        </Box>{" "}
        of the machine that Wide Sheen runs on.
      </Box>
    );
  }
  return (
    <Box display="grid" gap="3" maxW="520px">
      <SelectField
        label="Log"
        value={name}
        choices={files.map((file) => ({ value: file.name, label: file.name }))}
        onChange={(next) => {
          setPicked(next);
          watch.reset();
        }}
        error={fields.name}
      />
      {(unit !== "" || fields.unit !== undefined) && (
        <SelectField<Unit>
          label="Its scale"
          value={unit}
          choices={[
            { value: "", label: "what its heading says" },
            { value: "C", label: "°C" },
            { value: "F", label: "°F" },
          ]}
          onChange={setUnit}
          error={fields.unit}
        />
      )}
      {asksColumn && (
        <TextField
          label="Heading of the temperatures"
          value={column}
          onChange={setColumn}
          error={fields.temp_column}
        />
      )}
      {fields.time_column && <Fault>The column of times {fields.time_column}</Fault>}
      <Box display="flex" gap="3" flexWrap="wrap" alignItems="center">
        <Touch
          minH="56px"
          fontSize="md"
          advised
          disabled={watch.isPending}
          onClick={() => watch.mutate()}
        >
          Start watching
        </Touch>
        <Box color="fg.muted" fontSize="sm" maxW="36ch">
          What is in it already is left out: each line that is added from now on is read.
        </Box>
      </Box>
      {watch.error && Object.keys(fields).length === 0 && <Fault>{watch.error.message}</Fault>}
    </Box>
  );
}
