import { Button } from "@chakra-ui/react";
import { Volume1 } from "lucide-react";
import { useEffect, useRef } from "react";
import { say, useVoice } from "./voice";

interface Props {
  words: string;
  /** What they are about: where that changes they are said anew. */
  of: string;
}

/** Says what is to be done when that changes, and again on a touch. */
export function SayAgain({ words, of }: Props) {
  const voice = useVoice();
  const before = useRef<string>(undefined);
  useEffect(() => {
    // What stands when the page opens is read, or asked for.
    if (before.current !== undefined && before.current !== of) say(words);
    before.current = of;
  }, [words, of]);
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
