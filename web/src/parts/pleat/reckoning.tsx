import type { Plan } from "../../api/client";
import { Figure } from "../controls/figure";

/** How it was worked out: each equation in words, then with the numbers of this plan in it. */
export function Reckoning({ plan }: { plan: Plan }) {
  if (plan.explain.length === 0) return null;
  return (
    <details className="mt-2">
      <summary className="min-h-11 py-2 font-semibold text-woad">How it is worked out</summary>
      <ol className="m-0 list-none bg-linen px-3 py-2">
        {plan.explain.map((line) => (
          <li key={line.found + line.words} className="py-1">
            <span className="block text-sm text-smoke">
              {line.found}: {line.words}
            </span>
            <Figure>{line.numbers}</Figure>
          </li>
        ))}
      </ol>
    </details>
  );
}
