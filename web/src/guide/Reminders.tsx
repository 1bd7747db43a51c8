import { Box, chakra } from "@chakra-ui/react";
import { BellRing } from "lucide-react";
import { Link as RouterLink, useLocation } from "react-router";
import type { Reminder } from "../api/client";
import { useReminders } from "../api/queries";
import { useTick } from "../bench/useTick";
import { inWords } from "../kit/message";

const Link = chakra(RouterLink);

/** A long wait that ends this soon is said, ms. */
const SOON_MS = 15 * 60_000;

/** More than these would push the page away. */
const MOST = 2;

/** What is due, or will be soon; none while it only waits. */
function words({ opens_at, waits_for, closes_at, text: step, state }: Reminder): string | null {
  const text = inWords(step);
  if (state === "wait_for_bowl") return null;
  if (opens_at != null) {
    const left = Date.parse(opens_at) - Date.now();
    if (left > SOON_MS) return null;
    const when = left <= 0 ? "Now" : `In ${Math.ceil(left / 60_000)} min`;
    return `${when}: ${waits_for ? `${inWords(waits_for)}. ` : ""}${text}`;
  }
  if (state === "wait") return null;
  const left = closes_at == null ? null : (Date.parse(closes_at) - Date.now()) / 60_000;
  if (left !== null && left <= 0) return `Its time has passed: ${text}`;
  return left !== null && left < 120 ? `${Math.ceil(left)} min left: ${text}` : text;
}

/** Batches that go on over hours and days remind of themselves, wherever one is in the app. */
export function Reminders() {
  useTick(10_000);
  const { pathname } = useLocation();
  const all = useReminders().data ?? [];
  // At its own guide it need not be said again.
  const due = all
    .filter(({ batch_id }) => pathname !== `/build/${batch_id}`)
    .flatMap((one) => {
      const said = words(one);
      return said === null ? [] : [{ ...one, said }];
    });
  if (due.length === 0) return null;
  return (
    <Box
      as="section"
      aria-label="Reminders"
      px={{ base: "3", md: "6" }}
      pb="2"
      display="grid"
      gap="1"
      _print={{ display: "none" }}
      data-testid="reminders"
    >
      {due.slice(0, MOST).map(({ batch_id, batch_name, said }) => (
        <Link
          key={batch_id}
          to={`/build/${batch_id}`}
          display="flex"
          gap="2"
          alignItems="center"
          minH="44px"
          px="3"
          borderRadius="slab"
          bg="heat.wash"
          color="fg"
          fontWeight="560"
        >
          <BellRing size={20} aria-hidden />
          <span>
            <strong>{batch_name}.</strong> {said}
          </span>
        </Link>
      ))}
      {due.length > MOST && (
        <Box fontSize="sm" color="fg.muted" px="3">
          And {due.length - MOST} more batches wait for you.
        </Box>
      )}
    </Box>
  );
}
