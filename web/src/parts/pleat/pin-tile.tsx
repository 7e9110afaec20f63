import { useId, useLayoutEffect, useRef, useState } from "react";
import type { Problem } from "../../api/client";
import { saysWhy, sentence } from "../../state/sentence";
import type { Hold } from "../../state/spec";
import { Figure } from "../controls/figure";
import { Term } from "../handbook/named";

const NEXT: Record<Hold, Hold> = { free: "firm", firm: "about", about: "free" };
const HOLD_WORDS: Record<Hold, string> = { free: "an answer", firm: "pinned firmly", about: "pinned about" };

interface Props {
  name: string;
  /** Its field, in dots. */
  path: string;
  typed: string;
  hold: Hold;
  /** What the plan makes of it, as written. */
  answer: string | null;
  note: string;
  problem: Problem | undefined;
  onType: (text: string) => void;
  onHold: (hold: Hold) => void;
  /** Move by so many divisions. */
  onNudge: (by: number) => void;
  /** Pointed at, or no longer. */
  onLight: (on: boolean) => void;
  lit: boolean;
  /** Counts the refusals to be moved: each shakes the tile once. */
  shaken: number;
  /** What it would be as the thing has it, where it is not: one press ties it again. */
  again?: { says: string; onTie: () => void };
}

/** One quantity: a fact with a pin in it, or an answer. Typing pins it; the pin goes firm, about, free. */
export function PinTile({
  name,
  path,
  typed,
  hold,
  answer,
  note,
  problem,
  onType,
  onHold,
  onNudge,
  onLight,
  lit,
  shaken,
  again,
}: Props) {
  const [focused, setFocused] = useState(false);
  const id = useId();
  const input = useRef<HTMLInputElement>(null);
  // What was typed takes the answer's place as the field is entered, and is selected before the next key.
  useLayoutEffect(() => {
    if (focused) input.current?.select();
  }, [focused]);
  // In focus stands what was typed; an answer stands there as it was on entering, to be typed over: one that arrives
  // later must not slip in under the typing.  Its ≈ stays: what is left of it is about, and is read so.
  const [offered, setOffered] = useState("");
  const entered = hold === "free" ? offered : typed;
  const shown = focused ? entered : problem || answer === null ? typed : answer;
  const step = () => {
    if (hold !== "free" || answer !== null) onHold(NEXT[hold]);
  };
  return (
    <div
      key={shaken}
      className={`${shaken ? "shaken" : ""} ${lit ? "outline-2 outline-madder" : ""} relative flex min-w-0 flex-col px-2.5 pb-2 ${hold === "free" ? "bg-linen" : "bg-madder-wash"}`}
      data-hold={hold}
      data-lit={lit || undefined}
      onPointerEnter={() => onLight(true)}
      onPointerLeave={() => onLight(false)}
    >
      <div className="flex items-center gap-1">
        <button
          type="button"
          className="-ml-2 grid h-11 w-9 shrink-0 place-items-center rounded"
          aria-label={`${name} is ${HOLD_WORDS[hold]}. Make it ${HOLD_WORDS[NEXT[hold]]}.`}
          aria-disabled={hold === "free" && answer === null ? true : undefined}
          onClick={step}
          onKeyDown={(event) => {
            if (event.key.toLowerCase() === "p" && !event.ctrlKey && !event.metaKey) step();
          }}
        >
          <PinMark hold={hold} />
        </button>
        <span className="min-w-0 text-sm leading-tight font-semibold">
          <Term name={name} id={`${id}-name`} field={id} />
        </span>
      </div>
      <input
        ref={input}
        id={id}
        className={`h-10 w-full min-w-0 rounded bg-transparent ${shown.length > 9 ? "text-base" : shown.length > 8 ? "text-[1.1rem]" : "text-[1.35rem]"} leading-9 font-bold ${hold === "free" ? "" : "text-soot"} ${problem ? "underline decoration-madder decoration-wavy decoration-2" : ""}`}
        value={shown}
        placeholder="—"
        autoComplete="off"
        spellCheck={false}
        data-path={path}
        aria-labelledby={`${id}-name`}
        aria-invalid={problem ? true : undefined}
        aria-describedby={`${id}-note`}
        onFocus={() => {
          setOffered(hold === "free" ? (answer ?? "") : "");
          setFocused(true);
          onLight(true);
        }}
        onBlur={() => {
          setFocused(false);
          onLight(false);
        }}
        onKeyDown={(event) => {
          if (event.key !== "ArrowUp" && event.key !== "ArrowDown") return;
          event.preventDefault();
          onNudge((event.key === "ArrowUp" ? 1 : -1) * (event.shiftKey ? 10 : 1));
        }}
        onChange={(event) => {
          setOffered("");
          onType(event.currentTarget.value);
        }}
      />
      <p id={`${id}-note`} className={`m-0 text-sm ${problem ? "font-semibold text-madder" : "text-smoke"}`}>
        <Figure>{problem ? wrong(problem) : note}</Figure>
      </p>
      {again && (
        <button
          type="button"
          className="press -ml-3 text-left text-sm"
          aria-label={`${name}: follow Measure again`}
          onClick={again.onTie}
        >
          <span>
            Follow Measure: <Figure>{again.says}</Figure>
          </span>
        </button>
      )}
      {problem?.becomes && (
        <button
          type="button"
          className="press -ml-3 text-left text-sm"
          aria-label={`Let it go: ${name}`}
          onClick={() => onHold("free")}
        >
          Let it go
        </button>
      )}
    </div>
  );
}

/** What is wrong, in a tile; what facts that disagree say together stands above them all. */
function wrong(problem: Problem): string {
  if (!problem.together) return saysWhy(problem);
  return problem.becomes ? `Without this pin it becomes ${sentence(problem.becomes)}` : sentence(problem.way_out);
}

function PinMark({ hold }: { hold: Hold }) {
  if (hold === "free")
    return (
      <svg width="18" height="24" viewBox="0 0 18 24" aria-hidden="true">
        <circle cx="9" cy="9" r="5.5" fill="none" stroke="var(--smoke)" strokeWidth="1.6" strokeDasharray="1.6 2.6" />
      </svg>
    );
  const lean = hold === "about" ? "rotate(24 9 22)" : undefined;
  return (
    <svg width="18" height="24" viewBox="0 0 18 24" aria-hidden="true">
      <g transform={lean}>
        <path d="M9 12V23" stroke="var(--madder)" strokeWidth="2" />
        <circle
          cx="9"
          cy="8"
          r="6"
          fill={hold === "firm" ? "var(--madder)" : "var(--linen)"}
          stroke="var(--madder)"
          strokeWidth="2"
        />
        {hold === "about" && (
          <path d="M5.6 8.4q1.7-2.4 3.4 0t3.4 0" fill="none" stroke="var(--madder)" strokeWidth="1.8" />
        )}
      </g>
    </svg>
  );
}
