import { Box, Collapsible } from "@chakra-ui/react";
import { memo } from "react";
import type { Working } from "../api/client";
import { unitOf } from "./display";
import { figure } from "./format";

/** A figure's working, opened by a touch: people trust what they can check. */
export function ShowSum({ steps, of }: { steps: Working[]; of: string }) {
  if (steps.length === 0) return null;
  return (
    <Collapsible.Root lazyMount unmountOnExit>
      <Opener of={of} />
      <Collapsible.Content>
        <Steps steps={steps} />
      </Collapsible.Content>
    </Collapsible.Root>
  );
}

/** Stays as it is while the figures under it move. */
const Opener = memo(function Opener({ of }: { of: string }) {
  return (
    <Collapsible.Trigger asChild>
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
        minH="28px"
      >
        Show the sum
      </Box>
    </Collapsible.Trigger>
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
