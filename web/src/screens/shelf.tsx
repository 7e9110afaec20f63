import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { Link } from "wouter";
import { ask, type ClothRow, type Prices, Refused, type Unreadable } from "../api/client";
import { ClothFacts } from "../parts/cloth/cloth-facts";
import { Sequence } from "../parts/cloth/stripes-editor";
import { Choose, Text } from "../parts/controls/fields";
import { Figure } from "../parts/controls/figure";
import { Notice, type Said } from "../parts/controls/notice";
import { Sheet } from "../parts/controls/sheet";
import { TakeIn } from "../parts/controls/take-in";
import { UnreadableRows } from "../parts/controls/unreadable";
import { saysWhy, sentence } from "../state/sentence";
import { type Keeping, useKeeping } from "../state/use-keeping";
import { useTitle } from "../state/use-title";
import { useUsualUnit } from "../state/use-ways";

type Draft = Pick<ClothRow, "name" | "unit" | "spec"> & { key: string | null; revision: number };
const EMPTY: Draft = { key: null, revision: 0, name: "", unit: "cm", spec: {} };

/** The cloth shelf: what is at hand, with its width, stripes and what is left; taken in from a table or the supplier. */
export function Shelf() {
  const [draft, setDraft] = useState<Draft | null>(null);
  const [table, setTable] = useState(false);
  const [said, setSaid] = useState<Said | null>(null);
  const shelf = useQuery({
    queryKey: ["cloths"],
    queryFn: ({ signal }) =>
      ask<{ cloths: ClothRow[]; unreadable: Unreadable[] }>("GET", "/cloths", undefined, { signal }),
  });
  const prices = useQuery({
    queryKey: ["prices"],
    queryFn: ({ signal }) => ask<Prices>("GET", "/cloths/prices", undefined, { signal }),
  });
  const unit = useUsualUnit();
  useTitle("Cloth shelf");
  const rows = shelf.data?.cloths ?? [];
  const remove = async (row: ClothRow) => {
    try {
      await ask("DELETE", `/cloths/${row.key}?revision=${row.revision}`);
    } catch (error) {
      setSaid({ text: error instanceof Refused ? sentence(error.message) : "The program does not answer." });
      await shelf.refetch();
      return;
    }
    setSaid({
      text: `${row.name} was taken off the shelf.`,
      undo: () => void ask("POST", `/cloths/${row.key}/bring-back`).then(() => shelf.refetch()),
    });
    await shelf.refetch();
  };
  return (
    <div className="mx-auto max-w-5xl px-4 pb-24 sm:px-8">
      <header className="flex flex-wrap items-center gap-x-4 gap-y-2 pt-3 pb-4">
        <Link href="/" className="press -ml-2">
          ‹ Works
        </Link>
        <h1 className="m-0 grow text-3xl font-bold">Cloth shelf</h1>
        <a className="press" href="/api/cloths/table" download>
          Save as a table
        </a>
        <button type="button" className="press" onClick={() => setTable(true)}>
          Take in a table
        </button>
        <button type="button" className="press press-main" onClick={() => setDraft({ ...EMPTY, unit })}>
          Add a cloth
        </button>
      </header>
      <main>
        {shelf.data && rows.length === 0 && (
          <p className="text-lg">
            The shelf is empty. Add a cloth, take in a table, or choose from the supplier’s list.
          </p>
        )}
        <ul className="m-0 list-none p-0">
          {rows.map((row) => (
            <li key={row.key} className="flex flex-wrap items-center gap-x-5 gap-y-1 border-t border-thread py-2">
              <Swatch row={row} />
              <span className="min-w-40 basis-0 grow">
                <span className="block text-lg font-semibold">{row.name}</span>
                <span className="text-smoke">
                  <Figure>{facts(row)}</Figure>
                </span>
              </span>
              <span className="w-40 font-semibold">
                <Figure>{row.left ? `${row.left.text} left` : "length not said"}</Figure>
                {row.movements[0] && (
                  <span className="block text-sm font-normal text-smoke">
                    <Figure>
                      {`${row.movements[0].length} ${row.movements[0].back ? "back from" : "to"} ${row.movements[0].work || "a work"}`}
                    </Figure>
                  </span>
                )}
              </span>
              <button type="button" className="press" aria-label={`Change ${row.name}`} onClick={() => setDraft(row)}>
                Change
              </button>
              <button
                type="button"
                className="press"
                aria-label={`Remove ${row.name}`}
                onClick={() => void remove(row)}
              >
                Remove
              </button>
            </li>
          ))}
        </ul>
        <UnreadableRows rows={shelf.data?.unreadable ?? []} what="cloth" />
        <Supplier prices={prices.data ?? null} onTake={(cloth) => setDraft({ ...EMPTY, ...cloth })} />
      </main>
      {draft && (
        <Edit
          key={draft.key ?? draft.name}
          draft={draft}
          onClose={() => setDraft(null)}
          onKept={() => void shelf.refetch()}
          onStale={async (key) => {
            const row = (await shelf.refetch()).data?.cloths.find((one) => one.key === key);
            return row ? { revision: row.revision, says: [row.name, facts(row)].filter(Boolean).join(", ") } : null;
          }}
        />
      )}
      <TakeIn
        what="cloth"
        place="on the shelf"
        address="/cloths/table"
        says="One row a cloth, the first line naming the columns: name, unit, width, selvedge, usable, weight, thickness, along, across, directional, shrinkage, price, per, step, length, rectangle, stripes."
        open={table}
        onClose={() => setTable(false)}
        onTaken={() => void shelf.refetch()}
      />
      <Notice said={said} onDone={() => setSaid(null)} />
    </div>
  );
}

