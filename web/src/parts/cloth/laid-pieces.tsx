import type { CutAnswer } from "../../api/client";
import { Haloed } from "../../ribbon/haloed";

type Plan = CutAnswer["plans"][number];
export type Laid = Plan["placed"][number];

/** Pieces where they lie on a cloth, its length to the right, each with its name and its arrow; they can be taken up. */
export function LaidPieces(props: {
  pieces: Laid[];
  scale: number;
  picked?: string | null;
  onPick?: ((key: string) => void) | undefined;
}) {
  const { pieces, scale, picked, onPick } = props;
  return pieces.map((piece) => {
    const [x, y] = [piece.start * scale, piece.left * scale];
    const [long, wide] = [piece.long.mm * scale, piece.wide.mm * scale];
    const [cy, cx] = [piece.middle[0] * scale, piece.middle[1] * scale];
    const upright = wide > long * 1.6;
    const room = upright ? wide : long;
    const thick = upright ? long : wide;
    const beside = !upright && thick <= 34; // a thin piece has its name beside its arrow, not under it
    const fits = (name: string) => room > name.length * 7.6 + (beside ? 56 : 0);
    const label = thick > 15 ? (piece.names.find(fits) ?? (room > 48 ? piece.names.at(-1) : "") ?? "") : "";
    return (
      // biome-ignore lint/a11y/noStaticElementInteractions: the list of pieces beside it takes one up with the keys
      <g
        key={piece.key}
        data-piece={piece.key}
        className={onPick ? "cursor-pointer" : undefined}
        onClick={onPick && (() => onPick(piece.key))}
      >
        <title>{`${piece.name}: ${piece.wide.text} across, ${piece.long.text} along${piece.on_fold ? ", cut on the fold" : ""}`}</title>
        <path
          d={outline(piece, scale)}
          fill="var(--cloth)"
          stroke={picked === piece.key ? "var(--madder)" : "var(--cloth-shade)"}
          strokeWidth={picked === piece.key ? 3 : 1.2}
        />
        {piece.on_fold && (
          <path
            d={`M${x} ${y + wide / 2}H${x + long}`}
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
          <Haloed
            transform={`translate(${cx} ${cy}) rotate(${upright ? -90 : 0})`}
            y={thick > 34 ? -8 : 4}
            fontSize={12.5}
            fontWeight={650}
            fill="var(--on-cloth)"
            halo="var(--cloth)"
            thick={3}
          >
            {label}
          </Haloed>
        )}
      </g>
    );
  });
}

/** The outline of a piece where it lies: straight runs and arcs, along the cloth to the right. */
export function outline(piece: Laid, scale: number): string {
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

/** What falls away, hatched. */
export function Waste() {
  return (
    <defs>
      <pattern id="waste" width="8" height="8" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
        <path d="M0 0V8" stroke="var(--thread)" strokeWidth="2" />
      </pattern>
    </defs>
  );
}
