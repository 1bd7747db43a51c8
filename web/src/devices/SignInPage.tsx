import { Box } from "@chakra-ui/react";
import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { api } from "../api/client";
import { done } from "../api/refusal";
import { TextField } from "../kit/TextField";
import { EnterForm } from "./EnterForm";
import { Outside } from "./Outside";

/** This machine's own screen, where a passphrase is set. */
export function SignInPage() {
  const queries = useQueryClient();
  const [passphrase, setPassphrase] = useState("");
  const enter = useMutation({
    mutationFn: async () => done(await api.POST("/api/v1/session", { body: { passphrase } })),
    onSuccess: () => queries.resetQueries(),
  });
  return (
    <Outside title="Passphrase">
      <Box mt="4">
        <EnterForm enter={enter} ready={passphrase !== ""} label="Sign in">
          {(faults) => (
            <TextField
              label="Passphrase"
              kind="secret"
              value={passphrase}
              onChange={setPassphrase}
              error={faults.passphrase}
            />
          )}
        </EnterForm>
      </Box>
      <Box mt="6" fontSize="sm" color="fg.muted">
        Forgotten: whoever starts the server lets go of it by ./start --forget-passphrase.
      </Box>
    </Outside>
  );
}
