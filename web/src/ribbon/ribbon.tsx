import { type KeyboardEvent, type PointerEvent, useCallback, useEffect, useMemo, useRef, useState } from "react";
import type { Plan } from "../api/client";
import type { Look } from "../state/look";
import type { Hold, Quantity } from "../state/spec";
import { dimension, middlePleat } from "./dimensions";
import { EdgeTrack, edgeHeight } from "./edge-track";
import { FlatTrack } from "./flat-track";
import { FRONT_TALL, FrontTrack } from "./front-track";
import { flatHandle, frontHandle, type Handle } from "./handles";
import { Measure } from "./measure";
import { type Model, model as modelOf } from "./model";
import { Overview } from "./overview";
import { Patterns } from "./patterns";
import { Tape } from "./tape";
import { useFolding } from "./use-folding";
import { usePrinting } from "./use-printing";
import { useWidth } from "./use-width";
import { inSight, panned, scale, type View, WHOLE, zoomed } from "./view";

const FLAT_AT = 31;
const EDGE_AT = FLAT_AT + 62 + 40;

/** Three tracks tied by threads where pleats are decided; flat and front alone where cloth is. */
type Tracks = "three" | "two";

/** Where the tracks below the flat one stand, and how high all of them are. */
function below(model: Model, tracks: Tracks): { front: number; tall: number; overview: number; high: number } {
  if (tracks === "two") {
    const front = FLAT_AT + 62 + 18;
    return { front, tall: 50, overview: 0, high: front + 52 };
  }
  const front = EDGE_AT + edgeHeight(model) + 10;
  const overview = front + FRONT_TALL + 10;
  return { front, tall: FRONT_TALL, overview, high: overview + 20 };
}

interface Props {
  plan: Plan;
  looks: Look[];
  tracks?: Tracks;
  /** Folds it away, where that can be. */
  onFold?: (() => void) | undefined;
  stale: boolean;
  /** The quantity that is pointed at, on the cloth or among the pins. */
  lit: Quantity | null;
  holdOf: (quantity: Quantity) => Hold;
  onLight: (quantity: Quantity | null) => void;
  onDrag: (quantity: Quantity, start: number, end: number) => void;
  onRefused: (quantity: Quantity) => void;
}

