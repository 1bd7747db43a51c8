import { Box } from "@chakra-ui/react";
import type { InEach, Packing, PlanInputs } from "../../api/client";
import { Fault } from "../../kit/Fault";
import { SelectField } from "../../kit/SelectField";
import { UnitField } from "../../kit/UnitField";

const ways = { none: "none", pieces: "by the piece", grams: "by weight" } as const;
type Way = keyof typeof ways;

interface Props {
  draft: PlanInputs;
  packing: Packing;
  errors: Record<string, string>;
  onChange: (packing: Packing) => void;
}

/** What lies in each: of everything that is made so many pieces, so many grams, or none. */
export function InEachFields({ draft, packing, errors, onChange }: Props) {
  const { each } = packing;
  const put = (component: string, next: InEach | null) => {
    const there = each.some((one) => one.component === component);
    const kept = each.flatMap((one) => (one.component === component ? (next ?? []) : one));
    onChange({ ...packing, each: there || !next ? kept : [...each, next] });
  };
  // What is no longer made can only be taken out.
  const stray = each.filter(
    ({ component }) => !draft.components.some(({ key }) => key === component),
  );
  const kinds = [
    ...draft.components,
    ...stray.map(({ component }) => ({ key: component, name: component })),
  ];
  return (
    <Box display="grid" gap="3" role="group" aria-label="What lies in each">
      {kinds.map(({ key, name }) => {
        const i = each.findIndex(({ component }) => component === key);
        const one = each[i];
        const at = `packing.each[${i}]`;
        const way: Way = one ? (one.grams == null ? "pieces" : "grams") : "none";
        const choose = (next: Way) => {
          if (next === "none") put(key, null);
          else
            put(
              key,
              next === "pieces" ? { component: key, pieces: 2 } : { component: key, grams: 40 },
            );
        };
        return (
          <Box
            key={key}
            role="group"
            aria-label={name}
            borderTopWidth="1px"
            borderColor="border"
            pt="2"
          >
            <Box fontWeight="600" mb="1">
              {name}
            </Box>
            <Box display="grid" gap="2" gridTemplateColumns="1fr 1fr" alignItems="start">
              <SelectField label="Counted" value={way} choices={ways} onChange={choose} />
              {one && (
                <UnitField
                  label="In each"
                  unit={way === "grams" ? "g" : ""}
                  value={way === "grams" ? one.grams : one.pieces}
                  error={errors[`${at}.${way}`] ?? errors[`${at}.pieces`]}
                  onChange={(amount) =>
                    amount !== null && put(key, { component: key, [way]: amount })
                  }
                />
              )}
            </Box>
            {errors[`${at}.component`] && (
              <Fault fontSize="sm">
                {name} {errors[`${at}.component`]}
              </Fault>
            )}
          </Box>
        );
      })}
      {errors["packing.each"] && <Fault fontSize="sm">Each {errors["packing.each"]}</Fault>}
    </Box>
  );
}
