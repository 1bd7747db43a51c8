import { Box, Button, SegmentGroup } from "@chakra-ui/react";
import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { KeyRound } from "lucide-react";
import { useEffect, useState } from "react";
import { api, type PairingStands, type Role, type ShownCode } from "../api/client";
import { keys } from "../api/queries";
import { accepted } from "../api/refusal";
import { useTick } from "../bench/useTick";
import { Fault } from "../kit/Fault";
import { clock } from "../kit/format";
import { Panel } from "../kit/Panel";
import { AddressCode } from "./HomeNetwork";
import { LendTo } from "./LendTo";
import { roles } from "./roles";

const ASKED_EVERY_MS = 2_000;

const over: Record<Exclude<PairingStands["standing"], "open">, string> = {
  used: "A device came in by it.",
  late: "Its ten minutes are over.",
  closed: "Five others were tried: it lets nobody in any more.",
  none: "It is gone.",
};

/** Shows a code by which the next device comes in. */
export function LetIn() {
  const queries = useQueryClient();
  const [role, setRole] = useState<Role>("maker");
  const [bowl, setBowl] = useState("");
  const show = useMutation({
    mutationFn: async () => {
      const body = { role, ...(role === "thermometer" && bowl && { bowl_id: bowl }) };
      return accepted<ShownCode>(await api.PUT("/api/v1/pairing", { body }));
    },
    // What is said of the code before is not said of this one.
    onSuccess: () => queries.removeQueries({ queryKey: keys.pairing }),
  });
  const chosen = roles.find(({ value }) => value === role);
  return (
    <Panel title="Let a device in">
      <SegmentGroup.Root
        aria-label="What it may do"
        size="lg"
        value={role}
        onValueChange={({ value }) => {
          setRole(value as Role);
          show.reset();
        }}
      >
        <SegmentGroup.Indicator bg="raised" />
        {roles.map(({ value, label }) => (
          <SegmentGroup.Item key={value} value={value} h="48px">
            <SegmentGroup.ItemHiddenInput />
            <SegmentGroup.ItemText>{label}</SegmentGroup.ItemText>
          </SegmentGroup.Item>
        ))}
      </SegmentGroup.Root>
      <Box mt="2" mb="3" color="fg.muted">
        {chosen?.may}
      </Box>
      {role === "thermometer" && (
        <Box mb="3">
          <LendTo value={bowl} onChange={setBowl} />
        </Box>
      )}
      {show.data ? (
        <Shown key={show.data.code} shown={show.data} anew={() => show.mutate()} />
      ) : (
        <Button
          size="lg"
          minH="14"
          bg="ink"
          color="onInk"
          loading={show.isPending}
          onClick={() => show.mutate()}
        >
          <KeyRound aria-hidden /> Show a code
        </Button>
      )}
      {show.error && <Fault mt="2">{show.error.message}</Fault>}
    </Panel>
  );
}

function Shown({ shown, anew }: { shown: ShownCode; anew: () => void }) {
  const queries = useQueryClient();
  const stands = useQuery({
    queryKey: keys.pairing,
    refetchInterval: ({ state }) =>
      state.data && state.data.standing !== "open" ? false : ASKED_EVERY_MS,
    queryFn: async () => accepted<PairingStands>(await api.GET("/api/v1/pairing")),
  });
  useTick(1_000);
  const left = clock((Date.parse(shown.until) - Date.now()) / 1_000);
  const standing = stands.data?.standing ?? "open";
  useEffect(() => {
    if (standing === "used") void queries.invalidateQueries({ queryKey: keys.devices });
  }, [standing, queries]);
  const again = (
    <Button size="lg" variant="outline" borderColor="border.emphasized" onClick={anew}>
      Show another code
    </Button>
  );
  if (standing !== "open") {
    return (
      <Box display="grid" gap="3" justifyItems="start">
        <Box role="status" fontWeight="600" data-testid="code-over">
          {over[standing]}
        </Box>
        {again}
      </Box>
    );
  }
  const to = `${shown.addresses[0]}/#code=${shown.code.replace(" ", "")}`;
  return (
    <Box display="grid" gap="3" justifyItems="start">
      <Box display="flex" gap="5" flexWrap="wrap" alignItems="center">
        {shown.role !== "thermometer" && <AddressCode address={to} />}
        <Box>
          <Box textStyle="wide" fontSize="5xl" lineHeight="1.1" data-testid="code">
            {shown.code}
          </Box>
          <Box role="status" color="fg.muted">
            {left} left
            {stands.data?.tries_left != null &&
              stands.data.tries_left < 5 &&
              `, ${stands.data.tries_left} of 5 tries`}
          </Box>
        </Box>
      </Box>
      <Box color="fg.muted">
        {shown.role === "thermometer"
          ? "Give it to the program that sends: docs/sharing.md has one of twenty lines."
          : "Look at the picture with the device's camera, or open the address there and type the code."}
      </Box>
      {again}
    </Box>
  );
}
