import { Box, Button, chakra } from "@chakra-ui/react";
import { Download } from "lucide-react";
import { Fold } from "../kit/Fold";

const Anchor = chakra("a");

/** How each kind of device is told once to trust the certificate. */
const kinds: { title: string; steps: string[] }[] = [
  {
    title: "A phone or tablet that calls it a profile",
    steps: [
      "Save the certificate; the settings then offer a profile at their top: install it.",
      "Settings, General, About, at the very foot: Certificate trust. Switch it on for this one.",
    ],
  },
  {
    title: "A phone or tablet with a list of certificates under Security",
    steps: [
      "Save the certificate.",
      "Settings, Security, More, Certificates: install a CA certificate, and pick the file.",
    ],
  },
  {
    title: "A computer that opens it by a double click",
    steps: [
      "Open the file. Install it for this computer, among the trusted root authorities; or into the system's keychain, and there set it to be always trusted.",
      "Close the browser and open it again.",
    ],
  },
  {
    title: "A computer with a command line",
    steps: [
      "sudo cp wide-sheen.crt /usr/local/share/ca-certificates/ && sudo update-ca-certificates",
      "A browser with a list of its own: Settings, Privacy, Certificates, Authorities, Import.",
    ],
  },
];

/** The certificate, by what it is known, and how to trust it once. */
export function Certificate({
  authority,
  fingerprint,
}: {
  authority?: string;
  fingerprint?: string;
}) {
  return (
    <Box display="grid" gap="3">
      <Box>
        A browser does not know this kitchen yet. Save its certificate and tell the device once to
        trust it
        {fingerprint
          ? ": it is the right one where the device shows this fingerprint (SHA-256)."
          : ": it is the right one where the fingerprint is the one under Settings, Devices, on the screen that is in."}
      </Box>
      {fingerprint && (
        <Box
          fontVariantNumeric="tabular-nums"
          letterSpacing="0.04em"
          fontSize={{ base: "sm", md: "md" }}
          fontWeight="600"
          bg="bg.muted"
          borderRadius="slab"
          p="3"
          overflowWrap="anywhere"
          data-testid="fingerprint"
        >
          {fingerprint}
        </Box>
      )}
      {authority && (
        <Box color="fg.muted">
          Devices list it as “{authority}”. It vouches for addresses of a home network and nothing
          else.
        </Box>
      )}
      <Button asChild size="lg" variant="outline" borderColor="border.emphasized" w="fit-content">
        <Anchor href="/api/v1/sharing/certificate" download="wide-sheen.crt">
          <Download aria-hidden /> Save the certificate
        </Anchor>
      </Button>
      {kinds.map(({ title, steps }) => (
        <Fold key={title} title={title} value={steps[0]} inner>
          <Box as="ol" ps="5" listStyleType="decimal">
            {steps.map((step) => (
              <Box as="li" key={step} overflowWrap="anywhere">
                {step}
              </Box>
            ))}
          </Box>
        </Fold>
      ))}
    </Box>
  );
}
