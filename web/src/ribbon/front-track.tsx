import type { ReactNode } from "react";
import { Colours } from "./colours";
import type { Model, Stretch } from "./model";
import { PleatNumber } from "./pleat-number";
import { inSight } from "./view";

/** How tall it is drawn where nothing else is said. */
export const FRONT_TALL = 92;

interface Props {
  model: Model;
  px: (mm: number) => number;
  low: number;
  high: number;
  /** True when the strip is turned over and its wrong side is looked at. */
  turned: boolean;
  tall?: number;
}
interface Drawing extends Props {
  tall: number;
  stretch: Stretch;
}

/** As it will hang, seen from the front or turned over, with shade where one fold lies behind another. */
export function FrontTrack(props: Props) {
  return props.model.stretches.map((stretch) => {
    if (stretch.to < props.low || stretch.from > props.high) return null;
    const part = { ...props, tall: props.tall ?? FRONT_TALL, stretch };
    if (stretch.lies === "gathered" || stretch.lies === "packed") return <Drawn key={stretch.from} {...part} />;
    if (stretch.lies === "pinched") return <Pinched key={stretch.from} {...part} />;
    return <Folded key={stretch.from} {...part} />;
  });
}

/** The two ends of a stretch as they are seen, the left one first: turned over, they change places. */
function ends(px: (mm: number) => number, from: number, to: number): [number, number] {
  const [a, b] = [px(from), px(to)];
  return a < b ? [a, b] : [b, a];
}

/** The cloth's ground: its right side, or its wrong side with a weave over it. */
function Ground({ d, wrong }: { d: string; wrong: boolean }) {
  return (
    <>
      <path d={d} fill={wrong ? "var(--cloth-under)" : "var(--cloth)"} />
      {wrong && <path d={d} fill="url(#weave)" />}
    </>
  );
}

function hem(a: number, b: number, tall: number): string {
  const sag = Math.min(5, (b - a) / 8);
  return `M${a.toFixed(1)} 0H${b.toFixed(1)}V${tall - 6}Q${((a + b) / 2).toFixed(1)} ${(tall - 6 + sag).toFixed(1)} ${a.toFixed(1)} ${tall - 6}Z`;
}

function Folded({ model, px, low, high, turned, tall, stretch }: Drawing) {
  const { walk, stripes } = model.plan;
  const front = turned ? model.plan.back : model.plan.front;
  const places = turned ? model.backFrom : model.frontFrom;
  const [first, end] = inSight(places, Math.max(low, stretch.from), Math.min(high, stretch.to));
  const every = Math.max(1, Math.ceil((end - first) / (end - first > 480 ? 160 : 480)));
  let right = "";
  let wrong = "";
  let unders = "";
  const shades: ReactNode[] = [];
  let edges = "";
  let stitches = "";
  const nearer = turned ? -1 : 1;
  const layer = (index: number) =>
    nearer * (walk.layers[front[index]?.span ?? -1] ?? nearer * Number.NEGATIVE_INFINITY);
  const numbers: ReactNode[] = [];
  const many = end - first > 110;
  if (end - first > 480) right = hem(...ends(px, Math.max(low, stretch.from), Math.min(high, stretch.to)), tall);
  for (let i = first; i < end; i += every) {
    const seen = front[i];
    if (!seen || (model.stretches.length > 1 && !within(seen, stretch))) continue;
    const [a, b] = ends(px, seen.from, seen.to);
    const under = walk.spans[seen.span]?.role === "under";
    if (every === 1 && seen.side === "WS") wrong += hem(a, b, tall);
    else if (every === 1) right += hem(a, b, tall);
    if (under && !turned) unders += hem(a, b, tall);
    edges += `M${px(seen.from).toFixed(1)} 0V${tall - 6}`;
    if (stretch.look.stitched && i > 0) stitches += `M${px(seen.from).toFixed(1)} 3V${tall * 0.55}`;
    if (b - a > 5 && !many) {
      const reach = Math.min(34, (b - a) * 0.45);
      // Behind a fold the shade is deep; where two folds kiss it is a narrow one on both sides.
      const shade = (beside: number) => (layer(beside) > layer(i) ? reach : layer(beside) === layer(i) ? reach / 3 : 0);
      const [before, after] = turned ? [i + 1, i - 1] : [i - 1, i + 1];
      if (front[before] && shade(before))
        shades.push(<Shade key={`l${i}`} x={a} width={shade(before)} tall={tall} from="left" />);
      if (front[after] && shade(after))
        shades.push(<Shade key={`r${i}`} x={b - shade(after)} width={shade(after)} tall={tall} from="right" />);
    }
    if (model.faceOf.has(seen.span) && b - a > 26 && !turned)
      numbers.push(<PleatNumber key={i} x={(a + b) / 2} y={tall / 2 + 4} pleat={model.faceOf.get(seen.span)} />);
  }
  if (!turned && !many)
    for (const { x, pleat } of model.middles)
      if (x >= Math.max(low, stretch.from) && x <= Math.min(high, stretch.to))
        numbers.push(<PleatNumber key={`m${pleat}`} x={px(x)} y={tall / 2 + 4} pleat={pleat} />);
  return (
    <g>
      <Ground d={right} wrong={false} />
      <Ground d={wrong} wrong />
      {stripes && !turned && (
        <Colours
          seen={stripes.front}
          px={px}
          low={Math.max(low, stretch.from)}
          high={Math.min(high, stretch.to)}
          top={() => 0}
          height={tall - 5}
        />
      )}
      <path d={unders} fill="var(--cloth-shade)" opacity={0.3} />
      {shades}
      <path
        d={edges}
        fill="none"
        stroke="var(--cloth-shade)"
        strokeWidth={1.2}
        opacity={end - first > 300 ? 0.4 : 0.75}
      />
      <path d={stitches} fill="none" stroke="var(--on-cloth)" strokeWidth={1.6} strokeDasharray="3 3" />
      {numbers}
    </g>
  );
}

