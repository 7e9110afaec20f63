import { ticks } from "./ticks";

const HEIGHTS = [5, 9, 15];

/** The tape along the top of the cloth, numbered in the work's unit. */
export function Tape(props: { unit: string; from: number; to: number; px: (mm: number) => number; width: number }) {
  const { unit, from, to, px, width } = props;
  const perMm = px(1) - px(0);
  const found = ticks(unit, Math.max(0, from), to, perMm);
  const path = found.map(({ at, rank }) => `M${px(at).toFixed(1)} 26V${26 - (HEIGHTS[rank] ?? 5)}`).join("");
  return (
    <g>
      <rect width={width} height={27} fill="var(--tape)" />
      <path d={path} stroke="var(--soot)" strokeWidth={1} fill="none" />
      {found.map(({ at, label }) =>
        label === null ? null : (
          <text key={at} x={px(at) + 4} y={13} fontSize={12} fill="var(--soot)">
            {label}
          </text>
        ),
      )}
    </g>
  );
}
