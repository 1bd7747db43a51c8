import { Box, Button, chakra } from "@chakra-ui/react";
import { memo } from "react";
import { Link as RouterLink } from "react-router";
import type { Days as DaysAnswer, Slot } from "../../api/client";
import { useCalendar, useDays, useShelf } from "../../api/queries";
import { Fault } from "../../kit/Fault";
import { day, fullDay, stretch, time } from "../../kit/format";
import { inWords } from "../../kit/message";
import { Notes } from "../../kit/Notes";
import { Panel } from "../../kit/Panel";
import { FileTo } from "../../kit/WayTo";
import type { Edit } from "../usePlanDraft";
import { Strip } from "./Strip";
import { MomentField, type When, WhenFields } from "./WhenFields";

const open: When = { hands: "alone", pinned: [] };

interface Props {
  planId: string;
  /** Counts the plan's edits: the days follow what was saved. */
  version: number;
  when: When | null | undefined;
  errors: Record<string, string>;
  onChange: (edit: Edit) => void;
}

/** By when, and the days until then: when the hands are needed, and the waits between. */
export const Days = memo(function Days({ planId, version, when, errors, onChange }: Props) {
  const kitchen = useShelf().data?.kitchen;
  const days = useDays(planId, version);
  const stated = when ?? open;
  const state = (next: When) => onChange((inputs) => ({ ...inputs, when: next }));
  const pinned = stated.pinned ?? [];
  const put = (key: string, at: string) =>
    state({ ...stated, pinned: [...pinned.filter((one) => one.key !== key), { key, at }] });
  const letGo = (key: string) =>
    state({ ...stated, pinned: pinned.filter((one) => one.key !== key) });
  const calendar = useCalendar(planId);
  return (
    <Panel title="Schedule" maxW="1100px" data-testid="days">
      <WhenFields when={stated} errors={errors} onChange={state} />
      <Box mt="2" fontSize="sm" color="fg.muted">
        {(kitchen?.thing.hours ?? []).length > 0
          ? "In the hours you are free, as they stand with "
          : "Each day from 08:00 to 22:00, until you say when you are free, with "}
        <RouterLink to="/shelf/heat" style={{ textDecoration: "underline" }}>
          your kitchen
        </RouterLink>
        .
      </Box>
      {days.error && <Fault>{days.error.message}</Fault>}
      {days.data && (
        <InDays
          days={days.data}
          put={put}
          letGo={letGo}
          letAllGo={pinned.length > 0 ? () => state({ ...stated, pinned: [] }) : undefined}
        />
      )}
      <Box mt="4">
        <FileTo href={calendar} download>
          Save as a calendar file
        </FileTo>
      </Box>
    </Panel>
  );
});

interface InDaysProps {
  days: DaysAnswer;
  put?: (step: string, at: string) => void;
  letGo?: (step: string) => void;
  letAllGo?: (() => void) | undefined;
}

/** The answer: whether it can be done, the strip, the sittings. */
export function InDays({ days, put, letGo, letAllGo }: InDaysProps) {
  const { slots, broken, mends } = days;
  const numbers = new Map(slots.map(({ step }, i) => [step, i + 1]));
  const byDay = Map.groupBy(slots, ({ from }) => fullDay(from));
  return (
    <Box display="grid" gap="4" mt="4">
      <Verdict days={days} />
      {(broken.length > 0 || mends.length > 0) && (
        <Box bg="stop.wash" borderRadius="slab" p="3" role="alert" data-testid="broken">
          {broken.map(({ step, text }) => (
            <Box key={`${step} ${text.code}`} fontWeight="560">
              {inWords(text)}
            </Box>
          ))}
          {mends.length > 0 && (
            <Box mt={broken.length > 0 ? "2" : "0"}>
              <Box fontWeight="600">What would mend it, each by itself:</Box>
              <Box as="ul" ps="5" listStyleType="disc">
                {mends.map(({ text, at }) => (
                  <li key={inWords(text)}>
                    {inWords(text)} {at && `The latest is ${day(at)}.`}
                  </li>
                ))}
              </Box>
            </Box>
          )}
        </Box>
      )}
      <Notes notes={days.notes} />
      <Strip
        days={days}
        numbers={numbers}
        broken={new Set(broken.map(({ step }) => step))}
        onPut={put}
      />
      {put && slots.length > 0 && (
        <Box fontSize="sm" color="fg.muted" display="flex" gap="3" alignItems="center">
          Drag a sitting to another time, or move it with the arrow keys: the rest follows.
          {letAllGo && (
            <Button size="sm" variant="outline" onClick={letAllGo}>
              Let all times go
            </Button>
          )}
        </Box>
      )}
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
              <Sitting
                key={slot.step}
                slot={slot}
                number={numbers.get(slot.step) ?? 0}
                put={put}
                letGo={letGo}
              />
            ))}
          </Box>
        </Box>
      ))}
    </Box>
  );
}

