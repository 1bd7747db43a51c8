import { Box } from "@chakra-ui/react";
import { Hand } from "lucide-react";
import type { Me } from "../api/client";
import { inWords } from "../kit/message";
import { type ToDo, whose } from "./hands";

interface Props {
  also: readonly ToDo[];
  me: Me | undefined;
}

/** What other hands can do, or have in hand, beside what this screen shows. */
export function AtTheSameTime({ also, me }: Props) {
  if (also.length === 0) return null;
  return (
    <Box bg="bg.panel" borderRadius="slab" px="4" py="3" data-testid="also">
      <Box textStyle="label" mb="1">
        At the same time, by other hands
      </Box>
      <Box as="ul" listStyleType="none" display="grid" gap="1.5">
        {also.map((step) => (
          <Box as="li" key={step.step} display="flex" gap="2" alignItems="baseline" flexWrap="wrap">
            <Box as="span" color="fg.muted">
              {step.name}
            </Box>
            <Box as="span" fontWeight="600">
              {inWords(step.text)}
            </Box>
            {whose(step, me) === "another" && (
              <Box as="span" display="inline-flex" gap="1" alignItems="center" data-testid="held">
                <Hand size={16} aria-hidden /> {step.in_hand?.device}
              </Box>
            )}
          </Box>
        ))}
      </Box>
    </Box>
  );
}
