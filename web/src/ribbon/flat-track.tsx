import { Colours } from "./colours";
import { GLYPHS } from "./glyphs";
import { Haloed } from "./haloed";
import type { Model } from "./model";
import { PleatNumber } from "./pleat-number";
import { SvgFigure } from "./svg-figure";
import { inSight } from "./view";

const HEIGHT = 62;
const MANY = 480;

function bars(spans: [number, number][]): string {
  return spans.map(([a, b]) => `M${a.toFixed(1)} 0H${b.toFixed(1)}V${HEIGHT}H${a.toFixed(1)}Z`).join("");
}

/** The cut strip laid flat: what each run of cloth does, every mark with its line and glyph, the allowances. */
export function FlatTrack(props: { model: Model; px: (mm: number) => number; low: number; high: number }) {
  const { model, px, low, high } = props;
  const { walk, marks, allowance, flat, count, joins, stripes } = model.plan;
  const [first, end] = inSight(walk.flat, low, high);
  // Past what the eye can part, every so many spans stand for the others.
  const crowded = end - first > MANY;
  const every = Math.max(1, Math.ceil((end - first) / (crowded ? 200 : MANY)));
  const runs: Record<string, [number, number][]> = {};
  const numbers = new Map<number, number>();
  for (let span = first; span < Math.min(end, walk.spans.length); span += crowded ? every : 1) {
    const pleat = model.faceOf.get(span);
    if (pleat !== undefined && px(walk.flat[span + 1] as number) - px(walk.flat[span] as number) > 22)
      numbers.set(span, pleat);
    const role = walk.spans[span]?.role ?? "face";
    const shown = role === "under" ? "under" : role === "plain" ? "plain" : "face";
    runs[shown] ??= [];
    const list = runs[shown];
    const [a, b] = [px(walk.flat[span] as number), px(walk.flat[span + 1] as number)];
    const last = crowded ? undefined : list.at(-1);
    if (last && a - last[1] < 0.3) last[1] = b;
    else list.push([a, b]);
  }
  const [from, to] = inSight(model.markAt, low, high);
  const room = (px(high) - px(low)) / Math.max(1, (to - from) / (marks.length / Math.max(1, count)));
  const lines: Record<string, string> = {};
  for (let i = from; i < to; i += every) {
    const kind = marks[i]?.kind;
    if (kind) lines[kind] = `${lines[kind] ?? ""}M${px(model.markAt[i] as number).toFixed(1)} 0V${HEIGHT}`;
  }
  const labelled = room < 20 ? [] : marks.slice(from, to).map((mark, index) => ({ mark, index: from + index }));
  // One path for all glyphs of a kind: hundreds of elements would be too many to move at every frame.
  const glyphs: Record<string, string> = {};
  for (const { mark } of labelled) {
    const look = GLYPHS[mark.kind];
    glyphs[mark.kind] =
      `${glyphs[mark.kind] ?? ""}M${px(mark.at.mm).toFixed(1)} ${look.foot ? HEIGHT : 0}${look.glyph}`;
  }
  const named = (kind: string) => kind === "outer" || kind === "sew" || kind === "match" || kind === "stitch";
  const seen = new Set<number>();
  return (
    <g>
      {crowded && <path d={bars([[px(Math.max(0, low)), px(Math.min(flat.mm, high))]])} fill="var(--cloth-under)" />}
      <path d={bars(runs.under ?? [])} fill="var(--cloth-under)" />
      {end - first < 160 && <path d={bars(runs.under ?? [])} fill="url(#weave)" />}
      <path d={bars(runs.face ?? [])} fill="var(--cloth)" />
      <path d={bars(runs.plain ?? [])} fill="var(--cloth)" opacity={0.72} />
      {stripes && (
        <>
          <Colours seen={stripes.flat} px={px} low={low} high={high} top={() => 0} height={HEIGHT} />
          <path d={bars(runs.under ?? [])} fill="var(--linen)" opacity={0.38} />
        </>
      )}
      <Named says={model.stretches[0]?.look.lead ?? ""} a={px(0)} b={px(model.plan.lead.mm)} />
      <Named says={model.stretches.at(-1)?.look.tail ?? ""} a={px(flat.mm - model.plan.tail.mm)} b={px(flat.mm)} />
      {model.stretches.map(({ look, flat: [a, b] }) => (
        <Named key={a} says={look.name} a={px(Math.max(a, low))} b={px(Math.min(b, high))} />
      ))}
      {allowance.start.mm > 0 && <Allowance a={px(-allowance.start.mm)} b={px(0)} />}
      {allowance.end.mm > 0 && <Allowance a={px(flat.mm)} b={px(flat.mm + allowance.end.mm)} />}
      {joins.map((join) => {
        const x = px(join.at.mm);
        return (
          <g key={join.at.mm} stroke="var(--madder)" strokeWidth={1.2}>
            <path d={`M${(x - 2).toFixed(1)} -3V${HEIGHT + 3}M${(x + 2).toFixed(1)} -3V${HEIGHT + 3}`} />
            <text x={x + 6} y={HEIGHT + 15} fontSize={13} fontWeight={650} stroke="none" fill="var(--madder)">
              join
            </text>
          </g>
        );
      })}
      {Object.entries(lines).map(([kind, path]) => (
        <path
          key={kind}
          d={path}
          fill="none"
          stroke="var(--soot)"
          strokeWidth={kind === "outer" ? 2 : 1.4}
          // Where lines stand this close their dashes cannot be told apart, and are dear to draw.
          strokeDasharray={room < 12 ? undefined : GLYPHS[kind as keyof typeof GLYPHS].dash}
          opacity={room < 6 ? 0.35 : 1}
        />
      ))}
      {Object.entries(glyphs).map(([kind, path]) => (
        <path
          key={`g${kind}`}
          d={path}
          fill={kind === "match" || kind === "centre" ? "var(--soot)" : "none"}
          stroke="var(--soot)"
          strokeWidth={2}
        />
      ))}
      {[...numbers].map(([span, pleat]) => (
        <PleatNumber
          key={span}
          x={(px(walk.flat[span] as number) + px(walk.flat[span + 1] as number)) / 2}
          y={30}
          pleat={pleat}
        />
      ))}
      {room >= 40 &&
        model.middles
          .filter(({ at }) => at >= low && at <= high)
          .map(({ at, pleat }) => <PleatNumber key={at} x={px(at)} y={30} pleat={pleat} />)}
      {room >= 62 &&
        labelled.map(({ mark, index }) => {
          if (!named(mark.kind) || seen.has(mark.pleat)) return null;
          seen.add(mark.pleat);
          const x = px(mark.at.mm);
          const text = model.markText[index] ?? "";
          return (
            <Haloed
              key={index}
              // The last one keeps within the picture.
              x={Math.min(x + 7, px(high) - text.length * 7)}
              y={HEIGHT - 7}
              textAnchor="start"
              fontSize={13}
              fontWeight={650}
              fill="var(--soot)"
              halo="var(--cloth-under)"
              thick={4}
            >
              <SvgFigure>{text}</SvgFigure>
            </Haloed>
          );
        })}
    </g>
  );
}

/** What lies flat at an end, or a part of the edge, named: along it where there is room, else upright. */
function Named({ says, a, b }: { says: string; a: number; b: number }) {
  if (!says || b - a < 14) return null;
  const [x, y] = [(a + b) / 2, HEIGHT / 2];
  const upright = b - a < says.length * 7.5;
  return (
    <Haloed
      x={x}
      y={y}
      fontSize={13}
      fontWeight={650}
      dominantBaseline="central"
      fill="var(--soot)"
      halo="var(--cloth-under)"
      thick={4}
      transform={upright ? `rotate(-90 ${x} ${y})` : undefined}
    >
      {says}
    </Haloed>
  );
}

function Allowance({ a, b }: { a: number; b: number }) {
  return (
    <>
      <rect x={a} width={Math.max(0, b - a)} height={HEIGHT} fill="var(--linen)" stroke="var(--smoke)" />
      <rect x={a} width={Math.max(0, b - a)} height={HEIGHT} fill="url(#hatch)" />
    </>
  );
}
