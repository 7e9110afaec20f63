import { useRef, useState } from "react";
import { asked, type Problem, Refused, type SectionSpec } from "../../api/client";
import { changed } from "../../state/spec";
import { useDraft } from "../../state/use-draft";
import { Choose, Text } from "../controls/fields";
import { Figure } from "../controls/figure";

type Row = { depth: string; gap: string };

/** Pleats draped by eye: each depth and gap as measured, evened into pins, or kept each at its place. */
export function Draped({
  spec,
  piece,
  onChange,
}: {
  spec: SectionSpec;
  piece: string;
  onChange: (spec: SectionSpec, field: string) => void;
}) {
  const { now: rows, type: setRows } = useDraft<Row[]>(`draped/${piece}`, [{ depth: "", gap: "" }]);
  const [keep, setKeep] = useState<"total" | "average">("total");
  const [problems, setProblems] = useState<Problem[]>([]);
  const [says, setSays] = useState("");
  const newest = useRef({ spec, onChange });
  newest.current = { spec, onChange };
  const set = (index: number, fields: Partial<Row>) =>
    setRows(rows.map((row, i) => (i === index ? { ...row, ...fields } : row)));
  const even = async () => {
    try {
      const draped = rows.filter((row, i) => row.depth.trim() || row.gap.trim() || i === 0);
      const made = await asked("/even", { kind: spec.kind, unit: spec.unit ?? "cm", draped, keep });
      const { spec: now, onChange } = newest.current;
      const others = keep === "average" && now.pins?.finished ? { finished: now.pins.finished } : {};
      const tight = { lead: { times: "1/2" }, tail: { times: "1/2" } };
      const bare = { ...now, ...tight, placed: [], meet: null, pins: others };
      onChange(changed(bare, made.change), "draped");
      setProblems([]);
      const before = now.pins?.finished;
      const was = typeof before === "object" ? before?.about : before;
      const replaced =
        keep === "total" && was
          ? ` The finished width was ${was} and is now ${made.change["pins.finished"]}; undo brings it back.`
          : "";
      setSays(`${made.says}${replaced}`);
    } catch (error) {
      setProblems(error instanceof Refused ? error.problems : []);
      setSays(error instanceof Refused ? "" : "The program does not answer.");
    }
  };
  return (
    <div>
      <p className="m-0 mb-1 max-w-prose text-sm text-smoke">
        Drape a few by eye on the stand, measure each: how deep it is, and how much shows from it to the next.
      </p>
      {rows.map((row, index) => (
        // biome-ignore lint/suspicious/noArrayIndexKey: a draped pleat has no other name than its row
        <div key={index} className="flex items-end gap-3">
          <Text
            name={`Pleat ${index + 1}, depth`}
            path={`draped.${index}.depth`}
            value={row.depth}
            problems={problems}
            onType={(depth) => set(index, { depth })}
          />
          <Text
            name={index === rows.length - 1 && index > 0 ? "To the next, if there is one" : "To the next"}
            path={`draped.${index}.gap`}
            value={row.gap}
            problems={problems}
            onType={(gap) => set(index, { gap })}
          />
          {rows.length > 1 && (
            <button
              type="button"
              className="press"
              aria-label={`Remove draped pleat ${index + 1}`}
              onClick={() => setRows(rows.filter((_, i) => i !== index))}
            >
              Remove
            </button>
          )}
        </div>
      ))}
      <div className="mt-2 flex flex-wrap items-end gap-3">
        <button type="button" className="press" onClick={() => setRows([...rows, { depth: "", gap: "" }])}>
          Add a draped pleat
        </button>
        <Choose
          name="Keep"
          value={keep}
          options={[
            ["total", "The widths in all"],
            ["average", "The average pleat"],
          ]}
          onPick={(value) => setKeep(value as "total" | "average")}
        />
        <button type="button" className="press press-main" onClick={() => void even()}>
          Even them
        </button>
      </div>
      <p role="status" className="m-0">
        <Figure>{says}</Figure>
      </p>
    </div>
  );
}