function facts(row: ClothRow): string {
  const { spec } = row;
  return [
    row.usable ? `${row.usable.text} usable` : "",
    spec.along ? `repeat ${spec.along}` : "",
    spec.weight ? `${spec.weight} g/m²` : "",
    spec.directional ? "one way up" : "",
    spec.rectangle ? "a sheet or remnant" : "",
    spec.price ? `${spec.price} a ${spec.per === "yd" ? "yard" : "metre"}` : "",
  ]
    .filter(Boolean)
    .join(", ");
}

function Swatch({ row }: { row: ClothRow }) {
  return row.sequence.length ? (
    <Sequence sequence={row.sequence} />
  ) : (
    <span className="h-8 w-48 rounded" style={{ background: row.colour }} aria-hidden="true" />
  );
}

function Supplier({ prices, onTake }: { prices: Prices | null; onTake: (cloth: Prices["cloths"][number]) => void }) {
  if (!prices) return null;
  return (
    <section className="mt-8" aria-label="The supplier’s list">
      <h2 className="m-0 text-lg font-bold">The supplier’s list</h2>
      <p className="m-0 text-smoke">
        From the file {prices.where}; put your own prices.csv into the data folder and it is read instead.
      </p>
      {prices.wrong.map((row) => (
        <p key={row.line} role="alert" className="m-0 text-madder">
          Line {row.line}: {sentence(row.message)}
        </p>
      ))}
      <ul className="m-0 list-none p-0">
        {prices.cloths.map((cloth) => (
          <li key={cloth.name} className="flex flex-wrap items-center gap-x-5 border-t border-thread py-1">
            <span className="min-w-48 grow">
              {cloth.name}, {cloth.spec.width ?? cloth.spec.usable} wide
            </span>
            <span className="w-40">
              {cloth.spec.price} a {cloth.spec.per === "yd" ? "yard" : "metre"}
            </span>
            <button
              type="button"
              className="press"
              aria-label={`Put on the shelf: ${cloth.name}`}
              onClick={() => onTake(cloth)}
            >
              Put on the shelf
            </button>
          </li>
        ))}
      </ul>
    </section>
  );
}

function Edit(props: { draft: Draft; onClose: () => void; onKept: () => void; onStale: Keeping["fresh"] }) {
  const { draft, onClose } = props;
  const kept = { address: "/cloths", what: "cloth", fresh: props.onStale, onKept: props.onKept, onClose };
  const keeping = useKeeping<Draft>(`cloth/${draft.key ?? (draft.name || "new")}`, draft, kept);
  const { now, type: setNow, problems } = keeping;
  const keep = () => {
    const spec = Object.fromEntries(Object.entries(now.spec).filter(([, value]) => value !== null));
    return keeping.keep({ name: now.name, unit: now.unit, spec });
  };
  const inSpec = problems.map((one) => ({ ...one, path: one.path.replace(/^spec\./, "cloth.") }));
  const other = problems.filter((one) => !one.path.startsWith("spec.") && one.path !== "name");
  return (
    <Sheet title={now.key ? "The cloth" : "A cloth for the shelf"} open onClose={onClose}>
      <form
        onSubmit={(event) => {
          event.preventDefault();
          void keep();
        }}
      >
        <div className="mb-3 flex flex-wrap items-end gap-5">
          <Text
            wide
            name="Name"
            path="name"
            value={now.name}
            problems={problems}
            onType={(name) => setNow({ ...now, name: name.slice(0, 120) })}
          />
          <Choose
            name="Bare numbers are in"
            value={now.unit}
            options={[
              ["cm", "cm"],
              ["in", "inches"],
              ["m", "m"],
              ["yd", "yards"],
            ]}
            onPick={(unit) => setNow({ ...now, unit })}
          />
        </div>
        <ClothFacts
          cloth={now.spec}
          named={false}
          unit={now.unit}
          problems={inSpec}
          onChange={(spec) => setNow({ ...now, spec })}
        />
        {other.map((problem) => (
          <p key={problem.message} role="alert" className="m-0 font-semibold text-madder">
            {saysWhy(problem)}
          </p>
        ))}
        <button type="submit" className="press press-main mt-4">
          Keep
        </button>{" "}
        <button type="button" className="press" onClick={keeping.leave}>
          Leave it as it was
        </button>
      </form>
    </Sheet>
  );
}
