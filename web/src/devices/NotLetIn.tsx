import { Box } from "@chakra-ui/react";
import type { Sharing } from "../api/client";
import { Fold } from "../kit/Fold";
import { day } from "../kit/format";

/** Why somebody was not let in, by the last word of the problem's type. */
const why: Record<string, string> = {
  elsewhere: "asked from another site's page, or by another name",
  "not-let-in": "asked without being let in",
  "unknown-device": "came as a device that is not let in, or not any more",
  "other-address": "showed what belongs to a device at another address",
  "wrong-code": "tried a code in vain",
  "wrong-passphrase": "tried a passphrase in vain",
  "wrong-signature": "could not prove to be the device it says",
  "not-yours": "asked for what is not for its role",
  "too-often": "asked too often",
};

/** Who was not let in, the latest first. */
export function NotLetIn({ refusals }: { refusals: Sharing["refusals"] }) {
  if (refusals.length === 0) return null;
  const [latest] = refusals;
  const told = ({ came_from, why: word }: Sharing["refusals"][number]) =>
    `${came_from} ${why[word] ?? word}`;
  return (
    <Fold title="Not let in" value={latest && told(latest)}>
      <Box as="ul" listStyleType="none" display="grid" gap="2" data-testid="refusals">
        {refusals.map((refusal) => (
          <Box as="li" key={`${refusal.at} ${refusal.came_from} ${refusal.why}`}>
            <Box>
              {told(refusal)}
              {refusal.times > 1 && `, ${refusal.times} times`}
            </Box>
            <Box fontSize="sm" color="fg.muted">
              {day(refusal.at)}
            </Box>
          </Box>
        ))}
      </Box>
    </Fold>
  );
}
