import type { Log } from "../api/client";
import { SvgFigure } from "../ribbon/svg-figure";

type Check = Log["checks"][number];
const WIDE = 560;
const ROW = 30;

/** Each check as a bar from the plan to what was measured: to the right too wide, to the left too narrow. */
export function SewnPlot({ checks }: { checks: Check[] }) {
  const most = Math.max(1, ...checks.map((check) => Math.abs(check.off.mm)));
  const middle = WIDE / 2;
  const px = (mm: number) => (mm / most) * (middle - 90);
  const height = checks.length * ROW + 26;
  return (
    <svg
      viewBox={`0 0 ${WIDE} ${height}`}
      className="my-2 h-auto w-full max-w-[40rem] bg-linen"
      role="img"
      aria-label={checks.map((check) => `${check.name}: off by ${check.off.text}`).join("; ")}
    >
      <text x={middle - 8} y={16} textAnchor="end" fontSize={13} fill="var(--smoke)">
        too narrow
      </text>
      <text x={middle + 8} y={16} fontSize={13} fill="var(--smoke)">
        too wide
      </text>
      <path d={`M${middle} 0V${height}`} stroke="var(--soot)" strokeWidth={1.5} />
      {checks.map((check, index) => {
        const end = middle + px(check.off.mm);
        const y = 26 + index * ROW;
        return (
          <g key={check.at}>
            <path
              d={`M${middle} ${y + 11}H${end}M${end} ${y + 3}V${y + 19}`}
              stroke={check.within ? "var(--lichen)" : "var(--madder)"}
              strokeWidth={check.within ? 4 : 7}
            />
            <text
              x={end + (check.off.mm < 0 ? -8 : 8)}
              y={y + 16}
              textAnchor={check.off.mm < 0 ? "end" : "start"}
              fontSize={14}
              fill="var(--soot)"
            >
              <SvgFigure>{check.off.text}</SvgFigure>
            </text>
          </g>
        );
      })}
    </svg>
  );
}