/** The ribbon: the cloth flat with its marks, folded seen from above, and from the front, tied by threads. */
export function Ribbon(props: Props) {
  const { plan: newest, looks, tracks = "three", stale, lit, holdOf, onLight, onDrag, onRefused } = props;
  const plan = useFolding(newest);
  const dressed = JSON.stringify(looks);
  const model = useMemo(() => modelOf(plan, JSON.parse(dressed) as Look[]), [plan, dressed]);
  const [turned, setTurned] = useState(false);
  const [looked, setView] = useState<View>(WHOLE);
  const view = usePrinting() ? WHOLE : looked;
  const box = useRef<HTMLDivElement>(null);
  const width = useWidth(box, 900, 240);
  const held = useRef(new Map<number, number>());
  const least = Math.min(1, 3 / Math.max(1, plan.count));

  useEffect(() => {
    const element = box.current;
    if (!element) return;
    // The page must not scroll while the wheel zooms, which only a listener that is not passive can prevent.
    const wheel = (event: WheelEvent) => {
      event.preventDefault();
      const { left, width } = element.getBoundingClientRect();
      if (Math.abs(event.deltaX) > Math.abs(event.deltaY)) setView((v) => panned(v, event.deltaX / width));
      else setView((v) => zoomed(v, Math.exp(-event.deltaY / 300), (event.clientX - left) / width, least));
    };
    element.addEventListener("wheel", wheel, { passive: false });
    return () => element.removeEventListener("wheel", wheel);
  }, [least]);

  const move = useCallback(
    (event: PointerEvent) => {
      const before = held.current.get(event.pointerId);
      if (before === undefined) return;
      const others = [...held.current].filter(([id]) => id !== event.pointerId).map(([, x]) => x);
      const other = others[0];
      held.current.set(event.pointerId, event.clientX);
      if (other === undefined) setView((v) => panned(v, (before - event.clientX) / width));
      else {
        const left = box.current?.getBoundingClientRect().left ?? 0;
        const factor = Math.max(1, Math.abs(event.clientX - other)) / Math.max(1, Math.abs(before - other));
        setView((v) => zoomed(v, factor, ((event.clientX + other) / 2 - left) / width, least));
      }
    },
    [width, least],
  );

  const at = below(model, tracks);
  const grip = useRef<{ handle: Handle; mm: (x: number) => number } | null>(null);
  const handleAt = (event: PointerEvent): { handle: Handle; mm: (x: number) => number } | null => {
    const area = box.current?.getBoundingClientRect();
    if (!area) return null;
    const [x, y] = [event.clientX - area.left, event.clientY - area.top];
    const along = (length: number) => (clientX: number) =>
      ((clientX - area.left) / width) * (view.to - view.from) * length + view.from * length;
    const onFlat = y > FLAT_AT && y < FLAT_AT + 62;
    if (!onFlat && (turned || y < at.front || y > at.front + at.tall)) return null;
    const length = onFlat ? plan.flat.mm : plan.finished.mm;
    const perMm = width / ((view.to - view.from) * length);
    const handle = (onFlat ? flatHandle : frontHandle)(model, along(length)(x + area.left), perMm);
    // The scale is held as it was at the start: what is dragged must not run away as the whole grows.
    return handle && { handle, mm: along(length) };
  };
  // A hand resting on the cloth must not put out what was lit from the pins.
  const mine = useRef<Quantity | null>(null);
  const light = (quantity: Quantity | null) => {
    if (quantity === mine.current) return;
    mine.current = quantity;
    onLight(quantity);
  };
  const take = (event: PointerEvent<HTMLElement>) => {
    event.currentTarget.setPointerCapture(event.pointerId);
    const found = held.current.size === 0 ? handleAt(event) : null;
    if (!found) {
      held.current.set(event.pointerId, event.clientX);
    } else if (holdOf(found.handle.quantity) === "firm") {
      onRefused(found.handle.quantity);
    } else {
      grip.current = found;
      light(found.handle.quantity);
    }
  };
  const point = (event: PointerEvent<HTMLElement>) => {
    if (grip.current) {
      const { handle, mm } = grip.current;
      onDrag(handle.quantity, handle.fixed, mm(event.clientX));
    } else if (held.current.size) {
      move(event);
    } else {
      const handle = handleAt(event)?.handle ?? null;
      event.currentTarget.style.cursor = handle ? "ew-resize" : "";
      light(handle?.quantity ?? null);
    }
  };
  const release = (event: PointerEvent) => {
    held.current.delete(event.pointerId);
    if (grip.current) light(null);
    grip.current = null;
  };

  const fit = () => setView(WHOLE);
  const nearer = (factor: number) => setView((v) => zoomed(v, factor, 0.5, least));
  const keys = (event: KeyboardEvent) => {
    const act: Record<string, () => void> = {
      "+": () => nearer(1.5),
      "=": () => nearer(1.5),
      "-": () => nearer(1 / 1.5),
      "0": fit,
      arrowleft: () => setView((v) => panned(v, -0.2)),
      arrowright: () => setView((v) => panned(v, 0.2)),
    };
    const chosen = act[event.key.toLowerCase()];
    if (!chosen || event.ctrlKey || event.metaKey) return;
    event.preventDefault();
    event.stopPropagation();
    chosen();
  };

  return (
    <figure className="m-0" data-stale={stale}>
      {/* biome-ignore lint/a11y/useSemanticElements: a picture to move along in is no set of fields */}
      <div
        ref={box}
        data-dragged
        // biome-ignore lint/a11y/noNoninteractiveTabindex: it is moved along with the arrow keys
        tabIndex={0}
        role="group"
        aria-label="The ribbon. Plus and minus zoom, arrow keys move along, nought fits the whole strip."
        className={`touch-pan-y ${stale ? "opacity-60" : ""} cursor-grab select-none overflow-hidden active:cursor-grabbing`}
        onKeyDown={keys}
        onDoubleClick={fit}
        onPointerDown={take}
        onPointerMove={point}
        onPointerUp={release}
        onPointerCancel={release}
        onPointerLeave={() => !grip.current && light(null)}
      >
        <Picture model={model} tracks={tracks} view={view} width={width} lit={lit} turned={turned} />
      </div>
      <div className="no-print flex items-center gap-1">
        <figcaption className="grow text-sm text-smoke">
          {summary(plan)} <span className="hidden lg:inline">Wheel or pinch to look closer, drag to move along.</span>
        </figcaption>
        <button type="button" className="press" aria-pressed={turned} onClick={() => setTurned(!turned)}>
          {turned ? "Wrong side" : "Right side"}
          <span className="hidden font-normal sm:inline">: turn over</span>
        </button>
        <button type="button" className="press" onClick={() => nearer(1.5)} aria-label="Look closer">
          +
        </button>
        <button type="button" className="press" onClick={() => nearer(1 / 1.5)} aria-label="Look from further">
          −
        </button>
        <button type="button" className="press" onClick={fit}>
          Fit
        </button>
        {props.onFold && (
          <button type="button" className="press" onClick={props.onFold}>
            Fold it away
          </button>
        )}
      </div>
    </figure>
  );
}

