import { Box, Button, Heading } from "@chakra-ui/react";
import { Printer } from "lucide-react";
import type { WindowsAnswer } from "../api/client";
import { useWindowsOf } from "../api/queries";
import { band, temperature } from "../kit/format";
import { Failed, Loading } from "../kit/Standing";
import { chocolateColours, families, familyNames } from "../theme/chocolate";
import { BandScale, ScaleMarks } from "./BandScale";

/** The windows of every family on one scale: a card for the kitchen wall. */
export default function ReferencePage() {
  const { windows, error } = useWindowsOf(families);
  if (error) return <Failed what="windows" error={error} retry={() => location.reload()} />;
  if (windows.length < families.length) return <Loading what="the windows" />;
  return (
    <Box px={{ base: "3", md: "6" }} pb="8" maxW="1240px" width="full" mx="auto">
      <Box display="flex" alignItems="center" justifyContent="space-between" gap="4" py="3">
        <Heading as="h1" textStyle="title" fontSize="2xl">
          Temperature windows
        </Heading>
        <Button
          size="lg"
          variant="outline"
          borderColor="border.emphasized"
          onClick={() => window.print()}
          _print={{ display: "none" }}
        >
          <Printer aria-hidden /> Print as a card
        </Button>
      </Box>
      <Box bg="bg.panel" borderRadius="slab" p={{ base: "3", md: "4" }} data-testid="windows">
        <Box ps={{ base: "0", md: "136px" }}>
          <ScaleMarks />
        </Box>
        {windows.map((of) => (
          <Row key={of.family} name={familyNames[of.family]} windows={of} />
        ))}
        <Box mt="3" fontSize="sm" color="fg.muted" maxW="90ch">
          Red line: never above. Dashed line: above it temper is lost. The usual numbers of each
          family; what is printed on the bag goes first. A number is no proof: test a smear.
        </Box>
      </Box>
    </Box>
  );
}

function Row({ name, windows }: { name: string; windows: WindowsAnswer }) {
  const colours = chocolateColours[windows.family];
  const words = [
    `melt ${band(windows.melt_c)}, never above ${temperature(windows.limit_c, 0)}`,
    windows.cool_c && `cool ${band(windows.cool_c)}`,
    `work ${band(windows.work_c)}`,
    windows.lost_c != null && `lost above ${temperature(windows.lost_c)}`,
    `sets up below ${temperature(windows.thick_c)}`,
  ].filter((part) => typeof part === "string");
  return (
    <Box
      display="grid"
      gridTemplateColumns={{ base: "1fr", md: "120px minmax(0, 1fr)" }}
      columnGap="4"
      rowGap="1"
      py="2"
      borderTopWidth="1px"
      borderColor="border"
      alignItems="center"
    >
      <Box display="flex" gap="2.5" alignItems="center" fontWeight="600">
        <Box
          w="22px"
          h="22px"
          flexShrink={0}
          borderRadius="4px"
          bg={colours.body}
          borderWidth="1px"
          borderColor="border.emphasized"
          css={{ printColorAdjust: "exact" }}
        />
        {name}
      </Box>
      <BandScale windows={windows} />
      <Box />
      <Box fontSize="sm" display="flex" flexWrap="wrap" columnGap="4">
        {words.map((part) => (
          <Box as="span" key={part} whiteSpace="nowrap">
            {part}
          </Box>
        ))}
      </Box>
    </Box>
  );
}
