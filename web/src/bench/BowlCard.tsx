import { Box, chakra } from "@chakra-ui/react";
import { memo, useMemo } from "react";
import { Link as RouterLink } from "react-router";
import type { BenchBowl } from "../api/client";
import { useIsHelper } from "../devices/me";
import { degreeUnit, shownTemp } from "../kit/display";
import { clock } from "../kit/format";
import { inWords } from "../kit/message";
import { familyNames } from "../theme/chocolate";
import { advisedDeed } from "./advised";
import { BowlSwatch } from "./BowlSwatch";
import { CountdownTo } from "./CountdownTo";
import { Edged } from "./Edged";
import { levels } from "./levels";
import { Touch } from "./Touch";
import { useBench } from "./useBench";
import { useTick } from "./useTick";
import { clockOf } from "./useWholeBench";
import { stands } from "./words";

const Link = chakra(RouterLink);

interface Props {
  bowl: BenchBowl;
  heardNow: string;
  realNow: () => number;
  /** The one that comes first. */
  first: boolean;
}

/** When its turn comes, and after which other bowl. */
function Turn({ bowl, realNow, first }: Pick<Props, "bowl" | "realNow" | "first">) {
  useTick(1000);
  const left = bowl.needs_at ? (Date.parse(bowl.needs_at) - realNow()) / 1000 : 0;
  const when =
    bowl.needs === "now"
      ? first
        ? "First"
        : "Now"
      : bowl.needs === "later"
        ? `Needs you in ${clock(left)}`
        : bowl.clock.rate === 0
          ? "Held"
          : "Can wait";
  return (
    <Box fontWeight="600" fontSize="sm" data-testid="turn">
      {when}
      {bowl.after && <Box as="span" color="fg.muted">{` · after ${bowl.after}`}</Box>}
    </Box>
  );
}

/** A bowl among others: what it needs, when, and the touch that says it is done. */
export const BowlCard = memo(function BowlCard({ bowl, heardNow, realNow, first }: Props) {
  const time = useMemo(() => clockOf(bowl, heardNow, realNow), [bowl, heardNow, realNow]);
  const { act, failing, waiting } = useBench(bowl.id, time);
  const { advice } = bowl;
  const helper = useIsHelper();
  const todo = helper ? null : advisedDeed(advice, bowl.bottle != null);
  const { wash, edge, icon: Icon } = levels[advice.level];
  return (
    <Edged
      as="article"
      aria-label={bowl.batch_name}
      data-testid="bowl-card"
      data-rule={advice.rule}
      wash={wash}
      edge={edge}
      p={{ base: "3", md: "4" }}
      display="grid"
      gap="2"
      gridTemplateColumns={{ base: "minmax(0, 1fr)", md: "minmax(0, 1fr) auto" }}
      alignItems="center"
    >
      <Box minW="0">
        <Box display="flex" gap="3" alignItems="center" flexWrap="wrap">
          <Turn bowl={bowl} realNow={realNow} first={first} />
          <Link
            to={`/bench/${bowl.id}`}
            display="inline-flex"
            gap="2"
            alignItems="center"
            color="ink"
            textDecoration="underline"
            minH="48px"
          >
            <BowlSwatch bowl={bowl} />
            {bowl.batch_name}
          </Link>
          <Box as="span" color="fg.muted" fontSize="sm">
            {bowl.bottle?.name ?? familyNames[bowl.family]} · {stands(bowl).toLowerCase()}
          </Box>
        </Box>
        <Box
          textStyle="wide"
          fontSize={first ? { base: "2xl", md: "4xl" } : { base: "xl", md: "2xl" }}
          lineHeight="1.1"
          mt="1"
          display="flex"
          gap="2"
          alignItems="center"
        >
          {Icon && (
            <Box color={edge} flexShrink={0}>
              <Icon size={30} aria-label={advice.level} />
            </Box>
          )}
          <span>{inWords(advice.say)}</span>
        </Box>
        {first && (
          <Box color="fg.muted" mt="1" fontSize={{ base: "sm", md: "md" }}>
            {inWords(advice.why)}
          </Box>
        )}
        {advice.hint && (
          <Box mt="1" fontWeight="600" fontSize={{ base: "sm", md: "md" }} data-testid="hint">
            {inWords(advice.hint)}
          </Box>
        )}
        {(failing || waiting > 0) && (
          <Box role="status" color="stop" fontWeight="600" fontSize="sm">
            Not sent yet; it is kept here and sent when the connection is back.
          </Box>
        )}
      </Box>
      <Box display="flex" gap="4" alignItems="center" justifyContent="flex-end" flexWrap="wrap">
        {advice.countdown && <CountdownTo countdown={advice.countdown} time={time} />}
        <Box
          textStyle="wide"
          fontSize={first ? { base: "4xl", md: "6xl" } : { base: "3xl", md: "5xl" }}
          lineHeight="1"
          whiteSpace="nowrap"
          minW="4ch"
          textAlign="end"
        >
          {bowl.latest ? shownTemp(bowl.latest.temp_c).toFixed(1) : "–"}
          <Box as="span" fontSize="0.35em" verticalAlign="0.8em" ms="0.1em">
            {degreeUnit}
          </Box>
        </Box>
        <Box w="170px" display="grid">
          {todo ? (
            <Touch advised={first} onClick={() => act(todo.action)}>
              {todo.label}
            </Touch>
          ) : (
            <Link
              to={`/bench/${bowl.id}`}
              minH="64px"
              px="3"
              display="flex"
              alignItems="center"
              fontSize="lg"
              fontWeight="600"
              borderRadius="slab"
              borderWidth="2px"
              borderColor="border.emphasized"
              bg="bg.panel"
            >
              Open
            </Link>
          )}
        </Box>
      </Box>
    </Edged>
  );
});
