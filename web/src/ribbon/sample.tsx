import { useMemo, useRef } from "react";
import type { Plan } from "../api/client";
import type { Look } from "../state/look";
import type { Quantity } from "../state/spec";
import { dimension, middlePleat } from "./dimensions";
import { EdgeTrack, edgeHeight } from "./edge-track";
import { FlatTrack } from "./flat-track";
import { FrontTrack } from "./front-track";
import { Measure } from "./measure";
import { model as modelOf } from "./model";
import { Patterns } from "./patterns";
import { Tape } from "./tape";
import { useWidth } from "./use-width";
import { scale } from "./view";

const TAPE = 31;
const FLAT = TAPE + 62;
const FRONT = 92;

/** A part of a ribbon, still: the tracks that are asked for, one under the other, one quantity measured. */
export function Sample(props: {
  plan: Plan;
  looks: Look[];
  tracks: readonly ("flat" | "edge" | "front")[];
  from: number;
  to: number;
  lit?: Quantity | undefined;
  says: string;
}) {
  const { plan, looks, tracks, lit } = props;
  const box = useRef<HTMLDivElement>(null);
  const width = useWidth(box, 520, 220);
  const model = useMemo(() => modelOf(plan, looks), [plan, looks]);
  const view = { from: props.from, to: props.to };
  const [flat, finished] = [plan.flat.mm, plan.finished.mm];
  const [flatPx, edgePx] = [scale(view, flat, width), scale(view, finished, width)];
  const [flatLow, flatHigh] = [view.from * flat, view.to * flat];
  const [low, high] = [view.from * finished, view.to * finished];
  let bottom = 0;
  const placed = (["flat", "edge", "front"] as const)
    .filter((track) => tracks.includes(track))
    .map((track) => {
      const at = bottom;
      bottom += (track === "flat" ? FLAT : track === "edge" ? edgeHeight(model) + 10 : FRONT) + 14;
      return { track, at };
    });
  const shown = lit ? dimension(model, lit, middlePleat(model, flatLow, flatHigh)) : [];
  return (
    <div ref={box} className="max-w-xl overflow-hidden">
      <svg width={width} height={bottom} role="img" aria-label={props.says}>
        <Patterns />
        {placed.map(({ track, at }) =>
          track === "flat" ? (
            <g key={track}>
              <Tape unit={plan.unit} from={flatLow} to={flatHigh} px={flatPx} width={width} />
              <g transform={`translate(0 ${at + TAPE})`}>
                <FlatTrack model={model} px={flatPx} low={flatLow} high={flatHigh} />
              </g>
            </g>
          ) : track === "edge" ? (
            <g key={track} transform={`translate(0 ${at + 8})`}>
              <EdgeTrack model={model} px={edgePx} low={low} high={high} />
            </g>
          ) : (
            <g key={track} transform={`translate(0 ${at})`}>
              <FrontTrack model={model} px={edgePx} low={low} high={high} turned={false} />
            </g>
          ),
        )}
        {shown.map((one) => {
          const under = placed.find(({ track }) => track === one.track);
          if (!under) return null;
          const y = one.track === "flat" ? TAPE + 50 : under.at + 82;
          return (
            <Measure key={one.track} dimension={one} px={one.track === "flat" ? flatPx : edgePx} y={y} width={width} />
          );
        })}
      </svg>
    </div>
  );
}
