import { Box } from "@chakra-ui/react";
import { memo, useState } from "react";
import type { Slot } from "../api/client";
import { type DaysAsked, useDays, useShelf } from "../api/queries";
import { Fault } from "../kit/Fault";
import { fullDay, time } from "../kit/format";
import { inWords } from "../kit/message";
import { Panel } from "../kit/Panel";
import { TextField } from "../kit/TextField";
import { FileTo } from "../kit/WayTo";

/** Two digits, as clocks show them. */
const two = (n: number) => String(n).padStart(2, "0");

function localStart(date: Date): string {
  return `${date.getFullYear()}-${two(date.getMonth() + 1)}-${two(date.getDate())}T${two(date.getHours())}:${two(date.getMinutes())}`;
}

/** The next full hour. */
function nextHour(): Date {
  const date = new Date();
  date.setMinutes(60, 0, 0);
  return date;
}

function waits({ least_h, most_h, waits_for }: Slot): string {
  const from = `after ${Math.round(least_h * 10) / 10} h`;
  const to = most_h == null ? "" : `, at most ${Math.round(most_h)} h`;
  return `${from}${to}: ${waits_for ? inWords(waits_for) : ""}`;
}

interface Props {
  planId: string;
  /** Counts the plan's edits: the days follow what was saved. */
  version: number;
}

/** The order over hours: when the hands are needed, and the waits between. */
export const Days = memo(function Days({ planId, version }: Props) {
  const [start, setStart] = useState(() => localStart(nextHour()));
  const [up, setUp] = useState<[string, string]>(["08:00", "22:00"]);
  const kitchen = useShelf().data?.kitchen;
  const begun = new Date(start);
  const asked: DaysAsked = {
    start: (Number.isNaN(begun.getTime()) ? nextHour() : begun).toISOString(),
    up_from: up[0],
    up_to: up[1],
    ...(!kitchen?.thing.zone && { zone: Intl.DateTimeFormat().resolvedOptions().timeZone }),
  };
  const days = useDays(planId, asked, version);
  const slots = days.data ?? [];
  const byDay = Map.groupBy(slots, ({ from }) => fullDay(from));
  const query = new URLSearchParams(
    Object.entries(asked).map(([name, value]) => [name, String(value)]),
  );
  return (
    <Panel title="Schedule" maxW="1100px" data-testid="days">
      <Box display="flex" gap="3" flexWrap="wrap" alignItems="end" mb="4">
        <Box w="230px">
          <TextField label="Start" kind="moment" value={start} onChange={setStart} />
        </Box>
        <Box w="120px">
          <TextField
            label="Day starts"
            kind="time"
            value={up[0]}
            onChange={(from) => setUp([from, up[1]])}
          />
        </Box>
        <Box w="120px">
          <TextField
            label="Day ends"
            kind="time"
            value={up[1]}
            onChange={(to) => setUp([up[0], to])}
          />
        </Box>
        <FileTo href={`/api/v1/plans/${planId}/calendar?${query}`} download>
          Save as a calendar file
        </FileTo>
      </Box>
      {days.error && <Fault>{days.error.message}</Fault>}
      <Box display="grid" gap="4">
        {[...byDay].map(([name, of]) => (
          <Box
            key={name}
            display="grid"
            gap="2"
            gridTemplateColumns={{ base: "minmax(0, 1fr)", md: "150px minmax(0, 1fr)" }}
          >
            <Box textStyle="title" pt="2">
              {name}
            </Box>
            <Box display="grid" gap="2">
              {of.map((slot) => (
                <Sitting key={slot.step} slot={slot} />
              ))}
            </Box>
          </Box>
        ))}
      </Box>
    </Panel>
  );
});

function Sitting({ slot }: { slot: Slot }) {
  const [first, ...rest] = slot.texts;
  return (
    <Box
      display="grid"
      gap="3"
      gridTemplateColumns="128px minmax(0, 1fr)"
      borderInlineStartWidth="6px"
      borderColor={slot.in_the_night ? "stop" : "cool"}
      bg={slot.in_the_night ? "stop.wash" : "bg.subtle"}
      borderRadius="slab"
      px="3"
      py="2"
      data-testid="sitting"
    >
      <Box textStyle="figure" fontSize="lg" pt="1px">
        {time(slot.from)}–{time(slot.to)}
      </Box>
      <Box minW="0">
        <Box fontWeight="600">
          {slot.name}: {first && inWords(first)}
        </Box>
        <Box fontSize="sm" color="fg.muted">
          {slot.waits_for && `${waits(slot)}. `}
          {rest.length > 0 && `Then ${rest.length} more ${rest.length === 1 ? "step" : "steps"}.`}
          {slot.in_the_night &&
            " Falls in the night: begin at another hour, or its window is missed."}
        </Box>
      </Box>
    </Box>
  );
}
