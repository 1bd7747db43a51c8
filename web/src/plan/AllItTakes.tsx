import { Box } from "@chakra-ui/react";
import { memo } from "react";
import type { WholePlan } from "../api/client";
import { Chosen } from "../kit/Chosen";
import { mass } from "../kit/format";
import { Swatch } from "../kit/Swatch";
import { chocolateColours } from "../theme/chocolate";

interface Props {
  plan: WholePlan;
  names: ReadonlyMap<string, string>;
  chosen: string | undefined;
  onChoose: (key: string) => void;
}

/** Every chocolate and everything else that goes in, on one line each. */
export const AllItTakes = memo(function AllItTakes({ plan, names, chosen, onChoose }: Props) {
  const goods = plan.components.flatMap(({ key, name, goods: of }) =>
    of.map((one) => ({ ...one, id: `${key} ${one.name}`, component: name })),
  );
  return (
    <Box mb="4" display="flex" columnGap="8" rowGap="3" flexWrap="wrap" data-testid="all-it-takes">
      {plan.bowls.length > 1 && (
        <Box display="flex" gap="2" flexWrap="wrap">
          {plan.bowls.map(({ key, plan: of, needed_g }) => (
            <Chip
              key={key}
              of={key}
              name={names.get(key) ?? key}
              mass_g={of?.to_weigh_g ?? needed_g}
              looks={of && (of.colour?.looks ?? chocolateColours[of.windows.family].body)}
              chosen={key === chosen}
              onChoose={onChoose}
            />
          ))}
        </Box>
      )}
      {goods.length > 0 && (
        <Box
          as="ul"
          listStyleType="none"
          fontSize="sm"
          display="grid"
          gap="0.5"
          alignContent="center"
        >
          {goods.map(({ id, name, mass_g, goes, component }) => (
            <Box as="li" key={id}>
              <strong>{mass(mass_g)}</strong> {name}, {goes}
              {plan.components.length > 1 && (
                <Box as="span" color="fg.muted">
                  {" "}
                  ({component})
                </Box>
              )}
            </Box>
          ))}
        </Box>
      )}
    </Box>
  );
});

interface ChipProps {
  of: string;
  name: string;
  mass_g: number;
  looks: string | null | undefined;
  chosen: boolean;
  onChoose: (key: string) => void;
}

const Chip = memo(function Chip({ of, name, mass_g, looks, chosen, onChoose }: ChipProps) {
  return (
    <Chosen chosen={chosen} onChoose={() => onChoose(of)} py="2" minW="120px">
      <Box display="flex" alignItems="center" gap="2" textStyle="label">
        {looks && <Swatch looks={looks} />}
        {name}
      </Box>
      <Box textStyle="figure" fontSize="2xl">
        {mass(mass_g)}
      </Box>
    </Chosen>
  );
});
