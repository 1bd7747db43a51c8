import { Box, Button } from "@chakra-ui/react";
import { BellRing } from "lucide-react";
import { askToNotify, useAllowed } from "../alarms/notify";
import { IS_ON_A_DEVICE } from "../api/kept";
import { Panel } from "../kit/Panel";

const words = {
  granted: "The limit, the band, windows and steps are shown while another tab is looked at.",
  denied: "This browser was told to show none: its own settings for this address change that.",
  default: "Nothing is shown yet while another tab is looked at.",
  impossible: "This browser shows none. Keep the bench in sight.",
};

/** Alarms while another tab is looked at: whether this browser shows them, and what it cannot do. */
export function AlarmsElsewhere() {
  const allowed = useAllowed();
  return (
    <Panel title="Alarms while you look elsewhere" mt="4">
      <Box data-testid="allowed">{words[allowed]}</Box>
      {allowed === "default" && (
        <Button
          mt="3"
          size="lg"
          variant="outline"
          borderColor="border.emphasized"
          onClick={() => askToNotify()}
        >
          <BellRing aria-hidden /> Show them
        </Button>
      )}
      <Box mt="3" fontSize="sm" color="fg.muted">
        {IS_ON_A_DEVICE
          ? "Each can be answered where it is shown. "
          : "Here they can be looked at; on a device of the home network they can be answered too. "}
        Most phones and tablets stop a page once the screen is locked, and no alarm comes then: the
        bench keeps the screen on while it is open. Do not lock it while chocolate is on the heat.
      </Box>
    </Panel>
  );
}
