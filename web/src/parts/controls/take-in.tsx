import { useState } from "react";
import { ask, Refused, type SheetTold } from "../../api/client";
import { sentence } from "../../state/sentence";
import { useDraft } from "../../state/use-draft";
import { Sheet } from "./sheet";

interface Props {
  /** What a row is, in the singular, and where it goes. */
  what: string;
  place: string;
  address: "/cloths/table" | "/swatches/table";
  says: string;
  open: boolean;
  onClose: () => void;
  onTaken: () => void;
}

/** A table taken in: chosen as a file or pasted, wrong rows told by their lines. */
export function TakeIn(props: Props) {
  const draft = useDraft(`table of ${props.what}s`, "");
  const { now: text, type: setText } = draft;
  const [told, setTold] = useState<SheetTold | null>(null);
  const [wrong, setWrong] = useState("");
  const send = async (keepGood: boolean) => {
    try {
      const answer = await ask<SheetTold>("POST", props.address, { text, keep_good: keepGood });
      setTold(answer);
      setWrong("");
      if (answer.added) {
        draft.clear();
        props.onTaken();
      }
    } catch (error) {
      setWrong(error instanceof Refused ? sentence(error.message) : "The program does not answer.");
    }
  };
  return (
    <Sheet title="Take in a table" says={props.says} open={props.open} onClose={props.onClose}>
      <label className="press -ml-3 cursor-pointer">
        Choose a file
        <input
          type="file"
          accept=".csv,text/csv,text/plain"
          className="sr-only"
          onChange={(event) => {
            const file = event.currentTarget.files?.[0];
            if (!file) return;
            if (file.size > 200_000) setWrong("That file is too large: keep it under 200 kB.");
            else void file.text().then(setText);
          }}
        />
      </label>
      <label className="flex flex-col text-sm font-semibold text-smoke">
        or paste it here
        <textarea
          className="field min-h-40 py-2 font-normal"
          value={text}
          onChange={(event) => {
            setText(event.currentTarget.value);
            setTold(null);
          }}
        />
      </label>
      {wrong && (
        <p role="alert" className="m-0 font-semibold text-madder">
          {wrong}
        </p>
      )}
      {told && (
        <div role="status" className="my-2">
          <p className="m-0 font-semibold">
            {told.added
              ? `${told.added} ${told.added === 1 ? props.what : `${props.what}s`} put ${props.place}.`
              : `Nothing was put ${props.place}: ${told.right} right, ${told.wrong.length} wrong.`}
          </p>
          {told.wrong.map((row) => (
            <p key={row.line} className="m-0 text-madder">
              Line {row.line}: {sentence(row.message)}
            </p>
          ))}
        </div>
      )}
      <button type="button" className="press press-main mt-2" disabled={!text.trim()} onClick={() => void send(false)}>
        Take it in
      </button>{" "}
      {told && told.added === 0 && told.right > 0 && (
        <button type="button" className="press" onClick={() => void send(true)}>
          Take in the {told.right} right {told.right === 1 ? "row" : "rows"}
        </button>
      )}
    </Sheet>
  );
}
