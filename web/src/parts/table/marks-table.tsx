import { useState } from "react";
import type { ChalkAnswer, Plan } from "../../api/client";
import { GLYPHS } from "../../ribbon/glyphs";
import { Figure } from "../controls/figure";
import { Term } from "../handbook/named";
import { MarkGlyph } from "./mark-glyph";

const PAGE = 300;

/** Every mark as a list, one group a pleat, the first of each bolder: what is drawn, for reading and for chalk. */
export function MarksTable({ plan, chalk }: { plan: Plan; chalk: ChalkAnswer }) {
  const [most, setMost] = useState(PAGE);
  const { marks } = chalk;
  const shown = marks.slice(0, most);
  const both = marks.some((mark) => mark.on);
  return (
    <section aria-label="The marks" className="bg-linen px-4 py-3">
      <h2 className="mt-0 mb-1 text-lg font-bold">
        {marks.length === 1 ? "1 mark" : `${marks.length} marks`} along the flat width
      </h2>
      <p className="m-0 mb-2 text-smoke">
        {chalk.says}{" "}
        <Figure>
          {plan.on_tape
            ? `To the nearest ${plan.tape?.text}. ${plan.on_tape.says}`
            : "Exact places; ≈ shows what was rounded in writing."}
        </Figure>{" "}
        <Figure>{chalk.nought}</Figure>
      </p>
      <table className="w-full max-w-3xl border-collapse text-lg">
        <thead>
          <tr className="text-left text-sm text-smoke">
            <th className="py-1 pr-4 font-semibold" scope="col">
              {chalk.called === "point" ? "Point" : "Pleat"}
            </th>
            <th className="py-1 pr-4 font-semibold" scope="col">
              Mark
            </th>
            <th className="py-1 pr-4 font-semibold" scope="col">
              {both ? "At, on the cloth" : "At"}
            </th>
            {both && (
              <th className="py-1 font-semibold" scope="col">
                On what it is sewn to
              </th>
            )}
          </tr>
        </thead>
        <tbody>
          {shown.map((mark, index) => {
            const { first } = mark;
            const look = GLYPHS[mark.kind as keyof typeof GLYPHS];
            return (
              // biome-ignore lint/suspicious/noArrayIndexKey: marks have no other name than their place in the list
              <tr key={index} className={first ? "border-t border-thread" : ""}>
                <td className="py-1 pr-4 font-bold">{first ? mark.pleat : ""}</td>
                <td className={`py-1 pr-4 ${first ? "font-bold" : ""}`}>
                  <MarkGlyph kind={mark.kind} width={20} className="mr-2 inline" />
                  {mark.pleat === marks[0]?.pleat ? <Term name={look.word} /> : look.word}
                </td>
                <td className={`py-1 pr-4 ${first ? "font-bold" : ""}`}>
                  <Figure>{`${mark.at.text}${mark.hand ? ` ${mark.hand}` : ""}`}</Figure>
                </td>
                {both && (
                  <td className={`py-1 ${first ? "font-bold" : ""}`}>
                    <Figure>{mark.on ? `${mark.on.text}${mark.hand ? ` ${mark.hand}` : ""}` : ""}</Figure>
                  </td>
                )}
              </tr>
            );
          })}
        </tbody>
      </table>
      {marks.length > most && (
        <button type="button" className="press" onClick={() => setMost((n) => n + PAGE)}>
          Show more of {marks.length}
        </button>
      )}
    </section>
  );
}
