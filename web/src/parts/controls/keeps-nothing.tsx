import { useSyncExternalStore } from "react";
import { keepsNothing, onKeeping } from "../../state/kept-here";

/** Says so where this browser keeps nothing of what is typed. */
export function KeepsNothing() {
  const nothing = useSyncExternalStore(onKeeping, keepsNothing);
  if (!nothing) return null;
  return (
    <p role="alert" className="my-1 border-l-[6px] border-weld-line pl-3 font-semibold">
      This browser keeps nothing: it is full, or told not to. What is typed is safe once “Saved” stands here, not
      before.
    </p>
  );
}
