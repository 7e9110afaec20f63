import { useId } from "react";
import type { Problem } from "../api/client";
import { saysWhy } from "../state/sentence";

interface Props {
  name: string;
  path: string;
  value: string | number | null | undefined;
  problems: Problem[];
  /** What is taken while nothing is typed. */
  assumed?: string | undefined;
  onType: (text: string) => void;
  /** Lit by the tape on the picture that it belongs to, and the reverse. */
  lit?: boolean;
  onLight?: (on: boolean) => void;
}

/** A paper tag on a picture: what is measured there, typed on it; dashed while nothing is said. */
export function PaperTag({ name, path, value, problems, assumed, onType, lit, onLight }: Props) {
  const problem = problems.find((one) => one.path === path);
  const id = useId();
  const text = value === null || value === undefined ? "" : String(value);
  const hint = assumed ? `${assumed}?` : "…";
  return (
    <span className="inline-flex min-w-0 flex-col">
      <label
        className={`inline-flex min-h-10 items-center gap-1 self-start bg-linen pr-1 pl-4.5 text-sm font-semibold ring-1 ring-inset ${problem ? "ring-2 ring-madder" : lit ? "bg-madder-wash ring-2 ring-madder" : text ? "ring-thread" : "text-smoke [outline:1px_dashed_var(--smoke)] [outline-offset:-2px] ring-transparent"}`}
        style={{ clipPath: "polygon(10px 0, 100% 0, 100% 100%, 10px 100%, 0 50%)" }}
        onPointerEnter={() => onLight?.(true)}
        onPointerLeave={() => onLight?.(false)}
      >
        <span className="whitespace-nowrap" id={`${id}-name`}>
          {name}
        </span>
        <input
          className="h-10 min-w-0 bg-transparent text-base font-bold text-soot placeholder:font-normal placeholder:text-smoke"
          style={{ width: `${Math.min(18, Math.max((text || hint).length, 2) + 1.5)}ch` }}
          value={text}
          placeholder={hint}
          aria-labelledby={`${id}-name`}
          aria-invalid={problem ? true : undefined}
          aria-describedby={problem ? `${id}-wrong` : undefined}
          data-path={path}
          autoComplete="off"
          onFocus={() => onLight?.(true)}
          onBlur={() => onLight?.(false)}
          onChange={(event) => onType(event.currentTarget.value)}
        />
      </label>
      {problem && (
        <span id={`${id}-wrong`} className="max-w-64 text-sm font-semibold text-madder">
          {saysWhy(problem)}
        </span>
      )}
    </span>
  );
}
