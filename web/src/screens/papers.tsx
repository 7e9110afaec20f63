import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { Link, useSearch } from "wouter";
import { ask, type Problem, type ReadyWork, Refused } from "../api/client";
import { Choose } from "../parts/controls/fields";
import { ChalkChoice } from "../parts/table/chalk-choice";
import { Plotter } from "../parts/table/plotter";
import { keptFrom, keptSide } from "../state/chalk-place";
import { inInches } from "../state/habit";
import { saysWhy, sentence } from "../state/sentence";
import { useAsked } from "../state/use-asked";
import { take } from "../state/use-file";
import { useWays } from "../state/use-ways";

const KINDS = [
  ["sheet", "Work sheet", "the whole work on a page or two, to be pinned up"],
  ["pattern", "Pattern pieces", "each cut piece at full size"],
  ["template", "Template", "the strip at full size, over several sheets"],
  ["gauge", "Gauge", "a card with notches for one pleat after another"],
  ["sample", "Sample", "three pleats to fold from paper or cloth"],
  ["chalk", "Chalk list", "every mark with its place"],
  ["labels", "Labels", "one for each cut piece"],
  ["cutting", "Cutting plan", "every piece on its cloth"],
  ["slip", "Shopping slip", "what to buy"],
  ["making", "Order of making", "every step with its figures, the picture before it"],
] as const;
type Kind = (typeof KINDS)[number][0];
const OF_ONE_PIECE = new Set<Kind>(["template", "gauge", "sample", "chalk"]);
const FILES: Record<string, string> = { pdf: "PDF, to print", svg: "SVG", dxf: "DXF", csv: "CSV" };

/** The papers of a work: seen first, then taken as files. */
export function Papers({ name }: { name: string }) {
  const found = useQuery({
    queryKey: ["papers of", name],
    queryFn: () => ask<ReadyWork>("GET", `/works/${name}/ready`),
    retry: 1,
  });
  if (!found.data)
    return (
      <main className="p-8">
        <h1 className="text-2xl font-bold">Papers</h1>
        <p>{found.isError ? `${sentence(found.error.message)} Nothing to print.` : "Fetching the work…"}</p>
        <Link className="press" href="/">
          Back to the works
        </Link>
      </main>
    );
  return <Laid work={found.data} />;
}

