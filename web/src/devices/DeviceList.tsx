import { Box, Button } from "@chakra-ui/react";
import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { api, type Device, type Place } from "../api/client";
import { keys } from "../api/queries";
import { accepted, done } from "../api/refusal";
import { Fault } from "../kit/Fault";
import { about } from "../kit/format";
import { Panel } from "../kit/Panel";
import { SelectField } from "../kit/SelectField";
import { placeChoices } from "../thermometer/places";
import { LendTo } from "./LendTo";
import { roleName } from "./roles";

const ASKED_EVERY_MS = 5_000;

/** When it was last here, to the minute. */
function here(seen: string): string {
  const s = (Date.now() - Date.parse(seen)) / 1_000;
  return s < 120 ? "here now" : `last here ${about(s)} ago`;
}

/** The devices that are let in, each with when it was last here. */
export function DeviceList() {
  const devices = useQuery({
    queryKey: keys.devices,
    refetchInterval: ASKED_EVERY_MS,
    queryFn: async () => accepted<Device[]>(await api.GET("/api/v1/devices")),
  });
  const all = devices.data ?? [];
  return (
    <Panel title="Let in">
      {all.length === 0 ? (
        <Box color="fg.muted">No device but this machine's own screen.</Box>
      ) : (
        <Box as="ul" listStyleType="none" display="grid" gap="3">
          {all.map((device) => (
            <One key={device.id} device={device} />
          ))}
        </Box>
      )}
    </Panel>
  );
}

function One({ device }: { device: Device }) {
  const queries = useQueryClient();
  const [asked, setAsked] = useState(false);
  const params = { path: { id: device.id } };
  const known = () => queries.invalidateQueries({ queryKey: keys.devices });
  const leave = useMutation({
    mutationFn: async () => done(await api.DELETE("/api/v1/devices/{id}", { params })),
    onSettled: known,
  });
  const lend = useMutation({
    mutationFn: async ({ bowl, place }: { bowl: string; place: Place }) => {
      const body = { name: device.name, place, ...(bowl && { bowl_id: bowl }) };
      done(await api.PUT("/api/v1/devices/{id}", { params, body }));
    },
    onSettled: known,
  });
  const error = leave.error ?? lend.error;
  return (
    <Box
      as="li"
      display="grid"
      gridTemplateColumns="minmax(0, 1fr) auto"
      columnGap="3"
      rowGap="2"
      alignItems="center"
      data-testid="device"
    >
      <Box minW="0">
        <Box fontWeight="600" overflowWrap="anywhere">
          {device.name}
          {device.is_this && " (this one)"}
        </Box>
        <Box fontSize="sm" color="fg.muted">
          {roleName(device.role)}, {device.seen_at ? here(device.seen_at) : "not here yet"}, at{" "}
          {device.address}
        </Box>
      </Box>
      {asked ? (
        <Box display="flex" gap="2">
          <Button variant="ghost" minH="12" onClick={() => setAsked(false)}>
            Keep
          </Button>
          <Button
            minH="12"
            bg="stop"
            color="onInk"
            loading={leave.isPending}
            onClick={() => leave.mutate()}
          >
            Send away
          </Button>
        </Box>
      ) : (
        <Button
          variant="outline"
          borderColor="border.emphasized"
          minH="12"
          onClick={() => setAsked(true)}
        >
          Send away…
        </Button>
      )}
      {device.role === "thermometer" && (
        <Box gridColumn="1 / -1" display="grid" gap="3">
          <LendTo
            value={device.bowl_id ?? ""}
            onChange={(bowl) => lend.mutate({ bowl, place: device.place })}
          />
          <SelectField<Place>
            label="Where its tip is"
            value={device.place}
            choices={placeChoices}
            onChange={(place) => lend.mutate({ bowl: device.bowl_id ?? "", place })}
          />
        </Box>
      )}
      {error && <Fault gridColumn="1 / -1">{error.message}</Fault>}
    </Box>
  );
}
