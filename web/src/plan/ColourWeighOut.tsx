import { Box } from "@chakra-ui/react";
import { memo } from "react";
import type { BowlPlan } from "../api/client";
import { useCurrency } from "../api/queries";
import { fineMass } from "../kit/format";
import { money } from "../kit/money";
import { Notes } from "../kit/Notes";
import { ShowSum } from "../kit/ShowSum";

type Colour = NonNullable<BowlPlan["colour"]>;

interface Props {
  colour: Colour;
  /** Whether it comes ready made, from a bottle or a jar. */
  bought?: boolean;
}

/** What goes into a colour: powder by powder, and how it looks. */
export const ColourWeighOut = memo(function ColourWeighOut({ colour, bought }: Props) {
  const currency = useCurrency();
  return (
    <Box display="grid" gap="3" mb="4" data-testid="colour-recipe">
      <Box display="flex" gap="4" alignItems="center" flexWrap="wrap">
        <Box
          w="72px"
          h="72px"
          borderRadius="slab"
          borderWidth="1px"
          borderColor="border.emphasized"
          style={{ background: colour.looks }}
          role="img"
          aria-label="How it looks, thick"
        />
        {bought ? (
          <Box>Ready as it is, from a bottle or a jar: no powder is weighed in.</Box>
        ) : (
          <Box display="grid" gap="0.5">
            <Box fontSize="lg">
              <strong>{fineMass(colour.butter_g)}</strong> cocoa butter
            </Box>
            {colour.pigments.map(({ name, mass_g }) => (
              <Box key={name} fontSize="lg">
                <strong>{fineMass(mass_g)}</strong> {name}
              </Box>
            ))}
            <Box fontSize="sm" color="fg.muted">
              {colour.parts_per_100} parts to 100 of butter, which is {colour.pct_of_total} % of the
              whole
              {colour.cost != null && `; the powder costs ${money(colour.cost, currency)}`}{" "}
              <ShowSum steps={colour.sum} of="the colour" />
            </Box>
          </Box>
        )}
      </Box>
      <Notes notes={colour.notes} />
    </Box>
  );
});
