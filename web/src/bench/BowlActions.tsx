import { Box, VisuallyHidden } from "@chakra-ui/react";
import { Undo2 } from "lucide-react";
import { memo, useRef } from "react";
import type { ActionAnswer, BowlAnswer } from "../api/client";
import { display } from "../kit/display";
import { temperature } from "../kit/format";
import { Photos } from "../kit/Photos";
import { actionOf, nextAdding } from "./adding";
import { advisedBurst, advisedDeed, pouredWords } from "./advised";
import { BurstsLeft } from "./BurstsLeft";
import { GiveUp } from "./GiveUp";
import { OtherAmount } from "./OtherAmount";
import { ReadingField } from "./ReadingField";
import { TestLooks } from "./TestLooks";
import { Touch } from "./Touch";
import type { BowlAction } from "./useBench";
import { useKeys } from "./useKeys";
import { told } from "./words";

const large = display.print === "large";

const BURSTS = [5, 10, 15, 30];

const ONLY_WHEN_ASKED = new Set<BowlAction["kind"]>([
  "colour_in",
  "strained",
  "dryer",
  "off_cool_water",
]);

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
  last: ActionAnswer | undefined;
  /** The latest reading that was typed. */
  lastTyped: BowlAnswer["last_typed"];
  act: (action: BowlAction) => void;
  read: (temp_c: number) => void;
}

/** Everything that can be done at the bench: a touch or a key each. */
export const BowlActions = memo(function BowlActions(props: Props) {
  const { phase, advice, tested, onStone, last, act, read } = props;
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
  const ended = phase === "done" || phase === "lost";

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
  const open = ended
    ? {}
    : {
        h: () => heat(burst),
        o: () => act({ kind: "off_heat" }),
        s: () => act({ kind: "stirred" }),
        a: returned ?? add,
        c: only ? () => act(only.action) : undefined,
        w: coolWater ? () => act({ kind: "on_cool_water" }) : undefined,
        k: phase === "melting" ? undefined : () => act({ kind: "too_thick" }),
        t: tested ? () => act({ kind: "test_started" }) : undefined,
        p: () => act({ kind: "poured" }),
      };
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
      px="2"
    >
      <Box as="span" display="inline-flex" gap="2" alignItems="center">
        <Undo2 size={20} aria-hidden /> {undoes ? `Undo: ${undoes}` : "Undo"}
      </Box>
    </Touch>
  );
  if (ended) {
    return (
      <Box maxW="420px" display="grid">
        {undoButton}
      </Box>
    );
  }
  return (
    <Box display="grid" gap="3">
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
          md: large ? "repeat(3, minmax(0, 1fr))" : "repeat(4, minmax(0, 1fr))",
          xl: large ? "repeat(3, minmax(0, 1fr))" : "1.25fr repeat(5, minmax(0, 1fr))",
        }}
      >
        <Box gridColumn={{ base: "1 / -1", md: "auto" }}>
          <ReadingField onRead={read} field={reading} />
        </Box>
        <Touch hotkey="S" advised={advised === "stirred"} onClick={() => act({ kind: "stirred" })}>
          Stirred
        </Touch>
        <Touch
          hotkey="O"
          advised={advised === "off_heat"}
          onClick={() => act({ kind: "off_heat" })}
        >
          Off the heat
        </Touch>
        {returned ? (
          <Touch hotkey="A" advised={advised === "off_stone"} onClick={returned}>
            Back in the bowl
          </Touch>
        ) : (
          adding && (
            <Touch
              hotkey="A"
              advised={advised === adding.kind}
              disabled={add === undefined}
              onClick={add}
            >
              {adding.label}
            </Touch>
          )
        )}
        {only && (
          <Touch advised hotkey="C" onClick={() => act(only.action)}>
            {only.label}
          </Touch>
        )}
        {coolWater && (
          <Touch hotkey="W" onClick={() => act({ kind: "on_cool_water" })}>
            Set in cool water
          </Touch>
        )}
        {tested && (
          <Touch
            hotkey="T"
            advised={advised === "test_started"}
            onClick={() => act({ kind: "test_started" })}
          >
            {testing ? "Test again" : "Start the test"}
          </Touch>
        )}
        <Touch
          hotkey="P"
          gridColumn={{ base: "1 / -1", md: "auto" }}
          advised={advised === "poured"}
          onClick={() => act({ kind: "poured" })}
        >
          {pouredWords(props.coloured)}
        </Touch>
      </Box>
      <Box
        display="grid"
        gap="2"
        gridTemplateColumns={{
          base: "1fr",
          xl: large ? "1fr" : "minmax(0, 1.75fr) minmax(0, 0.8fr) minmax(0, 1.5fr)",
        }}
      >
        <Box
          display="flex"
          gap="2"
          role="group"
          aria-label="Heat for"
          flexWrap="wrap"
          alignItems="center"
        >
          <Box textStyle="title" fontSize="lg" ps="1" pe="1" aria-hidden>
            Heat
          </Box>
          {bursts.map((s) => (
            <Touch
              key={s}
              flex="1"
              px="3"
              minW="64px"
              whiteSpace="nowrap"
              {...(s === burst ? { hotkey: "H" } : {})}
              advised={advisedFor === s}
              onClick={() => heat(s)}
            >
              <VisuallyHidden>Heat </VisuallyHidden>
              {s} s
            </Touch>
          ))}
          <Touch flex="1" minW="96px" px="3" onClick={() => act({ kind: "heat" })}>
            <VisuallyHidden>Heat </VisuallyHidden>until off
          </Touch>
        </Box>
        {adding && <OtherAmount adding={adding} onAdd={(g) => act(actionOf(adding, g))} />}
        <Box display="grid" gridTemplateColumns="minmax(0, 1fr) auto auto" gap="2">
          {undoButton}
          <Touch
            hotkey="K"
            disabled={phase === "melting"}
            onClick={() => act({ kind: "too_thick" })}
          >
            Too thick
          </Touch>
          <GiveUp onGiveUp={(reason) => act({ kind: "given_up", reason })} />
        </Box>
      </Box>
      {testing && <Photos of="bowls" id={props.bowlId} what="the smear" />}
    </Box>
  );
});
