import { Box } from "@chakra-ui/react";
import type { LucideIcon } from "lucide-react";
import type { ReactNode } from "react";
import type { Place } from "../api/client";
import { Touch } from "../bench/Touch";
import { placeNames } from "./places";

interface Props {
  icon: LucideIcon;
  name: string;
  place: Place;
  letGo: () => void;
  /** How it stands. */
  children: ReactNode;
  testId: string;
}

/** A thermometer that measures this bowl, and how it is let go of. */
export function Measuring({ icon: Icon, name, place, letGo, children, testId }: Props) {
  return (
    <Box display="flex" gap="3" alignItems="center" flexWrap="wrap" data-testid={testId}>
      <Box
        role="status"
        display="flex"
        gap="2"
        alignItems="center"
        flexWrap="wrap"
        fontWeight="560"
      >
        <Icon size={20} aria-hidden />
        {name}, {placeNames[place]}: {children}
      </Box>
      <Touch minH="56px" fontSize="md" onClick={letGo}>
        Let go of it
      </Touch>
    </Box>
  );
}