/** Whether it is ready in time, and when it must be begun. */
function Verdict({ days }: { days: DaysAnswer }) {
  const { begin, end, ready_by, latest_start, late_min, broken } = days;
  if (!begin || !end) return <Box>Nothing is left to do.</Box>;
  const late = late_min > 0;
  return (
    <Box
      bg={late ? "stop.wash" : broken.length > 0 ? "heat.wash" : "work.wash"}
      borderRadius="slab"
      p="3"
      data-testid="verdict"
      data-late={late || undefined}
    >
      <Box textStyle="wide" fontSize={{ base: "xl", md: "2xl" }}>
        {late ? `Late by ${lateBy(late_min)}` : ready_by ? `Ready ${day(end)}` : `Done ${day(end)}`}
        {broken.length > 0 && ", but not as it should be"}
      </Box>
      <Box>
        Begin {day(begin)}.{" "}
        {latest_start &&
          late &&
          `To be ready by ${day(ready_by ?? end)} it had to be begun ${day(latest_start)}.`}
        {latest_start && !late && `That is the latest start for ${day(ready_by ?? end)}.`}
      </Box>
    </Box>
  );
}

/** How late it is: by days, where it is more than two. */
function lateBy(minutes: number): string {
  const days = Math.round(minutes / (24 * 60));
  return days > 2 ? `${days} days` : stretch(minutes * 60);
}

function waits({ least_h, most_h, waits_for }: Slot): string {
  const from = `after ${Math.round(least_h * 10) / 10} h`;
  const to = most_h == null ? "" : `, at most ${Math.round(most_h)} h`;
  return `${from}${to}: ${waits_for ? inWords(waits_for) : ""}`;
}

interface SittingProps {
  slot: Slot;
  number: number;
  put?: ((step: string, at: string) => void) | undefined;
  letGo?: ((step: string) => void) | undefined;
}

function Sitting({ slot, number, put, letGo }: SittingProps) {
  const [first, ...rest] = slot.texts;
  const late = slot.latest != null && slot.from > slot.latest;
  return (
    <Box
      display="flex"
      flexWrap="wrap"
      alignItems="center"
      columnGap="4"
      borderInlineStartWidth="6px"
      borderColor={late ? "stop" : slot.tempers ? "work" : "cool"}
      bg={late ? "stop.wash" : "bg.subtle"}
      borderRadius="slab"
      px="3"
      py="1"
      data-testid="sitting"
    >
      <Box textStyle="figure" fontSize="lg" w="136px" flexShrink="0">
        {number}. {time(slot.from)}–{time(slot.to)}
      </Box>
      <Box minW="0" flex="1 1 300px" py="1">
        <Box fontWeight="600">
          {slot.name}: {first && inWords(first)}
        </Box>
        {slot.waits_for && (
          <Box fontSize="sm" color="fg.muted">
            {waits(slot)}.{slot.latest && ` Begun by ${day(slot.latest)} at the latest.`}
          </Box>
        )}
      </Box>
      {rest.length > 0 && (
        <Opened words={`Then ${rest.length} more ${rest.length === 1 ? "step" : "steps"}`}>
          <Box as="ol" ps="5" pb="2" listStyleType="decimal">
            {rest.map((text, i) => (
              // biome-ignore lint/suspicious/noArrayIndexKey: steps in their order
              <li key={i}>{inWords(text)}</li>
            ))}
            {slot.tempers && <li>Wash up</li>}
          </Box>
        </Opened>
      )}
      {put && (
        <Opened words={slot.pinned ? "You put it at this time" : "Another time"} open={slot.pinned}>
          <Box display="flex" gap="2" alignItems="end" flexWrap="wrap" maxW="420px">
            <Box flex="1" minW="220px">
              <MomentField
                label={`Sitting ${number} begins`}
                at={slot.from}
                onChange={(at) => put(slot.step, at)}
              />
            </Box>
            {slot.pinned && (
              <Button variant="outline" onClick={() => letGo?.(slot.step)}>
                Let it go
              </Button>
            )}
          </Box>
        </Opened>
      )}
    </Box>
  );
}

interface OpenedProps {
  words: string;
  open?: boolean;
  children: React.ReactNode;
}

/** A line that opens; opened it has the whole width. */
function Opened({ words, open, children }: OpenedProps) {
  return (
    <chakra.details
      open={open}
      fontSize="sm"
      color="fg.muted"
      css={{ "&[open]": { flexBasis: "100%" } }}
    >
      <Box as="summary" cursor="pointer" lineHeight="48px" minW="12">
        {words}
      </Box>
      {children}
    </chakra.details>
  );
}
