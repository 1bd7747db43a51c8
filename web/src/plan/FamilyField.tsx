import { Box, RadioGroup } from "@chakra-ui/react";
import { memo } from "react";
import type { Family } from "../api/client";
import { chocolateColours, families, familyNames } from "../theme/chocolate";

/** The chocolate, chosen by its colour and its name. */
export const FamilyField = memo(function FamilyField({
  value,
  onChange,
}: {
  value: Family;
  onChange: (family: Family) => void;
}) {
  return (
    <RadioGroup.Root
      value={value}
      onValueChange={(next) => next.value && onChange(next.value as Family)}
    >
      <RadioGroup.Label textStyle="label" mb="1.5" display="block">
        Chocolate
      </RadioGroup.Label>
      <Box display="grid" gridTemplateColumns="repeat(4, 1fr)" gap="1.5">
        {families.map((family) => (
          <RadioGroup.Item
            key={family}
            value={family}
            cursor="pointer"
            flexDirection="column"
            gap="1"
            p="1"
            borderRadius="slab"
            borderWidth="2px"
            borderColor="transparent"
            _checked={{ borderColor: "ink", bg: "bg.muted" }}
          >
            <RadioGroup.ItemHiddenInput />
            <Box
              w="full"
              h="30px"
              borderRadius="4px"
              borderWidth="1px"
              borderColor="border.emphasized"
              bg={chocolateColours[family].body}
            />
            <RadioGroup.ItemText
              fontSize="sm"
              fontWeight="560"
              lineHeight="1.15"
              textAlign="center"
            >
              {familyNames[family]}
            </RadioGroup.ItemText>
          </RadioGroup.Item>
        ))}
      </Box>
    </RadioGroup.Root>
  );
});
