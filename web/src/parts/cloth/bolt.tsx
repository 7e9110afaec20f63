import { useRef } from "react";
import type { CutAnswer } from "../../api/client";
import { SvgFigure } from "../../ribbon/svg-figure";
import { useWidth } from "../../ribbon/use-width";
import { LaidPieces, Waste } from "./laid-pieces";

type Plan = CutAnswer["plans"][number];

const TOP = 22;
const FOOT = 16;
const ROLL = 26;
const BARE = 96;

interface Props {
  /** What lies on the cloth; null while that is not known. */
  plan: Plan | null;
  name: string;
  /** The repeat along the cloth in millimetres, nought without one. */
  along: number;
  directional: boolean;
  /** Whether it comes from a roll, and goes on past what is cut from it. */
  rolled: boolean;
  /** Which of its measures is lit: width, along. */
  lit: string | null;
}

/** A bolt as it lies along the screen: its width, its repeats, which way is up, and the pieces that are cut from it. */
export function Bolt({ plan, name, along, directional, rolled, lit }: Props) {
  const box = useRef<HTMLDivElement>(null);
  const width = useWidth(box, 560, 220);
  const sheet = plan?.sheets[0];
  const room = width - ROLL - 16;
  const scale = sheet ? Math.min(room / sheet.length.mm, 128 / sheet.width.mm) : 0;
  const [w, drawn] = sheet ? [sheet.length.mm * scale, sheet.width.mm * scale] : [room, BARE];
  const end = rolled ? room + ROLL - 8 : w;
  const more = (plan?.sheets.length ?? 1) - 1;
  const tape = (name: string) => (lit === name ? 4 : 2);
  return (
    <div ref={box} className="min-w-0">
      <svg
        width={width}
        height={drawn + TOP + FOOT}
        role="img"
        aria-label={
          plan && sheet
            ? `${name}: ${plan.placed.length} ${plan.placed.length === 1 ? "piece" : "pieces"} on ${sheet.length.text} of it, ${sheet.width.text} wide`
            : `${name}, before anything is known of it`
        }
      >
        <Waste />
        <path
          d={`M8 ${TOP}V${TOP + drawn}M2 ${TOP}h12M2 ${TOP + drawn}h12`}
          stroke="var(--madder)"
          strokeWidth={tape("width")}
          fill="none"
        />
        <g transform={`translate(16 ${TOP})`}>
          <path
            d={`M0 0H${end}V${drawn}H0Z`}
            fill="var(--cloth-under)"
            stroke="var(--cloth-line)"
            strokeDasharray={sheet ? undefined : "7 5"}
          />
          {sheet && <rect width={w} height={drawn} fill="url(#waste)" />}
          {plan && sheet && <LaidPieces pieces={plan.placed.filter((one) => one.sheet === 0)} scale={scale} />}
          <path d={`M0 3H${end}M0 ${drawn - 3}H${end}`} stroke="var(--cloth-shade)" opacity={0.5} />
          {sheet && rolled && <path d={`M${w} -5V${drawn + 5}`} stroke="var(--soot)" strokeDasharray="2 4" />}
          {rolled && (
            <ellipse
              cx={end}
              cy={drawn / 2}
              rx={7}
              ry={drawn / 2}
              fill="var(--cloth)"
              stroke="var(--cloth-shade)"
              strokeWidth={1.2}
            />
          )}
          {sheet && along > 0 && (
            <path
              d={`M0 ${drawn + 8}H${along * scale}M0 ${drawn + 3}v10M${along * scale} ${drawn + 3}v10`}
              stroke="var(--madder)"
              strokeWidth={tape("along")}
              fill="none"
            />
          )}
          {sheet && along * scale > 6 && (
            <path
              d={Array.from(
                { length: Math.min(60, Math.floor(w / (along * scale))) },
                (_, index) => `M${(index + 1) * along * scale} 0V${drawn}`,
              ).join("")}
              stroke="var(--soot)"
              strokeDasharray="1 6"
              opacity={0.5}
            />
          )}
        </g>
        <text x={16} y={15} fontSize={13} fill="var(--smoke)">
          <SvgFigure>
            {sheet
              ? `${sheet.length.text} along it${more > 0 ? `, and ${more} more beside it` : ""}${directional ? "; up is to the right →" : ""}`
              : "The bolt lies along; what is cut from it is drawn as soon as its width and the drop are known."}
          </SvgFigure>
        </text>
      </svg>
    </div>
  );
}
