import { Box } from "@chakra-ui/react";
import { memo } from "react";
import type { ComponentPlan, WholePlan } from "../api/client";
import { minutesRange, temperature } from "../kit/format";
import { Notes } from "../kit/Notes";
import { ShowSum } from "../kit/ShowSum";
import { Hint } from "../reference/Hint";

interface Props {
  room: WholePlan["room"];
  setting: ComponentPlan["setting"] | undefined;
  fridge: ComponentPlan["fridge"] | undefined;
  /** What is done with it while it sets. */
  lies: "flat" | "bent" | "closed";
}

/** The moments that matter, by what is done with it while it sets. */
function moments(setting: NonNullable<Props["setting"]>) {
  const dry = ["Touch dry", setting.touch_dry_s] as const;
  const release = ["Unmoulds", setting.release_s] as const;
  return {
    flat: [
      ["Add toppings within", setting.topping_until_s],
      dry,
      ["Cut from", setting.cut_from_s],
      release,
    ],
    bent: [dry, ["Bends until", setting.flexible_until_s]],
    closed: [dry, release],
  } as const;
}

/** Minutes, never rounded past what is meant. */
function minutes(min: number): string {
  return `${Math.floor(min * 10) / 10} min`;
}

/** How long to leave it in the fridge, and how. */
function stayWords({ advised_min, boxed }: NonNullable<Props["fridge"]>): string {
  if (advised_min != null) return minutes(advised_min);
  // A batch of an earlier release was kept without it.
  return boxed ? `${minutes(boxed.advised_min)}, in a closed box or bag` : "no";
}

/** What the room means, and what comes after the pour in it. */
export const RoomVerdict = memo(function RoomVerdict(props: Props) {
  const { room, setting, fridge, lies } = props;
  const rows = setting ? moments(setting)[lies] : [];
  return (
    <Box display="grid" gap="3">
      <Notes notes={room.notes} />
      <Box display="flex" gap="2" alignItems="baseline" flexWrap="wrap">
        <Box textStyle="label">
          Dew point <Hint of="dew_point" />
        </Box>
        <Box fontWeight="640" data-testid="dew-point">
          {temperature(room.dew_point_c)}
        </Box>
        <ShowSum steps={room.sum} of="dew point" />
      </Box>
      {setting && (
        <Box
          as="dl"
          display="grid"
          gridTemplateColumns="auto 1fr"
          columnGap="4"
          rowGap="1"
          fontSize="sm"
        >
          {rows.map(([label, moment]) =>
            moment ? (
              <Box key={label} display="contents">
                <Box as="dt" color="fg.muted">
                  {label}
                </Box>
                <Box as="dd" fontWeight="560">
                  {minutesRange(moment.earliest, moment.latest)}
                </Box>
              </Box>
            ) : null,
          )}
        </Box>
      )}
      {fridge && (
        <Box data-testid="fridge">
          <Box display="flex" gap="2" alignItems="baseline" flexWrap="wrap" mb="1">
            <Box textStyle="label">Then the fridge</Box>
            <Box fontWeight="640">{stayWords(fridge)}</Box>
            <ShowSum steps={fridge.sum} of="stay in the fridge" />
          </Box>
          <Notes notes={fridge.notes} />
        </Box>
      )}
      {setting && (
        <Box fontSize="xs" color="fg.muted">
          After the pour, in this room. Rules of thumb: give or take a few minutes.
        </Box>
      )}
    </Box>
  );
});
