import { useState } from "react";
import type { OnShelf } from "../api/queries";
import { ChocolateCard } from "./ChocolateCard";
import { ChocolateForm } from "./ChocolateForm";
import { Section, Slot } from "./Section";

/** The chocolates. */
export function Chocolates({ chocolates }: { chocolates: OnShelf<"chocolate">[] }) {
  return (
    <Section
      title="Chocolates"
      one="a chocolate"
      alone
      none="No chocolate yet. With what its bag says put in, every plan goes by the bag, and what is left is counted."
      empty={chocolates.length === 0}
      form={(done) => <ChocolateForm standing={null} done={done} />}
    >
      {chocolates.map((chocolate) => (
        <Chocolate key={chocolate.id} chocolate={chocolate} />
      ))}
    </Section>
  );
}

function Chocolate({ chocolate }: { chocolate: OnShelf<"chocolate"> }) {
  const [editing, setEditing] = useState(false);
  return (
    <Slot name={chocolate.thing.name}>
      {editing ? (
        <ChocolateForm standing={chocolate} done={() => setEditing(false)} />
      ) : (
        <ChocolateCard chocolate={chocolate} onEdit={() => setEditing(true)} />
      )}
    </Slot>
  );
}
