import { Box, chakra } from "@chakra-ui/react";
import { Link as RouterLink } from "react-router";
import type { WholePlan } from "../api/client";
import { mass } from "../kit/format";
import { Notes } from "../kit/Notes";
import { Panel } from "../kit/Panel";
import { Swatch } from "../kit/Swatch";
import { counted } from "../shelf/counted";
import { plannedLook } from "./plannedLook";
import { weighedOut } from "./weighedOut";

const Link = chakra(RouterLink);

interface Props {
  plan: WholePlan;
  names: ReadonlyMap<string, string>;
}

/** Everything that goes in, what the shelf has of it, and what is still to buy. */
export function ShoppingPlace({ plan, names }: Props) {
  const costs = [
    ...plan.bowls.map(({ plan: of }) => of?.stock?.cost),
    ...plan.goods.map(({ stock }) => stock?.cost),
  ];
  // A part of a bowl is bought with it.
  const bought = plan.bowls.filter(({ taken }) => taken == null);
  const cost = costs.reduce<number>((sum, one) => sum + (one ?? 0), 0);
  return (
    <Panel title="What it takes" maxW="1100px">
      {/* Where it is wider than a phone it can be moved by the keyboard too. */}
      <Box as="section" aria-label="What it takes, as a table" overflowX="auto" tabIndex={0}>
        <Box
          as="table"
          width="full"
          data-testid="shopping"
          css={{
            "& th": { textStyle: "label", textAlign: "start", py: "2", pe: "4" },
            "& td": { py: "2", pe: "4", borderTopWidth: "1px", borderColor: "border" },
            "& .number": { fontWeight: 600, whiteSpace: { base: "normal", md: "nowrap" } },
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
            {bought.map(({ key, plan: of, looks, needed_g }) => (
              <tr key={key}>
                <td>
                  <Box display="flex" gap="2" alignItems="center">
                    {of && <Swatch looks={plannedLook(of, looks)} />}
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
            {plan.goods.map((one) => (
              <GoodsRow key={one.stock?.id ?? one.name} one={one} />
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
        {plan.goods.map(({ name, stock }) => (
          <Notes key={stock?.id ?? name} notes={stock?.notes ?? []} />
        ))}
      </Box>
      <Box mt="3" fontSize="sm" color="fg.muted">
        What stands on the{" "}
        <Link to="/shelf" color="ink" textDecoration="underline">
          shelf
        </Link>{" "}
        with its amount is counted here, chocolates and{" "}
        <Link to="/shelf/goods" color="ink" textDecoration="underline">
          goods
        </Link>
        .
      </Box>
    </Panel>
  );
}

/** One of the goods: what it goes into, what is taken, what there is and what is to be bought. */
function GoodsRow({
  one: { name, mass_g, count, uses, stock },
}: {
  one: WholePlan["goods"][number];
}) {
  const made = new Set(uses.map(({ component }) => component));
  return (
    <tr>
      <td>
        {name}
        <Box as="span" color="fg.muted">
          {`, ${[...new Set(uses.map(({ goes }) => goes))].join(", ")} (${[...made].join(", ")})`}
        </Box>
      </td>
      <td className="number">{takes(mass_g, count, stock)}</td>
      <td>{stock?.left != null ? counted(stock.left, stock.unit) : "–"}</td>
      <td className="number">{toBuy(stock)}</td>
    </tr>
  );
}

type Stock = WholePlan["goods"][number]["stock"];

/** How much of it: by the piece, where nobody eats it; else by weight, and as it is counted. */
function takes(mass_g: number, count: number | null | undefined, stock: Stock): string {
  if (count != null) return counted(count, "piece");
  if (stock?.needed == null || stock.unit === "g") return mass(mass_g);
  return `${counted(stock.needed, stock.unit)} (${mass(mass_g)})`;
}

function toBuy(stock: Stock): string {
  if (stock?.short == null) return "–";
  if (stock.short === 0) return "nothing";
  const packs = stock.packs === 1 ? ": a pack" : `: ${stock.packs} packs`;
  return `${counted(stock.short, stock.unit)}${stock.packs ? packs : ""}`;
}
