import type { Problem, ThingField } from "../../api/client";
import { saysWhy } from "../../state/sentence";
import { Figure } from "../controls/figure";
import { AskedField, type Asks, assumedOf, choiceOf, stateOf } from "./thing-field";

/** The choices that matter first, as a line of words that open. */
export function WordsLine({ asks }: { asks: Asks }) {
  const words = asks.fields.filter((one) => one.asked && one.line);
  return (
    <p className="m-0 flex flex-wrap items-center gap-x-4">
      {words.map((field) => (
        <label key={field.name} className="inline-flex items-center gap-1 text-smoke">
          {field.title.toLowerCase()}
          <select
            className="min-h-11 max-w-64 rounded [field-sizing:content] bg-transparent font-bold text-soot underline decoration-dotted underline-offset-4"
            value={choiceOf(asks.thing, field.name)}
            title={field.where}
            onChange={(event) => asks.onChoose(field.name, event.currentTarget.value)}
          >
            <option value="">{assumedOf(field)}</option>
            {field.options
              .filter((one) => one.name !== field.assumed)
              .map((one) => (
                <option key={one.name} value={one.name}>
                  {one.says}
                </option>
              ))}
          </select>
        </label>
      ))}
    </p>
  );
}

/** The line that says what is wrong, by its id: what is typed on the picture is described by it, too. */
export const MEASURE_SAYS = "measure-says";

/** What is wrong with what comes first; else where the tape goes for the field that is lit, or what is lacking. */
export function WhereLine({ asks, otherwise }: { asks: Asks; otherwise: string }) {
  const field = asks.fields.find((one) => one.name === asks.lit);
  const wrong = asks.problems.flatMap((problem) => {
    const of = asks.fields.find((one) => one.first && !one.options.length && isOf(problem, one));
    return of ? [`${of.title}: ${saysWhy(problem)}`] : [];
  });
  // As high for every field, so that nothing moves when another is entered.
  const height = "m-0 min-h-10 text-sm max-sm:min-h-15";
  if (wrong.length)
    return (
      <p id={MEASURE_SAYS} className={`${height} font-semibold text-madder`}>
        <Figure>{wrong.join(" ")}</Figure>
      </p>
    );
  return (
    <p className={`${height} line-clamp-2 text-smoke max-sm:line-clamp-3`}>
      <Figure>{field ? `${field.title}: ${field.where}` : otherwise}</Figure>
    </p>
  );
}

function isOf(problem: Problem, field: ThingField): boolean {
  const [kind, name] = problem.path.split(".");
  return (kind === "measures" || kind === "choices") && name === field.name;
}

/** The two to five fields that come first. */
export function FirstFields({ asks }: { asks: Asks }) {
  const first = asks.fields.filter((one) => one.first && one.asked && !one.options.length);
  return (
    <>
      {first.map((field) => (
        <AskedField key={field.name} field={field} asks={asks} />
      ))}
    </>
  );
}

/** All other measures and choices, folded, each group with its state in its title. */
export function FoldedFields({ asks }: { asks: Asks }) {
  const groups = new Map<string, ThingField[]>();
  for (const field of asks.fields)
    if (field.group && field.asked && !(field.first && !field.options.length) && !field.line)
      groups.set(field.group, [...(groups.get(field.group) ?? []), field]);
  return (
    <div>
      {[...groups].map(([name, fields]) => {
        const wrong = fields.some((field) => asks.problems.some((one) => isOf(one, field)));
        const state = fields
          .map((field) => stateOf(field, asks.thing))
          .filter(Boolean)
          .slice(0, 4)
          .join(" · ");
        return (
          <details key={name} className="border-t border-thread" open={wrong || undefined}>
            <summary className="flex min-h-11 flex-wrap items-center gap-x-3 py-1">
              <span className="font-bold">{name}</span>
              <span className={`text-sm ${wrong ? "text-madder" : "text-smoke"}`}>
                <Figure>{state || "not said"}</Figure>
              </span>
            </summary>
            <div className="flex flex-wrap items-start gap-x-4 gap-y-2 pb-4">
              {fields.map((field) => (
                <AskedField key={field.name} field={field} asks={asks} />
              ))}
            </div>
          </details>
        );
      })}
    </div>
  );
}
