import type { Plan, Problem, SectionSpec } from "../api/client";
import { Figure } from "../parts/controls/figure";
import { Choices } from "../parts/pleat/choices";
import { PinTile } from "../parts/pleat/pin-tile";
import { Reckoning } from "../parts/pleat/reckoning";
import type { Tying } from "../parts/pleat/tying";
import { counted } from "../state/figure";
import { sentence } from "../state/sentence";
import { type Hold, held, pinned, type Quantity, quantitiesOf, WORDS } from "../state/spec";
import type { Planned } from "../state/use-plan";

interface Props {
  spec: SectionSpec;
  planned: Planned;
  onChange: (spec: SectionSpec, field: string) => void;
  onNudge: (quantity: Quantity, shown: string, by: number) => void;
  lit: Quantity | null;
  onLight: (quantity: Quantity | null) => void;
  refused: { quantity: Quantity; times: number } | null;
  /** Takes a count that was offered with all that goes with it; a part of a mixed edge just pins it. */
  onPick?: (count: number) => void;
  /** True for a part of a mixed edge, whose finished width is its share of the band. */
  inner?: boolean;
  ties?: Tying | null;
}

/** The pins: what is known and what follows, what is wrong beside each, and the neighbouring counts. */
export function Pins({
  spec,
  planned,
  onChange,
  onNudge,
  lit,
  onLight,
  refused,
  onPick,
  inner = false,
  ties = null,
}: Props) {
  const { plan, problems, stale } = planned;
  const names = quantitiesOf(spec).filter((name) => !inner || name !== "finished");
  const general = problems.filter(
    (problem) =>
      !names.some((name) => at(problem, name)) &&
      !/^(allowance|lead|tail|cloth|placed|taper|stops|piece|gathering|parts)/.test(problem.path),
  );
  const set = (name: Quantity, text: string, hold: Hold) => onChange(pinned(spec, name, text, hold), `pins.${name}`);
  const clashes = new Set(problems.flatMap((problem) => problem.together ?? []));
  return (
    <div className="min-w-0">
      {[...clashes].map((clash) => (
        <p key={clash} role="alert" className="mt-0 mb-2 border-l-[6px] border-madder pl-3 font-semibold">
          <Figure>{sentence(clash)}</Figure>
        </p>
      ))}
      <div className="grid grid-cols-2 gap-px sm:grid-cols-3 xl:grid-cols-[repeat(auto-fill,minmax(7.4rem,1fr))]">
        {names.map((name) => {
          const { text, hold: typedAs } = held(spec, name);
          // A pin that says itself that it is about holds loosely, however it is pinned.
          const hold = typedAs === "firm" && plan?.loose.includes(name) ? "about" : typedAs;
          const typed = plan?.typed[name] ?? "";
          const path = `pins.${name}`;
          const offered = ties?.offered[path];
          const tied = offered !== undefined && ties?.tied(path) === true && offered.typed !== "";
          const answer = stale && hold !== "free" ? null : answerOf(plan, name);
          return (
            <PinTile
              key={name}
              name={WORDS[name]}
              path={path}
              typed={text}
              hold={hold}
              answer={answer}
              note={tied && hold !== "free" ? `from Measure: ${offered.says}` : noteOf(plan, name, hold, text)}
              {...(offered?.typed && !tied && !ties?.mirrors
                ? { again: { says: offered.typed, onTie: () => ties?.onTie(path) } }
                : {})}
              problem={problems.find((problem) => at(problem, name))}
              onType={(text) => set(name, text, typedAs === "free" ? "firm" : typedAs)}
              onHold={(next) => set(name, text || typed, next)}
              onNudge={(by) => onNudge(name, typed, by)}
              lit={lit === name}
              onLight={(on) => {
                if (on) onLight(name);
                else if (lit === name) onLight(null);
              }}
              shaken={refused?.quantity === name ? refused.times : 0}
            />
          );
        })}
      </div>
      {general.length > 0 && (
        <div role="alert" className="mt-2 border-l-[6px] border-weld-line pl-3">
          {general.map((problem) => (
            <p key={problem.message} className="m-0">
              {problem.together ? "" : sentence(problem.message)} {sentence(problem.way_out)}
            </p>
          ))}
        </div>
      )}
      {plan && !stale && (
        <div className="mt-3">
          <Choices plan={plan} onPick={onPick ?? ((count) => set("count", counted(count), "firm"))} />
          <Reckoning plan={plan} />
        </div>
      )}
    </div>
  );
}

function at(problem: Problem, name: Quantity): boolean {
  return problem.path === `pins.${name}` || problem.path === `pins.${name}.about`;
}

function answerOf(plan: Plan | null, name: Quantity): string | null {
  if (!plan) return null;
  if (name === "count") return counted(plan.count);
  if (name === "fullness") return plan.pleated_fullness.text;
  return plan[name]?.text ?? null;
}

/** What stands under an answer; under the pleats always their spaces too: one off is the commonest error of all. */
function noteOf(plan: Plan | null, name: Quantity, hold: Hold, typed: string): string {
  const told = toldOf(plan, name, hold, typed);
  const spaces = name === "count" && plan?.spaces ? plan.spaces : 0;
  const said = spaces ? `${counted(spaces)} ${spaces === 1 ? "space" : "spaces"}` : "";
  return told && said ? `${told}; ${said}` : told || said;
}

function toldOf(plan: Plan | null, name: Quantity, hold: Hold, typed: string): string {
  const gave = plan?.gave.find((one) => one.quantity === name);
  if (gave) return `${hold === "about" ? "about" : "asked"} ${gave.from}: it gave`;
  if (hold === "about") return `about ${typed}`;
  if (hold === "firm") return "pinned";
  if (plan?.assumed.some((one) => one.quantity === name)) return "assumed";
  if (!plan) return "";
  const notes: Partial<Record<Quantity, string>> = {
    flat: "before allowances",
    fullness:
      plan.pleated_fullness.value === plan.fullness.value ? "times" : `times; ${plan.fullness.text} of the whole edge`,
  };
  return notes[name] ?? "";
}
