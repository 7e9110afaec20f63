import type { ThingAnswer } from "../../api/client";

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
