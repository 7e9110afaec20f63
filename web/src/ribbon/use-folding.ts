import { useEffect, useRef, useState } from "react";
import type { Plan } from "../api/client";

const TAKES = 260;
const MOST_SPANS = 1200;

function between(a: number[], b: number[], t: number): number[] {
  return b.map((to, i) => (a[i] ?? to) + (to - (a[i] ?? to)) * t);
}

/** The same strip with its folds part of the way from one plan to the next. */
function partWay(from: Plan, to: Plan, t: number): Plan {
  const seen = (a: Plan["front"], b: Plan["front"]) =>
    a.length === b.length
      ? b.map((one, i) => {
          const was = a[i] ?? one;
          return { ...one, from: was.from + (one.from - was.from) * t, to: was.to + (one.to - was.to) * t };
        })
      : b;
  return {
    ...to,
    walk: { ...to.walk, x: between(from.walk.x, to.walk.x, t), flat: between(from.walk.flat, to.walk.flat, t) },
    front: seen(from.front, to.front),
    back: seen(from.back, to.back),
    marks: to.marks.map((mark, i) => {
      const was = from.marks[i]?.at.mm ?? mark.at.mm;
      return { ...mark, at: { ...mark.at, mm: was + (mark.at.mm - was) * t } };
    }),
  };
}

function folds(from: Plan, to: Plan): boolean {
  return (
    from !== to &&
    from.kind === to.kind &&
    from.walk.spans.length === to.walk.spans.length &&
    from.marks.length === to.marks.length &&
    to.walk.spans.length <= MOST_SPANS &&
    !window.matchMedia("(prefers-reduced-motion: reduce)").matches
  );
}

/** The plan to draw: where only sizes changed, its folds open and close on the way to the new one. */
export function useFolding(plan: Plan): Plan {
  const [drawn, setDrawn] = useState(plan);
  const now = useRef(plan);
  useEffect(() => {
    const from = now.current;
    if (!folds(from, plan)) {
      now.current = plan;
      setDrawn(plan);
      return;
    }
    const begun = performance.now();
    let frame = 0;
    const step = (time: number) => {
      const t = Math.min(1, Math.max(0, (time - begun) / TAKES));
      now.current = t < 1 ? partWay(from, plan, t * (2 - t)) : plan;
      setDrawn(now.current);
      if (t < 1) frame = requestAnimationFrame(step);
    };
    frame = requestAnimationFrame(step);
    return () => cancelAnimationFrame(frame);
  }, [plan]);
  // A plan of another strip is drawn at once: never one strip's folds with another's words.
  return drawn.walk.spans.length === plan.walk.spans.length && drawn.kind === plan.kind ? drawn : plan;
}
