import { Box, Slider } from "@chakra-ui/react";
import { useRef, useState } from "react";
import { asDragged } from "./dragged";
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

/** So long after its last step a drag is over, and the slider shows what stands. */
const RESTS_AFTER_MS = 300;

/** A number by feel with the slider, or exactly in the field beside it. */
export function SliderField(props: Props) {
  const { label, spoken, exactly, unit, value, range, step, marks, error, onChange } = props;
  const [least, most] = range;
  // While it is dragged the slider goes ahead; what it sets is drawn with what follows from it.
  const [ahead, setAhead] = useState<number>();
  const rests = useRef<ReturnType<typeof setTimeout>>(undefined);
  const shown = ahead ?? value;
  const drag = (next: number) => {
    setAhead(next);
    clearTimeout(rests.current);
    rests.current = setTimeout(() => setAhead(undefined), RESTS_AFTER_MS);
    asDragged(() => onChange(next));
  };
  const type = (next: number) => {
    setAhead(undefined);
    onChange(next);
  };
  return (
    <Box display="grid" gridTemplateColumns="1fr 116px" gap="4" alignItems="end">
      <Slider.Root
        min={least}
        max={most}
        step={step}
        value={[Math.min(most, Math.max(least, shown))]}
        onValueChange={(next) => next.value[0] !== undefined && drag(next.value[0])}
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
      <NumberField label={exactly} unit={unit} value={shown} error={error} onChange={type} />
    </Box>
  );
}
