import { Box, Button, chakra, Field, Input, Stack } from "@chakra-ui/react";
import { useMutation, useQueryClient } from "@tanstack/react-query";
import { Download, Upload } from "lucide-react";
import { useState } from "react";
import type { LogAnswer } from "../api/client";
import { keys } from "../api/queries";
import { answered, Refusal } from "../api/refusal";
import { Fault } from "../kit/Fault";
import { FilePick } from "../kit/FilePick";
import { Fold } from "../kit/Fold";
import { SelectField } from "../kit/SelectField";

const Anchor = chakra("a");

/** What a log may leave open, and how it is answered here. */
type Asked = "time_column" | "temp_column" | "unit" | "date_order" | "shift_s";
type Setting = Partial<Record<Asked, string>>;

const asked: {
  name: Asked;
  label: string;
  choices?: { value: string; label: string }[];
}[] = [
  { name: "time_column", label: "Column of times" },
  { name: "temp_column", label: "Column of temperatures" },
  {
    name: "unit",
    label: "Temperatures are in",
    choices: [
      { value: "C", label: "°C" },
      { value: "F", label: "°F" },
    ],
  },
  {
    name: "date_order",
    label: "In its dates",
    choices: [
      { value: "day_first", label: "the day comes first" },
      { value: "month_first", label: "the month comes first" },
    ],
  },
  { name: "shift_s", label: "Seconds to add to its times" },
];

/** A bowl's record out of here, and a thermometer's log into it. */
export function RecordPanel({ bowlId }: { bowlId: string }) {
  const queries = useQueryClient();
  const [file, setFile] = useState<File>();
  const [setting, setSetting] = useState<Setting>({});
  const bring = useMutation({
    mutationFn: async (from: { file: File; setting: Setting }) => {
      const query = new URLSearchParams({
        utc_offset_min: String(-new Date().getTimezoneOffset()),
      });
      for (const [name, value] of Object.entries(from.setting)) {
        if (value !== "") query.set(name, String(value));
      }
      // The bytes as the device wrote them: its letters are the server's to tell.
      const response = await fetch(`/api/v1/bowls/${bowlId}/log?${query}`, {
        method: "POST",
        headers: { "Content-Type": "text/csv" },
        body: from.file,
      });
      return answered<LogAnswer>(response);
    },
    onSuccess: () => queries.invalidateQueries({ queryKey: keys.bowl(bowlId) }),
  });
  const faults = bring.error instanceof Refusal ? bring.error.fields : {};
  const open = asked.filter(({ name }) => faults[name] !== undefined || name in setting);
  const other = Object.entries(faults).filter(([name]) => !asked.some((a) => a.name === name));
  const pick = (next: File) => {
    setFile(next);
    setSetting({});
    bring.mutate({ file: next, setting: {} });
  };
  return (
    <Fold title="The record" value="Save it, or import a thermometer's log">
      <Stack gap="3">
        <Box display="flex" gap="2" flexWrap="wrap">
          {(["csv", "json"] as const).map((kind) => (
            <Button key={kind} asChild size="lg" variant="outline" borderColor="border.emphasized">
              <Anchor href={`/api/v1/bowls/${bowlId}/record.${kind}`} download>
                <Download aria-hidden /> Save as {kind.toUpperCase()}
              </Anchor>
            </Button>
          ))}
          <FilePick
            label="A thermometer's log"
            accept=".csv,.txt,.tsv,text/csv,text/plain"
            busy={bring.isPending}
            onPick={pick}
          >
            <Upload aria-hidden /> Import a thermometer's log
          </FilePick>
        </Box>
        {bring.data && (
          <Box role="status" fontWeight="560">
            {said(bring.data)}
          </Box>
        )}
        {other.map(([name, message]) => (
          <Fault key={name}>
            {name === "file" ? "The file" : name} {message}
          </Fault>
        ))}
        {bring.error && !(bring.error instanceof Refusal && Object.keys(faults).length > 0) && (
          <Fault>Not imported: {bring.error.message}</Fault>
        )}
        {open.length > 0 && file && (
          <Box
            as="form"
            display="grid"
            gap="3"
            onSubmit={(event: React.FormEvent) => {
              event.preventDefault();
              bring.mutate({ file, setting });
            }}
          >
            {open.map(({ name, label, choices }) => {
              const value = setting[name] ?? "";
              const set = (next: string) => setSetting({ ...setting, [name]: next });
              return choices ? (
                <SelectField
                  key={name}
                  label={label}
                  value={value}
                  choices={[{ value: "", label: "" }, ...choices]}
                  error={faults[name]}
                  onChange={set}
                />
              ) : (
                <Field.Root key={name} invalid={faults[name] !== undefined}>
                  <Field.Label textStyle="label">{label}</Field.Label>
                  <Input
                    bg="bg.panel"
                    borderColor="border.emphasized"
                    value={value}
                    onChange={(event) => set(event.target.value)}
                  />
                  <Field.ErrorText color="stop" fontWeight="560">
                    {label} {faults[name] && faults[name]}
                  </Field.ErrorText>
                </Field.Root>
              );
            })}
            <Button type="submit" size="lg" bg="ink" color="onInk" disabled={bring.isPending}>
              Import these readings
            </Button>
          </Box>
        )}
      </Stack>
    </Fold>
  );
}

function said({ kept, known, empty, unit }: LogAnswer): string {
  const words = [`${kept} ${kept === 1 ? "reading" : "readings"} brought in, read in °${unit}`];
  if (known > 0) words.push(`${known} were here already`);
  if (empty > 0)
    words.push(`${empty} ${empty === 1 ? "line" : "lines"} without a temperature passed over`);
  return `${words.join("; ")}.`;
}
