import { useEffect, useState } from "react";
import type { CheckAnswer, Plan, SectionSpec, Work } from "../api/client";
import { Choose, Text } from "../parts/controls/fields";
import { Figure } from "../parts/controls/figure";
import { MarkGlyph } from "../parts/table/mark-glyph";
import { GLYPHS } from "../ribbon/glyphs";
import { saysWhy } from "../state/sentence";
import { hearReadings } from "../state/tape-channel";
import { useAsked } from "../state/use-asked";
import { useDraft } from "../state/use-draft";
import type { Measured } from "../state/use-on-the-way";

interface Props {
  spec: SectionSpec;
  plan: Plan | null;
  piece: string;
  /** What is measured of the thing on the way, under Measure: the same record. */
  onTheWay: Measured[];
  act: (method: string, tail: string, body: Record<string, unknown>) => Promise<Work | null>;
  onSaid: (text: string, undo?: () => void) => void;
}

type Level = "lower" | "upper";

const NONE = [""];

/** The step Check: what was measured after basting against what was planned, and the mend on the tape. */
export function CheckStep({ spec, plan, piece, onTheWay, act, onSaid }: Props) {
  const draft = useDraft(`check/${piece}`, NONE);
  const measured = draft.now;
  const typed = measured.filter((text) => text.trim());
  const [level, setLevel] = useState<Level>("lower");
  const at: Level = spec.taper ? level : "lower";
  const { answer, problems } = useAsked("/check", typed.length ? { spec, measured, level: at } : null);
  useEffect(
    () =>
      hearReadings((reading) => draft.type([...measured.filter((text) => text.trim()), reading.text, ""].slice(0, 40))),
    [draft.type, measured],
  );
  const type = (index: number, text: string) => {
    const now = measured.map((one, at) => (at === index ? text : one));
    draft.type(now.at(-1)?.trim() && now.length < 40 ? [...now, ""] : now);
  };
  const keep = async (take: boolean) => {
    const done = await act("POST", "/checks", { section: piece, measured: typed, level: at, take });
    if (!done) return;
    draft.clear();
    onSaid(
      take ? "The correction is in the plan; the marks have changed." : "The check is in the log.",
      () => void act("POST", "/undo", {}),
    );
  };
  const last = spec.corrections?.at(-1);
  const shown = typed.length > 0 && problems.length === 0 ? answer : null;
  return (
    <div className="mt-3 grid grid-cols-1 gap-5 xl:grid-cols-[20rem_minmax(0,1fr)]">
      <section aria-label="What was measured">
        <h2 className="m-0 text-lg font-bold">Measured after basting</h2>
        <p className="m-0 mb-2 text-smoke">
          Laid flat, at the same tension each time, from stitching line to stitching line. At several places if you
          like.
          {plan && at === "lower" && (
            <>
              {" Planned: "}
              <strong>
                <Figure>{plan.finished.text}</Figure>
              </strong>
              .
            </>
          )}
        </p>
        {spec.taper && (
          <Choose
            name="Measured at"
            value={at}
            options={[
              ["lower", "the lower level"],
              ["upper", "the upper level"],
            ]}
            onPick={(value) => setLevel(value as Level)}
          />
        )}
        {measured.map((text, index) => {
          const problem = problems.find(
            (one) => one.path === `measured.${index}` || one.path === `measured.${index}.by`,
          );
          const id = `measured-${index}`;
          return (
            // biome-ignore lint/suspicious/noArrayIndexKey: a measure has no other name than its place
            <div key={index} className="mb-2 flex flex-col text-sm font-semibold text-smoke">
              <label htmlFor={id}>{index ? `Measure ${index + 1}` : "Measure"}</label>
              <input
                id={id}
                className="field w-44 text-2xl font-bold"
                value={text}
                placeholder={plan?.finished.text}
                aria-invalid={problem ? true : undefined}
                aria-describedby={problem ? `${id}-wrong` : undefined}
                autoComplete="off"
                onChange={(event) => type(index, event.currentTarget.value)}
              />
              {problem && (
                <span id={`${id}-wrong`} className="max-w-64 text-madder">
                  {saysWhy(problem)}
                </span>
              )}
            </div>
          );
        })}
        {problems
          .filter((one) => !one.path.startsWith("measured."))
          .map((problem) => (
            <p key={problem.message} role="alert" className="my-1 border-l-[6px] border-weld-line pl-3">
              {saysWhy(problem)}
            </p>
          ))}
        {onTheWay.map((one) => (
          <div key={one.path} className="mb-2">
            <Text name={one.title} path={one.path} value={one.value} problems={one.problems} onType={one.onType} />
            <p className="m-0 max-w-72 text-sm text-smoke">{one.where}</p>
          </div>
        ))}
        <a className="press -ml-3" href="/tape" target="_blank" rel="noreferrer">
          Open the digital tape
        </a>
      </section>
      <section aria-label="What it says" aria-live="polite">
        {shown && (
          <>
            <p
              className={`m-0 border-l-[6px] pl-3 text-2xl font-bold ${shown.within ? "border-lichen" : "border-madder"}`}
              data-testid="verdict"
            >
              <Figure>{shown.says[0] ?? ""}</Figure>
            </p>
            {shown.says.slice(1).map((line) => (
              <p key={line} className="my-2 text-lg">
                <Figure>{line}</Figure>
              </p>
            ))}
            {shown.asks && (
              <p className="my-2 border-l-[6px] border-weld-line pl-3 text-lg">
                <Figure>{shown.asks}</Figure>{" "}
                <button type="button" className="press" onClick={() => setLevel(at === "lower" ? "upper" : "lower")}>
                  Yes, at the {at === "lower" ? "upper" : "lower"} level
                </button>
              </p>
            )}
            <div className="my-3 flex flex-wrap gap-3">
              {shown.correction && !shown.within && shown.changes.length > 0 && (
                <button type="button" className="press press-main" onClick={() => void keep(true)}>
                  Put it into the plan
                </button>
              )}
              <button type="button" className="press" onClick={() => void keep(false)}>
                {shown.within ? "Keep the check, leave it" : "Keep the check alone"}
              </button>
            </div>
            {shown.changes.length > 0 && <NewMarks spec={spec} answer={shown} />}
          </>
        )}
        {!shown && last && (
          <p className="text-lg">
            <Figure>{`Corrected ${(spec.corrections?.length ?? 0) > 1 ? `${spec.corrections?.length} times; the last time ` : "once: "}${last.way === "out" ? "let out" : "taken in"} by ${last.by}.`}</Figure>{" "}
            Baste it by the new marks and measure again.
          </p>
        )}
      </section>
    </div>
  );
}