function Laid({ work }: { work: ReadyWork }) {
  const said = new URLSearchParams(useSearch());
  const [kind, setKind] = useState<Kind>("sheet");
  const [piece, setPiece] = useState(() =>
    Math.max(
      0,
      work.sections.findIndex((one) => one.key === said.get("piece")),
    ),
  );
  const [cutPiece, setCutPiece] = useState("");
  const ways = useWays().data?.ways;
  const [picked, setSheet] = useState<string | null>(null);
  const sheet = picked ?? ways?.paper ?? (inInches(work.sections[0]?.spec.unit) ? "letter" : "a4");
  const [nought, setNought] = useState<string>(() => keptFrom(said.get("piece") ?? ""));
  const [keptAs, setSide] = useState<string | null>(() => keptSide(said.get("piece") ?? ""));
  const side = keptAs ?? ways?.side ?? "RS";
  const [wrong, setWrong] = useState<Problem[]>([]);
  const asked = {
    paper: kind,
    sheet,
    work: work.name,
    here: piece,
    piece: kind === "pattern" ? cutPiece : "",
    nought,
    side,
    cloths: work.cloths,
    thing: work.thing,
    sections: work.sections.map(({ key, name, spec, times }) => ({ key, name, spec, times })),
  };
  const { answer, problems } = useAsked("/papers/pages", work.sections.length || work.thing ? asked : null);
  const get = async (format: string) => {
    setWrong([]);
    try {
      await take("POST", "/papers/file", { ...asked, format });
    } catch (error) {
      setWrong(error instanceof Refused ? error.problems : []);
    }
  };
  const told = [...problems, ...wrong];
  return (
    <div className="px-3 pb-16 sm:px-5">
      <header className="flex flex-wrap items-center gap-x-4 pt-2">
        <Link href={`/works/${work.key}`} className="press -ml-2">
          ‹ Bench
        </Link>
        <h1 className="m-0 text-2xl font-bold">Papers for {work.name}</h1>
      </header>
      <div className="mt-3 grid grid-cols-1 gap-5 lg:grid-cols-[15rem_minmax(0,1fr)]">
        <nav aria-label="Papers" className="flex flex-wrap gap-1 lg:flex-col">
          {KINDS.map(([value, word, what]) => (
            <button
              key={value}
              type="button"
              aria-pressed={kind === value}
              onClick={() => setKind(value)}
              className={`min-h-11 px-3 py-1 text-left ${kind === value ? "bg-linen font-bold shadow-[inset_5px_0_0_var(--madder)]" : "hover:bg-woad-wash"}`}
            >
              {word}
              <span className="hidden text-sm font-normal text-smoke lg:block">{what}</span>
            </button>
          ))}
        </nav>
        <main className="min-w-0">
          <div className="flex flex-wrap items-end gap-x-4 gap-y-2">
            {work.sections.length > 1 && OF_ONE_PIECE.has(kind) && (
              <Choose
                name="Of"
                value={`${piece}`}
                options={work.sections.map((one, index) => [`${index}`, one.name] as const)}
                onPick={(value) => setPiece(Number(value))}
              />
            )}
            {kind === "pattern" && answer && answer.pieces.length > 1 && (
              <Choose
                name="Of"
                value={cutPiece}
                options={[
                  ["", "all that are no rectangles"],
                  ...answer.pieces.map((one) => [one.key, one.name] as [string, string]),
                ]}
                onPick={setCutPiece}
              />
            )}
            <Choose
              name="On"
              value={sheet}
              options={[
                ["a4", "A4"],
                ["letter", "Letter"],
              ]}
              onPick={setSheet}
            />
            {kind === "chalk" && <ChalkChoice from={nought} side={side} onFrom={setNought} onSide={setSide} />}
            {told.length === 0 &&
              answer?.formats.map((format) => (
                <button
                  key={format}
                  type="button"
                  className={`press ${format === "pdf" ? "press-main" : ""}`}
                  onClick={() => void get(format)}
                >
                  {FILES[format]}
                </button>
              ))}
          </div>
          {told.map((problem) => (
            <p key={problem.message} role="alert" className="my-3 border-l-[6px] border-weld-line pl-3">
              {saysWhy(problem)}
            </p>
          ))}
          {work.sections.length === 0 && !work.thing && (
            <p>This work has no piece yet, so there is nothing to print.</p>
          )}
          {answer && told.length === 0 && (
            <>
              <p className="mt-3 mb-2">
                {answer.says}
                {answer.count > answer.pages.length && ` The first ${answer.pages.length} of ${answer.count} pages:`}
              </p>
              <ol aria-label="Pages" className="m-0 flex list-none flex-wrap gap-4 p-0">
                {answer.pages.map((page, index) => (
                  // biome-ignore lint/suspicious/noArrayIndexKey: a page has no other name than its place
                  <li key={index} className="max-w-full">
                    <img
                      src={`data:image/svg+xml;charset=utf-8,${encodeURIComponent(page.replace(/^(<svg[^>]*>)/, `$1<style>${answer.style}</style>`))}`}
                      alt={`${answer.title}, page ${index + 1} of ${answer.count}`}
                      width={answer.width * (answer.pages.length > 6 ? 1.35 : answer.width > answer.height ? 3 : 2.4)}
                      className="h-auto max-w-full border border-smoke bg-white"
                    />
                  </li>
                ))}
              </ol>
              {answer.formats.includes("svg") && <Plotter asked={asked} />}
            </>
          )}
        </main>
      </div>
    </div>
  );
}
