import { Box, Stack } from "@chakra-ui/react";
import { memo } from "react";
import type { BowlInputs, Family, Method } from "../api/client";
import { useMethods } from "../api/queries";
import { AtHand } from "../chocolate/AtHand";
import { Fold } from "../kit/Fold";
import { Notes } from "../kit/Notes";
import { SelectField } from "../kit/SelectField";
import { UnitField } from "../kit/UnitField";
import { Hint } from "../reference/Hint";

interface Props {
  method: Method | null | undefined;
  kitchen: BowlInputs["kitchen"];
  stone_c: number | null | undefined;
  crystals_pct: number | null | undefined;
  room_c: number;
  family: Family;
  /** The method that is used, the one to recommend, and why. */
  used: Method;
  recommended: Method;
  because: string;
  errors: Record<string, string>;
  onChange: (patch: Partial<BowlInputs>) => void;
}

/** How it is tempered: the method to recommend, unless the maker chooses another. */
export const MethodField = memo(function MethodField(props: Props) {
  const { method, family, because, errors, onChange } = props;
  const methods = useMethods().data ?? [];
  const suiting = methods.filter((m) => m.suits.some((s) => s.family === family));
  const used = methods.find((m) => m.key === props.used);
  const recommended = methods.find((m) => m.key === props.recommended);
  return (
    <Fold
      title="Tempering method"
      value={used?.name ?? ""}
      faulty={["method", "stone_c", "crystals_pct"].some((field) => field in errors)}
    >
      <Stack gap="3">
        <SelectField
          label="Method"
          value={method ?? ""}
          choices={[
            { value: "", label: `Recommended: ${recommended?.name ?? ""}` },
            ...suiting.map((m) => ({ value: m.key, label: m.name })),
          ]}
          error={errors.method}
          onChange={(key) => onChange({ method: methods.find((m) => m.key === key)?.key ?? null })}
        />
        <Box fontSize="sm" data-testid="method">
          <Hint of="temper" /> {used?.how}{" "}
          <Box as="span" color="fg.muted">
            {props.used === props.recommended
              ? `Recommended because ${because}.`
              : `${recommended?.name} would be recommended, because ${because}.`}
          </Box>
        </Box>
        {used && (
          <Notes
            notes={used.cautions.map((text, i) => ({ code: `minded-${i}`, level: "info", text }))}
          />
        )}
        {props.used === "slab" && (
          <UnitField
            label="Stone temperature"
            unit="°C"
            optional={String(props.room_c)}
            value={props.stone_c}
            error={errors.stone_c}
            onChange={(stone_c) => onChange({ stone_c })}
          />
        )}
        {props.used === "ready_crystals" && (
          <UnitField
            label="Ready crystals"
            unit="%"
            optional="1"
            value={props.crystals_pct}
            error={errors.crystals_pct}
            onChange={(crystals_pct) => onChange({ crystals_pct })}
          />
        )}
        <AtHand kitchen={props.kitchen} onChange={(at_hand) => onChange({ kitchen: at_hand })} />
      </Stack>
    </Fold>
  );
});
