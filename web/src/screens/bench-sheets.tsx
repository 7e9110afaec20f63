import { useState } from "react";
import type { Work } from "../api/client";
import { Sheet } from "../parts/sheet";

/** Both versions of a work that was changed in two places, to choose from. */
export function Conflict({ theirs, onSettle }: { theirs: Work | null; onSettle: (keepMine: boolean) => void }) {
  return (
    <Sheet
      title="Changed in two places"
      open={theirs !== null}
      onClose={() => onSettle(true)}
      says="This work was changed elsewhere since you opened it. Nothing is lost: both versions are here."
    >
      <p>
        There: {theirs?.name}, {theirs?.sections.length === 1 ? "one piece" : `${theirs?.sections.length} pieces`},
        touched {theirs && new Date(theirs.touched).toLocaleTimeString()}.
      </p>
      <button type="button" className="press press-main" onClick={() => onSettle(true)}>
        Keep what I typed
      </button>{" "}
      <button type="button" className="press" onClick={() => onSettle(false)}>
        Take the other version
      </button>
    </Sheet>
  );
}

/** A new name for a piece, or for the work with its purpose. */
export function Rename(props: {
  what: string | null;
  work: Work;
  onClose: () => void;
  onWords: (words: { name?: string; purpose?: string }) => void;
  onPiece: (key: string, name: string) => void;
}) {
  const { what, work, onClose, onWords, onPiece } = props;
  const piece = work.sections.find((one) => one.key === what);
  const [name, setName] = useState(piece?.name ?? work.name);
  const [purpose, setPurpose] = useState(work.purpose);
  const keep = () => {
    if (!name.trim()) return;
    if (piece) onPiece(piece.key, name.trim());
    else onWords({ name: name.trim(), purpose: purpose.trim() });
    onClose();
  };
  return (
    <Sheet title={piece ? "The piece" : "The work"} open={what !== null} onClose={onClose}>
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
            onChange={(event) => setName(event.currentTarget.value)}
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
              onChange={(event) => setPurpose(event.currentTarget.value)}
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