/** What the ribbon shows, in a line. */
export function summary(plan: Plan): string {
  return `${plan.flat.text} flat, ${plan.finished.text} finished.`;
}

function Picture(props: {
  model: Model;
  tracks: Tracks;
  view: View;
  width: number;
  lit: Quantity | null;
  turned: boolean;
}) {
  const { model, tracks, view, width, lit, turned } = props;
  const { plan } = model;
  const [flat, finished] = [plan.flat.mm, plan.finished.mm];
  const flatPx = scale(view, flat, width);
  const edgePx = scale(view, finished, width);
  const [flatLow, flatHigh] = [view.from * flat, view.to * flat];
  const [low, high] = [view.from * finished, view.to * finished];
  const at = below(model, tracks);
  const whole = tracks === "three";
  const shown = lit ? dimension(model, lit, middlePleat(model, flatLow, flatHigh)) : [];
  return (
    <svg width={width} height={at.high} role="img" aria-label={`${summary(plan)} ${plan.slip[1]?.text ?? ""}`}>
      <Patterns />
      <Tape unit={plan.unit} from={flatLow} to={flatHigh} px={flatPx} width={width} />
      {whole && <Threads model={model} flatPx={flatPx} edgePx={edgePx} low={flatLow} high={flatHigh} />}
      <g transform={`translate(0 ${FLAT_AT})`}>
        <FlatTrack model={model} px={flatPx} low={flatLow} high={flatHigh} />
      </g>
      {whole && (
        <g transform={`translate(0 ${EDGE_AT})`}>
          <EdgeTrack model={model} px={edgePx} low={low} high={high} />
        </g>
      )}
      <g transform={`translate(0 ${at.front})`}>
        <FrontTrack
          model={model}
          px={turned ? (mm) => edgePx(low + high - mm) : edgePx}
          low={low}
          high={high}
          turned={turned}
          tall={at.tall}
        />
      </g>
      {shown.map((one) =>
        turned && one.track === "front" ? null : one.track === "flat" ? (
          <Measure key={one.track} dimension={one} px={flatPx} y={FLAT_AT + 50} width={width} />
        ) : (
          <Measure key={one.track} dimension={one} px={edgePx} y={at.front + at.tall - 10} width={width} />
        ),
      )}
      {whole && (
        <g transform={`translate(0 ${at.overview})`}>
          <Overview model={model} view={view} width={width} />
        </g>
      )}
    </svg>
  );
}

/** Fine threads from the marks that show on the flat cloth to where they come to lie. */
function Threads(props: {
  model: Model;
  flatPx: (mm: number) => number;
  edgePx: (mm: number) => number;
  low: number;
  high: number;
}) {
  const { model, flatPx, edgePx, low, high } = props;
  let outer = "";
  let inner = "";
  const { marks } = model.plan;
  if ((model.plan.count * (high - low)) / model.plan.flat.mm > 110) return null;
  const [from, to] = inSight(model.markAt, low, high);
  for (let i = from; i < to; i += 1) {
    const mark = marks[i];
    const at = model.markAt[i] as number;
    if (!mark || at < low || at > high || mark.kind === "finger" || mark.kind === "stitch" || mark.kind === "centre")
      continue;
    const [a, b] = [flatPx(at), edgePx(model.markX[i] as number)];
    const path = `M${a.toFixed(1)} ${FLAT_AT + 62}C${a.toFixed(1)} ${EDGE_AT - 14} ${b.toFixed(1)} ${EDGE_AT - 26} ${b.toFixed(1)} ${EDGE_AT + 4}`;
    if (mark.kind === "inner" || mark.kind === "placement") inner += path;
    else outer += path;
  }
  return (
    <g fill="none" stroke="var(--smoke)">
      <path d={outer} strokeWidth={1.1} />
      <path d={inner} strokeWidth={0.8} strokeDasharray="2 3" opacity={0.7} />
    </g>
  );
}
