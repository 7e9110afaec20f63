import { SvgFigure } from "../../ribbon/svg-figure";

/** How far something was off, and whether that is to be left. */
export interface Off {
  name: string;
  mm: number;
  text: string;
  within: boolean;
}
const WIDE = 560;
const ROW = 30;

/** Each check as a bar from the plan to what was measured: to the right too wide, to the left too narrow. */
export function SewnPlot({ offs }: { offs: Off[] }) {
  const most = Math.max(0.01, ...offs.map((off) => Math.abs(off.mm)));
  const middle = WIDE / 2;
  const px = (mm: number) => (mm / most) * (middle - 90);
  const height = offs.length * ROW + 26;
  return (
    <svg
      viewBox={`0 0 ${WIDE} ${height}`}
      className="my-2 h-auto w-full max-w-[40rem] bg-linen"
      role="img"
      aria-label={offs.map((off) => `${off.name}: off by ${off.text}`).join("; ")}
    >
      <text x={middle - 8} y={16} textAnchor="end" fontSize={13} fill="var(--smoke)">
        too narrow
      </text>
      <text x={middle + 8} y={16} fontSize={13} fill="var(--smoke)">
        too wide
      </text>
      <path d={`M${middle} 0V${height}`} stroke="var(--soot)" strokeWidth={1.5} />
      {offs.map((off, index) => {
        const end = middle + px(off.mm);
        const y = 26 + index * ROW;
        return (
          // biome-ignore lint/suspicious/noArrayIndexKey: checks of one name may be alike
          <g key={index}>
            <path
              d={`M${middle} ${y + 11}H${end}M${end} ${y + 3}V${y + 19}`}
              stroke={off.within ? "var(--lichen)" : "var(--madder)"}
              strokeWidth={off.within ? 4 : 7}
            />
            <text
              x={end + (off.mm < 0 ? -8 : 8)}
              y={y + 16}
              textAnchor={off.mm < 0 ? "end" : "start"}
              fontSize={14}
              fill="var(--soot)"
            >
              <SvgFigure>{off.text}</SvgFigure>
            </text>
          </g>
        );
      })}
    </svg>
  );
}
