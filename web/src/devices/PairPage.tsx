import { Box } from "@chakra-ui/react";
import { useMutation, useQueryClient } from "@tanstack/react-query";
import { DoorOpen } from "lucide-react";
import { useEffect, useState } from "react";
import { api, type LetIn } from "../api/client";
import { forgetAnswers } from "../api/kept";
import { keys } from "../api/queries";
import { accepted } from "../api/refusal";
import { Fold } from "../kit/Fold";
import { TextField } from "../kit/TextField";
import { forgetUnsaved } from "../plan/unsaved";
import { Certificate } from "./Certificate";
import { EnterForm } from "./EnterForm";
import { Outside } from "./Outside";
import { newOwnKey } from "./ownKey";

/** The code that the picture on the other screen brought along, if it was looked at. */
function brought(): string {
  return new URLSearchParams(location.hash.slice(1)).get("code") ?? "";
}

/** What such a screen usually is. */
function usualName(): string {
  const narrow = Math.min(screen.width, screen.height);
  return narrow < 600 ? "Phone" : narrow < 1_000 ? "Tablet" : "Laptop";
}

/** A device that was not let in yet: it types the code that another screen shows. */
export function PairPage() {
  const queries = useQueryClient();
  // What was shown to whoever was let in is not for whoever is not.
  useEffect(() => {
    queries.removeQueries({ predicate: ({ queryKey }) => queryKey[0] !== keys.me[0] });
    void forgetAnswers();
    void forgetUnsaved();
  }, [queries]);
  const [code, setCode] = useState(brought);
  const [name, setName] = useState(usualName);
  const enter = useMutation({
    mutationFn: async () => {
      const own_key = await newOwnKey();
      const body = { code, name, ...(own_key && { own_key }) };
      return accepted<LetIn>(await api.POST("/api/v1/devices", { body }));
    },
    onSuccess: async () => {
      if (brought()) history.replaceState(null, "", location.pathname + location.search);
      // What was refused before is asked for anew.
      await queries.resetQueries();
    },
  });
  return (
    <Outside title="Let this device in">
      <Box color="fg.muted" fontSize="lg" mb="5">
        On a screen that is in already, open Settings, Devices, and touch Show a code.
      </Box>
      <EnterForm
        enter={enter}
        ready={code.trim() !== ""}
        label={
          <>
            <DoorOpen aria-hidden /> Let me in
          </>
        }
      >
        {(faults) => (
          <>
            <TextField
              label="Code"
              kind="code"
              placeholder="000 000"
              value={code}
              onChange={setCode}
              error={faults.code}
            />
            <TextField
              label="What to call this device"
              value={name}
              onChange={setName}
              error={faults.name}
            />
          </>
        )}
      </EnterForm>
      <Box mt="8">
        <Fold title="The browser warns of this address" value="It does not know this kitchen yet">
          <Certificate />
        </Fold>
      </Box>
    </Outside>
  );
}
