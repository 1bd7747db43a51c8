import { Field, Input, Textarea } from "@chakra-ui/react";

interface Props {
  label: string;
  value: string;
  onChange: (value: string) => void;
  error?: string | undefined;
  placeholder?: string;
  /**
   * A line, several of them, a day of the calendar, a time of day, or both; a code of digits, or
   * what nobody is to read over one's shoulder.
   */
  kind?: "line" | "lines" | "day" | "time" | "moment" | "code" | "secret";
}

const types = {
  line: "text",
  day: "date",
  time: "time",
  moment: "datetime-local",
  code: "text",
  secret: "password",
};

/** A text with its name. */
export function TextField({ label, value, onChange, error, placeholder, kind = "line" }: Props) {
  const shared = {
    bg: "bg.panel",
    borderColor: "border.emphasized",
    fontWeight: "560",
    placeholder,
    value,
    onChange: (event: { target: { value: string } }) => onChange(event.target.value),
  };
  return (
    <Field.Root invalid={error !== undefined}>
      <Field.Label textStyle="label">{label}</Field.Label>
      {kind === "lines" ? (
        <Textarea rows={2} {...shared} />
      ) : (
        <Input
          type={types[kind]}
          autoComplete={kind === "code" ? "one-time-code" : "off"}
          {...(kind === "code" && { inputMode: "numeric", h: "14", fontSize: "2xl" })}
          {...shared}
        />
      )}
      <Field.ErrorText color="stop" fontWeight="560">
        {label} {error && error}
      </Field.ErrorText>
    </Field.Root>
  );
}
