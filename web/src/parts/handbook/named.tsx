import { lazy, Suspense, useState } from "react";
import { termOf } from "./terms";

const WordSheet = lazy(() => import("./word-sheet"));

/** A word that opens its entry in the handbook; as plain text, or the label of `field`, where there is none. */
export function Term({ name, id, field }: { name: string; id?: string; field?: string }) {
  const [open, setOpen] = useState(false);
  const key = termOf(name);
  if (!key)
    return field ? (
      <label id={id} htmlFor={field}>
        {name}
      </label>
    ) : (
      <span id={id}>{name}</span>
    );
  return (
    <>
      <button
        type="button"
        // From the keyboard F1 in the field opens the same: a stop before every field would be in the way.
        tabIndex={-1}
        data-term={key}
        // Room for a finger, taken from what is above it: the field that it names stands below.
        className="-mt-4.5 inline-block pt-4.5 cursor-help text-left underline decoration-dotted decoration-1 underline-offset-4 hover:decoration-solid"
        title="What it means"
        onClick={() => setOpen(true)}
      >
        <span id={id}>{name}</span>
      </button>
      {open && (
        <Suspense>
          <WordSheet first={key} onClose={() => setOpen(false)} />
        </Suspense>
      )}
    </>
  );
}

/** Opens the entry of the field that `event` is for: for F1. */
export function explain(field: Element): boolean {
  const named = document.getElementById(field.getAttribute("aria-labelledby") ?? "");
  const term = named?.closest<HTMLElement>("[data-term]");
  term?.click();
  return term !== undefined && term !== null;
}
