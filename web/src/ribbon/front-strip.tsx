import { useMemo, useRef } from "react";
import type { Plan } from "../api/client";
import type { Look } from "../state/look";
import { FrontTrack } from "./front-track";
import { model as modelOf } from "./model";
import { Patterns } from "./patterns";
import { summary } from "./ribbon";
import { useWidth } from "./use-width";
import { scale, WHOLE } from "./view";

const TALL = 46;

/** The ribbon folded away: one slim view of its front, which opens at a press. */
export function FrontStrip({ plan, looks, onOpen }: { plan: Plan; looks: Look[]; onOpen?: () => void }) {
  const dressed = JSON.stringify(looks);
  const model = useMemo(() => modelOf(plan, JSON.parse(dressed) as Look[]), [plan, dressed]);
  const box = useRef<HTMLDivElement>(null);
  const width = useWidth(box, 900, 240);
  const finished = plan.finished.mm;
  return (
    <figure className="m-0">
      <div ref={box} className="overflow-hidden">
        <svg width={width} height={TALL} role="img" aria-label={`From the front. ${summary(plan)}`}>
          <Patterns />
          <FrontTrack
            model={model}
            px={scale(WHOLE, finished, width)}
            low={0}
            high={finished}
            turned={false}
            tall={TALL}
          />
        </svg>
      </div>
      <div className="no-print flex items-center gap-1">
        <figcaption className="grow text-sm text-smoke">{summary(plan)}</figcaption>
        {onOpen && (
          <button type="button" className="press" onClick={onOpen}>
            Open the ribbon
          </button>
        )}
      </div>
    </figure>
  );
}
