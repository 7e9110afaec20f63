import { useState } from "react";
import { useLocation } from "wouter";
import { ask, type Work } from "../api/client";
import { Sheet } from "../parts/controls/sheet";
import { sentence } from "../state/sentence";
import { useDraft } from "../state/use-draft";
import { differences } from "../state/versions";

/** Both versions of a work that was changed in two places, side by side where they differ, to choose from. */
export function Conflict(props: {
  mine: Work;
  theirs: Work | null;
  trouble: string | null;
  onSettle: (keep: "mine" | "theirs") => void;
}) {
  const { mine, theirs, onSettle } = props;
  const [, go] = useLocation();
  const deleted = theirs?.deleted ?? false;
  const rows = theirs ? differences(mine, theirs) : [];
  const when = theirs && new Date(theirs.touched).toLocaleTimeString();
  return (
    <Sheet
      title={deleted ? "Deleted elsewhere" : "Changed in two places"}
      open={theirs !== null}
      lasting
      wide
      says={
        deleted
          ? "This work was deleted elsewhere while you changed it. Nothing is lost: what you typed is here."
          : `This was changed elsewhere too, last at ${when}. Whichever you keep, the other is one step back in the history.`
      }
    >
      {rows.length > 0 && (
        <div className="max-h-[50vh] overflow-auto">
          <table className="w-full border-collapse">
            <thead>
              <tr className="text-left text-sm text-smoke">
                <th scope="col">What</th>
                <th scope="col">What you typed</th>
                <th scope="col">The other version</th>
              </tr>
            </thead>
            <tbody>
              {rows.map((row) => (
                <tr key={row.what} className="border-t border-thread align-top">
                  <th scope="row" className="py-1 pr-4 text-left font-semibold">
                    {row.what}
                  </th>
                  <td className="py-1 pr-4 whitespace-pre-wrap">{row.mine}</td>
                  <td className="py-1 whitespace-pre-wrap">{row.theirs}</td>
                </tr>
              ))}
            </tbody>
          </table>
        </div>
      )}
      {props.trouble && (
        <p role="alert" className="border-l-[6px] border-weld-line pl-3">
          {sentence(props.trouble)}
        </p>
      )}
      <div className="mt-4 flex flex-wrap gap-3">
        <button type="button" className="press press-main" onClick={() => onSettle("mine")}>
          {deleted ? "Put it back and keep what I typed" : "Keep what I typed"}
        </button>
        <button
          type="button"
          className="press"
          onClick={() => {
            onSettle("theirs");
            if (deleted) go("/");
          }}
        >
          {deleted ? "Leave it deleted" : "Take the other version"}
        </button>
      </div>
    </Sheet>
  );
}

/** A work that was deleted for good elsewhere while it was open here. */
export function Gone({ work, onDone }: { work: Work | null; onDone: () => void }) {
  const [, go] = useLocation();
  const [trouble, setTrouble] = useState("");
  const keep = async () => {
    if (!work) return;
    try {
      const { name, purpose, cloths, thing } = work;
      const sections = work.sections.map(({ name, spec }) => ({ name, spec }));
      const made = await ask<Work>("POST", "/works", { name, purpose, cloths, thing, sections });
      await ask<Work>("PATCH", `/works/${made.key}/log`, { ...work.log, revision: made.revision });
      onDone();
      go(`/works/${made.key}`);
    } catch (error) {
      setTrouble(error instanceof Error ? error.message : "that did not work");
    }
  };
  return (
    <Sheet
      title="Deleted for good elsewhere"
      open={work !== null}
      lasting
      says="This work is gone from the shelf. What you see here can be kept as a new work."
    >
      {trouble && (
        <p role="alert" className="border-l-[6px] border-weld-line pl-3">
          {sentence(trouble)}
        </p>
      )}
      <div className="flex flex-wrap gap-3">
        <button type="button" className="press press-main" onClick={() => void keep()}>
          Keep it as a new work
        </button>
        <button
          type="button"
          className="press"
          onClick={() => {
            onDone();
            go("/");
          }}
        >
          Let it go
        </button>
      </div>
    </Sheet>
  );
}

/** A new name for a piece, or for the work with its purpose. */
export function Rename(props: {
  what: string;
  work: Work;
  onClose: () => void;
  onWords: (words: { name?: string; purpose?: string }) => void;
  onPiece: (key: string, name: string) => void;
}) {
  const { what, work, onClose, onWords, onPiece } = props;
  const piece = work.sections.find((one) => one.key === what);
  const typed = useDraft(`words/${work.key}/${what}`, { name: piece?.name ?? work.name, purpose: work.purpose });
  const { name, purpose } = typed.now;
  const close = () => {
    typed.clear();
    onClose();
  };
  const keep = () => {
    if (!name.trim()) return;
    if (piece) onPiece(piece.key, name.trim());
    else onWords({ name: name.trim(), purpose: purpose.trim() });
    close();
  };
  return (
    <Sheet title={piece ? "The piece" : "The work"} open onClose={close}>
      <form
        onSubmit={(event) => {
          event.preventDefault();
          keep();
        }}
      >
        <label className="flex flex-col text-sm font-semibold text-smoke">
          Name
          <input
            className="field text-lg"
            value={name}
            maxLength={120}
            onChange={(event) => typed.type({ name: event.currentTarget.value, purpose })}
          />
          {!name.trim() && (
            <span className="text-madder">A name is needed, such as {piece ? "Skirt length" : "Guide’s skirt"}.</span>
          )}
        </label>
        {!piece && (
          <label className="mt-3 flex flex-col text-sm font-semibold text-smoke">
            For whom or what
            <input
              className="field text-lg"
              value={purpose}
              maxLength={200}
              onChange={(event) => typed.type({ name, purpose: event.currentTarget.value })}
            />
          </label>
        )}
        <button type="submit" className="press press-main mt-4">
          Keep
        </button>
      </form>
    </Sheet>
  );
}
