import { Box } from "@chakra-ui/react";
import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { Bluetooth as BluetoothIcon, BluetoothSearching, FileClock } from "lucide-react";
import { useState } from "react";
import { Link as RouterLink } from "react-router";
import { api, type Place, type WatchedLog } from "../api/client";
import { keys } from "../api/queries";
import { accepted, done } from "../api/refusal";
import { Touch } from "../bench/Touch";
import type { KitchenClock } from "../bench/useBowl";
import { temperature } from "../kit/format";
import { SelectField } from "../kit/SelectField";
import { type TurnedDown, useTurnedDown } from "../outbox/outbox";
import { Measuring } from "./Measuring";
import { placeChoices } from "./places";
import { CAN_CONNECT, type ProbeStands } from "./probe";
import { type Bluetooth, sources, useBluetooth } from "./useBluetooth";
import { WatchLog } from "./WatchLog";

interface Props {
  bowlId: string;
  clock: KitchenClock;
}

/** Thermometers of the maker's own that measure this bowl, and how another comes to. */
export function YourThermometers({ bowlId, clock }: Props) {
  const middle = useBluetooth(bowlId, clock, "middle");
  const edge = useBluetooth(bowlId, clock, "edge");
  const [asked, setAsked] = useState(false);
  return (
    <>
      <ByBluetooth bowlId={bowlId} of={middle} place="middle" />
      <ByBluetooth bowlId={bowlId} of={edge} place="edge" />
      <ByLog bowlId={bowlId} />
      <Touch minH="56px" fontSize="md" aria-expanded={asked} onClick={() => setAsked(!asked)}>
        Your own thermometer…
      </Touch>
      {asked && (
        <Choose bowlId={bowlId} bluetooth={{ middle, edge }} chosen={() => setAsked(false)} />
      )}
    </>
  );
}

interface ChooseProps {
  bowlId: string;
  bluetooth: Record<Place, Bluetooth>;
  chosen: () => void;
}

/** Where it stands, and how it sends. */
function Choose({ bowlId, bluetooth, chosen }: ChooseProps) {
  // Where one measures the middle already, the next is for the edge.
  const [place, setPlace] = useState<Place>(bluetooth.middle.stands ? "edge" : "middle");
  const [log, setLog] = useState(false);
  const connect = async () => {
    if (await bluetooth[place].connect()) chosen();
  };
  return (
    <Box
      flexBasis="100%"
      display="grid"
      gap="3"
      bg="bg.panel"
      borderWidth="2px"
      borderColor="border.emphasized"
      borderRadius="slab"
      p="4"
      data-testid="your-thermometer"
    >
      <Box maxW="420px">
        <SelectField<Place>
          label="Where its tip is"
          value={place}
          choices={placeChoices}
          onChange={setPlace}
        />
      </Box>
      {place === "edge" && (
        <Box color="fg.muted" maxW="60ch">
          What to do next goes by the middle. Where the edge is much colder or hotter, you are told
          to stir.
        </Box>
      )}
      <Box display="flex" gap="3" flexWrap="wrap">
        {CAN_CONNECT && (
          <Touch minH="56px" fontSize="md" onClick={connect}>
            Connect it by Bluetooth
          </Touch>
        )}
        <Touch minH="56px" fontSize="md" aria-expanded={log} onClick={() => setLog(!log)}>
          Watch its log file
        </Touch>
      </Box>
      {log && <WatchLog bowlId={bowlId} place={place} watched={chosen} />}
      <Box color="fg.muted" fontSize="sm" maxW="60ch">
        {!CAN_CONNECT && "This browser reaches no Bluetooth thermometers. "}One that sends over the
        home network is let in under{" "}
        <RouterLink to="/settings/devices" style={{ textDecoration: "underline" }}>
          Settings, Devices in the kitchen
        </RouterLink>
        . Any other is read off and typed.
      </Box>
    </Box>
  );
}

const states: Record<Exclude<ProbeStands["state"], "measuring">, string> = {
  connecting: "is being connected…",
  lost: "is out of reach: it is looked for…",
};

interface ByBluetoothProps {
  bowlId: string;
  of: Bluetooth;
  place: Place;
}

function ByBluetooth({ bowlId, of: { stands, letGo }, place }: ByBluetoothProps) {
  const turnedDown = useTurnedDown(bowlId, sources[place]);
  if (!stands) return null;
  const { state, name, temp_c, battery_pct } = stands;
  return (
    <Measuring
      icon={state === "measuring" ? BluetoothIcon : BluetoothSearching}
      name={name}
      place={place}
      letGo={letGo}
      testId="bluetooth"
    >
      {state === "measuring" ? temp_c != null && `says ${temperature(temp_c)}` : states[state]}{" "}
      {battery_pct != null && (
        <Box as="span" color={battery_pct < 15 ? "stop" : "fg.muted"}>
          battery {battery_pct} %
        </Box>
      )}
      {turnedDown && <NotSaved {...turnedDown} />}
    </Measuring>
  );
}

function NotSaved({ times, refusal }: TurnedDown) {
  if (!refusal) return <Box color="fg.muted">{times} not saved</Box>;
  return (
    <Box color="stop">
      Not saved{times > 1 && `, ${times} times`}: {refusal.why}
    </Box>
  );
}

/** The logs that are watched for this bowl. */
function ByLog({ bowlId }: { bowlId: string }) {
  const queries = useQueryClient();
  const watched = useQuery({
    queryKey: keys.watched(bowlId),
    refetchInterval: ({ state }) => (state.data?.length ? 2_000 : false),
    queryFn: async () => {
      const params = { path: { id: bowlId } };
      return accepted<WatchedLog[]>(await api.GET("/api/v1/bowls/{id}/logs", { params }));
    },
  });
  const letGo = useMutation({
    mutationFn: async (place: Place) => {
      const params = { path: { id: bowlId, place } };
      done(await api.DELETE("/api/v1/bowls/{id}/logs/{place}", { params }));
    },
    onSettled: () => queries.invalidateQueries({ queryKey: keys.watched(bowlId) }),
  });
  return (watched.data ?? []).map((log) => (
    <Measuring
      key={log.place}
      icon={FileClock}
      name={log.name}
      place={log.place}
      letGo={() => letGo.mutate(log.place)}
      testId="watched-log"
    >
      <LogStands log={log} />
    </Measuring>
  ));
}

function LogStands({ log: { standing, temp_c, unread, problem } }: { log: WatchedLog }) {
  return (
    <>
      {standing === "waiting" && "waits for the next line"}
      {standing === "measuring" && temp_c != null && `says ${temperature(temp_c)}`}
      {standing === "stopped" && (
        <Box as="span" color="stop">
          {problem}
        </Box>
      )}
      {unread > 0 && (
        <Box as="span" color="fg.muted">
          {unread} {unread === 1 ? "line" : "lines"} could not be read
        </Box>
      )}
    </>
  );
}
