import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { Link } from "wouter";
import { ask, type SwatchRow, send, type Unreadable, type Wanted } from "../api/client";
import { Figure } from "../parts/controls/figure";
import { Notice, type Said } from "../parts/controls/notice";
import { TakeIn } from "../parts/controls/take-in";
import { UnreadableRows } from "../parts/controls/unreadable";
import { Folds } from "../parts/swatch/folds";
import { Gathers } from "../parts/swatch/gathers";
import { SamplerSheet } from "../parts/swatch/sampler-sheet";
import { EMPTY, KINDS, type SwatchDraft, SwatchSheet } from "../parts/swatch/swatch-sheet";
import { many } from "../state/figure";
import { whyNot } from "../state/sentence";
import { useTitle } from "../state/use-title";
import { useUsualUnit } from "../state/use-ways";

const WORDS = Object.fromEntries(KINDS) as Record<SwatchRow["kind"], string>;

/** The swatch book: what was tried of each cloth, what it showed, what it was used in. */
export function SwatchBook() {
  const [draft, setDraft] = useState<SwatchDraft | null>(null);
  const [sampling, setSampling] = useState(false);
  const [table, setTable] = useState(false);
  const [said, setSaid] = useState<Said | null>(null);
  const unit = useUsualUnit();
  useTitle("Swatch book");
  const book = useQuery({
    queryKey: ["swatches"],
    queryFn: ({ signal }) =>
      ask<{ swatches: SwatchRow[]; unreadable: Unreadable[] }>("GET", "/swatches", undefined, { signal }),
  });
  const rows = book.data?.swatches ?? [];
  const cloths = [...new Set(rows.map((row) => row.cloth))];
  const tried = async (task: () => Promise<void>) => {
    try {
      await task();
    } catch (error) {
      setSaid({ text: whyNot(error) });
    }
    await book.refetch();
  };
  const remove = (row: SwatchRow) =>
    tried(async () => {
      await ask("DELETE", `/swatches/${row.key}?revision=${row.revision}`);
      setSaid({
        text: `A swatch of ${row.cloth} was taken out of the book.`,
        undo: () => void ask("POST", `/swatches/${row.key}/bring-back`).then(() => book.refetch()),
      });
    });
  const photograph = (row: SwatchRow, file: File) =>
    tried(async () => {
      await send(`/swatches/${row.key}/picture`, "photograph", file, file.name);
    });
  return (
    <div className="mx-auto max-w-5xl px-4 pb-24 sm:px-8">
      <header className="no-print flex flex-wrap items-center gap-x-4 gap-y-2 pt-3 pb-4">
        <Link href="/" className="press -ml-2">
          ‹ Works
        </Link>
        <h1 className="m-0 grow text-3xl font-bold">Swatch book</h1>
        <a className="press" href="/api/swatches/table" download>
          Save as a table
        </a>
        <button type="button" className="press" onClick={() => setTable(true)}>
          Take in a table
        </button>
        <button type="button" className="press" onClick={() => setSampling(true)}>
          A strip of samples
        </button>
        <button type="button" className="press press-main" onClick={() => setDraft({ ...EMPTY, unit })}>
          Add a swatch
        </button>
      </header>
      <main>
        {book.data && rows.length === 0 && (
          <p className="text-lg">
            Nothing is tried yet. Sew a strip as you will sew the work, measure it before and after, and add it here: in
            a work it then decides over every formula.
          </p>
        )}
        {cloths.map((cloth) => (
          <section key={cloth} aria-label={cloth} className="mb-6">
            <h2 className="m-0 text-xl font-bold">{cloth}</h2>
            <ul className="m-0 list-none p-0">
              {rows
                .filter((row) => row.cloth === cloth)
                .map((row) => (
                  <li key={row.key} className="flex flex-wrap items-center gap-x-5 gap-y-1 border-t border-thread py-2">
                    <Seen row={row} />
                    <span className="min-w-56 grow basis-0">
                      <span className="block font-semibold">{WORDS[row.kind]}</span>
                      <span className="block">
                        <Figure>{row.says.join(" ")}</Figure>
                      </span>
                      {row.spec.says && <span className="block text-smoke">{row.spec.says}</span>}
                      <span className="block text-sm text-smoke">
                        {row.used.length ? (
                          <>
                            Used in{" "}
                            {row.used.map((one, at) => (
                              <span key={one.key}>
                                {at ? ", " : ""}
                                <Link href={`/works/${one.key}`} className="text-woad hover:underline">
                                  {one.name}
                                </Link>
                              </span>
                            ))}
                          </>
                        ) : (
                          "Not used yet"
                        )}
                      </span>
                      {row.tuck && <ForARatio row={row} />}
                    </span>
                    <span className="flex flex-wrap">
                      <label className="press cursor-pointer">
                        Photograph
                        <input
                          type="file"
                          accept="image/*"
                          className="sr-only"
                          aria-label={`A photograph of ${row.cloth}, ${WORDS[row.kind]}`}
                          onChange={(event) => {
                            const file = event.currentTarget.files?.[0];
                            if (file) void photograph(row, file);
                          }}
                        />
                      </label>
                      <button
                        type="button"
                        className="press"
                        aria-label={`Change ${row.cloth}, ${WORDS[row.kind]}`}
                        onClick={() => setDraft(row)}
                      >
                        Change
                      </button>
                      <button
                        type="button"
                        className="press"
                        aria-label={`Remove ${row.cloth}, ${WORDS[row.kind]}`}
                        onClick={() => void remove(row)}
                      >
                        Remove
                      </button>
                    </span>
                  </li>
                ))}
            </ul>
          </section>
        ))}
        <UnreadableRows rows={book.data?.unreadable ?? []} what="swatch" />
      </main>
      {draft && (
        <SwatchSheet
          key={draft.key ?? "new"}
          draft={draft}
          onClose={() => setDraft(null)}
          onKept={() => void book.refetch()}
          onStale={async (key) => {
            const row = (await book.refetch()).data?.swatches.find((one) => one.key === key);
            const says = row && [row.cloth, WORDS[row.kind].toLowerCase(), ...row.says].join(", ").replace(/\.$/, "");
            return row && says ? { revision: row.revision, says } : null;
          }}
        />
      )}
      {sampling && (
        <SamplerSheet
          onClose={() => setSampling(false)}
          onKept={(kept) => {
            setSaid({ text: `${many(kept, "sample")} kept in the book.` });
            void book.refetch();
          }}
        />
      )}
      <TakeIn
        what="swatch"
        place="into the book"
        address="/swatches/table"
        says="One row a swatch, the first line naming the columns: cloth, kind (gathered, attachment, fold, cartridge), unit, flat, measured (semicolons between several), folds, depth, every, stitch, rows, thread, screw, guide, layers, says."
        open={table}
        onClose={() => setTable(false)}
        onTaken={() => void book.refetch()}
      />
      <Notice said={said} onDone={() => setSaid(null)} />
    </div>
  );
}

