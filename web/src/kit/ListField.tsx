import { Button, IconButton } from "@chakra-ui/react";
import { Plus, X } from "lucide-react";
import { Fragment, type ReactNode } from "react";
import { Fault } from "./Fault";
import { type Errors, fieldsOf } from "./fieldsOf";
import { withChange, withEarlier } from "./lists";

/** One thing of a list, and how it is changed. */
export interface Listed<T extends object> {
  item: T;
  i: number;
  /** Its place among the fields. */
  at: string;
  /** What a field of it is given. */
  field: ReturnType<typeof fieldsOf<T>>;
  /** The list with a change to this one. */
  changed: (patch: Partial<T>) => T[];
  /** The list with this one a place earlier. */
  earlier: () => T[];
  /** The control that takes this one out. */
  away: ReactNode;
}

interface Props<T extends object> {
  items: readonly T[];
  /** The list's name among the fields. */
  at: string;
  errors: Errors;
  fewest?: number;
  most: number;
  /** What one is called where it is taken away. */
  nameOf: (item: T, i: number) => string;
  /** What all of it is called, where something is wrong with it as a whole. */
  whole: string;
  /** What the control for one more is called. */
  more: string;
  /** Adds one more; none can be added where it is left out. */
  onMore: (() => void) | undefined;
  onChange: (items: T[]) => void;
  children: (listed: Listed<T>) => ReactNode;
}

/** Several things of a kind, each with its fields; one can be added or taken away. */
export function ListField<T extends object>(props: Props<T>) {
  const { items, at, errors, fewest = 0, most, nameOf, whole, more, onMore, onChange } = props;
  const listed = (item: T, i: number): Listed<T> => {
    const changed = (patch: Partial<T>) => withChange(items, i, patch);
    const its = `${at}[${i}]`;
    return {
      item,
      i,
      at: its,
      field: fieldsOf(item, errors, (patch) => onChange(changed(patch)), `${its}.`),
      changed,
      earlier: () => withEarlier(items, i),
      away: (
        <IconButton
          aria-label={`Remove: ${nameOf(item, i)}`}
          variant="ghost"
          disabled={items.length <= fewest}
          onClick={() => onChange(items.toSpliced(i, 1))}
        >
          <X size={18} />
        </IconButton>
      ),
    };
  };
  return (
    <>
      {items.map((item, i) => (
        // biome-ignore lint/suspicious/noArrayIndexKey: each is its place in the list
        <Fragment key={i}>{props.children(listed(item, i))}</Fragment>
      ))}
      {errors[at] && (
        <Fault fontSize="sm">
          {whole} {errors[at]}
        </Fault>
      )}
      <Button
        variant="outline"
        disabled={onMore === undefined || items.length >= most}
        onClick={onMore}
      >
        <Plus aria-hidden /> {more}
      </Button>
    </>
  );
}
