import { Box } from "@chakra-ui/react";
import type { WindowsAnswer } from "../api/client";
import { band, bound } from "../kit/format";
import { BandScale } from "./BandScale";

interface Props {
  windows: WindowsAnswer;
  /** The same without the maker's own numbers. */
  usual: WindowsAnswer;
}

/** A chocolate's windows, each own number marked, with the usual one beside it. */
export function OwnBeside({ windows, usual }: Props) {
  return (
    <Box>
      <BandScale windows={windows} />
      <Box fontSize="sm" display="flex" flexWrap="wrap" columnGap="4" rowGap="0.5" mt="1">
        {numbers(windows).map(({ name, value }, i) => {
          const before = numbers(usual)[i]?.value;
          const own = before !== undefined && before !== value;
          return (
            <Box as="span" key={name} whiteSpace="nowrap" fontWeight={own ? "600" : undefined}>
              {name} {value}
              {own && (
                <Box as="span" color="work" fontWeight="600" ms="1">
                  own
                  <Box as="span" color="fg.muted" fontWeight="400">
                    {" "}
                    (usual {before})
                  </Box>
                </Box>
              )}
            </Box>
          );
        })}
      </Box>
    </Box>
  );
}

function numbers(of: WindowsAnswer): { name: string; value: string }[] {
  const point = (c: number | null | undefined) => (c == null ? "" : bound(c));
  return [
    { name: "melt", value: band(of.melt_c) },
    { name: "never above", value: point(of.limit_c) },
    { name: "cool", value: of.cool_c ? band(of.cool_c) : "" },
    { name: "work", value: band(of.work_c) },
    { name: "lost above", value: point(of.lost_c) },
    { name: "sets up below", value: point(of.thick_c) },
    { name: "fat", value: `${of.fat_pct} %` },
  ].filter(({ value }) => value !== "");
}
