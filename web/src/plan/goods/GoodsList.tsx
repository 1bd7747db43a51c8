import { Box } from "@chakra-ui/react";
import type { ReactNode } from "react";
import { Fold } from "../../kit/Fold";
import { faultyIn } from "../../kit/faultyIn";
import type { Errors } from "../../kit/fieldsOf";
import { type Listed, ListField } from "../../kit/ListField";

/** So many different goods go in, and so many on top. */
const MOST = 12;

interface Props<G extends { name: string }> {
  /** Where they go: the fold's title. */
  title: string;
  /** Their place among the fields. */
  at: string;
  goods: readonly G[];
  errors: Errors;
  /** What the control for one more is called. */
  more: string;
  fewest?: number;
  onMore: () => void;
  onChange: (goods: G[]) => void;
  children: (listed: Listed<G>) => ReactNode;
}

/** Several goods that go to one place, each with its fields; folded to a line that names them. */
export function GoodsList<G extends { name: string }>(props: Props<G>) {
  const { title, at, goods, errors, more, fewest = 0, onMore, onChange, children } = props;
  return (
    <Fold
      inner
      title={title}
      value={goods.map(({ name }) => name).join(", ") || "nothing"}
      open={fewest > 0}
      faulty={faultyIn(errors, at)}
    >
      <ListField
        items={goods}
        at={at}
        errors={errors}
        fewest={fewest}
        most={MOST}
        nameOf={({ name }) => name}
        whole={title}
        more={more}
        onMore={onMore}
        onChange={onChange}
      >
        {(listed) => (
          <Box
            role="group"
            aria-label={listed.item.name}
            display="grid"
            gap="3"
            gridTemplateColumns="1fr 1fr"
            alignItems="start"
            borderTopWidth={listed.i > 0 ? "1px" : undefined}
            borderColor="border"
            pt={listed.i > 0 ? "3" : undefined}
          >
            {children(listed)}
          </Box>
        )}
      </ListField>
    </Fold>
  );
}
