import { Box, Button, Popover, Portal } from "@chakra-ui/react";
import { HandHelping } from "lucide-react";
import type { Topic } from "../api/client";
import { useHelp } from "../api/queries";
import { inWords } from "../kit/message";
import { HelpFigure } from "./HelpFigure";

interface Props {
  /** What can be asked; nothing is shown where there is none. */
  of: Topic | null | undefined;
  /** As large as a touch with chocolate on the hands needs it. */
  big?: boolean;
}

/** Why a step is done, and how: words and a drawing, opened where they are asked for. */
export function StepHelp({ of, big = false }: Props) {
  const help = useHelp().data?.find(({ topic }) => topic === of);
  if (!of || !help) return null;
  const title = inWords(help.title);
  return (
    <Popover.Root lazyMount unmountOnExit positioning={{ placement: "bottom-start" }}>
      <Popover.Trigger asChild>
        <Button
          variant={big ? "outline" : "ghost"}
          size={big ? "lg" : "sm"}
          h={big ? "52px" : "44px"}
          my={big ? "0" : "-12px"}
          px={big ? "4" : "2"}
          color="ink"
          fontWeight="600"
          {...(!big && {
            _hover: { bg: "transparent", textDecoration: "underline" },
            _expanded: { bg: "transparent" },
          })}
          aria-label={`Why and how: ${title}`}
          data-testid="step-help"
        >
          <HandHelping aria-hidden size={big ? 22 : 18} /> {big ? "Why and how" : "How"}
        </Button>
      </Popover.Trigger>
      <Portal>
        <Popover.Positioner>
          <Popover.Content
            width="min(440px, calc(100vw - 24px))"
            maxH="min(560px, calc(100vh - 48px))"
            overflowY="auto"
            bg="bg.panel"
            borderWidth="2px"
            borderColor="ink"
          >
            <Popover.Body p="4" color="fg" data-testid="help-told">
              <Popover.Title fontWeight="640" fontSize="lg">
                {title}
              </Popover.Title>
              <HelpFigure of={of} />
              <Box mt="2">{inWords(help.why)}</Box>
              <Box as="ol" ps="5" mt="2" listStyleType="decimal" display="grid" gap="1.5">
                {help.how.map((one) => (
                  <li key={one.code}>{inWords(one)}</li>
                ))}
              </Box>
            </Popover.Body>
          </Popover.Content>
        </Popover.Positioner>
      </Portal>
    </Popover.Root>
  );
}
