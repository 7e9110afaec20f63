import { useRef, useState } from "react";
import { ask, type Plan, type Problem, type SectionSpec } from "../../api/client";
import { begin } from "../../state/habit";
import { whyNot } from "../../state/sentence";
import { Choose, Text } from "../controls/fields";
import { Figure } from "../controls/figure";
import { FromBook } from "../swatch/from-book";

interface Props {
  spec: SectionSpec;
  plan: Plan | null;
  problems: Problem[];
  onChange: (spec: SectionSpec, field: string) => void;
}
type Gathering = NonNullable<SectionSpec["gathering"]>;

/** How an edge is gathered: the cloth's weight, swatches, rows and threads, match points, an attachment. */
export function GatheringFacts({ spec, plan, problems, onChange }: Props) {
  const said: Gathering = spec.gathering ?? {};
  const put = (fields: Partial<Gathering>) => onChange({ ...spec, gathering: { ...said, ...fields } }, "gathering");
  const swatches = said.swatches ?? [];
  const points = said.points ?? [];
  const optional = (text: string) => (text.trim() ? text : null);
  return (
    <div className="flex flex-col gap-3">
      <div className="flex flex-wrap items-end gap-x-5 gap-y-2">
        <Choose
          name="The cloth is"
          value={said.weight ?? "unsaid"}
          options={[
            ["unsaid", "not said"],
            ["sheer", "sheer"],
            ["light", "light"],
            ["medium", "medium"],
            ["heavy", "heavy"],
          ]}
          onPick={(weight) =>
            put({ weight: weight === "unsaid" ? null : (weight as NonNullable<Gathering["weight"]>) })
          }
        />
        <Choose
          name="Rows of stitches"
          value={String(said.rows ?? 2)}
          options={["1", "2", "3", "4"].map((n) => [n, n])}
          onPick={(n) => put({ rows: Number(n) })}
        />
        <Text
          name="Longest thread trusted"
          path="gathering.thread"
          value={said.thread}
          assumed={begin(spec, "120 cm", "48 in")}
          problems={problems}
          onType={(text) => put({ thread: optional(text) })}
        />
        <Text
          name="Thread left at each end"
          path="gathering.tail"
          value={said.tail}
          assumed={begin(spec, "10 cm", "4 in")}
          problems={problems}
          onType={(text) => put({ tail: optional(text) })}
        />
        <Text
          name="Longest part between points"
          path="gathering.longest"
          value={said.longest}
          assumed={begin(spec, "25 cm", "10 in")}
          problems={problems}
          onType={(text) => put({ longest: optional(text) })}
        />
      </div>
      <div>
        {swatches.map((swatch, index) => (
          // biome-ignore lint/suspicious/noArrayIndexKey: a swatch has no other name than its row
          <div key={index} className="flex items-end gap-3">
            <Text
              name={`Swatch ${index + 1}, flat`}
              path={`gathering.swatches.${index}.flat`}
              value={swatch.flat}
              problems={problems}
              onType={(flat) => put({ swatches: swatches.map((s, i) => (i === index ? { ...s, flat } : s)) })}
            />
            <Text
              name="Gathered to"
              path={`gathering.swatches.${index}.finished`}
              value={swatch.finished}
              problems={problems}
              onType={(finished) => put({ swatches: swatches.map((s, i) => (i === index ? { ...s, finished } : s)) })}
            />
            <button
              type="button"
              className="press"
              aria-label={`Remove swatch ${index + 1}`}
              onClick={() => put({ swatches: swatches.filter((_, i) => i !== index) })}
            >
              Remove
            </button>
          </div>
        ))}
        <button
          type="button"
          className="press"
          onClick={() => put({ swatches: [...swatches, { flat: "", finished: "" }] })}
        >
          Add a swatch
        </button>
      </div>
      <div>
        {points.map((point, index) => (
          // biome-ignore lint/suspicious/noArrayIndexKey: a point has no other name than its row
          <div key={index} className="flex flex-wrap items-end gap-3">
            <Text
              name="Point"
              path={`gathering.points.${index}.name`}
              value={point.name}
              problems={problems}
              onType={(name) =>
                put({ points: points.map((p, i) => (i === index ? { ...p, name: name.slice(0, 60) } : p)) })
              }
            />
            <Text
              name="On the finished edge at"
              path={`gathering.points.${index}.at`}
              value={point.at}
              problems={problems}
              onType={(at) => put({ points: points.map((p, i) => (i === index ? { ...p, at } : p)) })}
            />
            <Text
              name="On the cloth at, if known"
              path={`gathering.points.${index}.flat`}
              value={point.flat}
              problems={problems}
              onType={(text) =>
                put({ points: points.map((p, i) => (i === index ? { ...p, flat: optional(text) } : p)) })
              }
            />
            <button
              type="button"
              className="press"
              aria-label={`Remove point ${index + 1}`}
              onClick={() => put({ points: points.filter((_, i) => i !== index) })}
            >
              Remove
            </button>
          </div>
        ))}
        <button type="button" className="press" onClick={() => put({ points: [...points, { name: "", at: "" }] })}>
          Add a named match point
        </button>
      </div>
      {plan?.gathered && (
        <details>
          <summary className="min-h-11 py-2 font-semibold text-woad">
            {plan.gathered.points.length} match points on both edges
          </summary>
          <table className="border-collapse">
            <thead>
              <tr className="text-left text-sm text-smoke">
                {["Point", "On the finished edge", "On the cloth", "Name"].map((head) => (
                  <th key={head} scope="col" className="pr-5 font-semibold">
                    {head}
                  </th>
                ))}
              </tr>
            </thead>
            <tbody>
              {plan.gathered.points.map((point, index) => (
                <tr key={`${point.flat.mm}`} className="border-t border-thread">
                  <td className="pr-5 font-bold">{index + 1}</td>
                  <td className="pr-5">
                    <Figure>{point.finished.text}</Figure>
                  </td>
                  <td className="pr-5">
                    <Figure>{point.flat.text}</Figure>
                  </td>
                  <td>{point.name}</td>
                </tr>
              ))}
            </tbody>
          </table>
        </details>
      )}
      <FromBook kinds={["gathered", "attachment"]} spec={spec} onChange={onChange} />
      <Attachment spec={spec} problems={problems} put={put} />
    </div>
  );
}

