import { Box, Popover, Portal } from "@chakra-ui/react";
import { memo } from "react";
import type { Working } from "../api/client";
import { unitOf } from "./display";
import { figure } from "./format";

/** A figure's working, over the page by a touch: people trust what they can check. */
export function ShowSum({ steps, of }: { steps: Working[]; of: string }) {
  if (steps.length === 0) return null;
  return (
    <Popover.Root lazyMount unmountOnExit positioning={{ placement: "bottom-start" }}>
      <Opener of={of} />
      <Portal>
        <Popover.Positioner>
          <Popover.Content
            width="min(440px, calc(100vw - 24px))"
            maxH="60vh"
            overflowY="auto"
            bg="bg.panel"
            borderWidth="2px"
            borderColor="ink"
          >
            <Popover.Body p="2">
              <Popover.Title textStyle="label" px="3" pt="1">
                The sum: {of}
              </Popover.Title>
              <Steps steps={steps} />
            </Popover.Body>
          </Popover.Content>
        </Popover.Positioner>
      </Portal>
    </Popover.Root>
  );
}

/** Stays as it is while the figures under it move. */
const Opener = memo(function Opener({ of }: { of: string }) {
  return (
    <Popover.Trigger asChild>
      <Box
        as="button"
        aria-label={`Show the sum: ${of}`}
        fontSize="sm"
        fontWeight="560"
        color="ink"
        textDecoration="underline"
        textDecorationStyle="dotted"
        textUnderlineOffset="3px"
        cursor="pointer"
        minH="48px"
        my="-10px"
        justifySelf="start"
      >
        Show the sum
      </Box>
    </Popover.Trigger>
  );
});

function Steps({ steps }: { steps: Working[] }) {
  return (
    <Box as="dl" mt="1" py="2" px="3" bg="bg.subtle" borderRadius="slab" fontSize="sm">
      {steps.map((step, i) => (
        <Box
          key={step.label}
          display="flex"
          justifyContent="space-between"
          gap="4"
          py="1"
          borderTopWidth={i === 0 ? 0 : "1px"}
          fontWeight={i === steps.length - 1 ? "640" : "400"}
        >
          <dt>{step.label}</dt>
          <Box as="dd" whiteSpace="nowrap">
            {figure(unitOf(step.unit).shown(step.value))} {unitOf(step.unit).unit}
          </Box>
        </Box>
      ))}
    </Box>
  );
}
