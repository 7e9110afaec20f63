import { useEffect, useState } from "react";
import { ask, type Lies, type SectionSpec } from "../../api/client";
import { GLYPHS } from "../../ribbon/glyphs";
import { inOrder } from "../../state/in-order";
import { Figure } from "../controls/figure";

const MOST = 400;

/** The ribbon as a table, for those who read it rather than see it: where every line lies, flat and folded. */
export function LiesTable({ spec }: { spec: SectionSpec }) {
  const [open, setOpen] = useState(false);
  const [rows, setRows] = useState<Lies[]>([]);
  const asked = inOrder(spec);
  useEffect(() => {
    if (!open) return;
    let newest = true;
    ask<Lies[]>("POST", "/lies", JSON.parse(asked))
      .then((found) => newest && setRows(found))
      .catch(() => newest && setRows([]));
    return () => {
      newest = false;
    };
  }, [open, asked]);
  return (
    <details onToggle={(event) => setOpen(event.currentTarget.open)}>
      <summary className="min-h-11 py-2 font-semibold text-woad">The ribbon as a table</summary>
      <table className="border-collapse bg-linen">
        <caption className="sr-only">Where every line lies on the flat cloth and on the finished edge</caption>
        <thead>
          <tr className="text-left text-sm text-smoke">
            {["Pleat", "Line", "On the flat cloth", "Comes to lie at", "Layer, from the front"].map((head) => (
              <th key={head} scope="col" className="px-3 font-semibold">
                {head}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {rows.slice(0, MOST).map((row, index) => (
            // biome-ignore lint/suspicious/noArrayIndexKey: a line has no other name than its row
            <tr key={index} className="border-t border-thread">
              <th scope="row" className="px-3 text-left">
                {row.pleat}
              </th>
              <td className="px-3">{GLYPHS[row.kind as keyof typeof GLYPHS].word}</td>
              <td className="px-3">
                <Figure>{row.flat}</Figure>
              </td>
              <td className="px-3">
                <Figure>{row.finished}</Figure>
              </td>
              <td className="px-3">{row.layer}</td>
            </tr>
          ))}
        </tbody>
      </table>
      {rows.length > MOST && (
        <p className="m-0 text-sm text-smoke">
          The first {MOST} of {rows.length} lines.
        </p>
      )}
    </details>
  );
}
