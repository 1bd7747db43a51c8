import { Box } from "@chakra-ui/react";
import { Fragment } from "react";
import type { Labelled, Labels } from "../api/client";
import { mass, onDay } from "../kit/format";
import { inWords } from "../kit/message";
import { Fitted } from "./Fitted";

interface Props {
  label: Labelled;
  of: Labels;
  /** What the plan or the batch is called. */
  title: string;
}

/** What is called so on the label: a box by its plan, all else by its own name. */
export function titleOf(label: Labelled, title: string): string {
  return label.component == null ? title : label.name;
}

/** A label with all that must be said. */
export function LabelFace({ label, of, title }: Props) {
  const { contains, may_contain, not_food, best_before, storage, net_g } = label;
  return (
    <Fitted says={JSON.stringify([title, label, of.maker, of.address, of.lot, of.label.sheet])}>
      <Box fontWeight="700" fontSize="1.35em" lineHeight="1.1" css={{ fontStretch: "115%" }}>
        {titleOf(label, title)}
      </Box>
      {label.component == null && <Box>{label.name}</Box>}
      <Box mt="0.35em">
        Ingredients: <Ingredients label={label} />.
      </Box>
      {contains.length > 0 && (
        <Box mt="0.2em">
          Contains: <strong>{contains.join(", ")}</strong>.
        </Box>
      )}
      {may_contain.length > 0 && <Box>May contain: {may_contain.join(", ")}.</Box>}
      {not_food.length > 0 && (
        <Box>
          <strong>Not for eating: {not_food.join(", ")}.</strong>
        </Box>
      )}
      {storage && <Box mt="0.2em">{inWords(storage)}</Box>}
      <Box mt="0.35em" display="flex" justifyContent="space-between" gap="1em" flexWrap="wrap">
        <strong>{mass(net_g)}</strong>
        <span>
          Best before: <strong>{best_before ? onDay(best_before) : "see what went in"}</strong>
        </span>
        {of.lot && <span>{of.lot}</span>}
      </Box>
      {(of.maker || of.address) && (
        <Box mt="0.2em">{[of.maker, of.address].filter(Boolean).join(", ")}</Box>
      )}
    </Fitted>
  );
}

/** A label's own first word begins with a capital; within a list it does not. */
function lowered(name: string): string {
  const [first = "", second = ""] = name;
  return second === second.toLowerCase() ? first.toLowerCase() + name.slice(1) : name;
}

/** The ingredients, most first; what holds an allergen is set off. */
function Ingredients({ label }: { label: Labelled }) {
  return label.ingredients.map(({ name, allergen, of }, i) => (
    <Fragment key={`${name} ${of.map((one) => one.name).join()}`}>
      {i > 0 && ", "}
      {allergen ? <strong>{name}</strong> : name}
      {of.length > 0 && (
        <>
          {" ("}
          {of.map((one, j) => (
            <Fragment key={one.name}>
              {j > 0 && ", "}
              {one.allergen ? <strong>{lowered(one.name)}</strong> : lowered(one.name)}
            </Fragment>
          ))}
          )
        </>
      )}
    </Fragment>
  ));
}
