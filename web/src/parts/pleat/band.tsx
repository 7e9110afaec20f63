import type { Plan, Problem, SectionSpec } from "../../api/client";
import { begin } from "../../state/habit";
import { saysWhy } from "../../state/sentence";
import { isParted, KIND_WORDS, type Part } from "../../state/spec";
import { Choose, Text } from "../controls/fields";
import { Figure } from "../controls/figure";

interface Props {
  spec: SectionSpec;
  plan: Plan | null;
  problems: Problem[];
  chosen: number;
  onChoose: (index: number) => void;
  onChange: (spec: SectionSpec, field: string) => void;
}
const KINDS: [string, string][] = [["plain", "Plain"], ...KIND_WORDS.filter(([kind]) => !isParted(kind))];
const word = (kind: string) => KINDS.find(([name]) => name === kind)?.[1] ?? kind;

/** The parts of a mixed edge along its band, to scale; the chosen one is shown by the pins. */
export function Band({ spec, plan, problems, chosen, onChoose, onChange }: Props) {
  const parts = spec.parts ?? [];
  const put = (next: Part[], field = "parts") => onChange({ ...spec, parts: next }, field);
  const set = (index: number, fields: Partial<Part>) =>
    put(
      parts.map((part, i) => (i === index ? ({ ...part, ...fields } as Part) : part)),
      `parts.${Object.keys(fields)[0]}`,
    );
  const part = parts[chosen];
  const swap = (by: -1 | 1) => {
    const next = [...parts];
    const [moved] = next.splice(chosen, 1);
    if (moved) next.splice(chosen + by, 0, moved);
    put(next);
    onChoose(chosen + by);
  };
  return (
    <div className="mb-3">
      <div className="flex min-h-14">
        <div className="flex min-w-0 grow gap-px overflow-x-auto" role="tablist" aria-label="Parts of the edge">
          {parts.map((one, index) => {
            const wrong = problems.some((problem) => problem.path.startsWith(`parts.${index}.`));
            return (
              <button
                // biome-ignore lint/suspicious/noArrayIndexKey: a part has no other name than its place
                key={index}
                type="button"
                role="tab"
                aria-selected={index === chosen}
                onClick={() => onChoose(index)}
                style={{
                  flexGrow: Math.max(
                    1,
                    plan?.parts.length === parts.length ? (plan.parts[index]?.finished.mm ?? 1) : 1,
                  ),
                  flexBasis: 0,
                }}
                className={`min-w-16 border-b-4 px-2 py-1 text-left ${index === chosen ? "border-madder bg-linen" : "border-thread bg-linen hover:border-woad"}`}
              >
                <span className="block truncate font-semibold">
                  {index + 1} {one.name || word(one.kind)}
                  {wrong && <span className="text-madder"> !</span>}
                </span>
                <span className="block truncate text-sm text-smoke">
                  <Figure>
                    {plan?.parts.length === parts.length
                      ? (plan.parts[index]?.finished.text ?? "")
                      : String(one.width ?? one.share ?? "")}
                  </Figure>
                </span>
              </button>
            );
          })}
        </div>
        <button
          type="button"
          className="press shrink-0"
          onClick={() => {
            put([...parts, { kind: "plain" }]);
            onChoose(parts.length);
          }}
        >
          Add a part
        </button>
      </div>
      {part && (
        <div className="mt-2 flex flex-wrap items-end gap-x-5 gap-y-2">
          <Choose
            name={`Part ${chosen + 1} is`}
            value={part.kind}
            options={KINDS}
            onPick={(kind) => set(chosen, { kind: kind as Part["kind"] })}
          />
          <Text
            name="Called"
            path={`parts.${chosen}.name`}
            value={part.name}
            problems={problems}
            taken="pocket, placket…"
            onType={(name) => set(chosen, { name: name.slice(0, 24) })}
          />
          <Choose
            name="It takes"
            value={
              part.width !== undefined && part.width !== null
                ? "width"
                : part.share !== undefined && part.share !== null
                  ? "share"
                  : "rest"
            }
            options={[
              ["rest", "An equal share of what is left"],
              ["share", "A share of the edge"],
              ["width", "A width"],
            ]}
            onPick={(how) =>
              set(chosen, {
                width: how === "width" ? (plan?.parts[chosen]?.typed ?? begin(spec, "10 cm", "4 in")) : null,
                share: how === "share" ? "1/4" : null,
              })
            }
          />
          {part.share !== undefined && part.share !== null && (
            <Text
              name="Share, such as 1/4"
              path={`parts.${chosen}.share`}
              value={part.share}
              problems={problems}
              onType={(share) => set(chosen, { share })}
            />
          )}
          {part.width !== undefined && part.width !== null && (
            <Text
              name="Width"
              path={`parts.${chosen}.width`}
              value={part.width}
              problems={problems}
              onType={(width) => set(chosen, { width })}
            />
          )}
          <button type="button" className="press" disabled={chosen === 0} onClick={() => swap(-1)}>
            Move left
          </button>
          <button type="button" className="press" disabled={chosen >= parts.length - 1} onClick={() => swap(1)}>
            Move right
          </button>
          <button
            type="button"
            className="press"
            disabled={parts.length < 2}
            onClick={() => {
              put(parts.filter((_, i) => i !== chosen));
              onChoose(Math.max(0, chosen - 1));
            }}
          >
            Remove this part
          </button>
        </div>
      )}
      {problems
        .filter((problem) => problem.path === "parts")
        .map((problem) => (
          <p key={problem.message} role="alert" className="m-0 font-semibold text-madder">
            {saysWhy(problem)}
          </p>
        ))}
    </div>
  );
}
