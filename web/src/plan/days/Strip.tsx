import { Box, chakra } from "@chakra-ui/react";
import { type KeyboardEvent, type PointerEvent, useRef, useState } from "react";
import type { Days, Slot } from "../../api/client";
import { fullDay, time, weekday } from "../../kit/format";
import { dayOf, daysBetween, moved, type Piece, pieces } from "../../kit/moments";

/** How high a day is. */
const ROW_PX = 60;
/** A moved touch that is shorter was none. */
const MOVES_PX = 6;

interface Props {
  days: Days;
  /** What each sitting is numbered with, by its first step. */
  numbers: Map<string, number>;
  /** Sittings that do not hold. */
  broken: Set<string>;
  /** Puts a sitting at a time; none can be put where it is left out. */
  onPut?: ((step: string, at: string) => void) | undefined;
}

/** All days under each other, the hours across: what is done when, at a glance. */
export function Strip({ days, numbers, broken, onPut }: Props) {
  const { slots, others, free, begin, end, ready_by } = days;
  if (!begin || !end) return null;
  const last = ready_by && ready_by > end ? ready_by : end;
  const shown = daysBetween(dayOf(new Date(begin)), dayOf(new Date(last)));
  const inSight = <T,>(of: Piece<T>[]) => of.filter(({ day }) => shown.includes(day));
  const mine = inSight(pieces(slots));
  const theirs = inSight(pieces(others));
  const open = inSight(pieces(free));
  const all = [...mine, ...theirs, ...open];
  const from = Math.floor(Math.min(...all.map((one) => one.from)) / 60) * 60;
  const to = Math.ceil(Math.max(...all.map((one) => one.to), from + 60) / 60) * 60;
  const x = (minute: number) => `${(100 * (minute - from)) / (to - from)}%`;
  const wide = (piece: Piece<unknown>) => `${(100 * (piece.to - piece.from)) / (to - from)}%`;
  const marks: number[] = [];
  const every = to - from > 12 * 60 ? 240 : 120;
  for (let at = Math.ceil(from / every) * every; at < to; at += every) marks.push(at);
  const dueAt = ready_by ? new Date(ready_by) : undefined;
  const dueMin = dueAt ? dueAt.getHours() * 60 + dueAt.getMinutes() : undefined;
  return (
    <Box as="section" aria-label="Sittings by day" data-testid="strip">
      <Box display="grid" gridTemplateColumns={{ base: "52px 1fr", md: "150px 1fr" }} gap="2">
        <Box />
        <Box position="relative" h="5" fontSize="xs" color="fg.muted">
          {marks.map((at) => (
            <Box key={at} position="absolute" style={{ left: x(at) }}>
              {String(Math.floor(at / 60)).padStart(2, "0")}:00
            </Box>
          ))}
        </Box>
        {shown.map((day) => (
          <Row key={day} day={day}>
            {open
              .filter((one) => one.day === day)
              .map((one) => (
                <Box
                  key={`${one.from}`}
                  position="absolute"
                  insetBlock="0"
                  bg="bg.panel"
                  style={{ left: x(one.from), width: wide(one) }}
                />
              ))}
            {marks.map((at) => (
              <Box
                key={at}
                position="absolute"
                insetBlock="0"
                borderInlineStartWidth="1px"
                borderColor="border"
                style={{ left: x(at) }}
              />
            ))}
            {theirs
              .filter((one) => one.day === day)
              .map((one) => (
                <Box
                  key={`${one.of.id} ${one.from}`}
                  position="absolute"
                  insetBlock="2"
                  bg="bg.emphasized"
                  borderRadius="slab"
                  overflow="hidden"
                  whiteSpace="nowrap"
                  fontSize="xs"
                  px="1"
                  title={`${one.of.name}, ${time(one.of.from)} to ${time(one.of.to)}`}
                  data-testid="other"
                  style={{ left: x(one.from), width: wide(one) }}
                >
                  {one.of.name}
                </Box>
              ))}
            {dueMin !== undefined && dueAt && dayOf(dueAt) === day && (
              <Box
                position="absolute"
                insetBlock="0"
                borderInlineStartWidth="3px"
                borderColor="ink"
                style={{ left: x(Math.min(dueMin, to)) }}
                title={`Ready by ${time(dueAt.toISOString())}`}
                data-testid="ready-by"
              />
            )}
            {mine
              .filter((one) => one.day === day)
              .map((one) => (
                <Sitting
                  key={`${one.of.step} ${one.from}`}
                  slot={one.of}
                  number={numbers.get(one.of.step) ?? 0}
                  broken={broken.has(one.of.step)}
                  left={x(one.from)}
                  share={(100 * (one.to - one.from)) / (to - from)}
                  perPx={(px, track) => (px / track) * (to - from)}
                  onPut={onPut}
                />
              ))}
          </Row>
        ))}
      </Box>
    </Box>
  );
}

