import { Box, Popover, Portal } from "@chakra-ui/react";
import { glossary, type Term } from "./glossary";

/** One line on a word of the craft, opened where it first appears. */
export function Hint({ of }: { of: Term }) {
  const { name, line } = glossary[of];
  return (
    <Popover.Root lazyMount unmountOnExit positioning={{ placement: "bottom-start" }}>
      <Popover.Trigger asChild>
        <Box
          as="button"
          aria-label={`What is ${name.toLowerCase()}?`}
          display="inline-grid"
          placeItems="center"
          verticalAlign="middle"
          w="48px"
          h="48px"
          my="-14px"
          mx="-8px"
          cursor="pointer"
          color="ink"
        >
          <Box
            as="span"
            aria-hidden
            w="18px"
            h="18px"
            borderRadius="full"
            borderWidth="1.5px"
            borderColor="ink"
            fontSize="12px"
            lineHeight="15px"
            fontWeight="640"
          >
            ?
          </Box>
        </Box>
      </Popover.Trigger>
      <Portal>
        <Popover.Positioner>
          <Popover.Content
            width="min(360px, calc(100vw - 24px))"
            bg="bg.panel"
            borderWidth="2px"
            borderColor="ink"
          >
            <Popover.Body p="3" fontSize="sm" color="fg">
              <Popover.Title fontWeight="640">{name}</Popover.Title>
              {line}
            </Popover.Body>
          </Popover.Content>
        </Popover.Positioner>
      </Portal>
    </Popover.Root>
  );
}
