import { memo } from "react";
import { UnitField } from "../../kit/UnitField";

interface Props {
  value: number | null | undefined;
  error: string | undefined;
  onChange: (piece_cm2: number | null) => void;
}

/** How large the pieces are to be, where that matters. */
export const PieceField = memo(function PieceField({ value, error, onChange }: Props) {
  return (
    <UnitField
      label="Piece size"
      unit="cm²"
      optional="as they break"
      value={value}
      error={error}
      onChange={onChange}
    />
  );
});
