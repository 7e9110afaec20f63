import type { Compared } from "../../api/client";
import { Figure } from "../controls/figure";

/** Ways that stand beside each other by what they come to: one press takes one. */
export function WaysCompared({
  compared,
  onTake,
}: {
  compared: Compared;
  onTake: (field: string, value: string) => void;
}) {
  const widest = Math.max(1, ...compared.rows.map((row) => row.bars.reduce((sum, bar) => sum + bar, 0)));
  return (
    <section aria-label={compared.title}>
      <h2 className="m-0 text-base font-bold">
        {compared.title}{" "}
        <span className="text-sm font-normal text-smoke">
          <Figure>{compared.says}</Figure>
        </span>
      </h2>
      <ul className="m-0 list-none p-0">
        {compared.rows.map((row) => (
          <li key={row.value}>
            <button
              type="button"
              aria-pressed={row.taken}
              className={`mt-1 grid min-h-11 w-full grid-cols-1 items-center gap-x-4 border-l-4 px-3 py-1.5 text-left sm:grid-cols-[11rem_8rem_1fr_auto] ${row.taken ? "border-madder bg-madder-wash" : "border-thread bg-linen hover:border-woad"}`}
              onClick={() => onTake(row.field, row.value)}
            >
              <span className="font-semibold">{row.title}</span>
              <svg viewBox="0 0 120 20" className="hidden h-5 w-full sm:block" aria-hidden="true">
                {row.colours.length ? (
                  <SmallFront bars={row.bars} colours={row.colours} widest={widest} />
                ) : (
                  <path
                    d={barsOf(row.bars, widest)}
                    fill="var(--cloth-under)"
                    stroke="var(--cloth-line)"
                    vectorEffect="non-scaling-stroke"
                  />
                )}
              </svg>
              <span>
                <span className="block font-semibold">
                  <Figure>{row.says}</Figure>
                </span>
                <span className={`block text-sm ${row.warns ? "font-semibold text-weld" : "text-smoke"}`}>
                  <Figure>{row.warns ? `Mind: ${row.more}` : row.more}</Figure>
                </span>
              </span>
              <span className="font-semibold">{row.cost ?? ""}</span>
            </button>
          </li>
        ))}
      </ul>
    </section>
  );
}

/** A small front: its stripes from edge to edge in their own colours, a tick below its middle. */
function SmallFront({ bars, colours, widest }: { bars: number[]; colours: string[]; widest: number }) {
  const ends = [10];
  for (const bar of bars) ends.push((ends.at(-1) ?? 10) + (bar / widest) * 100);
  const last = ends.at(-1) ?? 10;
  return (
    <>
      {bars.map((_, at) => {
        const [from = 0, to = 0] = [ends[at], ends[at + 1]];
        return <rect key={from} x={from} width={to - from} y="0" height="16" fill={colours[at]} />;
      })}
      <path
        d={`M10 0H${last}V16H10ZM${(10 + last) / 2} 16V20`}
        fill="none"
        stroke="var(--cloth-line)"
        vectorEffect="non-scaling-stroke"
      />
    </>
  );
}

/** The widths of the first part, each as a box, a half one half as wide. */
function barsOf(bars: number[], widest: number): string {
  let at = 2;
  return bars
    .map((bar) => {
      const [from, to] = [at, at + (bar / widest) * 100];
      at = to + 2;
      return `M${from.toFixed(1)} 3H${to.toFixed(1)}V17H${from.toFixed(1)}Z`;
    })
    .join("");
}
