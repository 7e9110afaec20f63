import type { ThingAnswer } from "../../api/client";
import { Figure } from "../controls/figure";

type MadeEdge = ThingAnswer["edges"][string];

/** What of an edge follows from the thing of its work, and how it is tied again. */
export interface Tying {
  offered: MadeEdge["ties"];
  tied: (path: string) => boolean;
  onTie: (path: string) => void;
  /** The edge whose mirror it is; empty where it is none. */
  mirrors: string;
  /** The edge whose mirror it could be again. */
  mayMirror: string;
  onMirror: () => void;
}

/** Says that an edge is the mirror of another, or offers to make it that again. */
export function MirrorLine({ ties }: { ties: Tying }) {
  if (ties.mirrors)
    return (
      <p className="mt-0 mb-2 border-l-[6px] border-woad pl-3">
        It is the mirror of the {ties.mirrors.toLowerCase()}, and follows it. Type here, and it goes its own way.
      </p>
    );
  if (!ties.mayMirror) return null;
  return (
    <button type="button" className="press -ml-3" onClick={ties.onMirror}>
      Make it the mirror of the {ties.mayMirror.toLowerCase()} again
    </button>
  );
}

const FIELDS: Record<string, string> = {
  "lead.width": "flat at its start",
  "tail.width": "flat at its end",
  "allowance.start": "turned at its start",
  "allowance.end": "turned at its end",
  "cutting.drop.finished": "falls, finished",
  "cutting.drop.heading": "heading",
  "cutting.drop.hem": "hem",
  "cutting.drop.margin": "trimmed away",
  "cutting.lining.shorter": "lining shorter by",
  "cutting.lining.narrower": "lining narrower by",
  "cutting.lining.hem": "lining’s hem",
};

/** What else of an edge follows from the thing, and what is one’s own and may follow again. */
export function TiedFacts({ ties }: { ties: Tying }) {
  const all = Object.entries(ties.offered).filter(([path, one]) => path in FIELDS && one.typed !== "");
  const [tied, own] = [all.filter(([path]) => ties.tied(path)), all.filter(([path]) => !ties.tied(path))];
  if (ties.mirrors || !all.length) return null;
  return (
    <div className="text-sm text-smoke">
      {tied.length > 0 && (
        <p className="m-0">
          <Figure>{`From Measure: ${tied.map(([path, one]) => `${FIELDS[path]} ${one.typed}`).join("; ")}.`}</Figure>
        </p>
      )}
      {own.map(([path, one]) => (
        <button key={path} type="button" className="press -ml-3 text-sm" onClick={() => ties.onTie(path)}>
          <span>
            Follow Measure: <Figure>{`${FIELDS[path]} ${one.typed}`}</Figure>
          </span>
        </button>
      ))}
    </div>
  );
}
