import { useRegisterSW } from "virtual:pwa-register/react";
import { Box, Button } from "@chakra-ui/react";
import { useLocation } from "react-router";
import { IS_ON_A_DEVICE } from "../api/kept";

/** Where something is at work a new release can wait. */
const atWork = /^\/(bench|build)\//;

/** Offers a new release where it is there, and puts it in place when one says so. */
function Offer() {
  const { pathname } = useLocation();
  const {
    needRefresh: [there, setThere],
    updateServiceWorker,
  } = useRegisterSW();
  if (!there || atWork.test(pathname)) return null;
  return (
    <Box
      role="status"
      position="fixed"
      bottom="3"
      insetInline="3"
      mx="auto"
      maxW="34rem"
      bg="bg.panel"
      borderWidth="2px"
      borderColor="ink"
      borderRadius="slab"
      px="4"
      py="3"
      display="flex"
      gap="3"
      alignItems="center"
      flexWrap="wrap"
      zIndex="banner"
      data-testid="new-release"
    >
      <Box flex="1 1 12rem" fontWeight="600">
        A new release is here.
      </Box>
      <Button variant="ghost" minH="12" onClick={() => setThere(false)}>
        Later
      </Button>
      <Button minH="12" bg="ink" color="onInk" onClick={() => updateServiceWorker(true)}>
        Use it
      </Button>
    </Box>
  );
}

/** On a device of the home network alone: on loopback the server is never away. */
export function NewRelease() {
  return IS_ON_A_DEVICE ? <Offer /> : null;
}
