import { Box, Slider } from "@chakra-ui/react";
import { UnitField } from "../kit/UnitField";

interface Props {
  value: number;
  /** What the slider offers. */
  range: [number, number];
  error?: string | undefined;
  onChange: (thickness_mm: number) => void;
}

const marks = [1.5, 3, 5, 8];

/** How thick: by feel with the slider, or exactly. */
export function ThicknessField({ value, range, error, onChange }: Props) {
  return (
    <Box display="grid" gridTemplateColumns="1fr 104px" gap="4" alignItems="end">
      <Slider.Root
        min={range[0]}
        max={range[1]}
        step={0.1}
        value={[Math.min(range[1], Math.max(range[0], value))]}
        onValueChange={(next) => next.value[0] !== undefined && onChange(next.value[0])}
      >
        <Slider.Label textStyle="label">Thickness, set</Slider.Label>
        <Slider.Control>
          <Slider.Track h="8px" bg="bg.emphasized">
            <Slider.Range bg="ink" />
          </Slider.Track>
          <Slider.Thumb index={0} boxSize="7" borderColor="ink" borderWidth="3px" bg="bg.panel">
            <Slider.HiddenInput aria-label="Thickness in millimetres" />
          </Slider.Thumb>
          <Slider.Marks
            color="fg.muted"
            marks={marks
              .filter((mm) => mm > range[0] && mm < range[1])
              .map((mm) => ({ value: mm, label: `${mm}` }))}
          />
        </Slider.Control>
      </Slider.Root>
      <UnitField
        label="Exactly"
        unit="mm"
        value={value}
        error={error}
        onChange={(mm) => mm !== null && onChange(mm)}
      />
    </Box>
  );
}
