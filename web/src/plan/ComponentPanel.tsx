import { Box, IconButton, Stack } from "@chakra-ui/react";
import { X } from "lucide-react";
import { memo, useCallback, useMemo } from "react";
import type { KindAnswer, PlanInputs, WholePlan } from "../api/client";
import { useKinds } from "../api/queries";
import { Chosen } from "../kit/Chosen";
import { mass } from "../kit/format";
import { Panel } from "../kit/Panel";
import { SelectField } from "../kit/SelectField";
import { TextField } from "../kit/TextField";
import { useSame } from "../kit/useSame";
import { under, withoutComponent, withWork } from "./edits";
import { isColour } from "./names";
import type { Ask, Edit } from "./usePlanDraft";
import type { MoreChocolate, MoreColour } from "./work/fieldsOfWork";
import { WorkFields } from "./work/WorkFields";

interface Props {
  draft: PlanInputs;
  plan: WholePlan;
  /** Which component is shown. */
  index: number;
  names: ReadonlyMap<string, string>;
  errors: Record<string, string>;
  onChoose: (index: number) => void;
  onChange: (edit: Edit) => void;
  onAsk: Ask;
}

const none: KindAnswer[] = [];

interface MoreProps {
  kinds: KindAnswer[];
  several: boolean;
  onAdd: (kind: KindAnswer, instead: boolean) => void;
}

/** One kind of work more, or another in place of the only one. */
const MoreWork = memo(function MoreWork({ kinds, several, onAdd }: MoreProps) {
  return (
    <SelectField
      label={several ? "Add another" : "Replace or add"}
      value=""
      choices={[
        { value: "", label: "Choose a kind…" },
        ...kinds.map(({ name }) => ({ value: name, label: `add: ${name.toLowerCase()}` })),
        ...(several
          ? []
          : kinds.map(({ name }) => ({
              value: `= ${name}`,
              label: `replace with: ${name.toLowerCase()}`,
            }))),
      ]}
      onChange={(value) => {
        const instead = value.startsWith("= ");
        const kind = kinds.find(({ name }) => name === (instead ? value.slice(2) : value));
        if (kind) onAdd(kind, instead);
      }}
    />
  );
});

/** What is made: all of it in a list, and one of them with its fields. */
export const ComponentPanel = memo(function ComponentPanel(props: Props) {
  const { draft, plan, index, names, errors, onChoose, onChange, onAsk } = props;
  const kinds = useKinds().data ?? none;
  const component = draft.components[index];
  const workErrors = useMemo(() => under(errors, "work"), [errors]);
  const change = useCallback(
    (patch: object) => onChange((inputs) => withWork(inputs, index, patch)),
    [onChange, index],
  );
  /** A new chocolate for the work at hand, put where `patch` says. */
  const addChocolate = useCallback(
    (more: MoreChocolate, patch: (key: string) => object) =>
      onAsk(
        typeof more === "string"
          ? { edit: "add_chocolate", family: more }
          : { edit: "add_part", of: more.part_of },
        ({ inputs, key }) => withWork(inputs, index, patch(key)),
      ),
    [onAsk, index],
  );
  const addColour = useCallback(
    (more: MoreColour, patch: (key: string) => object) =>
      onAsk(
        more !== "usual" && "part_of" in more
          ? { edit: "add_part", of: more.part_of }
          : { edit: "add_colour", pigment: more === "usual" ? null : more },
        ({ inputs, key }) => withWork(inputs, index, patch(key)),
      ),
    [onAsk, index],
  );
  const lines = draft.bowls.map((bowl) => ({
    key: bowl.key,
    family: bowl.family,
    colour: isColour(bowl, draft.bowls),
    part: bowl.taken_from != null,
  }));
  const bowls = useSame(lines);
  const count = draft.components.length;
  const addKind = useCallback(
    async (kind: KindAnswer, instead: boolean) => {
      await onAsk({ edit: "add_kind", kind: kind.name }, ({ inputs }) =>
        instead ? withoutComponent(inputs, 0) : inputs,
      );
      onChoose(instead ? 0 : count);
    },
    [onAsk, onChoose, count],
  );
  if (!component) return null;
  const several = draft.components.length > 1;
  return (
    <Panel title="What you make">
      <Stack gap="4">
        {several && (
          // Of many four are in sight: the fields of the one at hand stand below.
          <Box
            as="ul"
            listStyleType="none"
            display="grid"
            gap="1.5"
            maxH="204px"
            overflowY="auto"
            tabIndex={0}
            aria-label="Made in this plan"
          >
            {draft.components.map((one, i) => (
              <Box as="li" key={one.key} display="flex" gap="1">
                <Chosen
                  chosen={i === index}
                  onChoose={() => onChoose(i)}
                  flex="1"
                  minW="0"
                  display="flex"
                  justifyContent="space-between"
                  gap="3"
                  alignItems="center"
                >
                  <span>{one.name}</span>
                  <Box as="span" color="fg.muted" fontWeight="500" flexShrink={0}>
                    {weight(plan, one.key)}
                  </Box>
                </Chosen>
                <IconButton
                  aria-label={`Remove: ${one.name}`}
                  variant="ghost"
                  onClick={() => {
                    onChange((inputs) => withoutComponent(inputs, i));
                    if (i <= index) onChoose(Math.max(0, index - 1));
                  }}
                >
                  <X size={18} />
                </IconButton>
              </Box>
            ))}
          </Box>
        )}
        {several && (
          <TextField
            label="Name"
            value={component.name}
            error={errors.name}
            onChange={(name) =>
              onChange((inputs) => ({
                ...inputs,
                components: inputs.components.map((one, i) =>
                  i === index ? { ...one, name } : one,
                ),
              }))
            }
          />
        )}
        <WorkFields
          work={component.work}
          bowls={bowls}
          names={names}
          errors={workErrors}
          onChange={change}
          onAddChocolate={addChocolate}
          onAddColour={addColour}
        />
        <MoreWork kinds={kinds} several={several} onAdd={addKind} />
      </Stack>
    </Panel>
  );
});

/** What a component weighs, chocolate and all. */
function weight(plan: WholePlan, key: string): string {
  const planned = plan.components.find((one) => one.key === key);
  if (!planned) return "";
  const parts = [...planned.takes, ...planned.goods.filter(({ goes }) => goes !== "boiled away")];
  return mass(parts.reduce((sum, { mass_g }) => sum + mass_g, 0));
}