function Row({ day, children }: { day: string; children: React.ReactNode }) {
  const noon = new Date(`${day}T12:00`).toISOString();
  return (
    <>
      <Box fontWeight="600" fontSize="sm" alignSelf="center" lineHeight="1.15">
        <Box as="span" hideFrom="md">
          {weekday(noon).slice(0, 3)} {day.slice(8)}
        </Box>
        <Box as="span" hideBelow="md">
          {fullDay(noon)}
        </Box>
      </Box>
      <Box
        position="relative"
        bg="bg.muted"
        borderRadius="slab"
        overflow="hidden"
        h={`${ROW_PX}px`}
        css={{ containerType: "inline-size" }}
        data-track
      >
        {children}
      </Box>
    </>
  );
}

interface SittingProps {
  slot: Slot;
  number: number;
  broken: boolean;
  left: string;
  /** How wide it is, of the track, %. */
  share: number;
  /** How many minutes so many pixels of a track are. */
  perPx: (px: number, track: number) => number;
  onPut?: ((step: string, at: string) => void) | undefined;
}

/** One sitting: it can be dragged to another hour or day, or moved with the arrow keys. */
function Sitting({ slot, number, broken, left, share, perPx, onPut }: SittingProps) {
  const [off, setOff] = useState<{ x: number; y: number }>();
  const start = useRef<{ x: number; y: number }>(undefined);
  const put = (days: number, minutes: number) =>
    onPut?.(slot.step, moved(slot.from, days, minutes));
  const down = (event: PointerEvent) => {
    if (!onPut) return;
    event.currentTarget.setPointerCapture(event.pointerId);
    start.current = { x: event.clientX, y: event.clientY };
  };
  const move = ({ clientX, clientY }: PointerEvent) => {
    if (start.current) setOff({ x: clientX - start.current.x, y: clientY - start.current.y });
  };
  const up = (event: PointerEvent) => {
    const track = event.currentTarget.closest("[data-track]")?.clientWidth ?? 1;
    if (off && Math.hypot(off.x, off.y) > MOVES_PX) {
      put(Math.round(off.y / (ROW_PX + 8)), perPx(off.x, track));
    }
    start.current = undefined;
    setOff(undefined);
  };
  const key = (event: KeyboardEvent) => {
    const by = { ArrowLeft: [0, -15], ArrowRight: [0, 15], ArrowUp: [-1, 0], ArrowDown: [1, 0] };
    const step = by[event.key as keyof typeof by];
    if (!step || !onPut) return;
    event.preventDefault();
    put(step[0] ?? 0, step[1] ?? 0);
  };
  const look = broken
    ? { bg: "stop.wash", edge: "stop" }
    : slot.tempers
      ? { bg: "work.wash", edge: "work" }
      : { bg: "cool.wash", edge: "cool" };
  return (
    <chakra.button
      type="button"
      aria-label={`Sitting ${number}: ${slot.name}, ${time(slot.from)} to ${time(slot.to)}`}
      title={`${slot.name}, ${time(slot.from)} to ${time(slot.to)}`}
      // A finger hits what is shorter than it is wide; what is drawn is as long as it takes.
      position="absolute"
      insetBlock="6px"
      minW="48px"
      textAlign="start"
      cursor={onPut ? "grab" : undefined}
      touchAction="none"
      zIndex={off ? 2 : 1}
      style={{ left, width: `${share}%`, transform: off && `translate(${off.x}px, ${off.y}px)` }}
      onPointerDown={down}
      onPointerMove={move}
      onPointerUp={up}
      onPointerCancel={() => setOff(undefined)}
      onKeyDown={key}
      data-step={slot.step}
    >
      <Box
        h="full"
        style={{ width: `max(24px, ${share}cqw)` }}
        bg={look.bg}
        borderWidth="2px"
        borderColor={look.edge}
        borderStyle={slot.pinned ? "dashed" : "solid"}
        borderRadius="slab"
        fontWeight="700"
        fontSize="sm"
        px="0.5"
        overflow="hidden"
        whiteSpace="nowrap"
        lineHeight="44px"
      >
        {number}
      </Box>
    </chakra.button>
  );
}
