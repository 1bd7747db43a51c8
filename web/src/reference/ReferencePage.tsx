import { Box, Button, Heading } from "@chakra-ui/react";
import { Printer } from "lucide-react";
import type { WindowsAnswer } from "../api/client";
import { useShelf, useWindowsOf } from "../api/queries";
import { ScaleMarks } from "../chocolate/BandScale";
import { OwnBeside } from "../chocolate/OwnBeside";
import { Failed, Loading } from "../kit/Standing";
import { Swatch } from "../kit/Swatch";
import { WayTo } from "../kit/WayTo";
import { chocolateColours, families, familyNames, lookOf } from "../theme/chocolate";

/** The windows of every family on one scale: a card for the kitchen wall. */
export default function ReferencePage() {
  const { windows, error } = useWindowsOf(families);
  const chocolates = useShelf().data?.chocolates ?? [];
  const own = chocolates.filter((one) => one.windows?.own || one.thing.blend);
  if (error && windows.length < families.length)
    return <Failed what="windows" error={error} retry={() => location.reload()} />;
  if (windows.length < families.length) return <Loading what="the windows" />;
  return (
    <Box px={{ base: "3", md: "6" }} pb="8" maxW="1240px" width="full" mx="auto">
      <Box
        display="flex"
        flexWrap="wrap"
        alignItems="center"
        justifyContent="space-between"
        gap="3"
        py="3"
      >
        <Heading as="h1" textStyle="title" fontSize="2xl">
          Temperature windows
        </Heading>
        <WayTo to="/reference/words" ms="auto" _print={{ display: "none" }}>
          Words of the craft
        </WayTo>
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
          <Row
            key={of.family}
            name={familyNames[of.family]}
            look={chocolateColours[of.family].body}
            windows={of}
          />
        ))}
        {own.length > 0 && (
          <Box textStyle="label" pt="5" pb="2">
            From your shelf
          </Box>
        )}
        {own.map(({ id, thing, windows: used, usual }) =>
          used && usual ? (
            <Row key={id} name={thing.name} look={lookOf(thing)} windows={used} usual={usual} />
          ) : null,
        )}
        <Box mt="3" fontSize="sm" color="fg.muted" maxW="90ch">
          Red line: never above. Dashed line: above it temper is lost. The usual numbers of each
          family; what is printed on the bag goes first. A number is no proof: test a smear.
        </Box>
      </Box>
    </Box>
  );
}

interface RowProps {
  name: string;
  look: string;
  windows: WindowsAnswer;
  /** The same without the maker's own numbers, where there may be some. */
  usual?: WindowsAnswer;
}

function Row({ name, look, windows, usual = windows }: RowProps) {
  return (
    <Box
      display="grid"
      gridTemplateColumns={{ base: "1fr", md: "120px minmax(0, 1fr)" }}
      columnGap="4"
      rowGap="1"
      py="2"
      borderTopWidth="1px"
      borderColor="border"
      alignItems="start"
      breakInside="avoid"
    >
      <Box display="flex" gap="2.5" alignItems="center" fontWeight="600" minH="46px">
        <Swatch looks={look} size={22} />
        {name}
      </Box>
      <OwnBeside windows={windows} usual={usual} />
    </Box>
  );
}
