interface Props {
  w: number;
  y: number;
  tall: number;
  share: number;
  streaky: boolean;
  looks: string;
  next: () => number;
}

/** Spots that together cover a share of a part: strokes, about a finger long, or flecks. */
export function Spots({ w, y, tall, share, streaky, looks, next }: Props) {
  const count = streaky
    ? Math.min(30, Math.max(3, Math.round((share * w * tall) / 900)))
    : Math.min(40, Math.round(share * 90));
  const r = Math.sqrt((share * w * tall) / (count * Math.PI * (streaky ? 5 : 1)));
  return Array.from({ length: count }, (_, n) => (
    <ellipse
      // biome-ignore lint/suspicious/noArrayIndexKey: a fleck is its place
      key={n}
      cx={(next() - 0.5) * w}
      cy={y + next() * tall}
      rx={streaky ? r * 4 : r}
      ry={streaky ? r * 1.25 : r}
      transform={streaky ? `rotate(${-28 + next() * 12})` : undefined}
      fill={looks}
    />
  ));
}
