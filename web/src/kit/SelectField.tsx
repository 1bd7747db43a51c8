import { Field, NativeSelect } from "@chakra-ui/react";
import { inDisplay } from "./display";

interface Props {
  label: string;
  value: string;
  /** In order; one with an empty value stands for none. */
  choices: { value: string; label: string }[];
  onChange: (value: string) => void;
  error?: string | undefined;
}

/** A choice from a short list. */
export function SelectField({ label, value, choices, onChange, error }: Props) {
  return (
    <Field.Root invalid={error !== undefined}>
      <Field.Label textStyle="label">{label}</Field.Label>
      <NativeSelect.Root>
        <NativeSelect.Field
          bg="bg.panel"
          borderColor="border.emphasized"
          fontWeight="560"
          value={value}
          onChange={(event) => onChange(event.target.value)}
        >
          {choices.map((choice) => (
            <option key={choice.value} value={choice.value}>
              {choice.label}
            </option>
          ))}
        </NativeSelect.Field>
        <NativeSelect.Indicator />
      </NativeSelect.Root>
      <Field.ErrorText color="stop" fontWeight="560">
        {label} {error && inDisplay(error)}
      </Field.ErrorText>
    </Field.Root>
  );
}
