import { SliderField } from "../kit/SliderField";

interface Props {
  value: number;
  /** What the slider offers. */
  range: [number, number];
  error?: string | undefined;
  onChange: (thickness_mm: number) => void;
}

/** How thick: by feel with the slider, or exactly. */
export function ThicknessField(props: Props) {
  return (
    <SliderField
      label="Thickness, set"
      spoken="Thickness in millimetres"
      exactly="Exactly"
      unit="mm"
      step={0.1}
      marks={[1.5, 3, 5, 8]}
      {...props}
    />
  );
}
