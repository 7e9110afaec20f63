import { useRef } from "react";
import type { CutAnswer } from "../../api/client";
import { SvgFigure } from "../../ribbon/svg-figure";
import { useWidth } from "../../ribbon/use-width";
import { Figure } from "../controls/figure";

type Plan = CutAnswer["plans"][number];
const WIDE = 760;
const EDGE = 34;

/** The pieces on one cloth, to scale, the cloth's length running to the right; arrows point up each piece. */
export function CutPlan({ plan }: { plan: Plan }) {
  const box = useRef<HTMLElement>(null);
  const width = useWidth(box, WIDE + EDGE + 4, 240);
  return (
    <figure ref={box} className="m-0 mb-5">
      <figcaption className="mb-1">
        <span className="block text-base font-bold">{plan.cloth}</span>
        {/* Its name stands above. */}
        <Figure>{plan.says.replace(`${plan.cloth}: `, "")}</Figure>
        {plan.left.length > 0 && <span className="block text-madder">No place for: {plan.left.join(", ")}.</span>}
      </figcaption>
      {plan.sheets.map((sheet, index) => (
        <Sheet
          // biome-ignore lint/suspicious/noArrayIndexKey: a cloth has no other name than its place
          key={index}
          plan={plan}
          room={Math.min(WIDE, width - EDGE - 4)}
          index={index}
          width={sheet.width}
          length={sheet.length}
        />
      ))}
      <PieceList plan={plan} />
    </figure>
  );
}

type Length = { mm: number; text: string };

function Sheet({
  plan,
  room,
  index,
  width,
  length,
}: {
  plan: Plan;
  /** How many pixels there are along the cloth: what is written on it stays as large on a small screen. */
  room: number;
  index: number;
  width: Length;
  length: Length;
}) {
  // The cloth's length runs to the right; a short wide one is not blown up past a hand's breadth.
  const scale = Math.min(room / length.mm, 300 / width.mm);
  const [w, h] = [length.mm * scale, width.mm * scale];
  // Never too narrow for what is written above it.
  const across = Math.max(w, 200) + EDGE + 4;
  const pieces = plan.placed.filter((piece) => piece.sheet === index);
  return (
    <svg
      viewBox={`0 0 ${across} ${h + EDGE}`}
      width={across}
      className="h-auto max-w-full"
      role="img"
      aria-label={`${pieces.length} ${pieces.length === 1 ? "piece" : "pieces"} on ${plan.cloth}, ${width.text} by ${length.text}`}
    >
      <text x={EDGE} y={13} fontSize={13} fill="var(--smoke)">
        <SvgFigure>{`${length.text} along the cloth`}</SvgFigure>
      </text>
      <text
        transform={`translate(13 ${EDGE / 2 + h / 2}) rotate(-90)`}
        textAnchor="middle"
        fontSize={13}
        fill="var(--smoke)"
      >
        <SvgFigure>{`${width.text} across`}</SvgFigure>
      </text>
      <g transform={`translate(${EDGE} ${EDGE / 2 + 2})`}>
        <rect width={w} height={h} fill="var(--cloth-under)" stroke="var(--cloth-line)" />
        <rect width={w} height={h} fill="url(#waste)" />
        {pieces.map((piece) => {
          const [x, y] = [piece.start * scale, piece.left * scale];
          const [long, wide] = [piece.long.mm * scale, piece.wide.mm * scale];
          const [cx, cy] = [x + long / 2, y + wide / 2];
          const upright = wide > long * 1.6;
          const room = upright ? wide : long;
          const thick = upright ? long : wide;
          const beside = !upright && thick <= 34; // a thin piece has its name beside its arrow, not under it
          const fits = (name: string) => room > name.length * 7.6 + (beside ? 56 : 0);
          const names = shorter(piece.name);
          const label = thick > 15 ? (names.find(fits) ?? (room > 48 ? names.at(-1) : "") ?? "") : "";
          return (
            <g key={piece.key}>
              <title>{`${piece.name}: ${piece.wide.text} across, ${piece.long.text} along${piece.on_fold ? ", cut on the fold" : ""}`}</title>
              <path d={outline(piece, scale)} fill="var(--cloth)" stroke="var(--cloth-shade)" strokeWidth={1.2} />
              {piece.on_fold && (
                <path
                  d={`M${x} ${cy}H${x + long}`}
                  stroke="var(--cloth-shade)"
                  strokeWidth={1.2}
                  strokeDasharray="8 3 2 3"
                />
              )}
              <Arrow
                x={beside && label ? x + 20 : cx}
                y={upright ? cy + wide * 0.36 : cy}
                long={Math.min(26, (piece.turned ? wide : long) * 0.5)}
                turns={piece.turns}
              />
              {label && (
                <text
                  transform={`translate(${cx} ${cy}) rotate(${upright ? -90 : 0})`}
                  y={thick > 34 ? -8 : 4}
                  textAnchor="middle"
                  fontSize={12.5}
                  fontWeight={650}
                  fill="var(--on-cloth)"
                  stroke="var(--cloth-shade)"
                  strokeWidth={3}
                  paintOrder="stroke"
                >
                  {label}
                </text>
              )}
            </g>
          );
        })}
      </g>
      <defs>
        <pattern id="waste" width="8" height="8" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
          <path d="M0 0V8" stroke="var(--thread)" strokeWidth="2" />
        </pattern>
      </defs>
    </svg>
  );
}

