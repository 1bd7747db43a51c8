import { Box } from "@chakra-ui/react";
import { useState } from "react";
import type { Batch } from "../api/client";
import { Fold } from "../kit/Fold";
import { SelectField } from "../kit/SelectField";
import { Missing } from "../kit/Standing";
import { faultsOf } from "../looks/words";
import { ApplyCause } from "./ApplyCause";
import { Told } from "./Told";
import { useBatchClinic } from "./useClinic";

/** Why a batch came out as it did; nothing where no fault was seen. */
export function WhyPanel({ batch }: { batch: Batch }) {
  const seen = [...new Set(batch.results.flatMap((result) => result.seen))];
  if (seen.length === 0) return null;
  const of = `Likely causes of: ${faultsOf(seen)}`;
  return (
    <Fold title="Why" value={of} open>
      <Box mb="3" color="fg.muted">
        {of}
      </Box>
      <Why batch={batch} />
    </Fold>
  );
}

function Why({ batch }: { batch: Batch }) {
  const asked = useBatchClinic(batch.id, batch.results.length);
  const [chosen, setChosen] = useState<string>();
  if (!asked.data) return <Missing what="causes" asked={[asked]} />;
  // What nothing was wrong with is not asked about.
  const of = asked.data.of.filter(({ seen }) => seen.length > 0);
  const one = of.find(({ component }) => component === chosen) ?? of[0];
  if (!one) return null;
  return (
    <Box display="grid" gap="4">
      {of.length > 1 && (
        <SelectField
          label="Of"
          value={one.component}
          choices={of.map(({ component, name }) => ({ value: component, label: name }))}
          onChange={setChosen}
        />
      )}
      <Told
        key={one.component}
        seen={one.seen}
        facts={one.facts}
        told={one.told}
        deed={(cause) =>
          batch.plan_id && (
            <ApplyCause planId={batch.plan_id} cause={cause} component={one.component} />
          )
        }
      />
    </Box>
  );
}
