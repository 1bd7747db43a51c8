import { Box, Text } from "@chakra-ui/react";
import type { BowlInputs, BowlPlan } from "../api/client";
import { UnitField } from "../kit/UnitField";

type Own = NonNullable<BowlInputs["own"]>;
type BandName = "melt_c" | "cool_c" | "work_c";
type PointName = "limit_c" | "lost_c" | "thick_c";

const bands: { name: BandName; from: string; to: string }[] = [
  { name: "melt_c", from: "Melt from", to: "Melt to" },
  { name: "work_c", from: "Work from", to: "Work to" },
  { name: "cool_c", from: "Cool point from", to: "Cool point to" },
];
const points: { name: PointName; label: string }[] = [
  { name: "limit_c", label: "Never above" },
  { name: "lost_c", label: "Temper lost above" },
  { name: "thick_c", label: "Sets up below" },
];

interface Props {
  own: Own | undefined;
  windows: BowlPlan["windows"];
  errors: Record<string, string>;
  onChange: (own: Own) => void;
}

/**
 * The temperatures and the fat on the bag, over the family's. A field left empty
 * shows, greyed, the number that is used.
 */
export function OwnNumbersFields({ own = {}, windows, errors, onChange }: Props) {
  const setEnd = (name: BandName, end: 0 | 1) => (value: number | null) => {
    const used = windows[name];
    const before = own[name] ?? used;
    if (!before) return;
    if (value === null) return onChange({ ...own, [name]: null });
    const band: [number, number] =
      end === 0 ? [value, before[1] ?? value] : [before[0] ?? value, value];
    onChange({ ...own, [name]: band });
  };
  return (
    <Box>
      <Text fontWeight="560">From the bag</Text>
      <Text fontSize="sm" color="fg.muted" mb="2">
        What you leave empty is the family's usual number.
      </Text>
      <Box display="grid" gridTemplateColumns="1fr 1fr" gap="3" alignItems="start">
        {bands.map(({ name, from, to }) =>
          windows[name]
            ? [from, to].map((label, end) => (
                <UnitField
                  key={label}
                  label={label}
                  unit="°C"
                  optional={String(windows[name]?.[end])}
                  value={own[name]?.[end]}
                  error={end === 1 ? errors[`own.${name}`] : undefined}
                  onChange={setEnd(name, end === 0 ? 0 : 1)}
                />
              ))
            : null,
        )}
        {points.map(({ name, label }) => (
          <UnitField
            key={name}
            label={label}
            unit="°C"
            optional={String(windows[name] ?? "none")}
            value={own[name]}
            error={errors[`own.${name}`]}
            onChange={(value) => onChange({ ...own, [name]: value })}
          />
        ))}
        <UnitField
          label="Fat"
          unit="%"
          optional={String(windows.fat_pct)}
          value={own.fat_pct}
          error={errors["own.fat_pct"]}
          onChange={(fat_pct) => onChange({ ...own, fat_pct })}
        />
      </Box>
    </Box>
  );
}
