import { Box } from "@chakra-ui/react";
import type { Packing, WrappingInputs } from "../../api/client";
import { useShelf } from "../../api/queries";
import { Entry } from "../../kit/Entry";
import { Fold } from "../../kit/Fold";
import { faultyIn } from "../../kit/faultyIn";
import { ListField } from "../../kit/ListField";
import { NumberField } from "../../kit/NumberField";
import { SelectField } from "../../kit/SelectField";
import { TextField } from "../../kit/TextField";

interface Props {
  packing: Packing;
  errors: Record<string, string>;
  onChange: (packing: Packing) => void;
}

/** What each is packed in: boxes and cups from the shelf, or by their name. */
export function WrappingFields({ packing, errors, onChange }: Props) {
  const goods = useShelf().data?.goods ?? [];
  const wares = goods.filter(
    ({ thing }) =>
      thing.unit === "piece" && (thing.sort === "packaging" || thing.sort === "sticks"),
  );
  const wrapping = packing.wrapping ?? [];
  const put = (next: WrappingInputs[]) => onChange({ ...packing, wrapping: next });
  const one = packing.of === "bags" ? "clear bags" : "gift boxes";
  const usual = wares.find(({ thing }) => thing.name === one);
  const fresh: WrappingInputs = usual
    ? { name: usual.thing.name, goods_id: usual.id, count: 1 }
    : { name: one, count: 1 };
  return (
    <Fold
      inner
      title="Packaging"
      value={wrapping.map(({ name, count }) => `${count} × ${name}`).join(", ") || "nothing stated"}
      faulty={faultyIn(errors, "packing.wrapping")}
    >
      <ListField
        items={wrapping}
        at="packing.wrapping"
        errors={errors}
        most={20}
        nameOf={({ name }) => name}
        whole="Packaging"
        more="Add packaging"
        onMore={() => put([...wrapping, fresh])}
        onChange={put}
      >
        {({ item, i, field, changed, away }) => (
          <Entry>
            <SelectField
              label={`Packaging (${i + 1})`}
              value={item.goods_id ?? ""}
              choices={[
                { value: "", label: "other" },
                ...wares.map(({ id, thing }) => ({ value: id, label: thing.name })),
              ]}
              onChange={(id) => {
                const picked = wares.find((ware) => ware.id === id);
                put(
                  changed(
                    picked
                      ? { goods_id: id, name: picked.thing.name }
                      : { goods_id: null, name: item.name },
                  ),
                );
              }}
            />
            <Box display="grid" gap="2" gridTemplateColumns="2fr 1fr 44px" alignItems="end">
              <TextField label={`Name (${i + 1})`} {...field("name")} />
              <NumberField label={`Per unit (${i + 1})`} unit="" {...field("count")} />
              {away}
            </Box>
          </Entry>
        )}
      </ListField>
    </Fold>
  );
}
