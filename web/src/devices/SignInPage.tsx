import { Box, Button, Stack } from "@chakra-ui/react";
import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { api } from "../api/client";
import { done, Refusal } from "../api/refusal";
import { Fault } from "../kit/Fault";
import { TextField } from "../kit/TextField";
import { Outside } from "./Outside";

/** This machine's own screen, where a passphrase is set. */
export function SignInPage() {
  const queries = useQueryClient();
  const [passphrase, setPassphrase] = useState("");
  const enter = useMutation({
    mutationFn: async () => done(await api.POST("/api/v1/session", { body: { passphrase } })),
    onSuccess: () => queries.resetQueries(),
  });
  const fields = enter.error instanceof Refusal ? enter.error.fields : {};
  return (
    <Outside title="Passphrase">
      <form
        onSubmit={(event) => {
          event.preventDefault();
          enter.mutate();
        }}
      >
        <Stack gap="4" mt="4">
          <TextField
            label="Passphrase"
            kind="secret"
            value={passphrase}
            onChange={setPassphrase}
            error={fields.passphrase}
          />
          <Button
            type="submit"
            size="lg"
            minH="14"
            bg="ink"
            color="onInk"
            loading={enter.isPending}
            disabled={!passphrase}
          >
            Sign in
          </Button>
          {enter.error && Object.keys(fields).length === 0 && <Fault>{enter.error.message}</Fault>}
        </Stack>
      </form>
      <Box mt="6" fontSize="sm" color="fg.muted">
        Forgotten: whoever starts the server lets go of it by ./start --forget-passphrase.
      </Box>
    </Outside>
  );
}
