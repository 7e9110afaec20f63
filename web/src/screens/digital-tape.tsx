import { useState } from "react";
import { Link } from "wouter";
import { Choose } from "../parts/controls/fields";
import { sendReading } from "../state/tape-channel";

/** A stand-in for a digital tape: it sends its readings to the open check, as a paired instrument would. */
export function DigitalTape() {
  const [text, setText] = useState("70.0");
  const [unit, setUnit] = useState("cm");
  const [sent, setSent] = useState<string[]>([]);
  const send = () => {
    const reading = `${text.trim()} ${unit}`;
    sendReading({ text: reading, number: sent.length + 1 });
    setSent([...sent, reading]);
  };
  return (
    <main className="mx-auto flex max-w-md flex-col gap-4 px-5 py-6">
      <h1 className="m-0 text-2xl font-bold">Digital tape</h1>
      <p className="m-0 text-smoke">
        A stand-in for an instrument. Keep the step Check open in another window of this browser: each reading arrives
        there.
      </p>
      <form
        className="flex flex-wrap items-end gap-4"
        onSubmit={(event) => {
          event.preventDefault();
          send();
        }}
      >
        <label className="flex flex-col text-sm font-semibold text-smoke">
          Reading
          <input
            className="field w-40 text-4xl font-bold"
            value={text}
            inputMode="decimal"
            onChange={(event) => setText(event.currentTarget.value)}
          />
        </label>
        <Choose
          name="Unit"
          value={unit}
          options={[
            ["cm", "cm"],
            ["in", "in"],
          ]}
          onPick={setUnit}
        />
        <button type="submit" className="press press-main min-h-14 text-xl" disabled={!text.trim()}>
          Send
        </button>
      </form>
      <ol aria-label="Sent" className="m-0 list-decimal pl-6">
        {sent.map((reading, index) => (
          // biome-ignore lint/suspicious/noArrayIndexKey: readings only grow, and may be alike
          <li key={index}>{reading}</li>
        ))}
      </ol>
      <Link className="press self-start" href="/">
        To the works
      </Link>
    </main>
  );
}
