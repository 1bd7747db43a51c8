import { Box, VisuallyHidden } from "@chakra-ui/react";
import { ChevronDown, ChevronUp, Undo2 } from "lucide-react";
import { memo, type ReactNode, useRef, useState } from "react";
import type { ActionAnswer, BowlAnswer } from "../api/client";
import { temperature } from "../kit/format";
import { Photos } from "../kit/Photos";
import { useFocusKept } from "../kit/useFocusKept";
import { actionOf, nextAdding } from "./adding";
import { advisedBurst, advisedDeed, pouredWords } from "./advised";
import { BurstsLeft } from "./BurstsLeft";
import { GiveUp } from "./GiveUp";
import { hasEnded } from "./hasEnded";
import { OtherAmount } from "./OtherAmount";
import { type Offer, offered } from "./offered";
import { ReadingField } from "./ReadingField";
import { TestLooks } from "./TestLooks";
import { Touch } from "./Touch";
import type { BowlAction } from "./useBench";
import { useKeys } from "./useKeys";
import { told } from "./words";

const BURSTS = [5, 10, 15, 30];

const ONLY_WHEN_ASKED = new Set<BowlAction["kind"]>([
  "colour_in",
  "strained",
  "dryer",
  "in_warm_water",
  "off_cool_water",
]);

/** Which touch does what the coach asks for. */
const touchFor: Partial<Record<BowlAction["kind"], Offer>> = {
  stirred: "stirred",
  off_heat: "off_heat",
  seed_added: "adding",
  crystals_added: "adding",
  on_stone: "adding",
  off_stone: "adding",
  test_started: "test",
  poured: "poured",
  colour_in: "asked",
  strained: "asked",
  dryer: "asked",
  in_warm_water: "asked",
  off_pad: "pad",
  off_cool_water: "asked",
};

interface Props {
  bowlId: string;
  phase: BowlAnswer["phase"];
  advice: BowlAnswer["advice"];
  additions: BowlAnswer["additions"];
  burstsLeft: number[];
  method: BowlAnswer["method"];
  tested: boolean;
  /** Ready crystals still to go in. */
  crystals_g: number | null;
  /** Whether a part lies on the stone. */
  onStone: boolean;
  /** Whether it is a colour: put on, not poured. */
  coloured: boolean;
  /** Whether it stands in cool water. */
  inWater: boolean;
  /** Whether there is a heating pad. */
  hasPad: boolean;
  /** Whether it is warmed in bursts; over water it stays on until it is taken off. */
  byMicrowave: boolean;
  /** Whether it stands on it. */
  onPad: boolean;
  last: ActionAnswer | undefined;
  /** The latest reading that was typed. */
  lastTyped: BowlAnswer["last_typed"];
  act: (action: BowlAction) => void;
  read: (temp_c: number) => void;
  /** What else stands behind the touch for more. */
  children?: ReactNode;
}

