import { Box, Stack } from "@chakra-ui/react";
import { memo } from "react";
import type { BowlInputs } from "../api/client";
import { useShelf } from "../api/queries";
import { FamilyField, type Kind } from "../chocolate/FamilyField";
import { SelectField } from "../kit/SelectField";
import { kindWords, lookOf } from "../theme/chocolate";

interface Props {
  family: BowlInputs["family"];
  blend: BowlInputs["blend"];
  chocolate_id: BowlInputs["chocolate_id"];
  errors: Record<string, string>;
  onChange: (kind: Kind & Pick<BowlInputs, "chocolate_id" | "own">) => void;
}

/** The chocolate: one from the shelf, a family, or a blend. */
export const ChocolateField = memo(function ChocolateField(props: Props) {
  const { family, blend, chocolate_id, errors, onChange } = props;
  const chocolates = useShelf().data?.chocolates ?? [];
  const chosen = chocolates.find(({ id }) => id === chocolate_id);
  return (
    <Stack gap="3">
      {(chocolates.length > 0 || chocolate_id) && (
        <SelectField
          label="From your shelf"
          value={chocolate_id ?? ""}
          choices={[
            { value: "", label: "none: say what it is" },
            // One that was put away is still this plan's.
            ...(chocolate_id && !chosen
              ? [{ value: chocolate_id, label: "one that was archived" }]
              : []),
            ...chocolates.map(({ id, thing }) => ({ value: id, label: thing.name })),
          ]}
          error={errors.chocolate_id}
          onChange={(id) => {
            const next = chocolates.find((one) => one.id === id)?.thing;
            onChange({
              chocolate_id: id || null,
              family: next?.family ?? family,
              blend: next ? (next.blend ?? null) : (blend ?? null),
              own: {},
            });
          }}
        />
      )}
      {chosen && (
        <Box display="flex" gap="3" alignItems="center">
          <Box
            w="64px"
            h="30px"
            flexShrink={0}
            borderRadius="4px"
            borderWidth="1px"
            borderColor="border.emphasized"
            style={{ background: lookOf(chosen.thing) }}
          />
          <Box fontSize="sm" fontWeight="560">
            {kindWords(chosen.thing)}
            {chosen.windows?.own && ", by the numbers on its bag"}
          </Box>
        </Box>
      )}
      {!chocolate_id && (
        <FamilyField
          family={family}
          blend={blend}
          errors={errors}
          onChange={(kind) =>
            onChange({
              ...kind,
              chocolate_id: null,
              // The numbers on a bag are that bag's.
              ...(kind.family !== family && { own: {} }),
            })
          }
        />
      )}
    </Stack>
  );
});
