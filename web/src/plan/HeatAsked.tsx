import { Box } from "@chakra-ui/react";
import { useState } from "react";
import type { Thing } from "../api/client";
import { useShelf } from "../api/queries";
import { Touch } from "../bench/Touch";
import { Chosen } from "../kit/Chosen";
import { Fault } from "../kit/Fault";
import { NumberField } from "../kit/NumberField";
import { Panel } from "../kit/Panel";
import { useKeep } from "../shelf/useThing";

/** What is taken where nobody knows: most kitchens' ovens give about as much. */
const UNKNOWN_W = 800;

const powers = [
  { label: "at full power", share: 1 },
  { label: "at half power", share: 0.5 },
  { label: "at a third", share: 0.33 },
];

interface Props {
  /** What is melted by it from now on. */
  onKnown: (heat_id: string) => void;
}

/** What the maker melts with: asked once, where nothing that heats stands on the shelf. */
export function HeatAsked({ onKnown }: Props) {
  const shelf = useShelf().data;
  const [watts, setWatts] = useState(UNKNOWN_W);
  const [power, setPower] = useState(0.5);
  const { keep, busy, errors, said } = useKeep(null, ({ id }) => onKnown(id));
  if (!shelf || shelf.heats.length > 0) return null;
  const put = (thing: Extract<Thing, { kind: "heat" }>) => keep({ thing });
  return (
    <Panel title="How do you melt?" gridColumn={{ xl: "1 / -1" }} data-testid="heat-asked">
      <Box color="fg.muted" mb="3">
        Asked once: bursts are worked out from it, and it stands on your shelf from now on.
      </Box>
      <Box
        display="grid"
        gap="3"
        gridTemplateColumns={{ base: "minmax(0, 1fr)", md: "180px minmax(0, 1fr)" }}
        alignItems="end"
      >
        <NumberField
          label="Microwave"
          unit="W"
          value={watts}
          error={errors["microwave.watts"]}
          onChange={setWatts}
        />
        <Box display="flex" gap="2" flexWrap="wrap" role="group" aria-label="Power">
          {powers.map(({ label, share }) => (
            <Chosen key={share} chosen={power === share} onChoose={() => setPower(share)}>
              {label}
            </Chosen>
          ))}
        </Box>
      </Box>
      <Box fontSize="sm" color="fg.muted" mt="2">
        Its watts stand on the plate at its back or inside its door. Half power is the safest to
        begin with.
      </Box>
      <Box display="flex" gap="2" flexWrap="wrap" mt="3">
        <Touch
          advised
          disabled={busy}
          onClick={() => put({ kind: "heat", name: "Microwave", microwave: { watts, power } })}
        >
          Save this microwave
        </Touch>
        <Touch
          disabled={busy}
          onClick={() => put({ kind: "heat", name: "Over water", microwave: null })}
        >
          I melt over water
        </Touch>
        <Touch
          disabled={busy}
          onClick={() =>
            put({
              kind: "heat",
              name: "Microwave, not known",
              microwave: { watts: UNKNOWN_W, power: 0.5 },
            })
          }
        >
          I do not know
        </Touch>
      </Box>
      {said && <Fault mt="2">{said}</Fault>}
    </Panel>
  );
}
