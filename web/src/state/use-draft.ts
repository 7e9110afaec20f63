import { useCallback, useEffect, useRef, useState } from "react";
import { forgetHere, keepHere, keptHere } from "./kept-here";

/**
 * What is typed and not yet kept anywhere else, under a name: it is kept in the browser with each keystroke, and there
 * again when the browser was closed meanwhile. `clear` lets go of it, once it is kept or given up.
 */
export function useDraft<T>(name: string, empty: T): { now: T; type: (now: T) => void; clear: () => void } {
  const key = `draft/${name}`;
  const [now, setNow] = useState(empty);
  const touched = useRef(false);
  const start = useRef(empty);
  useEffect(() => {
    touched.current = false;
    setNow(start.current);
    let here = true;
    void keptHere<T>(key).then((rows) => {
      const found = rows.find(([kept]) => kept === key);
      // What is typed meanwhile is newer.
      if (here && found && !touched.current) setNow(found[1]);
    });
    return () => {
      here = false;
    };
  }, [key]);
  const type = useCallback(
    (typed: T) => {
      touched.current = true;
      setNow(typed);
      void keepHere(key, typed);
    },
    [key],
  );
  const clear = useCallback(() => {
    touched.current = true;
    setNow(start.current);
    void forgetHere(key);
  }, [key]);
  return { now, type, clear };
}
