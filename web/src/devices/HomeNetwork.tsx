import { Box, chakra, QrCode } from "@chakra-ui/react";
import type { Sharing } from "../api/client";
import { Fold } from "../kit/Fold";
import { onDay } from "../kit/format";
import { Panel } from "../kit/Panel";
import { Certificate } from "./Certificate";

const Anchor = chakra("a");

/** A picture of an address, for a phone's camera: dark on light, in the dark too. */
export function AddressCode({ address }: { address: string }) {
  return (
    <QrCode.Root value={address} bg="white" p="3" borderRadius="slab" w="fit-content">
      <QrCode.Frame
        w="148px"
        h="148px"
        role="img"
        aria-label={`The address as a picture: ${address}`}
      >
        <QrCode.Pattern fill="black" />
      </QrCode.Frame>
    </QrCode.Root>
  );
}

/** Where devices find this kitchen, and how they come to trust it. */
export function HomeNetwork({ shared }: { shared: Sharing["shared"] }) {
  if (!shared) {
    return (
      <Panel title="In the home network">
        <Box data-testid="not-shared">
          Only this machine is answered. To have it on the phone or tablet at the bench, stop the
          server and start it with <code>./start --share</code>
        </Box>
      </Panel>
    );
  }
  const { addresses, authority, fingerprint, until } = shared;
  return (
    <>
      <Panel title="In the home network">
        <Box display="flex" gap="5" flexWrap="wrap" alignItems="center">
          <AddressCode address={addresses[0] ?? ""} />
          <Box display="grid" gap="2" minW="0" flex="1 1 200px">
            <Box color="fg.muted">Look at it with the device's camera, or type one of these:</Box>
            {addresses.map((address) => (
              <Anchor
                key={address}
                href={address}
                color="ink"
                textDecoration="underline"
                fontWeight="600"
                overflowWrap="anywhere"
                data-testid="address"
              >
                {address}
              </Anchor>
            ))}
            <Box fontSize="sm" color="fg.muted">
              Over TLS alone, to devices of this network that were let in. A router that keeps
              devices apart, as for guests, lets none through.
              {until &&
                ` The certificate holds until ${onDay(until.slice(0, 10))} and is renewed by itself.`}
            </Box>
          </Box>
        </Box>
      </Panel>
      <Fold
        title="How a device comes to trust it, once"
        value="Its certificate, and by what it is known"
      >
        <Certificate authority={authority} fingerprint={fingerprint} />
      </Fold>
    </>
  );
}
