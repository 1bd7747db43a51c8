import { useQuery } from "@tanstack/react-query";
import { api, type BenchAnswer } from "../api/client";
import { accepted } from "../api/refusal";
import { capitalised } from "../kit/capitalised";
import { SelectField } from "../kit/SelectField";
import { familyNames } from "../theme/chocolate";

/** The bowl that a thermometer is lent to: one of those at the bench. */
export function LendTo({ value, onChange }: { value: string; onChange: (bowl: string) => void }) {
  const bench = useQuery({
    queryKey: ["bench", "to-lend"],
    queryFn: async () => accepted<BenchAnswer>(await api.GET("/api/v1/bench")),
  });
  const bowls = bench.data?.bowls ?? [];
  const choices = bowls.map(({ id, family, batch_name }) => ({
    value: id,
    label: `${capitalised(familyNames[family])}, ${batch_name}`,
  }));
  const known = choices.some((choice) => choice.value === value);
  return (
    <SelectField
      label="Lent to"
      value={value}
      choices={[
        { value: "", label: "no bowl for now" },
        ...choices,
        ...(value && !known ? [{ value, label: "a bowl that is not at the bench" }] : []),
      ]}
      onChange={onChange}
    />
  );
}
