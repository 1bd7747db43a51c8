import { Box, chakra, Heading } from "@chakra-ui/react";
import type { ReactNode } from "react";
import { Navigate, useParams, useSearchParams } from "react-router";
import { type Shelf, useShelf } from "../api/queries";
import { Places } from "../kit/Places";
import { Missing } from "../kit/Standing";
import { Chocolates } from "./Chocolates";
import { FirstThings } from "./FirstThings";
import { HeatSources } from "./HeatSources";
import { KitchenPanel } from "./KitchenPanel";
import { Moulds } from "./Moulds";
import { Pantry } from "./Pantry";
import { Pigments } from "./Pigments";
import { addressOf, placeThatAdds, type ShelfPlace, shelfPlaces, toAdd } from "./places";
import { ShoppingOfPlans } from "./ShoppingOfPlans";
import { Thermometers } from "./Thermometers";
import { TodayPanel } from "./TodayPanel";
import { Trays } from "./Trays";
import { Wares } from "./Wares";

const Anchor = chakra("a");

/** What the maker has: chocolates, and the gear with what was learned of it. */
export default function ShelfPage() {
  const shelf = useShelf();
  const { place } = useParams();
  const [params] = useSearchParams();
  const here = shelfPlaces.find(({ at }) => at === (place ?? "chocolates"));
  const adding = params.get("add");
  const leads = adding ? placeThatAdds(adding) : undefined;
  if (!here) return <Navigate to="/shelf" replace />;
  if (adding && leads && leads !== here.at) return <Navigate to={toAdd(adding)} replace />;
  if (!shelf.data) return <Missing what="shelf" asked={[shelf]} />;
  return (
    <Box px={{ base: "3", md: "6" }} pb="8" maxW="1500px" width="full" mx="auto">
      <Box
        display="flex"
        flexWrap="wrap"
        alignItems="center"
        columnGap="6"
        pt={{ base: "2", md: "3" }}
        pb="3"
      >
        <Heading
          as="h1"
          textStyle="title"
          fontSize="2xl"
          // On a phone the places say where one is.
          srOnly={{ base: true, md: false }}
        >
          Shelf
        </Heading>
        <Places
          label="Of the shelf"
          places={shelfPlaces.map(({ at, name }) => ({ to: addressOf(at), name }))}
        />
      </Box>
      <FirstThings shelf={shelf.data} />
      {here.at !== "shopping" && <TodayPanel />}
      {shelf.data.unreadable.map(({ id, unreadable: why }) => (
        <Box key={id} bg="heat.wash" borderRadius="slab" px="4" py="2" mb="3" fontWeight="560">
          Something on the shelf cannot be read by this release ({why}). It is kept as it is.{" "}
          <Anchor href={`/api/v1/shelf/${id}/document`} download textDecoration="underline">
            Save it
          </Anchor>
        </Box>
      ))}
      <Standing at={here.at} shelf={shelf.data} />
    </Box>
  );
}

/** What stands at one place. */
function Standing({ at, shelf }: { at: ShelfPlace; shelf: Shelf }) {
  switch (at) {
    case "chocolates":
      return <Chocolates chocolates={shelf.chocolates} />;
    case "colours":
      return <Pigments pigments={shelf.pigments} />;
    case "goods":
      return <Pantry goods={shelf.goods} />;
    case "shopping":
      return <ShoppingOfPlans />;
    case "moulds":
      return (
        <Beside>
          <Moulds moulds={shelf.moulds} />
          <Trays trays={shelf.trays} />
        </Beside>
      );
    case "heat":
      return (
        <Beside>
          <Box display="grid" gap="5" gridTemplateColumns="minmax(0, 1fr)">
            <Wares wares={shelf.wares} />
            <Thermometers thermometers={shelf.thermometers} />
          </Box>
          <Box display="grid" gap="5" gridTemplateColumns="minmax(0, 1fr)">
            <HeatSources heats={shelf.heats} />
            {shelf.kitchen && <KitchenPanel kitchen={shelf.kitchen} />}
          </Box>
        </Beside>
      );
  }
}

/** Two kinds of thing, beside each other where there is room. */
function Beside({ children }: { children: ReactNode }) {
  return (
    <Box
      display="grid"
      gap="5"
      gridTemplateColumns={{ base: "minmax(0, 1fr)", lg: "repeat(2, minmax(0, 1fr))" }}
      alignItems="start"
    >
      {children}
    </Box>
  );
}
