import { useInfiniteQuery, useQueryClient } from "@tanstack/react-query";
import { DropdownMenu } from "radix-ui";
import { useRef, useState } from "react";
import { Link, useLocation } from "wouter";
import { ask, Refused, type Work, type WorkRow, type Works } from "../api/client";
import { Figure } from "../parts/controls/figure";
import { KeysSheet } from "../parts/controls/keys-sheet";
import { Notice, type Said } from "../parts/controls/notice";
import { Sheet } from "../parts/controls/sheet";
import { useKeys } from "../parts/controls/use-keys";
import { SmallFront } from "../parts/pleat/glance";
import { MenuItem } from "../parts/pleat/pieces";
import { sentence } from "../state/sentence";
import { take } from "../state/use-file";
import { SmallPicture } from "../thing/shapes";
import { Start } from "./start-sheet";
import { WrittenDown } from "./written-down";

const PAGE = 30;
type Sort = "touched" | "name" | "own";

function useShelf(search: string, sort: Sort, deleted: boolean) {
  return useInfiniteQuery({
    queryKey: ["works", search, sort, deleted],
    queryFn: ({ pageParam, signal }) => {
      const asked = new URLSearchParams({
        search,
        sort,
        deleted: String(deleted),
        offset: String(pageParam),
        limit: String(PAGE),
      });
      return ask<Works>("GET", `/works?${asked}`, undefined, { signal });
    },
    initialPageParam: 0,
    getNextPageParam: (last, pages) => (pages.length * PAGE < last.total ? pages.length * PAGE : undefined),
    // Rows stay while a search is typed, but the shelf never stands in for the deleted works.
    placeholderData: (before, query) => (query?.queryKey[3] === deleted ? before : undefined),
  });
}