/** The outline of a piece where it lies: straight runs and arcs, along the cloth to the right. */
function outline(piece: Plan["placed"][number], scale: number): string {
  const first = piece.outline[0];
  const [x, y] = [piece.start * scale, piece.left * scale];
  if (!first) return `M${x} ${y}h${piece.long.mm * scale}v${piece.wide.mm * scale}h${-piece.long.mm * scale}Z`;
  const at = ([across, along]: number[]) => `${(along ?? 0) * scale} ${(across ?? 0) * scale}`;
  const runs = piece.outline.map((side) => {
    if (side.radius === null) return `L${at(side.to)}`;
    const r = side.radius * scale;
    return `A${r} ${r} 0 ${side.large ? 1 : 0} ${side.clockwise ? 1 : 0} ${at(side.to)}`;
  });
  return `M${at(first.from)}${runs.join("")}Z`;
}

/** The arrow up a piece: along the cloth, turned by quarters as the piece is. */
function Arrow({ x, y, long, turns }: { x: number; y: number; long: number; turns: number }) {
  const half = long / 2;
  const path = `M${-half} 0H${half}M${half - 5} -4L${half} 0L${half - 5} 4`;
  const off = turns % 2 ? 0 : 6;
  return (
    <path
      d={path}
      transform={`translate(${x} ${y + off}) rotate(${-90 * turns})`}
      fill="none"
      stroke="var(--cloth-shade)"
      strokeWidth={1.8}
    />
  );
}

/** A name and its shorter forms: "Left panel, width 1 of 2", "Left panel, 1 of 2", "1 of 2". */
function shorter(name: string): string[] {
  const [, piece, number] = name.match(/^(.*), (?:width|strip|lining) (\d+ of \d+)$/) ?? [];
  return piece && number ? [name, `${piece}, ${number}`, number] : [name];
}

function PieceList({ plan }: { plan: Plan }) {
  return (
    <details>
      <summary className="min-h-11 py-2 font-semibold text-woad">
        {plan.placed.length === 1 ? "The one piece" : `The ${plan.placed.length} pieces`} as a list
      </summary>
      <table className="border-collapse bg-linen">
        <thead>
          <tr className="text-left text-sm text-smoke">
            {["Piece", "Across", "Along", "From the start", "From the selvedge", ""].map((head) => (
              <th key={head} scope="col" className="px-3 font-semibold">
                {head || <span className="sr-only">Notes</span>}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {plan.placed.map((piece) => (
            <tr key={piece.key} className="border-t border-thread">
              <th scope="row" className="px-3 text-left font-semibold">
                {piece.name}
              </th>
              <td className="px-3">
                <Figure>{piece.wide.text}</Figure>
              </td>
              <td className="px-3">
                <Figure>{piece.long.text}</Figure>
              </td>
              <td className="px-3">
                <Figure>{piece.from_start.text}</Figure>
              </td>
              <td className="px-3">
                <Figure>{piece.from_selvedge.text}</Figure>
              </td>
              <td className="px-3 text-smoke">
                {[piece.turned ? "turned" : "", piece.on_fold ? "on the fold" : ""].filter(Boolean).join(", ")}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </details>
  );
}
