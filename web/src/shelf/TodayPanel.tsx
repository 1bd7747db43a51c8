import { Box } from "@chakra-ui/react";
import type { ReactNode } from "react";
import type { Today } from "../api/client";
import { useToday } from "../api/queries";
import { onDay } from "../kit/format";
import { WayTo } from "../kit/WayTo";
import { counted } from "./counted";

/** So many of each are named; the rest is counted. */
const NAMED = 3;

/** The shelf today: what runs out, what expires, what it is enough for. */
export function TodayPanel() {
  const today = useToday().data;
  if (!today) return null;
  const { runs_out, expires, enough_for } = today;
  if (runs_out.length + expires.length + enough_for.length === 0) return null;
  return (
    <Box
      as="section"
      aria-label="The shelf today"
      data-testid="shelf-today"
      display="grid"
      gap="3"
      gridTemplateColumns={{ base: "minmax(0, 1fr)", md: "repeat(3, minmax(0, 1fr))" }}
      mb="4"
    >
      <Told title="Runs out" none="Nothing, for the plans with a date.">
        {runs_out.slice(0, NAMED).map((one) => (
          <Line key={one.id ?? one.name} name={one.name} says={lacks(one)} />
        ))}
        <More all={runs_out} />
        {runs_out.length > 0 && <WayTo to="/shelf/shopping">Shopping list</WayTo>}
      </Told>
      <Told title="Expires" none="Nothing within two weeks.">
        {expires.slice(0, NAMED).map(({ id, name, best_before, past }) => (
          <Line
            key={id}
            name={name}
            says={past ? `past: ${onDay(best_before)}` : onDay(best_before)}
            grave={past}
          />
        ))}
        <More all={expires} />
      </Told>
      <Told title="Enough to make" none="No plan as it stands.">
        {enough_for.slice(0, NAMED).map(({ id, name }) => (
          <Box key={id}>
            <WayTo to={`/plans/${id}`}>{name}</WayTo>
          </Box>
        ))}
        <More all={enough_for} />
      </Told>
    </Box>
  );
}

function lacks({ short, unit }: Today["runs_out"][number]): string {
  return short > 0 ? `${counted(short, unit)} short` : "none left";
}

function Told({ title, none, children }: { title: string; none: string; children: ReactNode[] }) {
  const empty = children.flat().filter(Boolean).length <= 1;
  return (
    <Box bg="bg.panel" borderRadius="slab" px="4" py="3">
      <Box textStyle="label" mb="1">
        {title}
      </Box>
      {empty ? (
        <Box color="fg.muted" fontSize="sm">
          {none}
        </Box>
      ) : (
        children
      )}
    </Box>
  );
}

function Line({ name, says, grave = false }: { name: string; says: string; grave?: boolean }) {
  return (
    <Box display="flex" justifyContent="space-between" gap="3" py="0.5">
      <Box as="span" minW="0">
        {name}
      </Box>
      <Box as="strong" color={grave ? "stop" : "fg"} flexShrink={0}>
        {says}
      </Box>
    </Box>
  );
}

function More({ all }: { all: unknown[] }) {
  if (all.length <= NAMED) return null;
  return (
    <Box fontSize="sm" color="fg.muted">
      and {all.length - NAMED} more
    </Box>
  );
}