function Seen({ row }: { row: SwatchRow }) {
  if (row.picture)
    return (
      <img
        src={`/api/swatches/${row.key}/picture?${row.revision}`}
        alt={`${row.cloth}, as it was sewn`}
        className="h-14 w-48 object-cover"
      />
    );
  if (row.ratio)
    return (
      <span className="w-48">
        <Gathers ratio={row.ratio.value} colour={row.colour} says={`${row.cloth}, gathered ${row.ratio.text} times`} />
      </span>
    );
  const folds = Number(row.spec.folds) || 1;
  const says = `${row.cloth}, ${many(folds, row.kind === "cartridge" ? "fold" : "pleat")} ${row.kind === "cartridge" ? "drawn up" : "pressed"}`;
  return (
    <span className="w-48">
      <Folds many={folds} drawn={row.kind === "cartridge"} colour={row.colour} says={says} />
    </span>
  );
}

/** How to set the attachment for a wanted ratio, by the tuck that this swatch shows. */
function ForARatio({ row }: { row: SwatchRow }) {
  const [ratio, setRatio] = useState("");
  const [told, setTold] = useState<Wanted | null>(null);
  const [wrong, setWrong] = useState("");
  const find = async () => {
    try {
      setTold(await ask<Wanted>("POST", `/swatches/${row.key}/wanted`, { ratio }));
      setWrong("");
    } catch (error) {
      setTold(null);
      setWrong(whyNot(error));
    }
  };
  return (
    <form
      className="flex flex-wrap items-center gap-x-3"
      onSubmit={(event) => {
        event.preventDefault();
        void find();
      }}
    >
      <label className="flex items-center gap-2 text-sm font-semibold text-smoke">
        Wanted fullness
        <input
          className="field w-20"
          value={ratio}
          aria-label={`Wanted fullness by ${row.cloth}`}
          onChange={(event) => setRatio(event.currentTarget.value)}
        />
      </label>
      <button type="submit" className="press" disabled={!ratio.trim()}>
        How to set it
      </button>
      <span role="status">
        <Figure>
          {wrong ||
            (told ? [told.says, ...told.settings.map((one) => `${one.says};`)].join(" ").replace(/;$/, ".") : "")}
        </Figure>
      </span>
    </form>
  );
}
