import { Box, Heading } from "@chakra-ui/react";
import { useQuery } from "@tanstack/react-query";
import { api, type Sharing } from "../api/client";
import { keys } from "../api/queries";
import { accepted } from "../api/refusal";
import { Failed, Loading } from "../kit/Standing";
import { WayTo } from "../kit/WayTo";
import { DeviceList } from "./DeviceList";
import { HomeNetwork } from "./HomeNetwork";
import { LetIn } from "./LetIn";
import { NotLetIn } from "./NotLetIn";
import { Passphrase } from "./Passphrase";

const ASKED_EVERY_MS = 5_000;

/** The maker's devices in the home network: how they come in, which are in, and who was not let in. */
export default function DevicesPage() {
  const sharing = useQuery({
    queryKey: keys.sharing,
    refetchInterval: ASKED_EVERY_MS,
    queryFn: async () => accepted<Sharing>(await api.GET("/api/v1/sharing")),
  });
  if (!sharing.data) {
    return sharing.error ? (
      <Failed what="devices" error={sharing.error} retry={() => sharing.refetch()} />
    ) : (
      <Loading what="the devices" />
    );
  }
  const { shared, has_passphrase, refusals } = sharing.data;
  return (
    <Box px={{ base: "3", md: "6" }} maxW="1100px" width="full" mx="auto" pb="8">
      <Box display="flex" alignItems="baseline" gap="4" flexWrap="wrap" py="4">
        <Heading as="h1" textStyle="title" fontSize="2xl">
          Devices in the kitchen
        </Heading>
        <WayTo to="/settings">settings</WayTo>
      </Box>
      <Box
        display="grid"
        gap="4"
        gridTemplateColumns={{ base: "minmax(0, 1fr)", lg: "minmax(0, 1fr) minmax(0, 1fr)" }}
        alignItems="start"
      >
        <Box display="grid" gap="4">
          {shared && <LetIn />}
          <DeviceList />
          <Passphrase isSet={has_passphrase} />
        </Box>
        <Box display="grid" gap="4">
          <HomeNetwork shared={shared} />
          <NotLetIn refusals={refusals} />
        </Box>
      </Box>
    </Box>
  );
}