/** A ruffling attachment: how it is set, what it makes, and how to set it for a wanted ratio. */
function Attachment(props: { spec: SectionSpec; problems: Problem[]; put: (fields: Partial<Gathering>) => void }) {
  const ruffler = props.spec.gathering?.ruffler ?? null;
  const newest = useRef(props);
  newest.current = props;
  const [wanted, setWanted] = useState("");
  const [says, setSays] = useState("");
  if (!ruffler)
    return (
      <span>
        <button
          type="button"
          className="press"
          onClick={() =>
            props.put({ ruffler: { tuck: begin(props.spec, "5 mm", "1/4 in"), every: 6, stitch: "2.5 mm" } })
          }
        >
          Use a ruffling attachment
        </button>
      </span>
    );
  const set = (fields: Partial<typeof ruffler>) => props.put({ ruffler: { ...ruffler, ...fields } });
  const find = async () => {
    try {
      const unit = props.spec.unit ?? "cm";
      const body = { unit, every: ruffler.every, stitch: ruffler.stitch, tuck: ruffler.tuck, ratio: wanted };
      const answer = await ask<{ stitch: string | null; says: string }>("POST", "/ruffle", body);
      const { spec, put } = newest.current;
      if (answer.stitch && spec.gathering?.ruffler)
        put({ ruffler: { ...spec.gathering.ruffler, stitch: answer.stitch } });
      setSays(answer.says);
    } catch (error) {
      setSays(whyNot(error));
    }
  };
  return (
    <div className="flex flex-wrap items-end gap-x-4 gap-y-2">
      <Text
        name="The attachment tucks"
        path="gathering.ruffler.tuck"
        value={ruffler.tuck}
        problems={props.problems}
        onType={(tuck) => set({ tuck })}
      />
      <Choose
        name="Every so many stitches"
        value={String(ruffler.every)}
        options={["1", "6", "12"].map((n) => [n, n])}
        onPick={(n) => set({ every: Number(n) })}
      />
      <Text
        name="Stitch length, mm"
        path="gathering.ruffler.stitch"
        value={ruffler.stitch}
        problems={props.problems}
        onType={(stitch) => set({ stitch })}
      />
      <Text name="Wanted fullness" path="" value={wanted} problems={[]} onType={setWanted} />
      <button type="button" className="press" onClick={() => void find()} disabled={!wanted.trim()}>
        Find the stitch length
      </button>
      <button type="button" className="press" onClick={() => props.put({ ruffler: null })}>
        No attachment
      </button>
      <p role="status" className="m-0 w-full">
        <Figure>{says}</Figure>
      </p>
    </div>
  );
}
