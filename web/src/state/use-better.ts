import { useEffect, useState } from "react";
import { asked, type CutAnswer } from "../api/client";

const LOOKS = 4;

/** Whichever of two answers takes less cloth in all. */
function shortest(best: CutAnswer | null, other: CutAnswer): CutAnswer {
  if (!best) return other;
  const long = (answer: CutAnswer) => answer.plans.reduce((sum, plan) => sum + plan.length.mm, 0);
  return long(other) < long(best) ? other : best;
}

/** Cutting plans that take less, as they are found: each look starts elsewhere, and the shortest is kept. */
export function useBetter(
  work: Record<string, unknown> | null,
  key: string,
): { answer: CutAnswer | null; busy: boolean } {
  const [found, setFound] = useState<{ key: string; answer: CutAnswer | null; done: boolean }>({
    key,
    answer: null,
    done: false,
  });
  const wanted = work !== null;
  // biome-ignore lint/correctness/useExhaustiveDependencies: the key says all that the work does
  useEffect(() => {
    if (!work) return;
    let here = true;
    const look = async () => {
      let best: CutAnswer | null = null;
      for (let seed = 1; here && seed <= LOOKS; seed += 1) {
        try {
          best = shortest(best, await asked("/cut", { ...work, seed }));
        } catch {
          break; // the quick plan stays, and says what is wrong
        }
        const all = best.plans.every((plan) => plan.best) || best.plans.every((plan) => !plan.again);
        if (here) setFound({ key, answer: best, done: all || seed === LOOKS });
        if (all) return;
      }
      if (here) setFound((now) => ({ ...now, done: true }));
    };
    void look();
    return () => {
      here = false;
    };
  }, [key, wanted]);
  return found.key === key ? { answer: found.answer, busy: !found.done } : { answer: null, busy: wanted };
}
