import type { Unreadable } from "../../api/client";
import { offer } from "../../state/use-file";

/** Rows that the program can no longer read: what they are, and all of each to be saved elsewhere. */
export function UnreadableRows({ rows, what }: { rows: Unreadable[]; what: string }) {
  if (!rows.length) return null;
  return (
    <section aria-label="What cannot be read" className="mt-6">
      <h2 className="m-0 text-lg font-bold">What cannot be read</h2>
      {rows.map((row) => (
        <p key={row.key} className="my-1 border-l-[6px] border-weld-line pl-3">
          {row.name}: this {what} is kept as it is, and cannot be shown.{" "}
          <button
            type="button"
            className="press"
            onClick={() => offer(new Blob([row.kept], { type: "application/json" }), `${row.key}.json`)}
          >
            Save what is there
          </button>
        </p>
      ))}
    </section>
  );
}