/** Home: one row a work, each led by its own small front view. */
export function WorksScreen() {
  const [search, setSearch] = useState("");
  const [sort, setSort] = useState<Sort>("touched");
  const [bin, setBin] = useState(false);
  const [starting, setStarting] = useState(false);
  const [keys, setKeys] = useState(false);
  const [said, setSaid] = useState<Said | null>(null);
  const [forGood, setForGood] = useState<{ row: WorkRow; says: string } | null>(null);
  const client = useQueryClient();
  const [, go] = useLocation();
  const field = useRef<HTMLInputElement>(null);
  const shelf = useShelf(search, sort, bin);
  const pages = shelf.data?.pages ?? [];
  const rows = pages.flatMap((page) => page.works);
  const first = pages[0];
  // A list asked for before a change must not come in after it: it is given up, and every list is fetched anew.
  const fresh = async () => {
    await client.cancelQueries({ queryKey: ["works"] });
    await client.invalidateQueries({ queryKey: ["works"], refetchType: "all" });
  };

  useKeys({ n: () => setStarting(true), "/": () => field.current?.focus(), "?": () => setKeys(true) });

  const tried = async (task: () => Promise<void>) => {
    try {
      await task();
    } catch (error) {
      setSaid({ text: error instanceof Error ? error.message : "That did not work." });
    }
    await fresh();
  };
  const restore = (row: { key: string; name: string }) =>
    tried(async () => {
      await ask<Work>("POST", `/works/${row.key}/restore`);
      setSaid({ text: `${row.name} is back on the shelf.` });
    });
  const remove = (row: WorkRow) =>
    tried(async () => {
      await ask<Work>("DELETE", `/works/${row.key}?revision=${row.revision}`);
      setSaid({ text: `${row.name} was deleted.`, undo: () => void restore(row) });
    });
  const askForGood = (row: WorkRow) =>
    tried(async () => {
      const { says } = await ask<{ says: string }>("GET", `/works/${row.key}/remains`);
      setForGood({ row, says });
    });
  const forGoodNow = (row: WorkRow) =>
    tried(async () => {
      setForGood(null);
      await ask<null>("POST", `/works/${row.key}/discard`);
      setSaid({ text: `${row.name} was deleted for good.` });
    });
  const copy = (row: WorkRow) =>
    tried(async () => {
      const made = await ask<Work>("POST", `/works/${row.key}/again`);
      setSaid({ text: `${made.name} was made from ${row.name}.` });
    });
  const move = (row: WorkRow, by: -1 | 1) =>
    tried(async () => {
      const order = rows.map((one) => one.key);
      const at = order.indexOf(row.key);
      order.splice(at, 1);
      order.splice(at + by, 0, row.key);
      await ask<Works>("POST", "/works/order", { works: order });
    });

  return (
    <div className="mx-auto max-w-5xl px-4 pb-24 sm:px-8">
      <header className="flex flex-wrap items-center gap-x-4 gap-y-2 pt-5 pb-4">
        <h1 className="m-0 flex grow items-center gap-3 text-3xl font-bold">
          <img src="/static/mark.svg" alt="" className="size-9" />
          Young Ribbon
        </h1>
        <Link href="/handbook" className="press">
          Handbook
        </Link>
        <Link href="/cloth" className="press">
          Cloth shelf
        </Link>
        <Link href="/swatches" className="press">
          Swatch book
        </Link>
        <Link href="/ways" className="press">
          My ways
        </Link>
        <Link href="/backups" className="press">
          Backups
        </Link>
        <button type="button" className="press" onClick={() => setKeys(true)}>
          Keys ?
        </button>
        <button type="button" className="press press-main" onClick={() => setStarting(true)}>
          New work
        </button>
      </header>
      <main>
        <div className="mb-2 flex flex-wrap items-end gap-3">
          <label className="flex grow flex-col text-sm font-semibold text-smoke">
            Search
            <input
              ref={field}
              type="search"
              className="field text-base font-normal"
              value={search}
              maxLength={200}
              onChange={(event) => setSearch(event.currentTarget.value)}
              placeholder="a name, a piece, a word in a log"
            />
          </label>
          <label className="flex flex-col text-sm font-semibold text-smoke">
            In order of
            <select
              className="field text-base font-normal"
              value={sort}
              onChange={(event) => setSort(event.currentTarget.value as Sort)}
            >
              <option value="touched">last touched</option>
              <option value="name">name</option>
              <option value="own">my own</option>
            </select>
          </label>
        </div>
        {shelf.isError && (
          <p role="alert" className="border-l-[6px] border-weld-line pl-3">
            {shelf.error instanceof Refused
              ? `${sentence(shelf.error.message)} ${sentence(shelf.error.problems[0]?.way_out ?? "")}`
              : "The shelf cannot be read: the program does not answer. Check that it is still running."}{" "}
            <button type="button" className="press" onClick={() => void fresh()}>
              Try again
            </button>
          </p>
        )}
        {bin && <h2 className="text-xl font-bold">Deleted works</h2>}
        {first && rows.length === 0 && (
          <Empty {...{ search, bin }} onDemo={() => tried(async () => void (await ask("POST", "/works/demo")))} />
        )}
        <ul className="m-0 list-none p-0">
          {rows.map((row, index) => (
            <li
              key={row.key}
              className="grid grid-cols-[7rem_1fr_auto] items-center gap-x-4 border-t border-thread py-2 sm:grid-cols-[15rem_1fr_auto]"
            >
              {row.picture ? (
                <span className="block h-20">
                  <SmallPicture picture={row.picture} width={240} height={80} />
                </span>
              ) : (
                <SmallFront glance={row.glance} />
              )}
              <div className="min-w-0">
                {bin ? (
                  <span className="text-lg font-bold">{row.name}</span>
                ) : (
                  <Link
                    href={`/works/${row.key}`}
                    className="inline-flex min-h-11 items-center text-lg font-bold text-soot hover:text-woad hover:underline"
                  >
                    {row.name}
                  </Link>
                )}
                <p className="m-0 text-smoke">
                  <Figure>{[row.purpose, row.glance?.says].filter(Boolean).join(" · ")}</Figure>
                </p>
                <p className="m-0 text-sm text-smoke">
                  Next: {row.next}. Touched {when(row.touched)}.
                </p>
              </div>
              {bin ? (
                <span className="flex flex-wrap">
                  <button type="button" className="press" onClick={() => void restore(row)}>
                    Put back
                  </button>
                  <button type="button" className="press" onClick={() => void askForGood(row)}>
                    Delete for good
                  </button>
                </span>
              ) : (
                <DropdownMenu.Root modal={false}>
                  <DropdownMenu.Trigger
                    className="size-11 rounded text-xl text-smoke hover:bg-woad-wash"
                    aria-label={`More for ${row.name}`}
                  >
                    ⋯
                  </DropdownMenu.Trigger>
                  <DropdownMenu.Portal>
                    <DropdownMenu.Content
                      className="z-20 min-w-44 rounded bg-linen py-1 shadow-lg ring-1 ring-thread"
                      align="end"
                    >
                      <MenuItem onSelect={() => go(`/works/${row.key}`)}>Open</MenuItem>
                      <MenuItem onSelect={() => void copy(row)}>Make this again</MenuItem>
                      {sort === "own" && index > 0 && <MenuItem onSelect={() => void move(row, -1)}>Move up</MenuItem>}
                      {sort === "own" && index < rows.length - 1 && (
                        <MenuItem onSelect={() => void move(row, 1)}>Move down</MenuItem>
                      )}
                      <MenuItem onSelect={() => void tried(() => take("GET", `/works/${row.key}/file`))}>
                        Take as a file
                      </MenuItem>
                      <MenuItem onSelect={() => void remove(row)}>Delete</MenuItem>
                    </DropdownMenu.Content>
                  </DropdownMenu.Portal>
                </DropdownMenu.Root>
              )}
            </li>
          ))}
        </ul>
        {!bin && <WrittenDown search={search} />}
        {shelf.hasNextPage && (
          <button type="button" className="press" onClick={() => void shelf.fetchNextPage()}>
            Show more of {first?.total} works
          </button>
        )}
        {((first?.deleted ?? 0) > 0 || bin) && (
          <button type="button" className="press mt-6 -ml-3" onClick={() => setBin(!bin)}>
            {bin ? "Back to the shelf" : `Deleted works (${first?.deleted})`}
          </button>
        )}
      </main>
      <Sheet
        title={`Delete ${forGood?.row.name ?? ""} for good?`}
        open={forGood !== null}
        onClose={() => setForGood(null)}
        says={`${forGood?.says ?? ""} It cannot be taken back; a backup made before still has it.`}
      >
        <div className="flex flex-wrap gap-3">
          <button type="button" className="press press-main" onClick={() => forGood && void forGoodNow(forGood.row)}>
            Delete for good
          </button>
          <button type="button" className="press" onClick={() => setForGood(null)}>
            Leave it with the deleted works
          </button>
        </div>
      </Sheet>
      <Start open={starting} onClose={() => setStarting(false)} onMade={(key) => go(`/works/${key}`)} />
      <KeysSheet open={keys} onClose={() => setKeys(false)} />
      <Notice said={said} onDone={() => setSaid(null)} />
    </div>
  );
}

function Empty({ search, bin, onDemo }: { search: string; bin: boolean; onDemo: () => void }) {
  if (bin) return <p>Nothing is deleted.</p>;
  if (search.trim()) return <p>No work answers to “{search}”.</p>;
  return (
    <p className="text-lg">
      The shelf is empty: start a work of your own, or{" "}
      <button type="button" className="press" onClick={onDemo}>
        put the demo works on it
      </button>
    </p>
  );
}

function when(touched: string): string {
  return new Date(touched).toLocaleString(undefined, {
    day: "numeric",
    month: "short",
    hour: "2-digit",
    minute: "2-digit",
  });
}