/** What may be meant in this phase is offered large; the rest is one touch away. A key each. */
export const BowlActions = memo(function BowlActions(props: Props) {
  const { phase, advice, tested, onStone, last, act, read } = props;
  const [wide, setWide] = useState(false);
  const reading = useRef<HTMLInputElement>(null);
  const asked = advisedDeed(advice, props.coloured);
  const advised = asked?.action.kind;
  const adding = nextAdding(props);
  // What has no touch of its own is offered where the coach asks for it.
  const only = asked && ONLY_WHEN_ASKED.has(asked.action.kind) ? asked : null;
  const coolWater = advice.rule === "cool_to_gate" && !props.inWater;
  const advisedFor = advisedBurst(advice);
  const burst = advisedFor ?? 15;
  const bursts = [...new Set([...BURSTS, burst])].sort((a, b) => a - b);
  const testing = phase === "testing";
  const ended = hasEnded(phase);

  // The latest of both is what was just entered: something done, or a reading typed.
  const typed = props.lastTyped && (!last || props.lastTyped.at > last.at) ? props.lastTyped : null;
  const undo = typed
    ? () => act({ kind: "reading_withdrawn", reading: typed.id })
    : last && (() => act({ kind: "undone", undoes: last.id }));
  const undoes = typed ? `reading ${temperature(typed.temp_c)}` : last && told(last);
  const heat = (seconds: number) => act({ kind: "heat", seconds });
  const goesIn = adding?.grams ?? null;
  const add =
    adding && goesIn !== null && !onStone ? () => act(actionOf(adding, goesIn)) : undefined;
  const returned = onStone ? () => act({ kind: "off_stone" }) : undefined;

  const touches: Record<Offer, { there: boolean; touch: ReactNode }> = {
    asked: {
      there: only !== null,
      touch: only && (
        <Touch advised hotkey="C" onClick={() => act(only.action)}>
          {only.label}
        </Touch>
      ),
    },
    stirred: {
      there: true,
      touch: (
        <Touch hotkey="S" advised={advised === "stirred"} onClick={() => act({ kind: "stirred" })}>
          Stirred
        </Touch>
      ),
    },
    off_heat: {
      there: true,
      touch: (
        <Touch
          hotkey="O"
          advised={advised === "off_heat"}
          onClick={() => act({ kind: "off_heat" })}
        >
          Off the heat
        </Touch>
      ),
    },
    adding: {
      there: returned !== undefined || add !== undefined,
      touch: returned ? (
        <Touch hotkey="A" advised={advised === "off_stone"} onClick={returned}>
          Back in the bowl
        </Touch>
      ) : (
        adding && (
          <Touch hotkey="A" advised={advised === adding.kind} onClick={add}>
            {adding.label}
          </Touch>
        )
      ),
    },
    cool_water: {
      there: coolWater,
      touch: (
        <Touch hotkey="W" onClick={() => act({ kind: "on_cool_water" })}>
          Set in cool water
        </Touch>
      ),
    },
    pad: {
      // What stands on it can come off at any time.
      there: props.onPad || (props.hasPad && phase === "working"),
      touch: (
        <Touch
          hotkey="D"
          advised={advised === "off_pad"}
          onClick={() => act({ kind: props.onPad ? "off_pad" : "on_pad" })}
        >
          {props.onPad ? "Off the pad" : "On the pad"}
        </Touch>
      ),
    },
    test: {
      there: tested,
      touch: (
        <Touch
          hotkey="T"
          advised={advised === "test_started"}
          onClick={() => act({ kind: "test_started" })}
        >
          {testing ? "Test again" : "Start the test"}
        </Touch>
      ),
    },
    poured: {
      there: true,
      touch: (
        <Touch hotkey="P" advised={advised === "poured"} onClick={() => act({ kind: "poured" })}>
          {pouredWords(props.coloured)}
        </Touch>
      ),
    },
    burst: {
      there: true,
      touch: (
        <Touch
          hotkey="H"
          advised={advisedFor === burst}
          whiteSpace="nowrap"
          onClick={() => heat(burst)}
        >
          Heat {burst} s
        </Touch>
      ),
    },
    until_off: {
      there: true,
      touch: (
        <Touch
          advised={advised === "heat" && advisedFor === null}
          onClick={() => act({ kind: "heat" })}
        >
          {props.byMicrowave ? "Heat until off" : "On the heat"}
        </Touch>
      ),
    },
    too_thick: {
      there: phase !== "melting",
      touch: (
        <Touch hotkey="K" onClick={() => act({ kind: "too_thick" })}>
          Too thick
        </Touch>
      ),
    },
  };
  const there = new Set(
    (Object.keys(touches) as Offer[]).filter((offer) => touches[offer].there && !ended),
  );
  const advisedOffer: Offer | null =
    advised === "heat"
      ? advisedFor === null
        ? "until_off"
        : "burst"
      : ((advised && touchFor[advised]) ?? null);
  const { first, more } = offered(phase, there, advisedOffer, props.byMicrowave);

  const open = ended
    ? {}
    : {
        h: () => heat(burst),
        o: () => act({ kind: "off_heat" }),
        s: () => act({ kind: "stirred" }),
        a: returned ?? add,
        c: only ? () => act(only.action) : undefined,
        d: there.has("pad") ? () => act({ kind: props.onPad ? "off_pad" : "on_pad" }) : undefined,
        w: coolWater ? () => act({ kind: "on_cool_water" }) : undefined,
        k: phase === "melting" ? undefined : () => act({ kind: "too_thick" }),
        t: tested ? () => act({ kind: "test_started" }) : undefined,
        p: () => act({ kind: "poured" }),
        m: () => setWide((before) => !before),
      };
  const kept = useFocusKept<HTMLDivElement>();
  useKeys({ r: () => reading.current?.focus(), u: undo, ...open });

  const undoButton = (
    <Touch
      hotkey="U"
      // Poured, and not tempered: taking it back comes first.
      advised={phase === "done" && advice.level === "stop"}
      disabled={!undo}
      onClick={undo}
      data-testid="undo"
      fontSize="md"
      minH="56px"
      maxW={{ lg: "212px" }}
      px="2"
    >
      <Box as="span" display="inline-flex" gap="2" alignItems="center">
        <Undo2 size={20} aria-hidden /> {undoes ? `Undo: ${undoes}` : "Undo"}
      </Box>
    </Touch>
  );
  if (ended) {
    return (
      <Box display="grid" gap="3" role="group" aria-label="What was done" {...kept}>
        <Box maxW="420px" display="grid">
          {undoButton}
        </Box>
        {props.children}
      </Box>
    );
  }
  return (
    <Box
      display="grid"
      gap={{ base: "1.5", md: "2.5" }}
      role="group"
      aria-label="What is done now"
      {...kept}
    >
      {props.burstsLeft.length > 0 && (
        <BurstsLeft bursts={props.burstsLeft} busy={advice.rule === "heating"} onHeat={heat} />
      )}
      {testing && (
        <TestLooks
          onSeen={(seen, seconds) => act({ kind: "test_seen", seen, seconds: seconds ?? null })}
        />
      )}
      <Box
        display="grid"
        gap="2"
        gridTemplateColumns={{
          base: "1fr 1fr",
          md: "repeat(auto-fit, minmax(170px, 1fr))",
          // All of it in one row, however many are offered.
          lg: `minmax(220px, 1.4fr) repeat(${first.length}, minmax(0, 1fr)) auto auto`,
        }}
        data-testid="offered-row"
        data-touches
      >
        <Box display="contents" data-testid="offered">
          <Box gridColumn={{ base: "1 / -1", md: "span 2", lg: "auto" }}>
            <ReadingField onRead={read} field={reading} />
          </Box>
          {first.map((offer) => (
            <Box key={offer} display="grid">
              {touches[offer].touch}
            </Box>
          ))}
        </Box>
        {undoButton}
        <Touch
          hotkey="M"
          minH="56px"
          fontSize="md"
          aria-expanded={wide}
          aria-controls="more-actions"
          onClick={() => setWide(!wide)}
        >
          <Box as="span" display="inline-flex" gap="2" alignItems="center">
            {wide ? <ChevronUp size={20} aria-hidden /> : <ChevronDown size={20} aria-hidden />}
            {wide ? "Less" : "More"}
          </Box>
        </Touch>
      </Box>
      {wide && (
        <Box id="more-actions" display="grid" gap="2" data-testid="more-actions">
          <Box display="flex" gap="2" flexWrap="wrap" data-touches>
            {more.map((offer) => (
              <Box key={offer} display="grid" flex={{ base: "1 1 40%", md: "0 1 auto" }}>
                {touches[offer].touch}
              </Box>
            ))}
            <GiveUp onGiveUp={(reason) => act({ kind: "given_up", reason })} />
          </Box>
          <Box display="flex" gap="2" flexWrap="wrap" role="group" aria-label="Heat for">
            {bursts
              .filter((s) => s !== burst)
              .map((s) => (
                <Touch
                  key={s}
                  flex="1 1 64px"
                  maxW={{ md: "140px" }}
                  whiteSpace="nowrap"
                  onClick={() => heat(s)}
                >
                  <VisuallyHidden>Heat </VisuallyHidden>
                  {s} s
                </Touch>
              ))}
          </Box>
          {adding && (
            <Box maxW={{ md: "420px" }}>
              <OtherAmount adding={adding} onAdd={(g) => act(actionOf(adding, g))} />
            </Box>
          )}
          {testing && <Photos of="bowls" id={props.bowlId} what="the smear" />}
          {props.children}
        </Box>
      )}
    </Box>
  );
});
