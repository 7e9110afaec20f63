import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { Link } from "wouter";
import { asked, type CheckAnswer, type FoldAnswer, type Problem, Refused, type SectionSpec } from "../api/client";
import { Text } from "../parts/controls/fields";
import { Figure } from "../parts/controls/figure";
import { sentence, whyNot } from "../state/sentence";
import { useDraft } from "../state/use-draft";
import { take } from "../state/use-file";
import { useTitle } from "../state/use-title";
import { useUsualUnit, useWays } from "../state/use-ways";

interface Strip {
  name: string;
  says: string;
  spec: SectionSpec;
}
const HALF = { lead: { times: "1/2" }, tail: { times: "1/2" } };
/** Three strips that fit one sheet at full size, the plainest of each way to fold, as wide as a sewist measures. */
function strips(unit: "cm" | "in"): Strip[] {
  const wide = unit === "in" ? "3/4 in" : "2 cm";
  return [
    {
      name: "Knife",
      says: "Every fold lies to one side. Pleats that meet take three times their width.",
      spec: { kind: "knife", unit, pins: { count: "3", spacing: wide }, meet: true, ...HALF },
    },
    {
      name: "Box",
      says: "Two folds turn away from each other, a flat face between them; behind it they meet.",
      spec: { kind: "box", unit, pins: { count: "3", box: wide }, meet: true, ...HALF },
    },
    {
      name: "Inverted",
      says: "Two folds turn towards each other and kiss; it is a box seen from behind.",
      spec: { kind: "inverted", unit, pins: { count: "3", spacing: wide }, meet: true, ...HALF },
    },
  ];
}

/** What is asked of the sheet. */
function sheetOf(unit: "cm" | "in", paper: string) {
  return {
    paper: "lesson",
    sheet: paper,
    work: "",
    sections: strips(unit).map((one) => ({ name: one.name, spec: one.spec })),
  };
}

/** A first lesson: three strips printed on one sheet, folded from their own lines, checked by their finished width. */
export function Lesson() {
  useTitle("A first lesson");
  const [said, setSaid] = useState("");
  const unit = useUsualUnit();
  const sheet = useWays().data?.ways.paper ?? (unit === "in" ? "letter" : "a4");
  const paper = useQuery({
    queryKey: ["lesson", unit, sheet],
    queryFn: () => asked("/papers/pages", sheetOf(unit, sheet)),
    staleTime: Number.POSITIVE_INFINITY,
  });
  const print = async () => {
    try {
      await take("POST", "/papers/file", { ...sheetOf(unit, sheet), format: "pdf" });
    } catch (error) {
      setSaid(whyNot(error));
    }
  };
  return (
    <div className="mx-auto max-w-5xl px-4 pb-24 sm:px-8">
      <header className="flex flex-wrap items-center gap-x-4 gap-y-2 pt-3 pb-4">
        <Link href="/" className="press -ml-2">
          ‹ Works
        </Link>
        <h1 className="m-0 grow text-3xl font-bold">A first lesson</h1>
        <Link href="/handbook#knife" className="press">
          In the handbook
        </Link>
        <button type="button" className="press press-main" onClick={() => void print()}>
          PDF, to print
        </button>
      </header>
      <main>
        <p className="m-0 text-lg">
          Print the sheet at full size, cut the three strips out, and fold them on your table. Solid lines come towards
          you, dashed ones go away from you, dotted ones are where the fold lands.
        </p>
        <p role="status" className="m-0">
          {said}
        </p>
        {paper.data?.pages[0] && (
          <figure className="m-0 my-3 border border-thread bg-white">
            <img
              src={`data:image/svg+xml;utf8,${encodeURIComponent(paper.data.pages[0])}`}
              alt={`${paper.data.title}. ${paper.data.says}`}
              className="w-full"
            />
          </figure>
        )}
        {strips(unit).map((strip) => (
          <Round key={strip.name} strip={strip} />
        ))}
        <p>
          Folded, it is a row of pleats like any other: <strong>New work</strong> reckons one for you, and its folding
          round tells each fold at the table as it does here.
        </p>
      </main>
    </div>
  );
}

/** One strip: what to do with each of its folds, and whether it came out as wide as it should. */
function Round({ strip }: { strip: Strip }) {
  const { now: measure, type: setMeasure } = useDraft(`lesson/${strip.name}`, "");
  const fold = useQuery({
    queryKey: ["lesson", strip.name, strip.spec.unit],
    queryFn: (): Promise<FoldAnswer> => asked("/fold", strip.spec),
    staleTime: Number.POSITIVE_INFINITY,
  }).data;
  const check = useQuery({
    queryKey: ["lesson", strip.name, strip.spec.unit, measure],
    queryFn: (): Promise<CheckAnswer> => asked("/check", { spec: strip.spec, measured: [measure] }),
    enabled: Boolean(measure.trim()),
    retry: false,
  });
  const problems: Problem[] = check.error instanceof Refused ? check.error.problems : [];
  return (
    <section aria-label={`${strip.name} pleats`} className="border-t border-thread py-3">
      <h2 className="m-0 text-xl font-bold">{strip.name} pleats</h2>
      <p className="m-0 text-smoke">{strip.says}</p>
      <ol className="my-1 list-decimal pl-7 text-lg">
        {fold?.pleats.map((one) => (
          <li key={one.start}>
            <Figure>{one.says}</Figure>
          </li>
        ))}
      </ol>
      <div className="flex flex-wrap items-end gap-x-4">
        <Text
          name="Folded, it measures"
          path="measured.0"
          value={measure}
          problems={problems.map((one) => ({ ...one, path: "measured.0" }))}
          onType={setMeasure}
        />
        <p role="status" className="m-0 pb-2">
          <Figure>
            {check.data
              ? `It should be ${check.data.planned.text}. ${sentence(check.data.says[0] ?? "")}`
              : "Type what your ruler says from end to end."}
          </Figure>
        </p>
      </div>
    </section>
  );
}