/** The pleats that change, with their marks as they will be. */
function NewMarks({ spec, answer }: { spec: SectionSpec; answer: CheckAnswer }) {
  const { answer: chalk } = useAsked("/chalk", {
    ...spec,
    corrections: [...(spec.corrections ?? []), answer.correction],
  });
  if (!chalk) return null;
  const changed = new Map(answer.changes.map((one) => [one.pleat, one.divisions]));
  const marks = chalk.marks.filter((mark) => changed.has(mark.pleat));
  return (
    <table className="w-full max-w-2xl border-collapse text-lg">
      <caption className="text-left font-semibold">The marks that move, measured from the start</caption>
      <thead>
        <tr className="text-left text-sm text-smoke">
          <th scope="col">Pleat</th>
          <th scope="col">Mark</th>
          <th scope="col">At</th>
        </tr>
      </thead>
      <tbody>
        {marks.map((mark, index) => (
          // biome-ignore lint/suspicious/noArrayIndexKey: marks have no other name than their place in the list
          <tr key={index} className={mark.first ? "border-t border-thread" : ""}>
            <td className="py-1 pr-4 font-bold">{mark.first ? mark.pleat : ""}</td>
            <td className="py-1 pr-4">
              <MarkGlyph kind={mark.kind} width={20} className="mr-2 inline" />
              {GLYPHS[mark.kind as keyof typeof GLYPHS].word}
            </td>
            <td className="py-1">
              <Figure>{mark.at.text}</Figure>
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}
