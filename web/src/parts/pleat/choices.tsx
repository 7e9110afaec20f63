import type { Choice, Plan } from "../../api/client";
import { counted } from "../../state/figure";
import { traits } from "../../state/spec";
import { Figure } from "../controls/figure";

/** The neighbouring counts as small folded rows to pick from. */
export function Choices({ plan, onPick }: { plan: Plan; onPick: (count: number) => void }) {
  if (plan.choices.length < 2) return null;
  return (
    <fieldset className="m-0 grid min-w-0 grid-cols-1 gap-2 border-0 p-0 sm:grid-cols-3" aria-label="Other counts">
      {plan.choices.map((choice) => {
        const chosen = choice.count === plan.count;
        return (
          <button
            key={choice.count}
            type="button"
            aria-pressed={chosen}
            onClick={() => onPick(choice.count)}
            className={`border-t-4 bg-linen px-3 py-2 text-left ${chosen ? "border-madder" : "border-thread hover:border-woad"}`}
          >
            <span className="font-bold">
              <Figure>{counted(choice.count)}</Figure> {choice.count === 1 ? "pleat" : "pleats"}
            </span>
            <span className="block text-sm text-smoke">
              <Figure>{says(choice)}</Figure>
            </span>
            <Row choice={choice} kind={plan.kind} />
          </button>
        );
      })}
    </fieldset>
  );
}

function says(choice: Choice): string {
  const cost = choice.cost ? ` for ${choice.cost}` : "";
  const cloth = choice.widths ? `, ${choice.widths} ${choice.widths === 1 ? "width" : "widths"} of cloth${cost}` : "";
  const deep = choice.depth
    ? `, ${choice.depth.text} deep`
    : choice.per_pleat
      ? `, ${choice.per_pleat.text} in each`
      : "";
  return `${choice.spacing?.text ?? ""} apart${deep}, ${choice.flat.text} flat, ${choice.fullness.text} times${cloth}`;
}

function Row({ choice, kind }: { choice: Choice; kind: string }) {
  const px = (mm: number) => (mm / choice.finished.mm) * 200;
  const every = Math.max(1, Math.ceil(choice.count / 100));
  let folds = "";
  for (let pleat = 0; pleat < choice.count; pleat += every) {
    const at = px(choice.lead.mm + pleat * (choice.spacing?.mm ?? 0));
    const covers = traits(kind)?.covers;
    const half = px((covers ? (choice[covers]?.mm ?? 0) : 0) / 2);
    folds += half > 0.4 ? `M${(at - half).toFixed(1)} 0V20M${(at + half).toFixed(1)} 0V20` : `M${at.toFixed(1)} 0V20`;
  }
  return (
    <svg className="mt-1 block h-5 w-full" viewBox="0 0 200 20" preserveAspectRatio="none" aria-hidden="true">
      <rect width="200" height="20" fill="var(--cloth)" />
      <path d={folds} stroke="var(--cloth-shade)" strokeWidth="1.4" vectorEffect="non-scaling-stroke" fill="none" />
    </svg>
  );
}