function within(seen: { from: number; to: number }, stretch: Stretch): boolean {
  const middle = (seen.from + seen.to) / 2;
  return middle >= stretch.from && middle <= stretch.to;
}

function Shade({ x, width, tall, from }: { x: number; width: number; tall: number; from: "left" | "right" }) {
  return <rect x={x} width={width} height={tall - 5} fill={`url(#shade-${from})`} />;
}

function Pinched({ model, px, low, high, turned, tall, stretch }: Drawing) {
  const { marks, stripes } = model.plan;
  const { look } = stretch;
  const [a, b] = ends(px, Math.max(stretch.from, low), Math.min(stretch.to, high));
  const each = Math.abs(px(stretch.to) - px(stretch.from)) / Math.max(1, stretch.count);
  let heads = "";
  let folds = "";
  const numbers: ReactNode[] = [];
  const fingers = Math.max(1, model.fingers);
  // Drawn low, heads shrink and their folds fall less far.
  const head = Math.min(26, tall * 0.4);
  const fall = head * 2;
  marks.forEach((mark, i) => {
    const x = px(model.markX[i] as number);
    const here = model.markX[i] as number;
    if (mark.kind !== "sew" || marks[i - 1]?.pleat === mark.pleat || x < a - 60 || x > b + 60) return;
    if (here < stretch.from || here > stretch.to) return;
    const half = Math.min(9, each * 0.16);
    const show = (n: number) => n.toFixed(1);
    if (turned) heads += `M${show(x)} 0V${show(head)}`;
    else if (look.goblet) {
      // Open at the head like a cup, caught at its foot.
      const cup = half * 1.5;
      heads += `M${show(x - cup)} 3C${show(x - cup)} 14 ${show(x - half * 0.4)} 16 ${show(x)} ${show(head)}C${show(x + half * 0.4)} 16 ${show(x + cup)} 14 ${show(x + cup)} 3A${show(cup)} 3 0 1 0 ${show(x - cup)} 3A${show(cup)} 3 0 0 0 ${show(x + cup)} 3`;
    } else if (fingers === 1)
      heads += `M${show(x - half * 0.7)} 1V${show(head - 2)}M${show(x + half * 0.7)} 1V${show(head - 2)}M${show(x - half * 0.7)} 1H${show(x + half * 0.7)}`;
    for (let finger = 0; finger < (look.goblet || turned ? 2 : fingers); finger += 1) {
      const many = look.goblet || turned ? 2 : fingers;
      const lean = many > 1 ? (finger / (many - 1) - 0.5) * 2 : 0;
      if (!look.goblet && !turned && fingers > 1)
        heads += look.atFoot
          ? `M${show(x + lean * half * 1.7)} 0Q${show(x + lean * half * 0.8)} 12 ${show(x)} ${show(head)}`
          : `M${show(x)} 0Q${show(x + lean * half * 0.4)} 12 ${show(x + lean * half * 1.2)} ${show(head)}`;
      const start = look.atFoot || look.goblet || turned ? x : x + lean * half * 1.2;
      folds += `M${show(start)} ${show(head)}Q${show(x + lean * half * 1.2)} ${show(fall)} ${show(x + lean * each * 0.2)} ${tall - 5}`;
    }
    if (!look.goblet && !turned)
      heads += look.atFoot ? `M${show(x - 4)} ${show(head)}H${show(x + 4)}` : `M${show(x - 4)} 2H${show(x + 4)}`;
    if (each > 30)
      numbers.push(
        x + half + 30 < b ? (
          <PleatNumber key={mark.pleat} x={x + half + 8} y={18} pleat={mark.pleat} anchor="start" />
        ) : (
          <PleatNumber key={mark.pleat} x={x} y={tall - 14} pleat={mark.pleat} />
        ),
      );
  });
  return (
    <g>
      <Ground d={hem(a, b, tall)} wrong={turned} />
      {stripes && !turned && (
        <Colours seen={stripes.front} px={px} low={low} high={high} top={() => 0} height={tall - 5} />
      )}
      <path d={folds} fill="none" stroke="var(--cloth-shade)" strokeWidth={1.6} opacity={0.55} />
      <path d={heads} fill="none" stroke="var(--cloth-shade)" strokeWidth={2.4} />
      {numbers}
    </g>
  );
}

