import type { CSSProperties } from "react";
import type { CutAnswer } from "../../api/client";
import { Haloed } from "../../ribbon/haloed";
import { SvgFigure } from "../../ribbon/svg-figure";
import { Figure } from "../controls/figure";
import { Sheet } from "../controls/sheet";
import { type Laid, outline } from "./laid-pieces";

type Plan = CutAnswer["plans"][number];
type Takes = Laid["takes"][number];
const ROOM = { wide: 420, tall: 400 };
const EDGE = 74;

/** One piece taken up from the plan: large, upright, with what its sides take and where it belongs. */
export function OnePiece(props: {
  plan: Plan;
  /** Its cloth's colours: a sheet stands outside of what is painted in them. */
  paint: CSSProperties | undefined;
  picked: string | null;
  onPick: (key: string | null) => void;
}) {
  const { plan, picked, onPick } = props;
  const at = plan.placed.findIndex((one) => one.key === picked);
  const piece = plan.placed[at];
  if (!piece) return null;
  const by = (step: number) => onPick(plan.placed[(at + step + plan.placed.length) % plan.placed.length]?.key ?? null);
  return (
    <Sheet
      open
      wide
      title={piece.name}
      says={`Piece ${at + 1} of ${plan.placed.length} on ${plan.cloth}.`}
      onClose={() => onPick(null)}
    >
      <div className="grid grid-cols-1 gap-4 md:grid-cols-[auto_minmax(0,1fr)]" style={props.paint}>
        <Large piece={piece} />
        <div>
          <p className="m-0 text-xl font-bold">
            <Figure>{`${piece.wide.text} across, ${piece.long.text} along`}</Figure>
          </p>
          <p className="my-2">
            <Figure>{`It lies ${piece.from_start.text} from the start of the cloth, ${piece.from_selvedge.text} from the selvedge${piece.turned ? ", on its side" : ""}${piece.on_fold ? ", on the fold" : ""}.`}</Figure>
          </p>
          {piece.takes.length > 0 && (
            <ul className="m-0 list-none p-0">
              {piece.takes.map((one) => (
                <li key={one.side + one.what}>
                  <Figure>{`${WHERE[one.side] ?? one.side}: ${one.what} ${one.deep.text}`}</Figure>
                </li>
              ))}
            </ul>
          )}
          {plan.placed.length > 1 && (
            <p className="mt-4 mb-0">
              <button type="button" className="press -ml-3" onClick={() => by(-1)}>
                ‹ The one before
              </button>
              <button type="button" className="press" onClick={() => by(1)}>
                The next ›
              </button>
            </p>
          )}
        </div>
      </div>
    </Sheet>
  );
}

const WHERE: Record<string, string> = { top: "Top", foot: "Foot", left: "Left", right: "Right" };

function Large({ piece }: { piece: Laid }) {
  const shaped = piece.outline.length > 0;
  // A rectangle stands upright, whichever way it lies on the cloth; an outline lies as it lies there, along it to the right.
  const along = shaped || piece.turned;
  const [wide, long] = along ? [piece.long.mm, piece.wide.mm] : [piece.wide.mm, piece.long.mm];
  const scale = Math.min(ROOM.wide / wide, ROOM.tall / long);
  const [w, h] = [wide * scale, long * scale];
  const deep = (one: Takes) => Math.max(3, one.deep.mm * scale);
  const used: Record<string, number> = {};
  const bands = piece.takes.map((one) => {
    const before = used[one.side] ?? 0;
    used[one.side] = before + deep(one);
    const d = deep(one);
    const box = {
      top: [0, before, w, d],
      foot: [0, h - before - d, w, d],
      left: [before, 0, d, h],
      right: [w - before - d, 0, d, h],
    }[one.side];
    return { one, box };
  });
  return (
    <svg
      width={Math.max(w, 120) + EDGE}
      height={h + 24}
      className="h-auto max-w-full"
      viewBox={`0 0 ${Math.max(w, 120) + EDGE} ${h + 24}`}
      role="img"
      aria-label={`${piece.name}, upright`}
    >
      <g transform={`translate(${EDGE - 10} 20)`}>
        {shaped ? (
          <path
            d={outline(piece, scale)}
            transform={`translate(${-piece.start * scale} ${-piece.left * scale})`}
            fill="var(--cloth)"
            stroke="var(--cloth-shade)"
            strokeWidth={1.4}
          />
        ) : (
          <rect width={w} height={h} fill="var(--cloth)" stroke="var(--cloth-shade)" strokeWidth={1.4} />
        )}
        {(shaped ? [] : bands).map(
          ({ one, box }) =>
            box && (
              <g key={one.side + one.what}>
                <rect x={box[0]} y={box[1]} width={box[2]} height={box[3]} fill="var(--cloth-under)" />
                <rect
                  x={box[0]}
                  y={box[1]}
                  width={box[2]}
                  height={box[3]}
                  fill="url(#waste)"
                  stroke="var(--cloth-line)"
                  strokeWidth={0.8}
                />
              </g>
            ),
        )}
        {piece.on_fold && (
          <path d={`M${w / 2} 0V${h}`} stroke="var(--cloth-shade)" strokeWidth={1.4} strokeDasharray="8 3 2 3" />
        )}
        {!shaped && (
          <path
            d={`M${w / 2} ${h * 0.62}V${h * 0.38}m-6 8l6 -8l6 8`}
            fill="none"
            stroke="var(--on-cloth)"
            strokeWidth={2.4}
          />
        )}
        <path d={`M0 -6H${w}M0 -10v8M${w} -10v8`} stroke="var(--madder)" strokeWidth={1.6} />
        <path d={`M-8 0V${h}M-12 0h8M-12 ${h}h8`} stroke="var(--madder)" strokeWidth={1.6} />
        <Haloed x={w / 2} y={-9} fontSize={13} fontWeight={650} fill="var(--soot)" halo="var(--calico)" thick={4}>
          <SvgFigure>{(along ? piece.long : piece.wide).text}</SvgFigure>
        </Haloed>
        <text
          transform={`translate(-16 ${h / 2}) rotate(-90)`}
          textAnchor="middle"
          fontSize={13}
          fontWeight={650}
          fill="var(--soot)"
        >
          <SvgFigure>{(along ? piece.wide : piece.long).text}</SvgFigure>
        </text>
      </g>
    </svg>
  );
}
