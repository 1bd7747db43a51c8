import { Box, Button, Stack } from "@chakra-ui/react";
import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { api } from "../api/client";
import { keys } from "../api/queries";
import { done, Refusal } from "../api/refusal";
import { Fault } from "../kit/Fault";
import { Fold } from "../kit/Fold";
import { TextField } from "../kit/TextField";

/** The passphrase that this machine's own screen asks for, where others use the machine too. */
export function Passphrase({ isSet }: { isSet: boolean }) {
  const queries = useQueryClient();
  const [current, setCurrent] = useState("");
  const [next, setNext] = useState("");
  const set = useMutation({
    mutationFn: async (passphrase: string | null) => {
      const body = { ...(isSet && { current }), ...(passphrase !== null && { new: passphrase }) };
      done(await api.PUT("/api/v1/passphrase", { body }));
    },
    onSuccess: () => {
      setCurrent("");
      setNext("");
      return queries.invalidateQueries({ queryKey: keys.sharing });
    },
  });
  const fields = set.error instanceof Refusal ? set.error.fields : {};
  return (
    <Fold
      title="Passphrase of this machine's own screen"
      value={isSet ? "It is asked for" : "None: whoever uses this machine is in"}
    >
      <Box color="fg.muted">
        Whoever uses the machine that serves is in without signing in, unless there is a passphrase.
        Devices of the home network come in by a code, with or without one.
      </Box>
      <form
        onSubmit={(event) => {
          event.preventDefault();
          set.mutate(next);
        }}
      >
        <Stack gap="3">
          {isSet && (
            <TextField
              label="Passphrase until now"
              kind="secret"
              value={current}
              onChange={setCurrent}
              error={fields.current}
            />
          )}
          <TextField
            label={isSet ? "New passphrase" : "Passphrase"}
            kind="secret"
            placeholder="8 characters or more"
            value={next}
            onChange={setNext}
            error={fields.new}
          />
          <Box display="flex" gap="2" flexWrap="wrap">
            <Button
              type="submit"
              size="lg"
              bg="ink"
              color="onInk"
              loading={set.isPending}
              disabled={!next}
            >
              {isSet ? "Change it" : "Ask for it from now on"}
            </Button>
            {isSet && (
              <Button
                size="lg"
                variant="outline"
                borderColor="border.emphasized"
                disabled={!current || set.isPending}
                onClick={() => set.mutate(null)}
              >
                Ask for none any more
              </Button>
            )}
          </Box>
          {set.error && Object.keys(fields).length === 0 && <Fault>{set.error.message}</Fault>}
        </Stack>
      </form>
    </Fold>
  );
}
