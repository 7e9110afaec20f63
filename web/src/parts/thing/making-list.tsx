import { useEffect, useRef } from "react";
import type { Problem, Thing, ThingAnswer } from "../../api/client";
import { newName } from "../../api/named";
import { takeTimed, useTimed, withMinutes } from "../../state/clock";
import { saysWhy } from "../../state/sentence";
import { useDraft } from "../../state/use-draft";
import { Figure } from "../controls/figure";
import { Sessions } from "./sessions";
import { StepClock } from "./step-clock";
import { useTimetable } from "./use-timetable";

type Order = NonNullable<Thing["making"]>;

interface Props {
  work: string;
  revision: number;
  made: ThingAnswer;
  order: Order;
  problems: Problem[];
  onOrder: (order: Order, says: string) => void;
}

/** The order of making, as the sewist's own list: ticked, moved, struck, added to. */
export function MakingList({ work, revision, made, order, problems, onOrder }: Props) {
  const { now: text, type: setText, clear } = useDraft(`step/${work}`, "");
  const told = useTimetable(work, revision, order.sessions ?? []).data;
  const will = new Map(told?.steps.map((one) => [one.name, one.words]));
  const waiting = useTimed(work);
  const newest = useRef({ order, onOrder });
  newest.current = { order, onOrder };
  useEffect(() => {
    // What was timed here or at the table is written down as soon as the list is open.
    if (!waiting) return;
    const { order: now, onOrder: put } = newest.current;
    const took = { ...now.took };
    for (const one of takeTimed(work)) took[one.step] = withMinutes(String(took[one.step] ?? ""), one.minutes);
    put({ ...now, took }, "took");
  }, [work, waiting]);
  const wrong = (name: string) => {
    const found = problems.find((one) => one.path === `making.took.${name}`);
    return found ? saysWhy(found) : undefined;
  };
  const names = made.steps.map((one) => one.name);
  const done = made.steps.filter((one) => one.done).length;
  const move = (name: string, by: -1 | 1) => {
    const next = [...names];
    const at = next.indexOf(name);
    next.splice(at, 1);
    next.splice(at + by, 0, name);
    onOrder({ ...order, order: next }, "order");
  };
  const toggle = (list: string[] | undefined, name: string) =>
    list?.includes(name) ? list.filter((one) => one !== name) : [...(list ?? []), name];
  return (
    <details className="border-t border-thread">
      <summary className="flex min-h-11 flex-wrap items-center gap-x-3 py-1">
        <span className="font-bold">Order of making</span>
        <span className="text-sm text-smoke">
          {made.steps.length} steps{done ? `, ${done} done` : ""}
          {told?.left ? `; about ${told.left} to do` : ""}
        </span>
      </summary>
      <ol className="m-0 list-none p-0">
        {made.steps.map((step, index) => (
          <li key={step.name} className="flex flex-wrap items-center gap-x-2 border-t border-thread py-1">
            <label className="flex min-h-11 min-w-0 grow basis-60 items-center gap-3">
              <input
                type="checkbox"
                className="size-5 shrink-0 accent-[var(--madder)]"
                checked={order.done?.includes(step.name) ?? false}
                onChange={() => onOrder({ ...order, done: toggle(order.done, step.name) }, "done")}
              />
              <span className={step.done ? "text-smoke line-through" : ""}>
                <Figure>{`${index + 1}. ${step.says}`}</Figure>
                {step.needs.length > 0 && (
                  <span className="block border-l-4 border-weld-line pl-2 text-sm">
                    First step {step.needs.map((name) => names.indexOf(name) + 1).join(" and ")}.
                  </span>
                )}
                {step.now && !step.own && <span className="block text-sm text-lichen">Can be done now.</span>}
                {step.waits && <span className="block text-sm text-smoke">Then wait: {step.waits}.</span>}
              </span>
            </label>
            <label className="no-print flex items-center gap-1 text-sm text-smoke">
              took
              <input
                className="field w-32"
                value={order.took?.[step.name] ?? ""}
                placeholder={will.has(step.name) ? `about ${will.get(step.name)}` : "min"}
                aria-label={`How long it took: ${step.says}`}
                aria-invalid={wrong(step.name) ? true : undefined}
                title={wrong(step.name)}
                data-path={`making.took.${step.name}`}
                onChange={(event) => {
                  const { [step.name]: _, ...others } = order.took ?? {};
                  const text = event.currentTarget.value;
                  onOrder({ ...order, took: text ? { ...others, [step.name]: text } : others }, `took.${step.name}`);
                }}
              />
            </label>
            <StepClock work={work} step={step.name} says={step.says} />
            <span className="no-print flex">
              <button
                type="button"
                className="press"
                aria-label={`Earlier: ${step.says}`}
                disabled={index === 0}
                onClick={() => move(step.name, -1)}
              >
                ↑
              </button>
              <button
                type="button"
                className="press"
                aria-label={`Later: ${step.says}`}
                disabled={index === names.length - 1}
                onClick={() => move(step.name, 1)}
              >
                ↓
              </button>
              <button
                type="button"
                className="press"
                aria-label={`Strike: ${step.says}`}
                onClick={() =>
                  onOrder(
                    step.own
                      ? { ...order, added: (order.added ?? []).filter((one) => one.key !== step.name) }
                      : { ...order, struck: [...(order.struck ?? []), step.name] },
                    "struck",
                  )
                }
              >
                Strike
              </button>
            </span>
          </li>
        ))}
      </ol>
      <form
        className="no-print flex flex-wrap items-end gap-2 py-2"
        onSubmit={(event) => {
          event.preventDefault();
          if (!text.trim()) return;
          const key = newName()
            .replace(/[^a-z0-9]/g, "")
            .slice(0, 12);
          onOrder({ ...order, added: [...(order.added ?? []), { key, says: text.trim().slice(0, 400) }] }, "added");
          clear();
        }}
      >
        <label className="flex grow flex-col text-sm font-semibold text-smoke">
          A step of your own
          <input
            className="field text-base font-normal"
            value={text}
            maxLength={400}
            onChange={(event) => setText(event.currentTarget.value)}
          />
        </label>
        <button type="submit" className="press">
          Add it
        </button>
      </form>
      <Sessions work={work} revision={revision} order={order} onOrder={onOrder} />
      {made.struck.length > 0 && (
        <p className="no-print m-0 text-sm text-smoke">
          Struck:{" "}
          {made.struck.map((step) => (
            <button
              key={step.name}
              type="button"
              className="press text-sm"
              onClick={() =>
                onOrder({ ...order, struck: (order.struck ?? []).filter((one) => one !== step.name) }, "struck")
              }
            >
              Bring back: {step.says.slice(0, 60)}
            </button>
          ))}
        </p>
      )}
    </details>
  );
}
