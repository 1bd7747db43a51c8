import { Box, Heading } from "@chakra-ui/react";
import { useState } from "react";
import type { ThingOf } from "../api/client";
import type { OnShelf } from "../api/queries";
import { AtHand, gearWords } from "../chocolate/AtHand";
import { capitalised } from "../kit/capitalised";
import { fieldsOf } from "../kit/fieldsOf";
import { temperature } from "../kit/format";
import { Pair } from "../kit/Pair";
import { SelectField } from "../kit/SelectField";
import { UnitField } from "../kit/UnitField";
import { Edit } from "./Gear";
import { HoursFields, hoursWords } from "./HoursFields";
import { Learned } from "./Learned";
import { Slot } from "./Section";
import { SellingFields, sellingWords } from "./SellingFields";
import { ThingForm } from "./ThingForm";
import { useKeep } from "./useThing";

const zones = Intl.supportedValuesOf("timeZone");

/** The kitchen: where new plans start. */
export function KitchenPanel({ kitchen }: { kitchen: OnShelf<"kitchen"> }) {
  const [editing, setEditing] = useState(false);
  const { thing } = kitchen;
  return (
    <Box as="section" aria-label="Kitchen">
      <Heading as="h2" textStyle="title" fontSize="lg" mb="2">
        Kitchen
      </Heading>
      <Slot name="Kitchen">
        {editing ? (
          <KitchenForm kitchen={kitchen} done={() => setEditing(false)} />
        ) : (
          <>
            <Box display="flex" justifyContent="space-between" gap="3" alignItems="start">
              <Box>
                <Box fontWeight="600">{places(thing) || "Nothing stated yet"}</Box>
                <Box fontSize="sm">{gearWords(thing.at_hand)}</Box>
                {(thing.hours ?? []).length > 0 && (
                  <Box fontSize="sm">Free: {hoursWords(thing.hours)}</Box>
                )}
                {sellingWords(thing) && <Box fontSize="sm">{sellingWords(thing)}</Box>}
                <Box fontSize="sm" color="fg.muted">
                  New plans start from here.
                </Box>
              </Box>
              <Edit name="the kitchen" onClick={() => setEditing(true)} />
            </Box>
            <Learned id={kitchen.id} learned={kitchen.learned} from="build" />
          </>
        )}
      </Slot>
    </Box>
  );
}

function places({
  room_c,
  rh_pct,
  stone_c,
  fridge_c,
  fridge_holds,
  zone,
}: ThingOf<"kitchen">): string {
  const parts = [
    room_c != null && `room ${temperature(room_c)}`,
    rh_pct != null && `${rh_pct} % humid`,
    stone_c != null && `stone ${temperature(stone_c)}`,
    fridge_c != null && `fridge ${temperature(fridge_c)}`,
    fridge_holds != null && `room in it for ${fridge_holds}`,
    zone && `clock of ${zone.replaceAll("_", " ")}`,
  ].filter((part) => typeof part === "string");
  const [first = "", ...rest] = parts;
  return [capitalised(first), ...rest].join(", ");
}

function KitchenForm({ kitchen, done }: { kitchen: OnShelf<"kitchen">; done: () => void }) {
  const [draft, setDraft] = useState(kitchen.thing);
  const { keep, busy, errors, said } = useKeep(kitchen, done);
  const field = fieldsOf(draft, errors, (patch) => setDraft({ ...draft, ...patch }));
  return (
    <ThingForm busy={busy} said={said} onKeep={() => keep({ thing: draft })} onLeave={done}>
      <Pair>
        <UnitField label="Room" unit="°C" optional="20" {...field("room_c")} />
        <UnitField label="Humidity" unit="%" optional="45" {...field("rh_pct")} />
        <UnitField label="Stone" unit="°C" optional="as the room" {...field("stone_c")} />
        <UnitField label="Fridge" unit="°C" optional="not known" {...field("fridge_c")} />
        <UnitField
          label="Trays or moulds the fridge takes"
          unit=""
          optional="enough"
          {...field("fridge_holds")}
        />
      </Pair>
      <SelectField
        label="Time zone"
        value={draft.zone ?? ""}
        choices={[
          { value: "", label: "this device" },
          ...zones.map((name) => ({ value: name, label: name.replaceAll("_", " ") })),
        ]}
        error={errors.zone}
        onChange={(zone) => setDraft({ ...draft, zone: zone || null })}
      />
      <HoursFields
        kitchen={draft}
        errors={errors}
        onChange={(patch) => setDraft({ ...draft, ...patch })}
      />
      <SellingFields
        kitchen={draft}
        errors={errors}
        onChange={(patch) => setDraft({ ...draft, ...patch })}
      />
      <AtHand kitchen={draft.at_hand} onChange={(at_hand) => setDraft({ ...draft, at_hand })} />
    </ThingForm>
  );
}
