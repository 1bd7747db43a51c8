import { Box, Slider } from "@chakra-ui/react";
import { UnitField } from "../kit/UnitField";

interface Props {
  value: number;
  error?: string | undefined;
  onChange: (thickness_mm: number) => void;
}

/** How thick: by feel with the slider, or exactly. */
export function ThicknessField({ value, error, onChange }: Props) {
  return (
    <Box display="grid" gridTemplateColumns="1fr 104px" gap="4" alignItems="end">
      <Slider.Root
        min={2}
        max={12}
        step={0.1}
        value={[Math.min(12, Math.max(2, value))]}
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
            marks={[3, 5, 8].map((mm) => ({ value: mm, label: `${mm}` }))}
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
