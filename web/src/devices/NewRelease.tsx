import { useRegisterSW } from "virtual:pwa-register/react";
import { Box, Button } from "@chakra-ui/react";
import { useEffect, useState } from "react";
import { useLocation } from "react-router";
import { IS_ON_A_DEVICE } from "../api/kept";
import { wake } from "./wake";

/** Where something is at work a new release can wait. */
const atWork = /^\/(bench|build)\//;

/** Offers a new release where it is there, and puts it in place when one says so. */
function Offer() {
  const { pathname } = useLocation();
  const [inPlace, setInPlace] = useState(false);
  const {
    needRefresh: [there, setThere],
    updateServiceWorker,
  } = useRegisterSW({ onNeedReload: () => setInPlace(true) });
  const [asked, setAsked] = useState(false);
  const isAtWork = atWork.test(pathname);
  useEffect(() => {
    if (!asked || isAtWork) return;
    let left = false;
    void wake().then(() => {
      if (!left) void updateServiceWorker(true);
    });
    return () => {
      left = true;
    };
  }, [asked, isAtWork, updateServiceWorker]);
  // One may be back at the bench by the time it is in place.
  useEffect(() => {
    if (inPlace && !isAtWork) location.reload();
  }, [inPlace, isAtWork]);
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
