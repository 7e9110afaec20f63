import { useState } from "react";
import { ask, type Problem, Refused } from "../../api/client";
import { saysWhy } from "../../state/sentence";
import { useAsked } from "../../state/use-asked";
import { useDraft } from "../../state/use-draft";
import { UNREACHED } from "../../state/use-keeping";
import { useUsualUnit } from "../../state/use-ways";
import { Choose, Text } from "../controls/fields";
import { Figure } from "../controls/figure";
import { Sheet } from "../controls/sheet";
import { Gathers } from "./gathers";

interface Row {
  every: number;
  stitch: string;
  measured: string;
}
interface Strip {
  cloth: string;
  unit: string;
  each: string;
  tuck: string;
  rows: Row[];
}
const EMPTY: Strip = {
  cloth: "",
  unit: "",
  each: "",
  tuck: "",
  rows: [
    { every: 12, stitch: "2.5", measured: "" },
    { every: 6, stitch: "4", measured: "" },
    { every: 6, stitch: "2.5", measured: "" },
    { every: 1, stitch: "4", measured: "" },
  ],
};

/** One strip on which several settings of an attachment are tried: planned, labelled, measured, seen side by side, kept. */
export function SamplerSheet({ onClose, onKept }: { onClose: () => void; onKept: (many: number) => void }) {
  const { now: typed, type: setNow, clear } = useDraft<Strip>("sampler", EMPTY);
  const usual = useUsualUnit();
  const now = { ...typed, unit: typed.unit || usual };
  const sampled = useAsked("/swatches/sampler", {
    unit: now.unit,
    each: now.each,
    tuck: now.tuck,
    settings: now.rows.map(({ every, stitch }) => ({ every, stitch })),
    measured: now.rows.map((row) => row.measured),
  });
  const told = sampled.answer;
  const [unkept, setUnkept] = useState<Problem[]>([]);
  const problems = [...sampled.problems, ...unkept];
  const put = (at: number, fields: Partial<Row>) =>
    setNow({ ...now, rows: now.rows.map((row, index) => (index === at ? { ...row, ...fields } : row)) });
  const keep = async () => {
    let many = 0;
    const rows = [...now.rows];
    setUnkept([]);
    try {
      for (const [at, row] of now.rows.entries()) {
        if (!row.measured.trim()) continue;
        await ask("POST", "/swatches", {
          cloth: now.cloth,
          kind: "attachment",
          unit: now.unit,
          spec: {
            flat: now.each || told?.each.text,
            measured: [row.measured],
            every: String(row.every),
            stitch: row.stitch,
          },
        });
        many += 1;
        rows[at] = { ...row, measured: "" };
      }
    } catch (error) {
      // What is kept already is not kept twice.
      if (many) setNow({ ...now, rows });
      setUnkept(error instanceof Refused ? error.problems : [UNREACHED]);
      return;
    }
    clear();
    onKept(many);
    onClose();
  };
  return (
    <Sheet
      wide
      title="A strip of samples"
      says="Try several settings one after another on one strip, each between two marks; then measure between them."
      open
      onClose={onClose}
    >
      <div className="no-print flex flex-wrap items-end gap-x-5 gap-y-2">
        <Text
          name="Cloth"
          path="cloth"
          value={now.cloth}
          problems={problems}
          onType={(cloth) => setNow({ ...now, cloth })}
        />
        <Choose
          name="Bare numbers are in"
          value={now.unit}
          options={[
            ["cm", "cm"],
            ["in", "inches"],
          ]}
          onPick={(unit) => setNow({ ...now, unit })}
        />
        <Text
          name="Each sample"
          path="each"
          value={now.each}
          assumed={told?.each.text}
          problems={problems}
          onType={(each) => setNow({ ...now, each })}
        />
        <Text
          name="It tucks about"
          path="tuck"
          value={now.tuck}
          assumed={told?.tuck.text}
          problems={problems}
          onType={(tuck) => setNow({ ...now, tuck })}
        />
      </div>
      <div className="mt-3 flex flex-wrap gap-x-2 gap-y-1">
        {told?.samples.map((sample) => {
          const seen = sample.made ?? sample.ratio;
          return (
            <figure key={sample.number} className="m-0 w-36">
              <Gathers
                ratio={seen.value}
                colour="var(--cloth)"
                says={`Sample ${sample.number}, gathered ${seen.text} times`}
              />
              <figcaption className="text-sm">
                <strong>{sample.number}</strong>{" "}
                <Figure>{`${seen.text} times${sample.made ? "" : ", expected"}`}</Figure>
              </figcaption>
            </figure>
          );
        })}
      </div>
      <ol className="m-0 mt-2 list-none p-0" aria-label="Samples">
        {now.rows.map((row, at) => {
          const sample = told?.samples[at];
          return (
            // biome-ignore lint/suspicious/noArrayIndexKey: a sample has no other name than its number
            <li key={at} className="flex flex-wrap items-center gap-x-4 gap-y-1 border-t border-thread py-2">
              <strong className="text-2xl">{at + 1}</strong>
              <span className="no-print flex flex-wrap items-end gap-x-3">
                <Choose
                  name="A tuck every"
                  value={String(row.every)}
                  options={[
                    ["1", "1"],
                    ["6", "6"],
                    ["12", "12"],
                    ["0", "none"],
                  ]}
                  onPick={(every) => put(at, { every: Number(every) })}
                />
                <Text
                  name="Stitch, mm"
                  path={`settings.${at}.stitch`}
                  value={row.stitch}
                  problems={problems}
                  onType={(stitch) => put(at, { stitch })}
                />
                <Text
                  name={`Sample ${at + 1} measures`}
                  path={`measured.${at}`}
                  value={row.measured}
                  problems={problems}
                  onType={(measured) => put(at, { measured })}
                />
              </span>
              {sample && (
                <span className="flex grow flex-wrap items-center gap-x-4">
                  <span className="min-w-56">
                    <Figure>
                      {`${sample.says}; from ${sample.start.text} to ${sample.end.text} on the strip. ${
                        sample.made
                          ? `It made ${sample.made.text} times${sample.tuck ? `, tucks of ${sample.tuck.text}` : ""}.`
                          : `Expect ${sample.expected.text}, ${sample.ratio.text} times.`
                      }`}
                    </Figure>
                  </span>
                </span>
              )}
              <button
                type="button"
                className="press no-print"
                aria-label={`Remove sample ${at + 1}`}
                onClick={() => setNow({ ...now, rows: now.rows.filter((_, index) => index !== at) })}
                disabled={now.rows.length < 2}
              >
                Remove
              </button>
            </li>
          );
        })}
      </ol>
      {told?.says.map((line) => (
        <p key={line} className="m-0">
          <Figure>{line}</Figure>
        </p>
      ))}
      <div className="no-print mt-2 flex flex-wrap gap-2">
        <button
          type="button"
          className="press"
          disabled={now.rows.length >= 24}
          onClick={() => setNow({ ...now, rows: [...now.rows, { every: 6, stitch: "3", measured: "" }] })}
        >
          One sample more
        </button>
        <button type="button" className="press" onClick={() => window.print()}>
          Print the labels
        </button>
        <button
          type="button"
          className="press press-main"
          disabled={sampled.problems.length > 0 || sampled.busy || !now.rows.some((row) => row.measured.trim())}
          onClick={() => void keep()}
        >
          Keep what is measured
        </button>
      </div>
      {problems
        .filter((one) => !/^(cloth|settings|measured|each|tuck)/.test(one.path))
        .map((one) => (
          <p key={one.message} role="alert" className="m-0 text-madder">
            <Figure>{saysWhy(one)}</Figure>
          </p>
        ))}
    </Sheet>
  );
}
