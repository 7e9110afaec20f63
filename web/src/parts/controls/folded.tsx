import { type ReactNode, useEffect, useRef } from "react";
import { Figure } from "./figure";

/** What is rarely needed, folded away with its state in its title; it opens by itself where something in it is wrong. */
export function Folded(props: { name: string; state: string; wrong?: boolean; children: ReactNode }) {
  const fold = useRef<HTMLDetailsElement>(null);
  useEffect(() => {
    // Once mended it stays open: it must not close under the hand.
    if (props.wrong && fold.current) fold.current.open = true;
  }, [props.wrong]);
  return (
    <section aria-label={props.name} className="border-t border-thread">
      <details ref={fold}>
        <summary className="flex min-h-11 flex-wrap items-center gap-x-3 py-1">
          <span className="font-bold">{props.name}</span>
          <span className="text-sm text-smoke">
            <Figure>{props.state}</Figure>
          </span>
        </summary>
        <div className="flex flex-wrap items-end gap-x-5 gap-y-3 pb-3">{props.children}</div>
      </details>
    </section>
  );
}
