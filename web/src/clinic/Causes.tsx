import { Box } from "@chakra-ui/react";
import type { ReactNode } from "react";
import type { Cause } from "../api/client";
import { inWords } from "../kit/message";
import { ShowSum } from "../kit/ShowSum";

/** Of what is less likely than this only the name is told. */
const WORTH_A_LOOK = 0.08;
const MOST = 3;

interface Props {
  causes: Cause[];
  /** What else can be done with a cause. */
  deed?: ((cause: Cause) => ReactNode) | undefined;
}

/** The likely causes, the first with all there is to say of it. */
export function Causes({ causes, deed }: Props) {
  const shown = causes.filter(({ chance }) => chance >= WORTH_A_LOOK).slice(0, MOST);
  const told = shown.length > 0 ? shown : causes.slice(0, 1);
  const others = causes.filter((one) => !told.includes(one)).slice(0, 5);
  return (
    <Box display="grid" gap="3" data-testid="causes">
      {told.map((cause, place) => (
        <One key={cause.key} cause={cause} first={place === 0} deed={deed?.(cause)} />
      ))}
      {others.length > 0 && (
        <Box fontSize="sm" color="fg.muted">
          Less likely: {others.map(({ name }) => lower(inWords(name))).join("; ")}.
        </Box>
      )}
    </Box>
  );
}

function lower(words: string): string {
  return words.charAt(0).toLowerCase() + words.slice(1);
}

interface OneProps {
  cause: Cause;
  first: boolean;
  deed: ReactNode;
}

function One({ cause, first, deed }: OneProps) {
  const of = (speaks: boolean | null) =>
    cause.evidence.filter((one) => (one.for ?? null) === speaks).map(({ says }) => inWords(says));
  return (
    <Box
      as="article"
      borderStartWidth="6px"
      borderColor={first ? "ink" : "border.emphasized"}
      ps="3"
      data-cause={cause.key}
    >
      <Box display="flex" gap="3" alignItems="baseline" flexWrap="wrap">
        <Box as="h3" fontWeight="640" fontSize={first ? "xl" : "md"}>
          {inWords(cause.name)}
        </Box>
        <Box fontWeight="560">{inWords(cause.words)}</Box>
      </Box>
      <Bar chance={cause.chance} />
      <Said title="Speaks for it" of={of(true)} />
      <Said title="Speaks against it" of={of(false)} />
      <Said of={of(null)} />
      {cause.evidence.length === 0 && (
        <Box fontSize="sm" color="fg.muted">
          What is seen is all there is to tell it by.
        </Box>
      )}
      <Box mt="2">
        <b>Now:</b> {inWords(cause.rescue)}
      </Box>
      <Box>
        <b>Next time:</b> {inWords(cause.next_time)}
      </Box>
      <ShowSum steps={cause.sum} of={inWords(cause.name)} />
      {deed}
    </Box>
  );
}

function Bar({ chance }: { chance: number }) {
  return (
    <Box h="8px" my="2" maxW="360px" bg="border" borderRadius="full" overflow="hidden" aria-hidden>
      <Box h="full" bg="ink" w={`${Math.round(chance * 100)}%`} />
    </Box>
  );
}

/** Sentences of evidence; those of what is not known say so themselves. */
function Said({ title, of }: { title?: string; of: string[] }) {
  if (of.length === 0) return null;
  return (
    <Box fontSize="sm" color={title ? "fg" : "fg.muted"}>
      {title && (
        <Box as="span" fontWeight="560">
          {title}:{" "}
        </Box>
      )}
      {of.join(" ")}
    </Box>
  );
}
