import type { Plan, Problem, SectionSpec } from "../../api/client";
import { begin } from "../../state/habit";
import { Text, TickBox } from "../controls/fields";
import { Figure } from "../controls/figure";

interface Props {
  spec: SectionSpec;
  plan: Plan | null;
  problems: Problem[];
  onChange: (spec: SectionSpec, field: string) => void;
}
type Taper = NonNullable<SectionSpec["taper"]>;
type Dart = NonNullable<Taper["darts"]>[number];

/** A second level: how far up, how wide it finishes there, and the darts that pleats swallow. */
export function Levels({ spec, plan, problems, onChange }: Props) {
  const taper = spec.taper ?? null;
  const put = (fields: Partial<Taper>) =>
    onChange({ ...spec, taper: { ...(taper ?? { height: "" }), ...fields } }, "taper");
  const darts = taper?.darts ?? [];
  const setDart = (index: number, fields: Partial<Dart>) =>
    put({ darts: darts.map((dart, i) => (i === index ? { ...dart, ...fields } : dart)) });
  return (
    <div>
      <TickBox
        name="The edge narrows (or widens) above, as from hip to waist"
        on={taper !== null}
        onTick={(on) => onChange({ ...spec, taper: on ? { height: begin(spec, "20 cm", "8 in") } : null }, "taper")}
      />
      {taper && (
        <div className="flex flex-wrap items-end gap-x-5 gap-y-2">
          <Text
            name="How far up"
            path="taper.height"
            value={taper.height}
            problems={problems}
            onType={(height) => put({ height })}
          />
          <Text
            name="Finished width there"
            path="taper.finished"
            value={taper.finished}
            problems={problems}
            onType={(text) => put({ finished: text.trim() ? text : null })}
          />
          {darts.map((dart, index) => (
            // biome-ignore lint/suspicious/noArrayIndexKey: a dart has no other name than its row
            <span key={index} className="flex items-end gap-2">
              <Text
                name="Dart in pleat"
                path={`taper.darts.${index}.pleat`}
                value={dart.pleat}
                problems={problems}
                onType={(text) =>
                  setDart(index, { pleat: Math.max(1, Math.min(20_000, Number.parseInt(text, 10) || 1)) })
                }
              />
              <Text
                name="Its width"
                path={`taper.darts.${index}.width`}
                value={dart.width}
                problems={problems}
                onType={(width) => setDart(index, { width })}
              />
              <button
                type="button"
                className="press"
                aria-label={`Remove dart ${index + 1}`}
                onClick={() => put({ darts: darts.filter((_, i) => i !== index) })}
              >
                Remove
              </button>
            </span>
          ))}
          <button
            type="button"
            className="press"
            onClick={() =>
              put({ darts: [...darts, { pleat: darts.length + 1, width: begin(spec, "1 cm", "1/2 in") }] })
            }
          >
            Add a dart that a pleat swallows
          </button>
        </div>
      )}
      {taper && plan?.taper && <Upper plan={plan} upper={plan.taper} />}
    </div>
  );
}

const MOST = 90;

function Upper({ plan, upper }: { plan: Plan; upper: NonNullable<Plan["taper"]> }) {
  const lower = plan.on_tape?.marks ?? plan.marks;
  return (
    <details className="mt-1">
      <summary className="min-h-11 py-2 font-semibold text-woad">Marks at both levels</summary>
      <table className="border-collapse">
        <thead>
          <tr className="text-left text-sm text-smoke">
            {["Pleat", "Mark", "At the edge", `${upper.height.text} up`, "Slants by"].map((head) => (
              <th key={head} scope="col" className="pr-5 font-semibold">
                <Figure>{head}</Figure>
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {upper.marks.slice(0, MOST).map((mark, index) => (
            // biome-ignore lint/suspicious/noArrayIndexKey: a mark has no other name than its row
            <tr key={index} className={upper.marks[index - 1]?.pleat !== mark.pleat ? "border-t border-thread" : ""}>
              <td className="pr-5 font-bold">{upper.marks[index - 1]?.pleat !== mark.pleat ? mark.pleat : ""}</td>
              <td className="pr-5">{mark.kind}</td>
              <td className="pr-5">
                <Figure>{lower[index]?.at.text ?? ""}</Figure>
              </td>
              <td className="pr-5">
                <Figure>{mark.at.text}</Figure>
              </td>
              <td>
                <Figure>{upper.slants[index]?.shift.text ?? ""}</Figure>
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      {upper.marks.length > MOST && (
        <p className="m-0 text-sm text-smoke">
          The first {MOST} of {upper.marks.length}.
        </p>
      )}
    </details>
  );
}
