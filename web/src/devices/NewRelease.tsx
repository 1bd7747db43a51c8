import { useRegisterSW } from "virtual:pwa-register/react";
import { Box, Button } from "@chakra-ui/react";
import { useEffect, useState } from "react";
import { useLocation } from "react-router";
import { IS_ON_A_DEVICE } from "../api/kept";

const ASK_AGAIN_MS = 3_000;

/** Where something is at work a new release can wait. */
const atWork = /^\/(bench|build)\//;

/** Offers a new release where it is there, and puts it in place when one says so. */
function Offer() {
  const { pathname } = useLocation();
  const {
    needRefresh: [there, setThere],
    updateServiceWorker,
  } = useRegisterSW();
  const [asked, setAsked] = useState(false);
  const isAtWork = atWork.test(pathname);
  // The release in place may still have something under way, and lets none in until it has not:
  // then it is asked again, until the page is loaded from the new one.
  useEffect(() => {
    if (!asked || isAtWork) return;
    void updateServiceWorker(true);
    const again = setInterval(() => void updateServiceWorker(true), ASK_AGAIN_MS);
    return () => clearInterval(again);
  }, [asked, isAtWork, updateServiceWorker]);
  if (!there || isAtWork) return null;
  return (
    <Box
      role="status"
      position="fixed"
      // Above what is under way, where that lies at the foot.
      bottom={{ base: "16", lg: "3" }}
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
      <Box flex="1 1 8rem" fontWeight="600">
        A new release is here.
      </Box>
      {!asked && (
        <Button variant="ghost" minH="12" onClick={() => setThere(false)}>
          Later
        </Button>
      )}
      <Button minH="12" bg="ink" color="onInk" disabled={asked} onClick={() => setAsked(true)}>
        {asked ? "One moment…" : "Use it"}
      </Button>
    </Box>
  );
}

/** On a device of the home network alone: on loopback the server is never away. */
export function NewRelease() {
  return IS_ON_A_DEVICE ? <Offer /> : null;
}
