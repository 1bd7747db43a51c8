/** What is told of a stream: an event of it, or that it is not heard. */
export type Word = { event: string; data: string } | "lost";

/** What one tab says to the others: what was told, or that it has come later and knows nothing yet. */
type Said = Word | "new here";

/** Without word for this long, whoever listens is not there any more, or asleep. */
export const SILENCE_MS = 4_000;

/** A stream that one tab hears: begun anew it tells the whole again. */
export interface Heard {
  beginAnew: () => void;
  close: () => void;
}

/**
 * Tells of a stream in every tab of this browser, over one connection: browsers allow six to one
 * server, and a stream keeps its own for as long as it is heard. One tab hears it and passes on what
 * it hears; where that tab goes, or falls asleep, another takes its place.
 *
 * @param of what is heard, the same in every tab
 * @param hear begins to hear it, telling whatever there is to tell
 * @returns ends it for this tab
 */
export function tellTabs(
  of: string,
  hear: (tell: (word: Word) => void) => Heard,
  tell: (word: Word) => void,
): () => void {
  const tabs = new BroadcastChannel(of);
  let over = false;
  let waiting = new AbortController();
  let heard: Heard | undefined;
  let wordAt = performance.now();
  const told = (word: Word) => {
    wordAt = performance.now();
    tell(word);
  };
  tabs.onmessage = ({ data }: MessageEvent<Said>) => {
    if (data !== "new here") told(data);
    // The whole comes once, and after it what changes: for whoever came later it comes again.
    else heard?.beginAnew();
  };

  let endTurn = () => {};
  const turn = () =>
    new Promise<void>((resolve) => {
      if (over) return resolve();
      const mine = hear((word) => {
        told(word);
        tabs.postMessage(word satisfies Said);
      });
      heard = mine;
      endTurn = () => {
        mine.close();
        heard = undefined;
        resolve();
      };
    });
  /** Whoever holds the lock hears the stream; from one that sleeps it is taken. */
  const take = (how: LockOptions) => {
    navigator.locks.request(of, how, turn).catch(() => {
      if (over || how.signal?.aborted) return;
      // It was taken from this tab, which waits for its turn again.
      endTurn();
      wait();
    });
  };
  const wait = () => {
    waiting = new AbortController();
    take({ signal: waiting.signal });
  };
  const watch = setInterval(() => {
    const isSilent = performance.now() - wordAt > SILENCE_MS;
    if (!isSilent || heard || document.visibilityState === "hidden") return;
    wordAt = performance.now();
    waiting.abort();
    take({ steal: true });
  }, 1_000);

  tabs.postMessage("new here" satisfies Said);
  wait();
  return () => {
    over = true;
    clearInterval(watch);
    waiting.abort();
    endTurn();
    tabs.close();
  };
}
