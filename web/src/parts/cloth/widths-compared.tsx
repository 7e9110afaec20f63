import type { ReactNode } from "react";
import type { ClothAnswer } from "../../api/client";
import { sentence } from "../../state/sentence";
import { Figure } from "../controls/figure";

/** One of several ways, told by what it comes to: a press takes it. */
function Way(props: {
  group: string;
  says: string;
  taken: boolean;
  cannot?: boolean;
  more: string;
  cost: string | null;
  onTake: () => void;
  children?: ReactNode;
}) {
  return (
    <label
      className={`grid min-h-14 grid-cols-[auto_minmax(0,1fr)_auto] items-center gap-x-3 border-l-[6px] px-3 py-1.5 ${props.taken ? "border-madder bg-madder-wash" : "border-thread bg-linen"} ${props.cannot ? "text-smoke" : "cursor-pointer hover:border-woad"}`}
    >
      <input
        type="radio"
        name={props.group}
        className="size-5 accent-[var(--madder)]"
        disabled={props.cannot}
        checked={props.taken}
        onChange={props.onTake}
      />
      <span className="min-w-0">
        <span className="block leading-snug font-semibold">{props.says}</span>
        <span className="block text-sm text-smoke">
          <Figure>{props.more}</Figure>
        </span>
      </span>
      <span className="flex flex-col items-end gap-1">
        {props.children}
        <span className="font-semibold">{props.cost ?? ""}</span>
      </span>
    </label>
  );
}

/** The widths side by side, each as long as it is wide. */
function Bars({ widths, widest }: { widths: number[]; widest: number }) {
  const room = 116;
  return (
    <span className="flex gap-0.5 max-sm:hidden" aria-hidden="true">
      {widths.slice(0, 12).map((mm, index) => (
        <span
          // biome-ignore lint/suspicious/noArrayIndexKey: a width has no other name than its place
          key={index}
          className="h-4 border border-[var(--cloth-line)] bg-[var(--cloth)]"
          style={{ width: Math.max(2, (mm / widest) * room) }}
        />
      ))}
    </span>
  );
}

/** The ways to share a strip over widths of cloth, compared. */
export function Strategies(props: { answer: ClothAnswer; chosen: string; onPick: (name: string) => void }) {
  const { strategies } = props.answer;
  if (strategies.length === 0) return null;
  const [hidden, fall] = ["fewest", "fall"].map((name) => strategies.find((one) => one.name === name));
  const dearer = hidden && fall ? hidden.widths.length - fall.widths.length : 0;
  const along = props.answer.ways.some((way) => way.taken && way.name !== "across");
  const widest = Math.max(1, ...strategies.map((one) => one.widths.reduce((sum, width) => sum + width.mm, 0)));
  return (
    <fieldset className="m-0 min-w-0 border-0 p-0">
      <legend className="mb-1 text-base font-bold">
        How the widths are shared <span className="text-sm font-normal text-smoke">and what it costs</span>
      </legend>
      {along && (
        <p className="m-0 mb-1 text-sm">
          Now it lies along the cloth. Cut across, the widths would be shared like this.
        </p>
      )}
      {dearer > 0 && fall && (
        <p className="m-0 mb-1 text-sm">
          <Figure>
            {`Hiding every join takes ${dearer === 1 ? "one width" : `${dearer} widths`} more${hidden?.cost && fall.cost ? `: ${hidden.cost} instead of ${fall.cost}` : ""}. Where they fall, ${fall.shown} of ${fall.joins} would show.`}
          </Figure>
        </p>
      )}
      <div className="grid grid-cols-1 gap-1 md:grid-cols-2">
        {strategies.map((one) => (
          <Way
            key={one.name}
            group="strategy"
            says={sentence(one.says)}
            taken={one.name === props.chosen}
            more={`${one.widths.length} ${one.widths.length === 1 ? "width" : "widths"}: ${listed(one.widths.map((width) => width.text))}${one.shown ? `; ${one.shown} would show` : ""}`}
            cost={one.cost}
            onTake={() => props.onPick(one.name)}
          >
            <Bars widths={one.widths.map((width) => width.mm)} widest={widest} />
          </Way>
        ))}
      </div>
    </fieldset>
  );
}

function listed(texts: string[]): string {
  const alike = new Map<string, number>();
  for (const text of texts) alike.set(text, (alike.get(text) ?? 0) + 1);
  return [...alike].map(([text, count]) => (count > 1 ? `${count} of ${text}` : text)).join(", ");
}

/** The ways a strip or a lining can lie on its cloth, compared. */
export function Ways(props: {
  name: string;
  ways: ClothAnswer["ways"];
  chosen: string;
  onPick: (name: string) => void;
}) {
  const { ways } = props;
  if (ways.length === 0) return null;
  const usual = !ways.some((way) => way.name === props.chosen);
  const longest = Math.max(1, ...ways.map((way) => way.length.mm));
  return (
    <fieldset className="m-0 min-w-0 border-0 p-0">
      <legend className="mb-1 text-base font-bold">{props.name}</legend>
      <div className="grid grid-cols-1 gap-1 md:grid-cols-2">
        {ways.map((way) => (
          <Way
            key={way.name}
            group={props.name}
            says={sentence(way.says)}
            taken={usual ? way.taken : way.name === props.chosen}
            cannot={way.why_not !== ""}
            more={
              way.why_not
                ? `Not this way: ${way.why_not}.`
                : `${way.length.text}, ${way.joins} ${way.joins === 1 ? "join" : "joins"}`
            }
            cost={way.why_not ? null : way.cost}
            onTake={() => props.onPick(way.name)}
          >
            {!way.why_not && <Bars widths={[way.length.mm]} widest={longest} />}
          </Way>
        ))}
      </div>
      {!usual && (
        <button type="button" className="press -ml-3" onClick={() => props.onPick("usual")}>
          Across, with the grain
        </button>
      )}
    </fieldset>
  );
}
