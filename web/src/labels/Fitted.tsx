import { Box, type BoxProps } from "@chakra-ui/react";
import { type ReactNode, useLayoutEffect, useRef, useState } from "react";

/** Letters are as large as there is room for, between these, pt. */
const LARGEST_PT = 9;
const SMALLEST_PT = 4;
/** Smaller than this they are hard to read: about 1.2 mm from foot to head of an x. */
export const READABLE_PT = 6.5;
const STEP_PT = 0.25;

interface Props extends BoxProps {
  /** What it says, so that it is fitted anew when that changes. */
  says: string;
  /** The largest its letters are, pt. */
  largest?: number;
  children: ReactNode;
}

/** Text in as large letters as its box has room for. */
export function Fitted({ says, largest = LARGEST_PT, children, ...rest }: Props) {
  const box = useRef<HTMLDivElement>(null);
  const [pt, setPt] = useState(largest);
  // biome-ignore lint/correctness/useExhaustiveDependencies: what it says is what it is fitted to
  useLayoutEffect(() => {
    const of = box.current;
    if (!of) return;
    const fits = () => of.scrollHeight <= of.clientHeight && of.scrollWidth <= of.clientWidth;
    const refit = () => {
      let size = largest;
      of.style.fontSize = `${size}pt`;
      while (size > SMALLEST_PT && !fits()) {
        size -= STEP_PT;
        of.style.fontSize = `${size}pt`;
      }
      setPt(size);
    };
    refit();
    // Letters that come later, or a box that is laid out anew, need other room.
    const watch = new ResizeObserver(refit);
    watch.observe(of);
    document.fonts.addEventListener("loadingdone", refit);
    return () => {
      watch.disconnect();
      document.fonts.removeEventListener("loadingdone", refit);
    };
  }, [says, largest]);
  return (
    <Box
      ref={box}
      position="absolute"
      inset="0"
      p="2.5mm"
      overflow="hidden"
      lineHeight="1.22"
      data-pt={pt}
      data-small={pt < READABLE_PT}
      // What is measured must not be on its way from the size before.
      css={{ "&, & *": { transition: "none !important" } }}
      style={{ fontSize: `${pt}pt` }}
      {...rest}
    >
      {children}
    </Box>
  );
}
