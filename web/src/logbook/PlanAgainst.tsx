import { Box, Table } from "@chakra-ui/react";
import type { BowlWithPlan } from "../api/client";
import { band, clock, mass, temperature } from "../kit/format";
import { inWords } from "../kit/message";
import { weighedOut } from "../plan/weighedOut";

/** The plan beside what happened, line by line. */
export function PlanAgainst({ known }: { known: BowlWithPlan }) {
  const { bowl, plan } = known;
  const end = bowl.poured_at ?? (bowl.gave_up ? bowl.phase_since : null);
  const lasted = end ? (Date.parse(end) - Date.parse(bowl.opened_at)) / 1000 : null;
  const heat = bowl.actions
    .filter((a) => a.kind === "heat" && Date.parse(a.at) < firstSeed(bowl.actions))
    .reduce((sum, a) => sum + (a.seconds ?? 0), 0);
  const none = "–";
  const rows: [string, string, string][] = [
    [
      "Melted to",
      temperature(plan.amounts.melted_c),
      bowl.peak_c == null ? none : `${temperature(bowl.peak_c)} at most`,
    ],
    [
      "Heat",
      plan.microwave ? clock(plan.microwave.seconds) : "water bath",
      heat > 0 ? clock(heat) : none,
    ],
    ...(plan.amounts.seed_g > 0 || bowl.seeded_g > 0
      ? [["Seed", mass(plan.amounts.seed_g), mass(bowl.seeded_g)] as [string, string, string]]
      : []),
    ...weighed(known),
    [
      "Poured at",
      band(plan.amounts.use_c),
      bowl.poured_c == null ? none : temperature(bowl.poured_c),
    ],
    ["Test", bowl.tested ? "before pouring" : "none needed", testWords(bowl)],
    [
      bowl.gave_up ? "At the bench for" : "From bench to pour",
      none,
      lasted === null ? none : clock(lasted),
    ],
    [
      "Room",
      [temperature(bowl.room_c), plan.room && `dew at ${temperature(plan.room.dew_point_c)}`]
        .filter(Boolean)
        .join(", "),
      none,
    ],
  ];
  return (
    <Box overflowX="auto">
      <Table.Root size="sm" bg="transparent">
        <Table.Header>
          <Table.Row bg="transparent">
            <Table.ColumnHeader color="fg.muted">Figure</Table.ColumnHeader>
            <Table.ColumnHeader color="fg.muted">Plan</Table.ColumnHeader>
            <Table.ColumnHeader color="fg.muted">As it went</Table.ColumnHeader>
          </Table.Row>
        </Table.Header>
        <Table.Body>
          {rows.map(([what, planned, happened]) => (
            <Table.Row key={what} bg="transparent">
              <Table.Cell fontWeight="560">{what}</Table.Cell>
              <Table.Cell color="fg.muted">{planned}</Table.Cell>
              <Table.Cell fontWeight="600">{happened}</Table.Cell>
            </Table.Row>
          ))}
        </Table.Body>
      </Table.Root>
    </Box>
  );
}

/** What the method had weighed besides seed. */
function weighed({ bowl, plan }: BowlWithPlan): [string, string, string][] {
  const sum = (kind: string) =>
    bowl.actions.filter((a) => a.kind === kind).reduce((g, a) => g + (a.grams ?? 0), 0);
  const lines: [string, number, number][] = [
    ["Ready crystals", weighedOut(plan).crystals_g, sum("crystals_added")],
    ["Out on the stone", weighedOut(plan).pour_out_g, sum("on_stone")],
  ];
  return lines
    .filter(([, planned, happened]) => planned > 0 || happened > 0)
    .map(([what, planned, happened]) => [what, mass(planned), mass(happened)]);
}

function firstSeed(actions: BowlWithPlan["bowl"]["actions"]): number {
  const seed = actions.find((a) => a.kind === "seed_added");
  return seed ? Date.parse(seed.at) : Number.POSITIVE_INFINITY;
}

function testWords(bowl: BowlWithPlan["bowl"]): string {
  return (
    (bowl.test?.words && inWords(bowl.test.words)) ??
    (bowl.poured_at && bowl.tested ? "none: poured untested" : "none")
  );
}
