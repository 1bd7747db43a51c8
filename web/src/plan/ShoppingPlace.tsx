import { Box } from "@chakra-ui/react";
import type { WholePlan } from "../api/client";
import { useShopping } from "../api/queries";
import { Fault } from "../kit/Fault";
import { Notes } from "../kit/Notes";
import { Panel } from "../kit/Panel";
import { FileTo, WayTo } from "../kit/WayTo";
import { ShoppingLines } from "../shopping/ShoppingLines";

interface Props {
  planId: string;
  /** Counts the plan's edits: the list follows what was saved. */
  version: number;
  plan: WholePlan;
  names: ReadonlyMap<string, string>;
}

/** Everything that goes in: what is still to buy, and what the shelf has of it. */
export function ShoppingPlace({ planId, version, plan, names }: Props) {
  const list = useShopping([planId], version);
  return (
    <Panel title="Shopping list" maxW="900px">
      {list.error && <Fault>{list.error.message}</Fault>}
      {list.data && <ShoppingLines list={list.data} />}
      <Box mt="3">
        {plan.bowls.map(({ key, plan: of }) => (
          <Notes
            key={key}
            notes={(of?.stock?.notes ?? []).filter(({ code }) => code !== "not-enough")}
            of={plan.bowls.length > 1 ? (names.get(key) ?? key) : undefined}
          />
        ))}
        {plan.goods.map(({ name, stock }) => (
          <Notes
            key={stock?.id ?? name}
            notes={(stock?.notes ?? []).filter(({ code }) => code !== "goods-short")}
          />
        ))}
      </Box>
      <Box display="flex" gap="5" flexWrap="wrap" mt="2" _print={{ display: "none" }}>
        <WayTo to={`/plans/${planId}/cost`}>What it costs</WayTo>
        <WayTo to={`/shelf/shopping?plans=${planId}`}>Combine with other plans</WayTo>
        <FileTo href={`/api/v1/shopping/csv?plans=${planId}`} download>
          Save as a table (CSV)
        </FileTo>
      </Box>
    </Panel>
  );
}
