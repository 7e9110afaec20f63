import { type CSSProperties, useRef, useState } from "react";
import type { CutAnswer } from "../../api/client";
import { SvgFigure } from "../../ribbon/svg-figure";
import { useWidth } from "../../ribbon/use-width";
import { Figure } from "../controls/figure";
import { LaidPieces, Waste } from "./laid-pieces";
import { OnePiece } from "./one-piece";

type Plan = CutAnswer["plans"][number];
type Offcut = Plan["offcuts"][number];
const EDGE = 34;
/** How tall a cloth may be drawn: among others, and by itself. */
const TALL = { several: 260, only: 440 };

interface Props {
  plan: Plan;
  paint: CSSProperties | undefined;
  /** Whether it is the only cloth that is shown. */
  only: boolean;
  /** Which of its pieces that could be kept lie on the shelf already, and how one is put there. */
  kept: ReadonlySet<string>;
  onKeep: (offcut: Offcut) => void;
}

/** What an offcut is known by: where it lies and how large it is. */
export const offcutKey = (plan: Plan, one: Offcut) =>
  [plan.role, one.sheet, ...one.typed, one.left, one.start].join(" ");

/** The pieces on one cloth, to scale, the cloth's length running to the right; each can be taken up and looked at. */
export function CutPlan({ plan, paint, only, kept, onKeep }: Props) {
  const box = useRef<HTMLElement>(null);
  const width = useWidth(box, 800, 240);
  const [picked, setPicked] = useState<string | null>(null);
  return (
    <figure ref={box} className="m-0 mb-3" style={paint}>
      <figcaption className="mb-1">
        <span className="text-base font-bold">{plan.cloth}</span> {/* Its name stands before. */}
        <Figure>{plan.says.replace(`${plan.cloth}: `, "")}</Figure>
        {plan.left.length > 0 && <span className="block text-madder">No place for: {plan.left.join(", ")}.</span>}
      </figcaption>
      {plan.sheets.map((sheet, index) => (
        <Sheet
          // biome-ignore lint/suspicious/noArrayIndexKey: a cloth has no other name than its place
          key={index}
          plan={plan}
          room={width - EDGE - 4}
          tall={only ? TALL.only : TALL.several}
          index={index}
          width={sheet.width}
          length={sheet.length}
          picked={picked}
          onPick={setPicked}
        />
      ))}
      <div className="flex flex-wrap items-center gap-x-4">
        <PieceList plan={plan} onPick={setPicked} />
        <Kept plan={plan} kept={kept} onKeep={onKeep} />
      </div>
      <OnePiece plan={plan} paint={paint} picked={picked} onPick={setPicked} />
    </figure>
  );
}

type Length = { mm: number; text: string };

function Sheet({
  plan,
  room,
  tall,
  index,
  width,
  length,
  picked,
  onPick,
}: {
  plan: Plan;
  /** How many pixels there are along the cloth: what is written on it stays as large on a small screen. */
  room: number;
  /** How tall it may become. */
  tall: number;
  index: number;
  width: Length;
  length: Length;
  picked: string | null;
  onPick: (key: string) => void;
}) {
  const offcuts = plan.offcuts.filter((one) => one.sheet === index);
  // What is bought beyond the plan lies at its end.
  const end = Math.max(length.mm, ...offcuts.map((one) => one.start + one.long.mm));
  // The cloth's length runs to the right; a short wide one is not blown up without end.
  const scale = Math.min(room / end, tall / width.mm);
  const [w, h] = [end * scale, width.mm * scale];
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
      <Waste />
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
        {offcuts.map((one) => {
          const [long, wide] = [one.long.mm * scale, one.wide.mm * scale];
          const says = `${one.wide.text} × ${one.long.text}`;
          const [cx, cy] = [(one.start + one.long.mm / 2) * scale, (one.left + one.wide.mm / 2) * scale];
          const upright = wide > long;
          return (
            <g key={`${one.left} ${one.start}`}>
              <title>{`Left over: ${says}`}</title>
              <rect
                x={one.start * scale + 1.5}
                y={one.left * scale + 1.5}
                width={Math.max(0, long - 3)}
                height={Math.max(0, wide - 3)}
                fill="var(--cloth-under)"
                stroke="var(--cloth-line)"
                strokeDasharray="5 4"
              />
              {Math.max(long, wide) > says.length * 7 && Math.min(long, wide) > 15 && (
                <text
                  transform={`translate(${cx} ${cy}) rotate(${upright ? -90 : 0})`}
                  y={4}
                  textAnchor="middle"
                  fontSize={12}
                  fill="var(--soot)"
                >
                  <SvgFigure>{says}</SvgFigure>
                </text>
              )}
            </g>
          );
        })}
        <LaidPieces pieces={pieces} scale={scale} picked={picked} onPick={onPick} />
      </g>
    </svg>
  );
}

/** What falls away in pieces that could be kept, each put on the shelf with a press. */
function Kept({ plan, kept, onKeep }: Pick<Props, "plan" | "kept" | "onKeep">) {
  if (plan.offcuts.length === 0) return null;
  return (
    <details className="min-w-0">
      <summary className="min-h-11 py-2 font-semibold text-woad">
        {plan.offcuts.length === 1 ? "One piece" : `${plan.offcuts.length} pieces`} left over to keep
      </summary>
      <ul className="m-0 list-none p-0">
        {plan.offcuts.map((one) => {
          const there = kept.has(offcutKey(plan, one));
          return (
            <li key={offcutKey(plan, one)} className="flex flex-wrap items-center gap-x-2">
              <Figure>{`${one.wide.text} × ${one.long.text}`}</Figure>
              <button
                type="button"
                className="press"
                disabled={there}
                aria-label={`Keep on the shelf: ${one.wide.text} × ${one.long.text}`}
                onClick={() => onKeep(one)}
              >
                {there ? "On the shelf" : "Keep on the shelf"}
              </button>
            </li>
          );
        })}
      </ul>
    </details>
  );
}

function PieceList({ plan, onPick }: { plan: Plan; onPick: (key: string) => void }) {
  return (
    <details className="min-w-0">
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
                <button
                  type="button"
                  className="press -ml-3"
                  aria-label={`Take up ${piece.name}`}
                  onClick={() => onPick(piece.key)}
                >
                  {piece.name}
                </button>
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
