import { Box, Collapsible } from "@chakra-ui/react";
import { ChevronDown } from "lucide-react";
import { memo } from "react";
import type { BarkInputs, PlanAnswer } from "../api/client";
import { SelectField } from "../kit/SelectField";
import { UnitField } from "../kit/UnitField";
import { OwnNumbersFields } from "./OwnNumbersFields";

const materials = ["glass", "steel", "plastic", "ceramic"] as const;

type Kit = "bowl" | "microwave" | "own" | "melt_to_c" | "target_c" | "seed_c" | "cooling_min";

type Props = { [K in Kit]: BarkInputs[K] | undefined } & {
  room_c: number;
  windows: PlanAnswer["windows"];
  usualMelt_c: number;
  usualTarget_c: number;
  errors: Record<string, string>;
  onChange: (patch: Partial<BarkInputs>) => void;
};

/** What the maker may know better than the defaults: own gear, own numbers. */
export const KitFields = memo(function KitFields(props: Props) {
  const { windows, errors, onChange } = props;
  const bowl = props.bowl ?? null;
  const microwave = props.microwave ?? null;
  return (
    <Collapsible.Root lazyMount>
      <Collapsible.Trigger asChild>
        <Box
          as="button"
          display="flex"
          width="full"
          justifyContent="space-between"
          alignItems="center"
          minH="44px"
          fontWeight="560"
          cursor="pointer"
          css={{ "&[data-state=open] svg": { transform: "rotate(180deg)" } }}
        >
          Your bowl, microwave and own numbers
          <ChevronDown size={20} aria-hidden />
        </Box>
      </Collapsible.Trigger>
      <Collapsible.Content>
        <Box display="grid" gridTemplateColumns="1fr 1fr" gap="3" pt="1">
          <SelectField
            label="Bowl"
            value={bowl?.material ?? ""}
            choices={[
              { value: "", label: "not counted" },
              ...materials.map((material) => ({ value: material, label: material })),
            ]}
            onChange={(chosen) => {
              const material = materials.find((m) => m === chosen);
              onChange({ bowl: material ? { mass_g: 500, ...bowl, material } : null });
            }}
          />
          {bowl ? (
            <UnitField
              label="Empty bowl"
              unit="g"
              value={bowl.mass_g}
              error={errors["bowl.mass_g"]}
              onChange={(g) => g !== null && onChange({ bowl: { ...bowl, mass_g: g } })}
            />
          ) : (
            <Box />
          )}
          <UnitField
            label="Microwave"
            unit="W"
            optional="none: water bath"
            value={microwave?.watts}
            error={errors["microwave.watts"]}
            onChange={(watts) =>
              onChange({ microwave: watts === null ? null : { power: 0.5, ...microwave, watts } })
            }
          />
          {microwave ? (
            <UnitField
              label="Power setting"
              unit="%"
              value={Math.round(microwave.power * 100)}
              error={errors["microwave.power"]}
              onChange={(pct) =>
                pct !== null && onChange({ microwave: { ...microwave, power: pct / 100 } })
              }
            />
          ) : (
            <Box />
          )}
          <UnitField
            label="Stop melting at"
            unit="°C"
            optional={String(props.usualMelt_c)}
            value={props.melt_to_c}
            error={errors.melt_to_c}
            onChange={(melt_to_c) => onChange({ melt_to_c })}
          />
          <UnitField
            label="Seed aims at"
            unit="°C"
            optional={String(props.usualTarget_c)}
            value={props.target_c}
            error={errors.target_c}
            onChange={(target_c) => onChange({ target_c })}
          />
          <UnitField
            label="Seed is at"
            unit="°C"
            optional={String(props.room_c)}
            value={props.seed_c}
            error={errors.seed_c}
            onChange={(seed_c) => onChange({ seed_c })}
          />
          <UnitField
            label="Cooling takes"
            unit="min"
            optional="not counted"
            value={props.cooling_min}
            error={errors.cooling_min}
            onChange={(cooling_min) => onChange({ cooling_min })}
          />
          <OwnNumbersFields
            own={props.own}
            windows={windows}
            errors={errors}
            onChange={(own) => onChange({ own })}
          />
        </Box>
      </Collapsible.Content>
    </Collapsible.Root>
  );
});
