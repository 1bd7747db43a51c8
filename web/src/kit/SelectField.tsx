import { Field, NativeSelect } from "@chakra-ui/react";

/** One of the values that can be chosen, and what it is called. */
interface Choice<V extends string> {
  value: V;
  label: string;
}

interface Props<V extends string> {
  label: string;
  value: V;
  /** In order, or by their values; one with an empty value stands for none. */
  choices: readonly Choice<V>[] | Readonly<Record<V, string>>;
  onChange: (value: V) => void;
  error?: string | undefined;
}

function listed<V extends string>(choices: Props<V>["choices"]): readonly Choice<V>[] {
  if (Array.isArray(choices)) return choices;
  const named = Object.entries(choices) as [V, string][];
  return named.map(([value, label]) => ({ value, label }));
}

/** A choice from a short list. */
export function SelectField<V extends string>(props: Props<V>) {
  const { label, value, choices, onChange, error } = props;
  return (
    <Field.Root invalid={error !== undefined}>
      <Field.Label textStyle="label">{label}</Field.Label>
      <NativeSelect.Root>
        <NativeSelect.Field
          bg="bg.panel"
          borderColor="border.emphasized"
          fontWeight="560"
          value={value}
          // Nothing but what is listed can be chosen.
          onChange={(event) => onChange(event.target.value as V)}
        >
          {listed(choices).map((choice) => (
            <option key={choice.value} value={choice.value}>
              {choice.label}
            </option>
          ))}
        </NativeSelect.Field>
        <NativeSelect.Indicator />
      </NativeSelect.Root>
      <Field.ErrorText color="stop" fontWeight="560">
        {label} {error && error}
      </Field.ErrorText>
    </Field.Root>
  );
}
