import { Box } from "@chakra-ui/react";
import type { InsideInputs } from "../../api/client";
import { CountField } from "../../kit/CountField";
import { Entry } from "../../kit/Entry";
import { Fold } from "../../kit/Fold";
import { faultyIn } from "../../kit/faultyIn";
import { ListField } from "../../kit/ListField";
import { NumberField } from "../../kit/NumberField";
import { SelectField } from "../../kit/SelectField";
import { TextField } from "../../kit/TextField";

const fresh: InsideInputs = {
  name: "mini marshmallows",
  each_ml: 0.9,
  each_g: 0.2,
  count: 12,
  across_mm: 12,
  not_food: false,
  made_here: false,
};

const sorts = {
  bought: "food that is bought",
  made: "made in this batch",
  not_food: "not food: a toy, a slip of paper",
};

type Sort = keyof typeof sorts;

function sortOf({ not_food, made_here }: InsideInputs): Sort {
  if (not_food) return "not_food";
  return made_here ? "made" : "bought";
}

interface Props {
  inside: InsideInputs[];
  errors: Record<string, string>;
  onChange: (inside: InsideInputs[]) => void;
}

/** What goes inside of what is hollow. */
export function InsideFields({ inside, errors, onChange }: Props) {
  return (
    <Fold
      inner
      title="Inside"
      value={inside.map(({ name }) => name).join(", ") || "nothing"}
      faulty={faultyIn(errors, "inside")}
    >
      <ListField
        items={inside}
        at="inside"
        errors={errors}
        most={8}
        nameOf={({ name }) => name}
        whole="What goes inside"
        more="Add something inside"
        onMore={() => onChange([...inside, fresh])}
        onChange={onChange}
      >
        {({ item, i, at, field, changed, away }) => (
          <Entry>
            <Box display="grid" gridTemplateColumns="minmax(0, 1fr) 44px" alignItems="end">
              <TextField label={`Inside (${i + 1})`} {...field("name")} />
              {away}
            </Box>
            <Box display="grid" gridTemplateColumns="1fr 1fr" gap="2">
              <CountField label="In each" {...field("count")} />
              <NumberField label="Volume each" unit="ml" {...field("each_ml")} />
              <NumberField label="Weight" unit="g" {...field("each_g")} />
              <NumberField label="Across" unit="mm" {...field("across_mm")} />
            </Box>
            <SelectField
              label="Kind"
              value={sortOf(item)}
              choices={sorts}
              error={errors[`${at}.not_food`]}
              onChange={(sort) =>
                onChange(changed({ not_food: sort === "not_food", made_here: sort === "made" }))
              }
            />
          </Entry>
        )}
      </ListField>
    </Fold>
  );
}
