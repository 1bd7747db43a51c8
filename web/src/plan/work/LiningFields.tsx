import type { ReactNode } from "react";
import type { CastInputs } from "../../api/client";
import { fieldsOf } from "../../kit/fieldsOf";
import { NumberField } from "../../kit/NumberField";
import { Pair } from "../../kit/Pair";
import { SelectField } from "../../kit/SelectField";
import { UnitField } from "../../kit/UnitField";
import { ThicknessField } from "../ThicknessField";

type Wall = CastInputs["wall"];

const usualWall: { [By in Wall["by"]]: Extract<Wall, { by: By }> } = {
  wished: { by: "wished", shell_mm: 2 },
  waited: { by: "waited", wait_s: 30 },
  solid: { by: "solid" },
};

const walls: Record<Wall["by"], string> = {
  wished: "Set the wall",
  waited: "Set the drain time",
  solid: "None: solid",
};

type ShellWay = NonNullable<CastInputs["way"]>;

const wayWords: Record<ShellWay, string> = {
  dump: "filling and dumping",
  brush: "brushed coats",
  turn: "closing and turning",
};
const ways = Object.keys(wayWords) as ShellWay[];

interface Props {
  cast: CastInputs;
  errors: Record<string, string>;
  onChange: (patch: Partial<CastInputs>) => void;
  mould: CastInputs["mould"];
  solid: "never" | "may";
}

/** How the mould is lined, and how thick. */
export function LiningFields({ cast, mould, solid, errors, onChange }: Props) {
  const { wall } = cast;
  const way = cast.way ?? "dump";
  const field = fieldsOf(cast, errors, onChange, "cast.");
  const offered = (Object.keys(walls) as Wall["by"][]).filter(
    (by) =>
      by === "wished" ||
      (by === "waited" && way === "dump") ||
      (by === "solid" && solid === "may") ||
      by === wall.by,
  );
  return (
    <>
      {wall.by !== "solid" && (
        <Beside both={way === "brush"}>
          <SelectField
            label="Shell method"
            {...field("way")}
            value={way}
            choices={ways
              .filter((one) => one !== "turn" || mould.two_sided || way === "turn")
              .map((one) => ({ value: one, label: wayWords[one] }))}
            onChange={(next) =>
              onChange({
                way: next,
                ...(next !== "dump" && wall.by === "waited" ? { wall: usualWall.wished } : {}),
              })
            }
          />
          {way === "brush" && (
            <SelectField
              label="Coats set"
              {...field("between")}
              value={cast.between ?? "room"}
              choices={{ room: "in the room", fridge: "in the fridge" }}
            />
          )}
        </Beside>
      )}
      {(offered.length > 1 || errors["cast.wall.by"]) && (
        <SelectField
          label="Wall"
          value={wall.by}
          choices={offered.map((by) => ({ value: by, label: walls[by] }))}
          error={errors["cast.wall.by"]}
          onChange={(by) =>
            onChange({ wall: usualWall[by], ...(by === "solid" ? { way: "dump" } : {}) })
          }
        />
      )}
      <WallFields wall={wall} errors={errors} onChange={(next) => onChange({ wall: next })} />
    </>
  );
}

/** One field over the whole width, or two side by side. */
function Beside({ both, children }: { both: boolean; children: ReactNode }) {
  return both ? <Pair>{children}</Pair> : children;
}

interface WallProps {
  wall: Wall;
  errors: Record<string, string>;
  onChange: (wall: Wall) => void;
}

/** How thick the wall is to be, or how long it is waited. */
function WallFields({ wall, errors, onChange }: WallProps) {
  if (wall.by === "solid") return null;
  if (wall.by === "wished") {
    const set = (patch: Partial<typeof wall>) => onChange({ ...wall, ...patch });
    return (
      <ThicknessField range={[1, 5]} {...fieldsOf(wall, errors, set, "cast.wall.")("shell_mm")} />
    );
  }
  const set = (patch: Partial<typeof wall>) => onChange({ ...wall, ...patch });
  const field = fieldsOf(wall, errors, set, "cast.wall.");
  return (
    <Pair>
      <NumberField label="Drain time" unit="s" {...field("wait_s")} />
      <UnitField label="Pour at" unit="°C" optional="middle of its range" {...field("poured_c")} />
    </Pair>
  );
}
