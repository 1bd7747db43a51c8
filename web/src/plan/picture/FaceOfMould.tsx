import { Box } from "@chakra-ui/react";
import { memo, useId } from "react";
import type { BowlInputs, ComponentPlan } from "../../api/client";
import { wayWords } from "../work/wayWords";
import { CavitySection } from "./CavitySection";
import { layerLook } from "./look";
import { thrown } from "./thrown";

const WIDTH = 560;
const MOST = 48;
const PAD = 10;

type Cast = NonNullable<ComponentPlan["cast"]>;
type Face = NonNullable<ComponentPlan["face"]>;

interface Props {
  plan: ComponentPlan;
  cast: Cast;
  bowls: readonly BowlInputs[];
}

/** The opening of a cavity in mm: across, down, and whether it is round. */
function opening({ cavity, across_mm }: Cast) {
  return cavity.shape === "block"
    ? { across: cavity.length_mm ?? across_mm, down: cavity.width_mm ?? across_mm, round: false }
    : { across: across_mm, down: across_mm, round: true };
}

/** The mould from its face, as the pieces come out of it, one of them in section. */
export const FaceOfMould = memo(function FaceOfMould({ plan, cast, bowls }: Props) {
  const id = useId();
  const { across, down, round } = opening(cast);
  if (!(across > 0 && down > 0)) return null;
  const count = Math.min(cast.cavities, MOST);
  const columns = Math.max(1, Math.min(count, Math.ceil(Math.sqrt((count * 1.9 * down) / across))));
  const rows = Math.ceil(count / columns);
  const step = Math.min((WIDTH - 2 * PAD) / columns, (250 * across) / (down * rows));
  const scale = (step * 0.86) / across;
  const [w, h] = [across * scale, down * scale];
  const high = rows * (h + step * 0.14) + 2 * PAD;
  const wide = columns * step + 2 * PAD;
  const face = plan.face;
  const shell = layerLook(plan.layers[0], bowls);
  return (
    <>
      <svg
        viewBox={`0 0 ${WIDTH} ${high}`}
        role="img"
        aria-label={`The mould from its face: ${cast.cavities} cavities, ${Math.round(across)} mm across, as they come out`}
        width="100%"
        style={{ maxHeight: "300px" }}
        data-testid="mould-picture"
      >
        <defs>
          <radialGradient id={`${id}-light`} cx="0.36" cy="0.3" r="0.75">
            <stop offset="0" stopColor="#fff" stopOpacity="0.75" />
            <stop offset="0.16" stopColor="#fff" stopOpacity="0.25" />
            <stop offset="0.45" stopColor="#fff" stopOpacity="0" />
            <stop offset="1" stopColor="#000" stopOpacity="0.3" />
          </radialGradient>
          <clipPath id={`${id}-cavity`}>
            {round ? (
              <circle r={w / 2} />
            ) : (
              <rect x={-w / 2} y={-h / 2} width={w} height={h} rx="4" />
            )}
          </clipPath>
        </defs>
        <rect
          x={(WIDTH - wide) / 2}
          width={wide}
          height={high}
          rx="8"
          fill="var(--chakra-colors-bg-muted)"
          stroke="currentColor"
          strokeOpacity="0.5"
        />
        {Array.from({ length: count }, (_, i) => (
          <g
            // biome-ignore lint/suspicious/noArrayIndexKey: a cavity is its place
            key={i}
            transform={`translate(${(WIDTH - wide) / 2 + PAD + ((i % columns) + 0.5) * step} ${
              PAD + (Math.floor(i / columns) + 0.5) * (h + step * 0.14)
            })`}
            clipPath={`url(#${id}-cavity)`}
          >
            {face ? (
              <Cavity face={face} w={w} h={h} seed={i + 1} />
            ) : (
              <rect x={-w / 2} y={-h / 2} width={w} height={h} fill={shell.body} />
            )}
            <rect x={-w / 2} y={-h / 2} width={w} height={h} fill={`url(#${id}-light)`} />
          </g>
        ))}
      </svg>
      {face && face.films.length > 0 && <Order face={face} shell={shell.body} />}
      <CavitySection plan={plan} cast={cast} bowls={bowls} />
    </>
  );
});

interface CavityProps {
  face: Face;
  w: number;
  h: number;
  seed: number;
}

/** One face: its parts from top to bottom by their shares, with flecks and streaks. */
function Cavity({ face, w, h, seed }: CavityProps) {
  const next = thrown(seed);
  let top = -h / 2;
  return (
    <>
      {face.parts.map((part, i) => {
        const tall = (h * part.share_pct) / 100;
        const y = top;
        top += tall;
        return (
          <g key={part.name ?? i}>
            <rect x={-w / 2} y={y} width={w} height={tall + 0.5} fill={part.looks} />
            {part.flecks.map(({ film, looks }) => {
              const of = face.films[film];
              const share = (of?.share_pct ?? 0) / 100;
              const streaky = of?.way === "finger" || of?.way === "brush" || of?.way === "sheet";
              const count = streaky ? 3 : Math.min(40, Math.round(share * 90));
              // So many that together they cover the share.
              const r = Math.sqrt((share * w * tall) / (count * Math.PI * (streaky ? 5 : 1)));
              return Array.from({ length: count }, (_, n) => (
                <ellipse
                  // biome-ignore lint/suspicious/noArrayIndexKey: a fleck is its place
                  key={`${film} ${n}`}
                  cx={(next() - 0.5) * w}
                  cy={y + next() * tall}
                  rx={streaky ? r * 4 : r}
                  ry={streaky ? r * 1.25 : r}
                  transform={streaky ? `rotate(${-28 + next() * 12})` : undefined}
                  fill={looks}
                />
              ));
            })}
          </g>
        );
      })}
    </>
  );
}

/** The films in the order of work: the first in is the first seen. */
function Order({ face, shell }: { face: Face; shell: string }) {
  const step = {
    display: "grid",
    gridTemplateColumns: "26px minmax(0, 1fr)",
    gap: "2",
    alignItems: "center",
  } as const;
  return (
    <Box as="ol" listStyleType="none" mt="3" color="fg" fontSize="sm" data-testid="film-order">
      {face.films.map((film, i) => (
        // biome-ignore lint/suspicious/noArrayIndexKey: a film is its place
        <Box as="li" key={i} {...step} minH="32px" opacity={film.seen ? 1 : 0.55}>
          <Box
            w="26px"
            h="26px"
            borderRadius="4px"
            borderWidth="1px"
            borderColor="border.emphasized"
            style={{ background: film.looks }}
          />
          <span>
            <strong>{i === 0 ? "First in, first seen: " : "Then "}</strong>
            {film.colour}, {wayWords[film.way]}
            {film.region && `, on the ${film.region}`}
            {film.share_pct < 100 && `, over ${Math.round(film.share_pct)} %`}
            {film.thickness_mm > 0 && `, ${film.thickness_mm} mm`}
            {!film.seen && " (not seen)"}
          </span>
        </Box>
      ))}
      <Box as="li" {...step} minH="32px">
        <Box w="26px" h="26px" borderRadius="4px" style={{ background: shell }} />
        <span>Behind them all, the shell</span>
      </Box>
    </Box>
  );
}
