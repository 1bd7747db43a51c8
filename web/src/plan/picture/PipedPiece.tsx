import type { LaidOut, WorkOf } from "../../api/client";

/** How each part of a piped piece looks. */
export interface PipedLooks {
  line: string;
  features: string;
  body: string | null;
}

interface Props {
  outline: LaidOut;
  looks: PipedLooks;
  line_mm: number;
}

/** One outline as it will look, in the colours of its parts: flooded, then its lines, the features
 * on top of all, as they are once it is turned. */
export function PipedPiece({ outline, looks, line_mm }: Props) {
  const line = { fill: "none", strokeLinejoin: "round", strokeLinecap: "round" } as const;
  const features = outline.lines.filter(({ feature }) => feature);
  const body = features.length === 0 ? [] : outline.lines.filter(({ feature }) => !feature);
  return (
    <>
      {looks.body && outline.body && <path d={outline.body} fill={looks.body} />}
      {features.length === 0 ? (
        <path d={outline.path} stroke={looks.line} strokeWidth={line_mm} {...line} />
      ) : (
        body.map(({ path }) => (
          <path key={path} d={path} stroke={looks.line} strokeWidth={line_mm} {...line} />
        ))
      )}
      {features.map(({ path }) => (
        <path key={path} d={path} stroke={looks.features} strokeWidth={line_mm} {...line} />
      ))}
    </>
  );
}

interface PlainProps {
  work: WorkOf<"piped">;
  looks: PipedLooks;
  /** Half as wide as it is drawn. */
  r: number;
}

/** The same where no outline was stated: what its kind looks like. */
export function PlainPiece({ work, looks, r }: PlainProps) {
  const line = {
    fill: "none",
    stroke: looks.line,
    strokeWidth: r * 0.18,
    strokeLinejoin: "round",
    strokeLinecap: "round",
  } as const;
  const to = (...at: number[]) => at.map((v) => v * r).join(" ");
  switch (work.shape) {
    case "lattices":
      return (
        <path
          {...line}
          d={[0, 0.5, 1, 1.5, 2]
            .map((v) => `M${to(v, 0)} L${to(v, 2)} M${to(0, v)} L${to(2, v)}`)
            .join(" ")}
        />
      );
    case "nests":
      return (
        <>
          {[0.95, 0.75, 0.55].map((v, i) => (
            <ellipse
              key={v}
              {...line}
              cx={r * (1 + 0.06 * (i - 1))}
              cy={r * (1 - 0.05 * (i - 1))}
              rx={r * v}
              ry={r * v * 0.9}
            />
          ))}
        </>
      );
    case "bowls":
      return (
        <>
          <path
            {...line}
            d={`M${to(0.1, 0.5)} L${to(0.4, 1.4)} L${to(0.6, 0.5)} L${to(0.9, 1.6)} L${to(1.1, 0.5)} L${to(1.4, 1.5)} L${to(1.6, 0.5)} L${to(1.75, 1.2)} L${to(1.9, 0.5)} Z`}
          />
          <path {...line} d={`M${to(0.7, 1.75)} L${to(1.3, 1.75)}`} />
        </>
      );
    case "outlines":
      return (
        <>
          <circle {...line} cx={r} cy={r} r={r * 0.9} fill={looks.body ?? "none"} />
          {work.second && (
            <path
              {...line}
              stroke={looks.features}
              d={`M${to(0.6, 0.75)} l${to(0.15, 0)} M${to(1.25, 0.75)} l${to(0.15, 0)} M${to(0.6, 1.25)} Q${to(1, 1.5, 1.4, 1.25)}`}
            />
          )}
        </>
      );
  }
}
