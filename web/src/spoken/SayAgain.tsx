import { Button } from "@chakra-ui/react";
import { Volume1 } from "lucide-react";
import { useEffect, useRef } from "react";
import { say, useVoice } from "./voice";

/** Says what is to be done when that changes, and again on a touch. */
export function SayAgain({ words }: { words: string }) {
  const voice = useVoice();
  const before = useRef<string>(undefined);
  useEffect(() => {
    // What stands when the page opens is read, or asked for.
    if (before.current !== undefined && before.current !== words) say(words);
    before.current = words;
  }, [words]);
  if (!voice?.on) return null;
  return (
    <Button
      variant="outline"
      borderColor="border.emphasized"
      minH="48px"
      onClick={(event) => {
        event.stopPropagation();
        say(words);
      }}
    >
      <Volume1 aria-hidden /> Say it again
    </Button>
  );
}
