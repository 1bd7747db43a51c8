import { Box, RadioGroup } from "@chakra-ui/react";
import type { ReactNode } from "react";

interface Props<V extends string> {
  label: string;
  name: string;
  value: V | null;
  choices: Readonly<Record<V, string>>;
  /** What each looks like. */
  picture?: (value: V) => ReactNode;
  onChange: (value: V) => void;
}

/** One of a few, each a large touch with a picture. */
export function PictureChoice<V extends string>(props: Props<V>) {
  const { label, name, value, choices, picture, onChange } = props;
  const each = Object.entries(choices) as [V, string][];
  return (
    <RadioGroup.Root
      name={name}
      value={value}
      onValueChange={({ value: chosen }) => chosen && onChange(chosen as V)}
    >
      <RadioGroup.Label textStyle="label" display="block" mb="1">
        {label}
      </RadioGroup.Label>
      <Box
        display="grid"
        gap="1.5"
        gridTemplateColumns={`repeat(${Math.min(each.length, 3)}, 1fr)`}
      >
        {each.map(([choice, word]) => (
          <RadioGroup.Item
            key={choice}
            value={choice}
            minH="48px"
            minW="0"
            p="1.5"
            display="grid"
            justifyItems="center"
            alignContent="center"
            gap="1"
            borderWidth="2px"
            borderColor="border.emphasized"
            borderRadius="slab"
            cursor="pointer"
            fontWeight="560"
            textAlign="center"
            lineHeight="1.15"
            _checked={{ bg: "cool.wash", borderColor: "ink", fontWeight: "680" }}
          >
            <RadioGroup.ItemHiddenInput />
            {picture?.(choice)}
            <RadioGroup.ItemText>{word}</RadioGroup.ItemText>
          </RadioGroup.Item>
        ))}
      </Box>
    </RadioGroup.Root>
  );
}
