import { Box, Heading } from "@chakra-ui/react";
import { useState } from "react";
import type { Facts, Family, Symptom } from "../api/client";
import { useWindows } from "../api/queries";
import { Panel } from "../kit/Panel";
import { SelectField } from "../kit/SelectField";
import { SymptomPicker } from "../looks/SymptomPicker";
import { familyNames } from "../theme/chocolate";
import { Told } from "./Told";

const made = {
  flat: "flat: bark, shards, piped",
  moulded: "in a mould",
  coloured: "in a mould, coloured",
} as const;
type Made = keyof typeof made;

/** What went wrong, without a batch: what is seen, and the questions that tell most. */
export default function ClinicPage() {
  const [seen, setSeen] = useState<Symptom[]>([]);
  const [family, setFamily] = useState<Family>("dark");
  const [how, setHow] = useState<Made>("flat");
  const { windows } = useWindows({ family });
  const facts: Facts = {
    moulded: how !== "flat",
    coloured: how === "coloured",
    // What has no temper to lose has none.
    tempered: windows ? windows.lost_c != null : null,
    limit_c: windows?.limit_c ?? null,
    lost_c: windows?.lost_c ?? null,
    work_c: windows?.work_c ?? null,
  };
  return (
    <Box px={{ base: "3", md: "6" }} pb="8" maxW="1100px" width="full" mx="auto">
      <Heading as="h1" textStyle="title" fontSize="2xl" py="4">
        What went wrong?
      </Heading>
      <Box display="grid" gap="4" gridTemplateColumns={{ base: "minmax(0, 1fr)", lg: "1fr 1fr" }}>
        <Panel title="What you see">
          <SymptomPicker seen={seen} onChange={setSeen} />
          <Box display="grid" gap="3" mt="4">
            <SelectField
              label="Chocolate"
              value={family}
              choices={familyNames}
              onChange={setFamily}
            />
            <SelectField label="Made" value={how} choices={made} onChange={setHow} />
          </Box>
        </Panel>
        <Panel title="Likely causes">
          {seen.length === 0 ? (
            <Box color="fg.muted">Choose what you see.</Box>
          ) : (
            <Told seen={seen} facts={facts} asksFirst />
          )}
        </Panel>
      </Box>
    </Box>
  );
}
