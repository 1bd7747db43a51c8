import { fieldsOf } from "../kit/fieldsOf";
import { UnitField } from "../kit/UnitField";

interface Props<D> {
  draft: D;
  errors: Record<string, string>;
  /** What counts where nothing is stated. */
  usual: string;
  onChange: (draft: D) => void;
}

/** How many of a thing there are: schedules share them out. */
export function HowManyField<D extends { how_many?: number | null }>(props: Props<D>) {
  const { draft, errors, usual, onChange } = props;
  const field = fieldsOf<{ how_many?: number | null }>(draft, errors, (patch) =>
    onChange({ ...draft, ...patch }),
  );
  return <UnitField label="How many" unit="" optional={usual} {...field("how_many")} />;
}
