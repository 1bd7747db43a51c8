import { Box, Field, Input } from "@chakra-ui/react";
import { useEffect, useState } from "react";
import type { Ingredient } from "../api/client";
import { unitOf } from "./display";
import { typedNumber } from "./typed";
import { useMeasure } from "./useMeasure";

interface Props {
  label: string;
  unit: string;
  value: number | null | undefined;
  onChange: (value: number | null) => void;
  error?: string | undefined;
  help?: string;
  /** Whether it may be left empty, and what stands then. */
  optional?: string;
  width?: string;
  /** What is measured, so that cups of it can be weighed. */
  ingredient?: Ingredient;
}

/**
 * A number with its unit. What was typed is kept as it was typed; a change from
 * elsewhere (a slider) replaces it.
 */
export function UnitField(props: Props) {
  const { label, onChange, error, help, optional, width } = props;
  const { unit, shown, typed: kept } = unitOf(props.unit);
  const value = props.value == null ? props.value : shown(props.value);
  const [text, setText] = useState(value == null ? "" : String(value));
  const typed = typedNumber(text);
  useEffect(() => {
    setText((before) => {
      const same = Object.is(typedNumber(before), value ?? null);
      return same || Number.isNaN(typedNumber(before))
        ? before
        : value == null
          ? ""
          : String(value);
    });
  }, [value]);

  const measured = useMeasure(
    Number.isNaN(typed) ? text : undefined,
    [props.unit, unit],
    props.ingredient ?? null,
    (number) => onChange(number),
  );
  const own =
    (Number.isNaN(typed) && measured.words === undefined) ||
    (typed === null && optional === undefined)
      ? (measured.error ?? `must be a number in ${unit}`)
      : undefined;
  const message = own ?? error;
  // What stands when it is empty is a number of the same unit, or a word.
  const placeholder =
    optional === undefined || optional === "" || Number.isNaN(Number(optional))
      ? (optional ?? "")
      : String(shown(Number(optional)));
  return (
    <Field.Root invalid={message !== undefined} width={width ?? "full"}>
      <Field.Label textStyle="label">{label}</Field.Label>
      <Box position="relative" width="full">
        <Input
          inputMode="decimal"
          autoComplete="off"
          size="md"
          bg="bg.panel"
          borderColor="border.emphasized"
          pe="12"
          fontWeight="560"
          placeholder={placeholder}
          value={text}
          onChange={(event) => {
            const next = event.target.value;
            setText(next);
            const number = typedNumber(next);
            if (!Number.isNaN(number) && (number !== null || optional !== undefined)) {
              onChange(number === null ? null : kept(number));
            }
          }}
        />
        <Box
          position="absolute"
          insetEnd="3"
          top="50%"
          transform="translateY(-50%)"
          color="fg.muted"
          fontSize="sm"
          pointerEvents="none"
          aria-hidden
        >
          {unit}
        </Box>
      </Box>
      {message === undefined ? (
        (measured.words ?? help) && <Field.HelperText>{measured.words ?? help}</Field.HelperText>
      ) : (
        <Field.ErrorText color="stop" fontWeight="560">
          {label} {message}
        </Field.ErrorText>
      )}
    </Field.Root>
  );
}
