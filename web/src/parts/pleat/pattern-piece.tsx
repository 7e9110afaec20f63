import type { Plan, Problem, SectionSpec } from "../../api/client";
import { many } from "../../state/figure";
import { Text, TickBox } from "../controls/fields";
import { Figure } from "../controls/figure";

interface Props {
  spec: SectionSpec;
  plan: Plan | null;
  problems: Problem[];
  onChange: (spec: SectionSpec, field: string) => void;
}

const OF = { half: "This half", piece: "The piece", garment: "The garment" } as const;

/** Pleats let into a flat pattern piece: where it is cut, how far it is spread, its top trued, counts and totals. */
export function PatternPiece({ spec, plan, problems, onChange }: Props) {
  const piece = spec.piece ?? null;
  const put = (fields: Partial<NonNullable<SectionSpec["piece"]>>) =>
    onChange({ ...spec, piece: { ...(piece ?? {}), ...fields } }, "piece");
  const made = plan?.inserted ?? null;
  return (
    <div>
      <TickBox
        name="The pleats are let into a pattern piece"
        on={piece !== null}
        onTick={(on) => onChange({ ...spec, piece: on ? { rise: "0", times: 1 } : null }, "piece")}
      />
      {piece && (
        <div className="flex flex-wrap items-end gap-x-5 gap-y-2">
          <Text
            name="Its top rises by"
            path="piece.rise"
            value={piece.rise}
            problems={problems}
            onType={(rise) => put({ rise })}
          />
          <Text
            name="Pieces in the garment"
            path="piece.times"
            value={piece.times}
            problems={problems}
            onType={(text) => put({ times: Math.max(1, Math.min(40, Number.parseInt(text, 10) || 1)) })}
          />
        </div>
      )}
      {piece && made && (
        <div className="mt-2 flex flex-wrap gap-x-8 gap-y-3">
          <table className="border-collapse self-start">
            <caption className="text-left font-semibold">Cut and spread</caption>
            <thead>
              <tr className="text-left text-sm text-smoke">
                {["Pleat", "Cut at", "Spread at the edge", "Spread above"].map((head) => (
                  <th key={head} scope="col" className="pr-4 font-semibold">
                    {head}
                  </th>
                ))}
              </tr>
            </thead>
            <tbody>
              {made.lines.map((line) => (
                <tr key={`${line.pleat} ${line.at.mm}`} className="border-t border-thread">
                  <td className="pr-4 font-bold">{line.pleat}</td>
                  <td className="pr-4">{line.on_fold ? "the fold line" : <Figure>{line.at.text}</Figure>}</td>
                  <td className="pr-4">
                    <Figure>{line.lower.text}</Figure>
                  </td>
                  <td>
                    <Figure>{line.upper.text}</Figure>
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
          <table className="border-collapse self-start">
            <caption className="text-left font-semibold">In all</caption>
            <tbody>
              {made.totals.map((total) => (
                <tr key={total.of} className="border-t border-thread">
                  <th scope="row" className="pr-4 text-left font-semibold">
                    {OF[total.of as "half" | "piece" | "garment"]}
                  </th>
                  <td className="pr-4">{many(total.pleats, "pleat")}</td>
                  <td>
                    <Figure>{`${total.take_up.text} of cloth`}</Figure>
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
          <TruedTop corners={made.trued} width={made.upper.mm} />
        </div>
      )}
    </div>
  );
}

/** The top edge as it must be cut so that it runs true once folded. */
function TruedTop({
  corners,
  width,
}: {
  corners: { at: { mm: number; text: string }; height: { mm: number; text: string } }[];
  width: number;
}) {
  const most = Math.max(1e-9, ...corners.map((corner) => Math.abs(corner.height.mm)));
  const line = corners
    .map(
      (corner, i) =>
        `${i ? "L" : "M"}${((corner.at.mm / width) * 340).toFixed(1)} ${(52 - (corner.height.mm / most) * 34).toFixed(1)}`,
    )
    .join("");
  return (
    <figure className="m-0">
      <figcaption className="font-semibold">The top, trued (height drawn larger)</figcaption>
      <svg
        width="350"
        height="80"
        viewBox="-4 0 350 80"
        className="max-w-full"
        role="img"
        aria-label={corners.map((corner) => `${corner.height.text} high at ${corner.at.text}`).join(", ")}
      >
        <path d={`${line}V76H0Z`} fill="var(--cloth-under)" />
        <path d={line} fill="none" stroke="var(--soot)" strokeWidth="2" />
      </svg>
    </figure>
  );
}
