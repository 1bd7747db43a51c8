import { Box } from "@chakra-ui/react";
import { memo, useId } from "react";
import type { ColourLook } from "../api/client";
import { channels, familyNames } from "../theme/chocolate";

type Over = ColourLook["over"][number];

/** The same films over every chocolate, as shells that were turned out, and film by film. */
export const OverEach = memo(function OverEach({ over }: { over: Over[] }) {
  return (
    <Box
      display="grid"
      gap="4"
      gridTemplateColumns={{ base: "repeat(2, 1fr)", md: "repeat(5, 1fr)" }}
      data-testid="over-each"
    >
      {over.map((one) => (
        <Shell key={one.family} over={one} />
      ))}
    </Box>
  );
});

/** Nearer than this, of 255, two colours are the same to the eye. */
const SAME = 10;

function apart(a: string, b: string): boolean {
  const other = channels(b);
  return channels(a).some((value, i) => Math.abs(value - (other[i] ?? 0)) > SAME);
}

function Shell({ over }: { over: Over }) {
  const id = useId();
  const steps = [...over.as_put_in].reverse();
  const differs = apart(over.looks, over.backed);
  return (
    <Box data-testid={`over-${over.family}`} data-looks={over.looks} data-backed={over.backed}>
      <svg
        viewBox="0 0 120 120"
        width="100%"
        role="img"
        aria-label={`Over ${familyNames[over.family].toLowerCase()} it looks ${over.looks}`}
      >
        <defs>
          <radialGradient id={id} cx="0.35" cy="0.3" r="0.75">
            <stop offset="0" stopColor="#fff" stopOpacity="0.8" />
            <stop offset="0.18" stopColor="#fff" stopOpacity="0.22" />
            <stop offset="0.5" stopColor="#fff" stopOpacity="0" />
            <stop offset="1" stopColor="#000" stopOpacity="0.32" />
          </radialGradient>
        </defs>
        <circle cx="60" cy="60" r="56" fill={over.looks} />
        {differs && <path d="M60 4a56 56 0 010 112z" fill={over.backed} />}
        <circle cx="60" cy="60" r="56" fill={`url(#${id})`} />
      </svg>
      <Box fontWeight="600" textAlign="center" mt="1">
        {familyNames[over.family]}
      </Box>
      <Box display="flex" h="22px" mt="1" borderRadius="4px" overflow="hidden" borderWidth="1px">
        {steps.map((looks, i) => (
          <Box
            // biome-ignore lint/suspicious/noArrayIndexKey: a step is its place
            key={i}
            flex="1"
            style={{ background: looks }}
          />
        ))}
        <Box flex="1" style={{ background: over.bare }} />
      </Box>
      <Box fontSize="xs" color="fg.muted" mt="1" textAlign="center">
        {steps.length > 1 ? "all films, fewer, bare" : "the film, bare"}
      </Box>
      {differs && (
        <Box fontSize="sm" textAlign="center" mt="1">
          Left as it is, right with white behind
        </Box>
      )}
    </Box>
  );
}
