import { Box, Stack } from "@chakra-ui/react";
import { memo } from "react";
import type { BarkInputs, Method, PlanAnswer } from "../api/client";
import { useMethods } from "../api/queries";
import { AtHand } from "../chocolate/AtHand";
import { Notes } from "../kit/Notes";
import { Panel } from "../kit/Panel";
import { SelectField } from "../kit/SelectField";
import { UnitField } from "../kit/UnitField";

interface Props {
  method: Method | null | undefined;
  kitchen: BarkInputs["kitchen"];
  stone_c: number | null | undefined;
  crystals_pct: number | null | undefined;
  room_c: number;
  plan: Pick<PlanAnswer, "method" | "recommended" | "recommended_because" | "windows">;
  errors: Record<string, string>;
  onChange: (patch: Partial<BarkInputs>) => void;
}

/** How it is tempered: the method to recommend, unless the maker chooses another. */
export const MethodField = memo(function MethodField(props: Props) {
  const { method, plan, errors, onChange } = props;
  const methods = useMethods().data ?? [];
  const family = plan.windows.family;
  const suiting = methods.filter((m) => m.suits.some((s) => s.family === family));
  const used = methods.find((m) => m.key === plan.method);
  const recommended = methods.find((m) => m.key === plan.recommended);
  return (
    <Panel title="How you temper it">
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
          {used?.how}{" "}
          <Box as="span" color="fg.muted">
            {plan.method === plan.recommended
              ? `Recommended because ${plan.recommended_because}.`
              : `${recommended?.name} would be recommended, because ${plan.recommended_because}.`}
          </Box>
        </Box>
        {used && (
          <Notes
            notes={used.cautions.map((text, i) => ({ code: `minded-${i}`, level: "info", text }))}
          />
        )}
        {plan.method === "slab" && (
          <UnitField
            label="The stone is at"
            unit="°C"
            optional={String(props.room_c)}
            value={props.stone_c}
            error={errors.stone_c}
            onChange={(stone_c) => onChange({ stone_c })}
          />
        )}
        {plan.method === "ready_crystals" && (
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
    </Panel>
  );
});
