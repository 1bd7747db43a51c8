import { Box, Button } from "@chakra-ui/react";

interface Props<V extends string> {
  label: string;
  value: V;
  /** By their values, in order. */
  choices: Readonly<Record<V, string>>;
  onChange: (value: V) => void;
}

/** Which part of a list is shown. */
export function WhichOf<V extends string>({ label, value, choices, onChange }: Props<V>) {
  return (
    <Box as="fieldset" aria-label={label} display="flex" gap="1">
      {(Object.keys(choices) as V[]).map((one) => (
        <Button
          key={one}
          variant={one === value ? "solid" : "ghost"}
          aria-pressed={one === value}
          {...(one === value && { bg: "ink", color: "onInk" })}
          onClick={() => onChange(one)}
        >
          {choices[one]}
        </Button>
      ))}
    </Box>
  );
}
