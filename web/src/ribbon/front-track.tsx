import type { ReactNode } from "react";
import type { Model } from "./model";
import { PleatNumber } from "./pleat-number";
import { inSight } from "./view";

const HEIGHT = 92;

/** As it will hang, seen from the front, with shade where one fold lies behind another. */
export function FrontTrack(props: { model: Model; px: (mm: number) => number; low: number; high: number }) {
  const { kind } = props.model.plan;
  if (kind === "gather" || kind === "cartridge") return <Drawn {...props} />;
  if (kind === "pinch") return <Pinched {...props} />;
  return <Folded {...props} />;
}

function hem(a: number, b: number): string {
  const sag = Math.min(5, (b - a) / 8);
  return `M${a.toFixed(1)} 0H${b.toFixed(1)}V${HEIGHT - 6}Q${((a + b) / 2).toFixed(1)} ${(HEIGHT - 6 + sag).toFixed(1)} ${a.toFixed(1)} ${HEIGHT - 6}Z`;
}

function Folded({ model, px, low, high }: Parameters<typeof FrontTrack>[0]) {
  const { front, walk } = model.plan;
  const [first, end] = inSight(model.frontFrom, low, high);
  const every = Math.max(1, Math.ceil((end - first) / 900));
  let faces = "";
  let unders = "";
  const shades: ReactNode[] = [];
  let edges = "";
  const layer = (index: number) => walk.layers[front[index]?.span ?? -1] ?? Number.NEGATIVE_INFINITY;
  const numbers: ReactNode[] = [];
  for (let i = first; i < end; i += 1) {
    const stretch = front[i];
    if (!stretch) continue;
    const [a, b] = [px(stretch.from), px(stretch.to)];
    const role = walk.spans[stretch.span]?.role;
    if (role === "under") unders += hem(a, b);
    else faces += hem(a, b);
    if ((i - first) % every === 0) edges += `M${a.toFixed(1)} 0V${HEIGHT - 6}`;
    if (b - a > 5 && end - first < 400) {
      const reach = Math.min(34, (b - a) * 0.45);
      // Behind a fold the shade is deep; where two folds kiss it is a narrow one on both sides.
      const shade = (beside: number) => (layer(beside) > layer(i) ? reach : layer(beside) === layer(i) ? reach / 3 : 0);
      if (i > 0 && shade(i - 1)) shades.push(<Shade key={`l${i}`} x={a} width={shade(i - 1)} from="left" />);
      if (i < front.length - 1 && shade(i + 1))
        shades.push(<Shade key={`r${i}`} x={b - shade(i + 1)} width={shade(i + 1)} from="right" />);
    }
    if (model.faceOf.has(stretch.span) && b - a > 26)
      numbers.push(<PleatNumber key={i} x={(a + b) / 2} y={HEIGHT / 2 + 4} pleat={model.faceOf.get(stretch.span)} />);
  }
  return (
    <g>
      <path d={faces} fill="var(--cloth)" />
      <path d={unders} fill="var(--cloth)" />
      <path d={unders} fill="var(--cloth-shade)" opacity={0.3} />
      {shades}
      <path
        d={edges}
        fill="none"
        stroke="var(--cloth-shade)"
        strokeWidth={1.2}
        opacity={end - first > 300 ? 0.4 : 0.75}
      />
      {numbers}
    </g>
  );
}

function Shade({ x, width, from }: { x: number; width: number; from: "left" | "right" }) {
  return <rect x={x} width={width} height={HEIGHT - 5} fill={`url(#shade-${from})`} />;
}

function Pinched({ model, px, low, high }: Parameters<typeof FrontTrack>[0]) {
  const { finished, marks, count } = model.plan;
  const [a, b] = [px(Math.max(0, low)), px(Math.min(finished.mm, high))];
  const each = (px(finished.mm) - px(0)) / Math.max(1, count);
  let heads = "";
  let folds = "";
  const numbers: ReactNode[] = [];
  marks.forEach((mark, i) => {
    const x = px(model.markX[i] as number);
    if (mark.kind !== "sew" || marks[i - 1]?.pleat === mark.pleat || x < -60 || x > b + 60) return;
    const half = Math.min(9, each * 0.16);
    for (let finger = 0; finger < model.fingers; finger += 1) {
      const lean = model.fingers > 1 ? (finger / (model.fingers - 1) - 0.5) * 2 : 0;
      heads += `M${(x + lean * half).toFixed(1)} 0Q${(x + lean * half * 0.9).toFixed(1)} 16 ${x.toFixed(1)} 22`;
      folds += `M${x.toFixed(1)} 22Q${(x + lean * half * 1.2).toFixed(1)} 50 ${(x + lean * each * 0.2).toFixed(1)} ${HEIGHT - 5}`;
    }
    if (each > 30)
      numbers.push(<PleatNumber key={mark.pleat} x={x + half + 6} y={18} pleat={mark.pleat} anchor="start" />);
  });
  return (
    <g>
      <path d={hem(a, b)} fill="var(--cloth)" />
      <path d={folds} fill="none" stroke="var(--cloth-shade)" strokeWidth={1.6} opacity={0.55} />
      <path d={heads} fill="none" stroke="var(--cloth-shade)" strokeWidth={2.4} />
      {numbers}
    </g>
  );
}

function Drawn({ model, px, low, high }: Parameters<typeof FrontTrack>[0]) {
  const { finished, lead, tail, kind, count, fullness } = model.plan;
  const [a, b] = [px(Math.max(0, low)), px(Math.min(finished.mm, high))];
  const flatEnds = kind === "gather";
  const [from, to] = [px(flatEnds ? lead.mm : 0), px(flatEnds ? finished.mm - tail.mm : finished.mm)];
  const lines = kind === "gather" ? Math.round(((to - from) / 7) * Math.min(2, fullness.value / 2)) : count;
  const step = (to - from) / Math.max(1, lines);
  const every = Math.max(1, Math.ceil(2.5 / step));
  let folds = "";
  for (let i = 0; i <= lines; i += every) {
    const x = from + i * step;
    if (x < a - 1 || x > b + 1) continue;
    // Fixed, uneven lengths: gathers fall irregularly, cartridge pleats do not.
    const fall = kind === "gather" ? [0.95, 0.5, 0.8, 0.35, 0.7][i % 5] : 0.95;
    const sway = kind === "gather" ? ((i % 3) - 1) * step * 0.6 : 0;
    folds += `M${x.toFixed(1)} 0q${(sway * 0.3).toFixed(1)} ${((HEIGHT - 8) * (fall ?? 1) * 0.5).toFixed(1)} ${sway.toFixed(1)} ${((HEIGHT - 8) * (fall ?? 1)).toFixed(1)}`;
  }
  return (
    <g>
      <path d={hem(a, b)} fill="var(--cloth)" />
      <path
        d={folds}
        fill="none"
        stroke="var(--cloth-shade)"
        strokeWidth={kind === "gather" ? 1.3 : Math.max(1, step * 0.3)}
        opacity={0.5}
      />
      {kind === "cartridge" && (
        <path
          d={`M${a} 8H${b}M${a} 15H${b}`}
          stroke="var(--on-cloth)"
          strokeDasharray={`${Math.max(1, step / 2)} ${Math.max(1, step / 2)}`}
          strokeWidth={1.4}
        />
      )}
    </g>
  );
}
