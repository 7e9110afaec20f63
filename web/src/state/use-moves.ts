import { useCallback, useMemo, useRef } from "react";
import { ask, type Picked, Refused, type SectionSpec } from "../api/client";
import { counted } from "./figure";
import { Latest } from "./latest";
import { changed, held, pinned, type Quantity } from "./spec";

interface Drag {
  quantity: Quantity;
  start: number;
  end: number;
}

/**
 * Pins moved by hand. The server says what a moved pin reads; steps follow one another, and of a drag only the
 * newest place is asked about.
 */
export function useMoves(
  spec: SectionSpec | undefined,
  edit: (spec: SectionSpec, field: string) => void,
  refused: (says: string) => void,
) {
  const newest = useRef({ spec, edit, refused });
  newest.current = { spec, edit, refused };
  const chain = useRef<Promise<void>>(Promise.resolve());
  const moved = useRef(new Map<Quantity, { past: Set<string>; to: string }>());

  const say = useCallback((error: unknown) => {
    newest.current.refused(error instanceof Refused ? error.message : "The program does not answer.");
  }, []);

  const put = useCallback((quantity: Quantity, text: string) => {
    const { spec, edit } = newest.current;
    if (!spec) return;
    const { hold } = held(spec, quantity);
    edit(pinned(spec, quantity, text, hold === "free" ? "firm" : hold), `pins.${quantity}`);
  }, []);

  const nudge = useCallback(
    (quantity: Quantity, shown: string, by: number) => {
      chain.current = chain.current.then(async () => {
        const { spec } = newest.current;
        if (!spec) return;
        const typed = held(spec, quantity).text || shown;
        // Steps in quick succession may outrun the pin: while it still says an earlier one, the last one counts.
        const last = moved.current.get(quantity);
        const outrun = last?.past.has(typed) ?? false;
        const text = last && outrun ? last.to : typed;
        try {
          const body = { quantity, text, by, unit: spec.unit ?? "cm", tape: spec.tape || "" };
          const answer = await ask<{ text: string }>("POST", "/move", body);
          const past = last && outrun ? last.past.add(text) : new Set([typed]);
          moved.current.set(quantity, { past, to: answer.text });
          put(quantity, answer.text);
        } catch (error) {
          say(error);
        }
      });
    },
    [put, say],
  );

  /** Take one of the counts that a plan offers: `to` says which, from the count that stands now. */
  const pick = useCallback(
    (to: (now: number | null) => number) => {
      chain.current = chain.current.then(async () => {
        const { spec } = newest.current;
        if (!spec) return;
        const typed = held(spec, "count").text;
        const last = moved.current.get("count");
        const outrun = last?.past.has(typed) ?? false;
        const now = last && outrun ? last.to : typed;
        const wanted = to(/^\d+$/.test(now) ? Number(now) : null);
        if (wanted <= 0) return;
        const count = counted(wanted);
        try {
          const { change } = await ask<Picked>("POST", "/pick", { spec, count });
          const past = last && outrun ? last.past.add(now) : new Set([typed]);
          moved.current.set("count", { past, to: count });
          newest.current.edit(changed(newest.current.spec ?? spec, change), "pins.count");
        } catch (error) {
          say(error);
        }
      });
    },
    [say],
  );

  const drags = useMemo(
    () =>
      new Latest<Drag, { text: string }>(
        (drag) => {
          const { spec } = newest.current;
          return ask("POST", "/move", { ...drag, unit: spec?.unit ?? "cm", tape: spec?.tape || "" });
        },
        ({ quantity }, { text }) => put(quantity, text),
        (_, error) => say(error),
      ),
    [put, say],
  );
  const drag = useCallback(
    (quantity: Quantity, start: number, end: number) => drags.offer({ quantity, start, end }),
    [drags],
  );
  return { nudge, drag, pick };
}
