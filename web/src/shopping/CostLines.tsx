import { Box } from "@chakra-ui/react";
import type { PlanCost, WholePlan } from "../api/client";
import { mass } from "../kit/format";
import { money } from "../kit/money";
import { InText } from "../kit/WayTo";
import { packedWords } from "../labels/packedWords";

type CostLine = PlanCost["lines"][number];

const words: Record<CostLine["of"], string> = {
  chocolate: "Chocolate in the pieces",
  colour: "Colour",
  goods: "What goes in and on",
  waste: "Stays on bowls and tools",
  packing: "Sticks, paper, packing",
  hours: "Work",
  power: "Power",
};

interface Props {
  cost: PlanCost;
  packing?: NonNullable<WholePlan["packing"]> | undefined;
  /** Whether it stands in a narrow column. */
  narrow?: boolean;
}

/** A cost as a sum that can be checked: line by line, by the piece, by the box. */
export function CostLines({ cost, packing, narrow = false }: Props) {
  const paid = (amount: number | null | undefined) =>
    amount == null ? "no price" : money(amount, cost.currency);
  const kinds = (Object.keys(words) as CostLine["of"][]).filter((of) =>
    cost.lines.some((line) => line.of === of),
  );
  const one = packing && packedWords[packing.of].one;
  return (
    <Box
      display="grid"
      gap="6"
      gridTemplateColumns={{
        base: "minmax(0, 1fr)",
        lg: narrow ? undefined : "minmax(0, 3fr) minmax(0, 2fr)",
      }}
      alignItems="start"
    >
      <Box as="table" width="full" data-testid="cost-lines" css={tableLook}>
        <caption style={{ textAlign: "start" }}>Cost breakdown</caption>
        {kinds.map((of) => (
          <tbody key={of}>
            <tr>
              <th colSpan={3}>{words[of]}</th>
            </tr>
            {cost.lines
              .filter((line) => line.of === of)
              .map((line, i) => (
                // biome-ignore lint/suspicious/noArrayIndexKey: lines in their order
                <tr key={i}>
                  <td>{line.name}</td>
                  <td className="number">{amount(line, cost.currency)}</td>
                  <td className="number">{paid(line.cost)}</td>
                </tr>
              ))}
          </tbody>
        ))}
        <tfoot>
          <tr>
            <td colSpan={2}>Total</td>
            <td className="number" data-testid="cost-total">
              {paid(cost.total)}
            </td>
          </tr>
        </tfoot>
      </Box>
      <Box display="grid" gap="4">
        {one && cost.box_whole != null && (
          <Box data-testid="cost-box">
            <Box textStyle="label">One {one}</Box>
            <Box textStyle="figure" fontSize="3xl">
              {paid(cost.box_whole)}
            </Box>
            <Box fontSize="sm" color="fg.muted">
              All of it over {packing.count}: spares and waste with it. What lies in one and what it
              is packed in come to {paid(cost.box_goods)}.
            </Box>
          </Box>
        )}
        {cost.price != null && (
          <Box>
            <Box textStyle="label">Price at your margin</Box>
            <Box textStyle="figure" fontSize="2xl">
              {cost.box_price != null ? `${paid(cost.box_price)} a ${one}` : paid(cost.price)}
            </Box>
            {cost.box_price != null && (
              <Box fontSize="sm" color="fg.muted">
                {paid(cost.price)} for all of it.
              </Box>
            )}
          </Box>
        )}
        <Box as="table" width="full" data-testid="cost-pieces" css={tableLook}>
          <caption style={{ textAlign: "start" }}>Ingredients per piece</caption>
          <tbody>
            {cost.made.map((made) => (
              <tr key={made.component}>
                <td>
                  {made.name}
                  {made.unpriced.length > 0 && (
                    <Box fontSize="sm" color="fg.muted">
                      without {made.unpriced.join(", ")}
                    </Box>
                  )}
                </td>
                <td className="number">
                  {made.each != null ? `${paid(made.each)} a piece` : paid(made.cost)}
                </td>
              </tr>
            ))}
          </tbody>
        </Box>
        {cost.unpriced.length > 0 && (
          <Box fontSize="sm" data-testid="unpriced">
            <strong>No price yet:</strong> {cost.unpriced.join(", ")}. They are not in the total.
          </Box>
        )}
        <Box fontSize="sm" color="fg.muted">
          Prices of packs stand on the <InText to="/shelf">shelf</InText>; the currency, your hours,
          power and margin with <InText to="/shelf/heat">your kitchen</InText>.
        </Box>
      </Box>
    </Box>
  );
}

const tableLook = {
  "& caption": { textStyle: "label", pb: "1" },
  "& th": { textAlign: "start", pt: "3", fontWeight: 600 },
  "& td": {
    py: "1.5",
    pe: "3",
    borderTopWidth: "1px",
    borderColor: "border",
    verticalAlign: "top",
  },
  "& .number": { textAlign: "end", whiteSpace: "nowrap", pe: "0", ps: "3" },
  "& tfoot td": { fontWeight: 640, borderTopWidth: "2px" },
} as const;

/** How much, and what that costs each, so that the line can be checked. */
function amount({ mass_g, count, in_ml, cost, of }: CostLine, currency: string): string {
  if (mass_g != null) {
    const per = cost == null ? "" : ` at ${money((cost / mass_g) * 1000, currency)} a kg`;
    return `${mass(mass_g)}${per}`;
  }
  const many = Math.round((count ?? 0) * 100) / 100;
  const unit = in_ml ? " ml" : of === "hours" ? " h" : of === "power" ? " kWh" : "";
  if (cost == null || !count) return `${many}${unit}`;
  // What costs next to nothing by itself is told by the hundred.
  const each = cost / count;
  const per = each < 0.1 ? `${money(each * 100, currency)} a hundred` : money(each, currency);
  return `${many}${unit} at ${per}`;
}
