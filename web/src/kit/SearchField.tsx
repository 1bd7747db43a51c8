import { Input } from "@chakra-ui/react";
import { useEffect, useState } from "react";

/** How long after the last letter it is looked for, ms. */
const AFTER_MS = 250;

/** Looks for a word in a list, a moment after the last letter. */
export function SearchField({ of, onSearch }: { of: string; onSearch: (search: string) => void }) {
  const [typed, setTyped] = useState("");
  useEffect(() => {
    const timer = setTimeout(() => onSearch(typed.trim()), AFTER_MS);
    return () => clearTimeout(timer);
  }, [typed, onSearch]);
  return (
    <Input
      type="search"
      aria-label={`Find in ${of}`}
      placeholder="Find a name, a chocolate, a kind of work"
      maxLength={120}
      h="48px"
      bg="bg.panel"
      borderColor="border.emphasized"
      value={typed}
      onChange={(event) => setTyped(event.target.value)}
    />
  );
}
