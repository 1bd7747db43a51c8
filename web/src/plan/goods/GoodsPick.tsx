import { Box } from "@chakra-ui/react";
import type { ReactNode } from "react";
import { SelectField } from "../../kit/SelectField";
import { TextField } from "../../kit/TextField";

const OWN = "own";

interface Props<G extends { name: string }> {
  /** What is chosen. */
  label: string;
  /** What its name is called where it is none of the usual. */
  ownLabel: string;
  usual: G[];
  /** What it is now. */
  name: string;
  error: string | undefined;
  /** One of the usual, or the maker's own. */
  onChoose: (from: G | undefined) => void;
  onName: (name: string) => void;
  /** The control that takes it out. */
  away: ReactNode;
}

/** One of the goods: one of the usual, or the maker's own. */
export function GoodsPick<G extends { name: string }>(props: Props<G>) {
  const { label, ownLabel, usual, name, error, onChoose, onName, away } = props;
  const known = usual.some((one) => one.name === name);
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
          value={known ? name : OWN}
          choices={[
            ...usual.map((one) => ({ value: one.name, label: one.name })),
            { value: OWN, label: "something else" },
          ]}
          onChange={(value) => onChoose(usual.find((one) => one.name === value))}
        />
        {away}
      </Box>
      {!known && (
        <Box gridColumn="1 / -1">
          <TextField label={ownLabel} value={name} error={error} onChange={onName} />
        </Box>
      )}
    </>
  );
}