function Drawn({ model, px, low, high, turned, tall, stretch }: Drawing) {
  const { stripes } = model.plan;
  const { lies, count, fullness, look } = stretch;
  const [a, b] = ends(px, Math.max(stretch.from, low), Math.min(stretch.to, high));
  const flatEnds = lies === "gathered";
  const [from, to] = ends(px, stretch.from + (flatEnds ? stretch.lead : 0), stretch.to - (flatEnds ? stretch.tail : 0));
  const lines = flatEnds ? Math.round(((to - from) / 7) * Math.min(2, fullness / 2)) : count;
  const step = (to - from) / Math.max(1, lines);
  const every = Math.max(1, Math.ceil(2.5 / step));
  let folds = "";
  for (let i = 0; i <= lines; i += every) {
    const x = from + i * step;
    if (x < a - 1 || x > b + 1) continue;
    // Fixed, uneven lengths: gathers fall irregularly, cartridge pleats do not.
    const fall = lies === "gathered" ? [0.95, 0.5, 0.8, 0.35, 0.7][i % 5] : 0.95;
    const sway = lies === "gathered" ? ((i % 3) - 1) * step * 0.6 : 0;
    folds += `M${x.toFixed(1)} 0q${(sway * 0.3).toFixed(1)} ${((tall - 8) * (fall ?? 1) * 0.5).toFixed(1)} ${sway.toFixed(1)} ${((tall - 8) * (fall ?? 1)).toFixed(1)}`;
  }
  const rows = Array.from({ length: look.rows }, (_, row) => `M${a.toFixed(1)} ${8 + row * 7}H${b.toFixed(1)}`).join(
    "",
  );
  return (
    <g>
      <Ground d={hem(a, b, tall)} wrong={turned} />
      {stripes && !turned && (
        <Colours seen={stripes.front} px={px} low={low} high={high} top={() => 0} height={tall - 5} />
      )}
      <path
        d={folds}
        fill="none"
        stroke="var(--cloth-shade)"
        strokeWidth={lies === "gathered" ? 1.3 : Math.max(1, step * 0.3)}
        opacity={0.5}
      />
      {lies === "packed" && (
        <path
          d={rows}
          stroke={turned ? "var(--soot)" : "var(--on-cloth)"}
          strokeDasharray={`${Math.max(1, step / 2)} ${Math.max(1, step / 2)}`}
          strokeWidth={1.4}
        />
      )}
    </g>
  );
}
