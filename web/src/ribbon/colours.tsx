const MANY = 1600;

interface Seen {
  from: number;
  to: number;
  colour: string;
}

/** Stretches of the cloth's own colours, one path a colour. */
export function Colours(props: {
  seen: Seen[];
  px: (mm: number) => number;
  low: number;
  high: number;
  top: (one: Seen) => number;
  height: number;
}) {
  const { seen, px, low, high, top, height } = props;
  const paths = new Map<string, string>();
  const every = Math.max(1, Math.ceil(seen.length / MANY));
  for (let i = 0; i < seen.length; i += every) {
    const one = seen[i];
    if (!one || one.to < low || one.from > high) continue;
    const [a, b] = [px(one.from), px(one.to)];
    const y = top(one);
    const [left, right] = [Math.min(a, b).toFixed(1), Math.max(a, b).toFixed(1)];
    paths.set(one.colour, `${paths.get(one.colour) ?? ""}M${left} ${y}H${right}V${y + height}H${left}Z`);
  }
  return [...paths].map(([colour, d]) => <path key={colour} d={d} fill={colour} />);
}
