import { Box } from "@chakra-ui/react";
import { memo, type ReactNode } from "react";
import type { WholePlan } from "../api/client";
import { Allergens } from "../chocolate/Allergens";
import { mass, temperature } from "../kit/format";
import { Notes } from "../kit/Notes";
import { Swatch } from "../kit/Swatch";
import { Hint } from "../reference/Hint";
import { bowlLook } from "./plannedLook";
import { takesWords } from "./takesWords";
import { weighedInAll, weighedOut } from "./weighedOut";

/** What it is about that is in the way, where there are several. */
function about(plan: WholePlan, names: Props["names"]): string | undefined {
  const { bowl, component } = plan.in_the_way ?? {};
  if (bowl && plan.bowls.length > 1) return names.get(bowl) ?? bowl;
  if (component && plan.components.length > 1) {
    return plan.components.find(({ key }) => key === component)?.name;
  }
  return undefined;
}

interface Props {
  plan: WholePlan;
  names: ReadonlyMap<string, string>;
  chosen: string | undefined;
  onChoose: (key: string) => void;
  /** What is drawn beside the figures. */
  picture: ReactNode;
}

/** What one wants to know first: how it will look, what to weigh, how long, what is in the way. */
export function Glance({ picture, ...figures }: Props) {
  return (
    <Box
      as="section"
      aria-label="At a glance"
      bg="bg.panel"
      borderRadius="slab"
      p="4"
      display="grid"
      gap="4"
      gridTemplateColumns={{ base: "minmax(0, 1fr)", md: "minmax(0, 1.35fr) minmax(230px, 1fr)" }}
      alignItems="start"
      data-testid="glance"
    >
      <Box
        minW="0"
        color="fg.muted"
        css={{ "& svg": { maxHeight: { base: "220px", md: "300px" } } }}
      >
        {picture}
      </Box>
      <Figures {...figures} />
    </Box>
  );
}

/** The figures, which do not wait for the picture nor follow it. */
const Figures = memo(function Figures({ plan, names, chosen, onChoose }: Omit<Props, "picture">) {
  const weighed = weighedInAll(plan);
  const several = plan.bowls.length > 1;
  return (
    <Box display="grid" gap="3" minW="0">
      {weighed.to_weigh_g > 0 && (
        <Box>
          <Box textStyle="label">Weigh out</Box>
          <Box textStyle="figure" fontSize={{ base: "4xl", md: "5xl" }} data-testid="glance-weigh">
            {mass(weighed.to_weigh_g)}
          </Box>
        </Box>
      )}
      {several && (
        <Box as="ul" listStyleType="none" display="grid" gap="0" data-testid="glance-bowls">
          {plan.bowls.map((bowl) => {
            const { key, plan: of, taken, needed_g } = bowl;
            const looks = bowlLook(bowl, plan.bowls);
            return (
              <Box as="li" key={key}>
                <Box
                  as="button"
                  aria-pressed={key === chosen}
                  onClick={() => onChoose(key)}
                  display="grid"
                  gridTemplateColumns="20px minmax(0, 1fr) auto"
                  gap="2"
                  alignItems="center"
                  width="full"
                  minH="48px"
                  px="1"
                  textAlign="start"
                  fontSize="sm"
                  borderRadius="4px"
                  cursor="pointer"
                  bg={key === chosen ? "bg.muted" : undefined}
                  fontWeight={key === chosen ? "600" : "500"}
                >
                  {looks ? <Swatch looks={looks} /> : <span />}
                  <Box as="span" lineClamp="1">
                    {names.get(key) ?? key}
                    {taken && (
                      <Box as="span" fontWeight="500">
                        , of the {names.get(taken.from) ?? taken.label}
                      </Box>
                    )}
                  </Box>
                  <Box as="span" fontWeight="600">
                    {mass(of ? weighedOut(of).total_g : (taken?.mass_g ?? needed_g))}
                  </Box>
                </Box>
              </Box>
            );
          })}
        </Box>
      )}
      {!several && weighed.seed_g > 0 && plan.bowls[0]?.plan && (
        <Box>
          <strong>{mass(weighedOut(plan.bowls[0].plan).melted_g)}</strong> to melt, to{" "}
          {temperature(plan.bowls[0].plan.amounts.melted_c)};{" "}
          <strong>{mass(weighed.seed_g)}</strong> held back as seed <Hint of="seed" />
        </Box>
      )}
      {plan.takes && (
        <Box data-testid="takes">
          <strong>{takesWords(plan.takes).whole}</strong>, {takesWords(plan.takes).hands}.
        </Box>
      )}
      <Allergens of={plan.allergens} />
      <Box data-testid="in-the-way">
        {plan.in_the_way ? (
          <Notes notes={[plan.in_the_way.note]} of={about(plan, names)} />
        ) : (
          <Box fontSize="sm" color="fg.muted">
            Nothing is in the way.
          </Box>
        )}
      </Box>
    </Box>
  );
});
