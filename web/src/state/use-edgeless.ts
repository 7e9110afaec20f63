import { useEffect, useState } from "react";
import type { State } from "./saving";
import type { ThingMade } from "./use-thing";

/**
 * Whether a work without an edge is shown as one: not while its edges may still come with what is being saved, for they would
 * take the screen from under the hand that types on it.  Once it is shown it stays until it is `left`.
 */
export function useEdgeless(left: boolean, saving: State, { made, busy }: ThingMade): boolean {
  const [shown, setShown] = useState(false);
  const has = made ? Object.keys(made.edges).length > 0 : true;
  const calm = saving !== "saving" || (!busy && !has);
  useEffect(() => {
    if (left) setShown(false);
    else if (calm) setShown(true);
  }, [left, calm]);
  return !left && (shown || calm);
}
