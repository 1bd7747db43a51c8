import { Box, chakra, Heading } from "@chakra-ui/react";
import { useShelf } from "../api/queries";
import { Failed, Loading } from "../kit/Standing";
import { Chocolates } from "./Chocolates";
import { FirstThings } from "./FirstThings";
import { HeatSources } from "./HeatSources";
import { KitchenPanel } from "./KitchenPanel";
import { Moulds } from "./Moulds";
import { Pigments } from "./Pigments";
import { Thermometers } from "./Thermometers";
import { Trays } from "./Trays";
import { Wares } from "./Wares";

const Anchor = chakra("a");

/** What the maker has: chocolates, and the gear with what was learned of it. */
export default function ShelfPage() {
  const shelf = useShelf();
  if (shelf.error) {
    return <Failed what="shelf" error={shelf.error} retry={() => shelf.refetch()} />;
  }
  if (!shelf.data) return <Loading what="the shelf" />;
  const { chocolates, wares, heats, thermometers, trays, moulds, pigments, kitchen, unreadable } =
    shelf.data;
  return (
    <Box px={{ base: "3", md: "6" }} pb="8" maxW="1500px" width="full" mx="auto">
      <Heading as="h1" textStyle="title" fontSize="2xl" py="4">
        Shelf
      </Heading>
      <FirstThings shelf={shelf.data} />
      {unreadable.map(({ id, unreadable: why }) => (
        <Box key={id} bg="heat.wash" borderRadius="slab" px="4" py="2" mb="3" fontWeight="560">
          Something on the shelf cannot be read by this release ({why}). It is kept as it is.{" "}
          <Anchor href={`/api/v1/shelf/${id}/document`} download textDecoration="underline">
            Save it
          </Anchor>
        </Box>
      ))}
      <Box
        display="grid"
        gap="5"
        gridTemplateColumns={{ base: "minmax(0, 1fr)", lg: "minmax(0, 1.5fr) minmax(340px, 1fr)" }}
        alignItems="start"
      >
        <Box display="grid" gap="5" gridTemplateColumns="minmax(0, 1fr)">
          <Chocolates chocolates={chocolates} />
          <Moulds moulds={moulds} />
          <Pigments pigments={pigments} />
        </Box>
        <Box display="grid" gap="5" gridTemplateColumns="minmax(0, 1fr)">
          <Wares wares={wares} />
          <HeatSources heats={heats} />
          <Thermometers thermometers={thermometers} />
          <Trays trays={trays} />
          {kitchen && <KitchenPanel kitchen={kitchen} />}
        </Box>
      </Box>
    </Box>
  );
}
