import { Box } from "@chakra-ui/react";
import type { ReactNode } from "react";
import { SelectField } from "../../kit/SelectField";
import { TextField } from "../../kit/TextField";
import { type Pickable, picked } from "./useGoods";

const OWN = "own";

interface Props {
  /** What is chosen. */
  label: string;
  /** What its name is called where it is none of those that can be picked. */
  ownLabel: string;
  goods: readonly Pickable[];
  /** What it is now. */
  item: { name: string; goods_id?: string | null };
  /** What is wrong with its name, or with what it was picked from. */
  error: string | undefined;
  /** One that can be picked, or the maker's own. */
  onChoose: (from: Pickable | undefined) => void;
  onName: (name: string) => void;
  /** The control that takes it out. */
  away: ReactNode;
}

const choiceOf = ({ goods_id, name }: Pickable) => goods_id ?? name;

/** One of the goods: of the shelf, of the usual, or the maker's own. */
export function GoodsPick(props: Props) {
  const { label, ownLabel, goods, item, error, onChoose, onName, away } = props;
  const now = picked(goods, item);
  return (
    <>
      <Box
        gridColumn="1 / -1"
        display="grid"
        gridTemplateColumns="minmax(0, 1fr) auto"
        gap="1"
        alignItems="end"
      >
        <SelectField
          label={label}
          value={now ? choiceOf(now) : OWN}
          choices={[
            ...goods.map((one) => ({
              value: choiceOf(one),
              label: one.goods_id ? `${one.name} (shelf)` : one.name,
            })),
            { value: OWN, label: "something else" },
          ]}
          error={now && error}
          onChange={(value) => onChoose(goods.find((one) => choiceOf(one) === value))}
        />
        {away}
      </Box>
      {!now && (
        <Box gridColumn="1 / -1">
          <TextField label={ownLabel} value={item.name} error={error} onChange={onName} />
        </Box>
      )}
    </>
  );
}
