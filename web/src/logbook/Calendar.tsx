import { Box, Button, chakra } from "@chakra-ui/react";
import { ChevronLeft, ChevronRight } from "lucide-react";
import { Link as RouterLink } from "react-router";
import type { BatchLine } from "../api/client";
import { dayOf } from "../kit/moments";

const Link = chakra(RouterLink);

interface Props {
  /** Any day of the month that is shown. */
  month: Date;
  batches: BatchLine[];
  onMonth: (month: Date) => void;
}

const title = new Intl.DateTimeFormat("en-GB", { month: "long", year: "numeric" });
const weekdays = ["Mon", "Tue", "Wed", "Thu", "Fri", "Sat", "Sun"];

/** The month's first moment, and the next one's, by this device's clock. */
export function bounds(month: Date): { from: string; until: string } {
  const at = (later: number) =>
    new Date(month.getFullYear(), month.getMonth() + later, 1).toISOString();
  return { from: at(0), until: at(1) };
}

/** A month of the log: what was made on which day, and how it came out. */
export function Calendar({ month, batches, onMonth }: Props) {
  const first = new Date(month.getFullYear(), month.getMonth(), 1);
  const blank = (first.getDay() + 6) % 7;
  const days = new Date(month.getFullYear(), month.getMonth() + 1, 0).getDate();
  const made = new Map<string, BatchLine[]>();
  for (const batch of batches) {
    const on = dayOf(new Date(batch.ended_at ?? batch.begun_at));
    made.set(on, [...(made.get(on) ?? []), batch]);
  }
  const turn = (by: number) => onMonth(new Date(month.getFullYear(), month.getMonth() + by, 1));
  return (
    <Box bg="bg.panel" borderRadius="slab" p={{ base: "2", md: "4" }}>
      <Box display="flex" alignItems="center" justifyContent="space-between" mb="2">
        <Button
          variant="ghost"
          minH="48px"
          minW="48px"
          aria-label="Month before"
          onClick={() => turn(-1)}
        >
          <ChevronLeft aria-hidden />
        </Button>
        <Box as="h2" textStyle="title" aria-live="polite">
          {title.format(first)}
        </Box>
        <Button
          variant="ghost"
          minH="48px"
          minW="48px"
          aria-label="Month after"
          onClick={() => turn(1)}
        >
          <ChevronRight aria-hidden />
        </Button>
      </Box>
      <Box display="grid" gap="1" gridTemplateColumns="repeat(7, minmax(0, 1fr))">
        {weekdays.map((weekday) => (
          <Box key={weekday} fontSize="sm" color="fg.muted" textAlign="center" aria-hidden>
            {weekday}
          </Box>
        ))}
        {Array.from({ length: days }, (_, i) => {
          const date = new Date(month.getFullYear(), month.getMonth(), i + 1);
          const on = made.get(dayOf(date)) ?? [];
          return (
            <Box
              key={dayOf(date)}
              gridColumnStart={i === 0 ? blank + 1 : undefined}
              minH={{ base: "60px", md: "84px" }}
              minW="0"
              borderWidth="1px"
              borderColor="border"
              borderRadius="4px"
              p="1"
            >
              <Box fontSize="sm" color="fg.muted">
                {i + 1}
              </Box>
              {on.map((batch) => (
                <Link
                  key={batch.id}
                  to={`/log/${batch.id}`}
                  display="block"
                  minH="48px"
                  fontSize={{ base: "xs", md: "sm" }}
                  lineHeight="1.15"
                  fontWeight="560"
                  lineClamp="3"
                  wordBreak="break-word"
                  borderStartWidth="4px"
                  borderColor={faulty(batch) ? "stop" : batch.looks ? "work" : "border.emphasized"}
                  ps="1"
                  mb="1"
                  title={batch.name}
                >
                  {batch.name}
                  {faulty(batch) && " (fault)"}
                </Link>
              ))}
            </Box>
          );
        })}
      </Box>
    </Box>
  );
}

/** Whether it went wrong: given up, or with a fault. */
function faulty({ faults, stage }: BatchLine): boolean {
  return stage === "lost" || faults.length > 0;
}
