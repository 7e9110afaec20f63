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
      {found
        .filter(({ label }) => label !== null)
        .map(({ at, label }, index, numbered) => {
          const text = label ?? "";
          // A number that would run off the end of the tape stands before its line, or not at all.
          const before = px(at) + 4 + wide(text) > width;
          const last = numbered[index - 1];
          if (before && last && px(last.at) + 4 + wide(last.label ?? "") > px(at) - 4 - wide(text)) return null;
          return (
            <text
              key={at}
              x={px(at) + (before ? -4 : 4)}
              y={13}
              fontSize={12}
              textAnchor={before ? "end" : "start"}
              fill="var(--soot)"
            >
              {text}
            </text>
          );
        })}
    </g>
  );
}

const wide = (text: string) => text.length * 8;
