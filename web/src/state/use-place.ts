import { useCallback, useEffect, useRef, useState } from "react";
import { ask, type Place } from "../api/client";
import { type ChalkFrom, keepPlace, keptPlace, unsent } from "./chalk-place";

interface Where {
  at: number;
  folded: number;
}

/**
 * Where the marking and the folding of a piece stand: kept in the browser at once, and with the work as soon as the
 * program answers. `behind` tells that the work does not have it yet.
 */
export function usePlace(work: string, piece: string, from: ChalkFrom, side: string) {
  const [where, setWhere] = useState<Where>(() => keptPlace(piece));
  const [behind, setBehind] = useState(() => unsent(piece));
  const newest = useRef<Where>(where);
  const sending = useRef(false);

  const send = useCallback(async () => {
    if (sending.current) return;
    sending.current = true;
    try {
      let sent: Where;
      do {
        sent = newest.current;
        await ask<Place>("PUT", `/works/${work}/places/${piece}`, { ...sent, nought: from, side });
      } while (sent !== newest.current);
      keepPlace(piece, sent, from, true);
      setBehind(false);
    } catch {
      setBehind(true);
    } finally {
      sending.current = false;
    }
  }, [work, piece, from, side]);

  const go = useCallback(
    (now: Partial<Where>) => {
      newest.current = { ...newest.current, ...now };
      setWhere(newest.current);
      keepPlace(piece, newest.current, from, false);
      void send();
    },
    [piece, from, send],
  );

  useEffect(() => {
    // What was marked here without the program is newer than what it has.
    if (unsent(piece)) {
      void send();
      return;
    }
    let here = true;
    ask<Place[]>("GET", `/works/${work}/places`)
      .then((places) => {
        const found = places.find((one) => one.section === piece && one.nought === from);
        if (!here || !found || unsent(piece)) return;
        newest.current = { at: found.at, folded: found.folded ?? 0 };
        setWhere(newest.current);
        keepPlace(piece, newest.current, from, true);
      })
      .catch(() => undefined);
    return () => {
      here = false;
    };
  }, [work, piece, from, send]);

  useEffect(() => {
    if (!behind) return;
    const again = window.setInterval(() => void send(), 3000);
    return () => window.clearInterval(again);
  }, [behind, send]);

  return { ...where, behind, go };
}
