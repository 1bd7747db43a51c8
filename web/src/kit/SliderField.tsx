import { Box, Slider } from "@chakra-ui/react";
import { NumberField } from "./NumberField";

interface Props {
  label: string;
  /** The slider's name for those who hear it. */
  spoken: string;
  /** The name of the field beside it. */
  exactly: string;
  unit: string;
  value: number;
  /** What the slider offers; the field takes more. */
  range: [number, number];
  step: number;
  /** Values to mark, where they lie within the range. */
  marks: number[];
  error?: string | undefined;
  onChange: (value: number) => void;
}

/** A number by feel with the slider, or exactly in the field beside it. */
export function SliderField(props: Props) {
  const { label, spoken, exactly, unit, value, range, step, marks, error, onChange } = props;
  const [least, most] = range;
  return (
    <Box display="grid" gridTemplateColumns="1fr 116px" gap="4" alignItems="end">
      <Slider.Root
        min={least}
        max={most}
        step={step}
        value={[Math.min(most, Math.max(least, value))]}
        onValueChange={(next) => next.value[0] !== undefined && onChange(next.value[0])}
      >
        <Slider.Label textStyle="label">{label}</Slider.Label>
        <Slider.Control>
          <Slider.Track h="8px" bg="bg.emphasized">
            <Slider.Range bg="ink" />
          </Slider.Track>
          <Slider.Thumb index={0} boxSize="7" borderColor="ink" borderWidth="3px" bg="bg.panel">
            <Slider.HiddenInput aria-label={spoken} />
          </Slider.Thumb>
          <Slider.Marks
            color="fg.muted"
            marks={marks
              .filter((mark) => mark > least && mark < most)
              .map((mark) => ({ value: mark, label: `${mark}` }))}
          />
        </Slider.Control>
      </Slider.Root>
      <NumberField label={exactly} unit={unit} value={value} error={error} onChange={onChange} />
    </Box>
  );
}
