import { useQuery } from "@tanstack/react-query";
import { useRef, useState } from "react";
import { Link } from "wouter";
import { ask, type SectionSpec, type SwatchRow } from "../../api/client";
import { sentence, whyNot } from "../../state/sentence";
import { Figure } from "../controls/figure";

interface Props {
  kinds: SwatchRow["kind"][];
  spec: SectionSpec;
  onChange: (spec: SectionSpec, field: string) => void;
}

/** The swatches of the book that can decide here: one press takes one, and it decides over formulas. */
export function FromBook({ kinds, spec, onChange }: Props) {
  const book = useQuery({
    queryKey: ["swatches"],
    queryFn: ({ signal }) => ask<{ swatches: SwatchRow[] }>("GET", "/swatches", undefined, { signal }),
  });
  const [said, setSaid] = useState("");
  const newest = useRef({ spec, onChange });
  newest.current = { spec, onChange };
  const cloth = spec.cloth?.name ?? "";
  // Those of its own cloth first.
  const rows = (book.data?.swatches ?? [])
    .filter((one) => kinds.includes(one.kind) && (one.ratio || one.turn || one.packed))
    .sort((a, b) => Number(b.cloth === cloth) - Number(a.cloth === cloth));
  const taken = rows.find((one) => one.key === spec.swatch);
  const take = async (key: string) => {
    try {
      const answer = await ask<{ section: SectionSpec; says: string }>("POST", `/swatches/${key}/taken`, {
        section: newest.current.spec,
      });
      newest.current.onChange(answer.section, "swatch");
      setSaid(sentence(answer.says));
    } catch (error) {
      setSaid(whyNot(error));
    }
  };
  return (
    <section aria-label="From the swatch book">
      <p className="m-0 font-semibold">From the swatch book{taken ? `: ${taken.cloth} decides` : ""}</p>
      <ul className="m-0 list-none p-0">
        {rows.map((row) => (
          <li key={row.key} className="flex flex-wrap items-center gap-x-4 border-t border-thread py-1">
            <span className="size-6" style={{ background: row.colour }} aria-hidden="true" />
            <span className="min-w-52 grow">
              <span className="font-semibold">{row.cloth}</span>
              <span className="block text-sm text-smoke">
                <Figure>{row.says.join(" ")}</Figure>
              </span>
            </span>
            <button
              type="button"
              className="press"
              aria-pressed={row.key === spec.swatch}
              aria-label={`${row.key === spec.swatch ? "It decides" : "Let it decide"}: ${row.cloth}, ${row.says[0] ?? ""}`}
              onClick={() => void take(row.key)}
            >
              {row.key === spec.swatch ? "It decides" : "Let it decide"}
            </button>
          </li>
        ))}
      </ul>
      {book.data && rows.length === 0 && <p className="m-0">The book has none of this kind that is measured.</p>}
      <p role="status" className="m-0">
        <Figure>{said}</Figure>
      </p>
      <Link href="/swatches" className="press -ml-3">
        To the swatch book
      </Link>
    </section>
  );
}
