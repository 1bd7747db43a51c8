import { Box } from "@chakra-ui/react";
import { clock } from "../kit/format";
import { burstLook } from "../theme/bursts";

interface Props {
  bursts: number[];
  /** Whether one is running. */
  busy: boolean;
  onHeat: (seconds: number) => void;
}

/**
 * What is left of the melt, each burst as long as it lasts. A touch starts the
 * next; the reading after it corrects the rest.
 */
export function BurstsLeft({ bursts, busy, onHeat }: Props) {
  const [next, ...rest] = bursts;
  if (next === undefined) return null;
  const total = bursts.reduce((sum, s) => sum + s, 0);
  return (
    <Box display="flex" gap="3" alignItems="center" data-testid="bursts-left">
      <Box textStyle="label" flexShrink={0} hideBelow="md">
        Left to melt
        <Box color="fg" fontWeight="600" fontSize="lg">
          {clock(total)}
        </Box>
      </Box>
      <Box
        display="flex"
        flex="1"
        gap="2px"
        h="52px"
        css={{
          "& > *": { ...burstLook, minWidth: "20px", overflow: "hidden" },
          "& > button": {
            minWidth: "104px",
            cursor: "pointer",
            background: "heat",
            color: "bg.panel",
            fontSize: "lg",
          },
          "& > button:disabled": { cursor: "default", opacity: 0.6 },
        }}
      >
        <button type="button" disabled={busy} style={{ flex: next }} onClick={() => onHeat(next)}>
          {busy ? "heating" : `next: ${next} s`}
        </button>
        {rest.map((s, i) => (
          // biome-ignore lint/suspicious/noArrayIndexKey: bursts have no identity but their place
          <div key={i} style={{ flex: s }} aria-hidden>
            {s}
          </div>
        ))}
      </Box>
    </Box>
  );
}
