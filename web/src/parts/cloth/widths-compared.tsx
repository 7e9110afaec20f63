import type { ClothAnswer } from "../../api/client";
import { Figure } from "../controls/figure";
import { sentence } from "../pleat/pin-tile";

/** The ways to share a strip over widths of cloth, compared. */
export function Strategies(props: { answer: ClothAnswer; chosen: string; onPick: (name: string) => void }) {
  const { strategies } = props.answer;
  if (strategies.length === 0) return null;
  const [hidden, fall] = ["fewest", "fall"].map((name) => strategies.find((one) => one.name === name));
  const dearer = hidden && fall ? hidden.widths.length - fall.widths.length : 0;
  const along = props.answer.ways.some((way) => way.taken && way.name !== "across");
  const widest = Math.max(...strategies.flatMap((one) => one.widths.map((width) => width.mm)));
  return (
    <fieldset className="m-0 border-0 p-0">
      <legend className="mb-1 text-base font-bold">How the widths are shared</legend>
      {along && (
        <p className="m-0 mb-2">Now it lies along the cloth. Cut across, the widths would be shared like this.</p>
      )}
      {dearer > 0 && fall && (
        <p className="m-0 mb-2">
          <Figure>
            {`Hiding every join takes ${dearer === 1 ? "one width" : `${dearer} widths`} more${hidden?.cost && fall.cost ? `: ${hidden.cost} instead of ${fall.cost}` : ""}. Where they fall, ${fall.shown} of ${fall.joins} would show.`}
          </Figure>
        </p>
      )}
      {strategies.map((one) => (
        <label
          key={one.name}
          className={`flex min-h-11 flex-wrap items-center gap-3 border-l-[6px] bg-linen px-3 py-2 ${one.name === props.chosen ? "border-madder" : "border-transparent"}`}
        >
          <input
            type="radio"
            name="strategy"
            className="size-5 accent-[var(--madder)]"
            checked={one.name === props.chosen}
            onChange={() => props.onPick(one.name)}
          />
          <span className="w-72">{sentence(one.says)}</span>
          <span className="flex min-w-40 grow gap-1" aria-hidden="true">
            {one.widths.map((width, index) => (
              <span
                // biome-ignore lint/suspicious/noArrayIndexKey: a width has no other name than its place
                key={index}
                className="h-4 bg-[var(--cloth)]"
                style={{ width: `${(width.mm / widest) * (92 / one.widths.length)}%` }}
              />
            ))}
          </span>
          <span className="w-full text-sm text-smoke sm:w-auto">
            <Figure>
              {`${one.widths.length} ${one.widths.length === 1 ? "width" : "widths"}: ${listed(one.widths.map((width) => width.text))}${one.shown ? `; ${one.shown} would show` : ""}${one.cost ? `; ${one.cost}` : ""}`}
            </Figure>
          </span>
        </label>
      ))}
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
  const longest = Math.max(1, ...ways.map((way) => way.length.mm));
  return (
    <fieldset className="m-0 border-0 p-0">
      <legend className="mb-1 text-base font-bold">{props.name}</legend>
      {ways.map((way) => (
        <label
          key={way.name}
          className={`flex min-h-11 flex-wrap items-center gap-3 border-l-[6px] bg-linen px-3 py-2 ${way.taken ? "border-madder" : "border-transparent"} ${way.why_not ? "text-smoke" : ""}`}
        >
          <input
            type="radio"
            name={props.name}
            className="size-5 accent-[var(--madder)]"
            disabled={way.why_not !== ""}
            checked={props.chosen === "best" ? way.taken : way.name === props.chosen}
            onChange={() => props.onPick(way.name)}
          />
          <span className="w-72">{sentence(way.says)}</span>
          {way.why_not ? (
            <span>Not this way: {way.why_not}.</span>
          ) : (
            <>
              <span className="flex min-w-40 grow" aria-hidden="true">
                <span className="h-4 bg-[var(--cloth)]" style={{ width: `${(way.length.mm / longest) * 92}%` }} />
              </span>
              <span className="text-sm text-smoke">
                <Figure>{`${way.length.text}${way.cost ? `, ${way.cost}` : ""}, ${way.joins} ${way.joins === 1 ? "join" : "joins"}`}</Figure>
              </span>
            </>
          )}
        </label>
      ))}
      {props.chosen !== "best" && (
        <button type="button" className="press" onClick={() => props.onPick("best")}>
          Across, with the grain
        </button>
      )}
    </fieldset>
  );
}
