import { Box, chakra } from "@chakra-ui/react";
import { Link as RouterLink } from "react-router";
import type { WholePlan } from "../api/client";
import { mass } from "../kit/format";
import { Notes } from "../kit/Notes";
import { Panel } from "../kit/Panel";
import { Swatch } from "../kit/Swatch";
import { plannedLook } from "./plannedLook";
import { weighedOut } from "./weighedOut";

const Link = chakra(RouterLink);

interface Props {
  plan: WholePlan;
  names: ReadonlyMap<string, string>;
}

/** Everything that goes in, what the shelf has of it, and what is still to buy. */
export function ShoppingPlace({ plan, names }: Props) {
  const goods = plan.components.flatMap(({ key, name, goods: of }) =>
    of.map((one) => ({ ...one, id: `${key} ${one.name} ${one.goes}`, component: name })),
  );
  const cost = plan.bowls.reduce((sum, { plan: of }) => sum + (of?.stock?.cost ?? 0), 0);
  return (
    <Panel title="What it takes" maxW="1100px">
      <Box overflowX="auto">
        <Box
          as="table"
          width="full"
          data-testid="shopping"
          css={{
            "& th": { textStyle: "label", textAlign: "start", py: "2", pe: "4" },
            "& td": { py: "2", pe: "4", borderTopWidth: "1px", borderColor: "border" },
            "& .number": { fontWeight: 600, whiteSpace: "nowrap" },
          }}
        >
          <thead>
            <tr>
              <th>What</th>
              <th>Takes</th>
              <th>On the shelf</th>
              <th>To buy</th>
            </tr>
          </thead>
          <tbody>
            {plan.bowls.map(({ key, plan: of, needed_g }) => (
              <tr key={key}>
                <td>
                  <Box display="flex" gap="2" alignItems="center">
                    {of && <Swatch looks={plannedLook(of)} />}
                    {names.get(key) ?? key}
                  </Box>
                </td>
                <td className="number">{mass(of ? weighedOut(of).total_g : needed_g)}</td>
                <td>{of?.stock?.left_g != null ? mass(of.stock.left_g) : "–"}</td>
                <td className="number">
                  {of?.stock?.short_g != null
                    ? of.stock.short_g > 0
                      ? mass(of.stock.short_g)
                      : "nothing"
                    : "–"}
                </td>
              </tr>
            ))}
            {goods.map(({ id, name, mass_g, goes, component }) => (
              <tr key={id}>
                <td>
                  {name}, {goes}
                  {plan.components.length > 1 && (
                    <Box as="span" color="fg.muted">
                      {" "}
                      ({component})
                    </Box>
                  )}
                </td>
                <td className="number">{mass(mass_g)}</td>
                <td>–</td>
                <td>–</td>
              </tr>
            ))}
          </tbody>
        </Box>
      </Box>
      {cost > 0 && (
        <Box mt="3">
          What has a price costs <strong>{cost.toFixed(2)}</strong> in all.
        </Box>
      )}
      <Box mt="3">
        {plan.bowls.map(({ key, plan: of }) => (
          <Notes
            key={key}
            notes={of?.stock?.notes ?? []}
            of={plan.bowls.length > 1 ? (names.get(key) ?? key) : undefined}
          />
        ))}
      </Box>
      <Box mt="3" fontSize="sm" color="fg.muted">
        What stands on the{" "}
        <Link to="/shelf" color="ink" textDecoration="underline">
          shelf
        </Link>{" "}
        with its amount is counted here.
      </Box>
    </Panel>
  );
}
