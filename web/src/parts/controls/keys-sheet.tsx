import { Link } from "wouter";
import { Sheet } from "./sheet";

const KEYS: [string, string][] = [
  ["?", "this list"],
  ["F1", "what the field that you are in means; elsewhere, the handbook"],
  ["N", "a new work (on the shelf)"],
  ["/", "search the shelf"],
  ["1 to 7", "the steps Measure, Pleat, Cloth, Cut, Mark, Check and Log"],
  ["P", "pin, pin about, or let go, on a tile’s pin"],
  ["↑ ↓", "in a tile: one division of the tape, with Shift ten"],
  ["[ and ]", "one pleat fewer, one more"],
  ["F", "turn the facing of knife pleats"],
  ["U", "cm or inches"],
  ["T", "the table; there, space or → for the next mark, ← for the last"],
  ["Ctrl+P", "papers to print or plot"],
  ["+, −, 0, ← →", "on the ribbon: closer, further, fit, move along"],
  ["Ctrl+Z, Ctrl+Shift+Z", "undo, redo"],
];

/** Every key there is. */
export function KeysSheet({ open, onClose }: { open: boolean; onClose: () => void }) {
  return (
    <Sheet title="Keys" open={open} onClose={onClose}>
      <dl className="m-0 grid grid-cols-[auto_1fr] gap-x-6 gap-y-2">
        {KEYS.map(([key, does]) => (
          <div key={key} className="contents">
            <dt className="font-bold whitespace-nowrap">{key}</dt>
            <dd className="m-0">{does}</dd>
          </div>
        ))}
      </dl>
      <Link href="/handbook" className="press mt-4 -ml-3">
        The handbook
      </Link>
    </Sheet>
  );
}
