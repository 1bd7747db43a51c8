import { Box } from "@chakra-ui/react";
import type { ReactNode } from "react";
import { Fold } from "../kit/Fold";
import { SelectField } from "../kit/SelectField";
import { TextField } from "../kit/TextField";

const own = "own";

interface Props<G extends { name: string }> {
  /** Where it goes: the fold's title. */
  title: string;
  /** What is chosen. */
  label: string;
  /** What it is called where it is none of the usual. */
  ownLabel: string;
  usual: G[];
  /** Whether nothing is no choice. */
  needed?: boolean;
  /** What is chosen now. */
  name: string | undefined;
  error: string | undefined;
  /** Whether any of its fields must be mended. */
  faulty: boolean;
  /** One of the usual, or the maker's own; null for nothing. */
  onChoose: (from: G | "own" | null) => void;
  onName: (name: string) => void;
  /** Its further fields, once something is chosen. */
  children: ReactNode;
}

/** What goes into the chocolate or on it: nothing, one of the usual, or the maker's own. */
export function GoodsChoice<G extends { name: string }>(props: Props<G>) {
  const { title, label, ownLabel, usual, needed, name, error, faulty, onChoose, onName, children } =
    props;
  const known = usual.some((one) => one.name === name);
  return (
    <Fold inner title={title} value={name ?? "nothing"} open={needed ?? false} faulty={faulty}>
      <Box display="grid" gap="3" gridTemplateColumns="1fr 1fr" alignItems="start">
        <Box gridColumn="1 / -1">
          <SelectField
            label={label}
            value={name === undefined ? "" : known ? name : own}
            choices={[
              ...(needed ? [] : [{ value: "", label: "nothing" }]),
              ...usual.map((one) => ({ value: one.name, label: one.name })),
              { value: own, label: "something else" },
            ]}
            onChange={(value) =>
              onChoose(value === "" ? null : (usual.find((one) => one.name === value) ?? own))
            }
          />
        </Box>
        {name !== undefined && !known && (
          <Box gridColumn="1 / -1">
            <TextField label={ownLabel} value={name} error={error} onChange={onName} />
          </Box>
        )}
        {children}
      </Box>
    </Fold>
  );
}
