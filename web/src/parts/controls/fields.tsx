import { ToggleGroup } from "radix-ui";
import { useId, useState } from "react";
import type { Problem } from "../../api/client";
import { colourOf } from "../../state/photographed";
import { saysWhy } from "../../state/sentence";
import { Term } from "../handbook/named";

const OPEN = 46;
const NOTHING = "-"; // a choice that says nothing has a value too

/** Whether so few short words stand open beside each other rather than behind a press. */
export function standsOpen(words: readonly string[]): boolean {
  return words.length < 5 && words.reduce((sum, word) => sum + word.length, 0) <= OPEN;
}

/** A few words beside each other, one of them taken; dashed where it is only assumed. */
export function Toggles(props: {
  value: string;
  options: readonly (readonly [string, string])[];
  labelledBy: string;
  assumed?: boolean;
  title?: string;
  onPick: (value: string) => void;
}) {
  return (
    <ToggleGroup.Root
      type="single"
      value={props.value || NOTHING}
      // Pressed again, what is taken stays taken: whoever asks is told so.
      onValueChange={(value) => props.onPick(value === NOTHING ? "" : value || props.value)}
      aria-labelledby={props.labelledBy}
      title={props.title}
      className="inline-flex flex-wrap self-start bg-linen ring-1 ring-thread"
    >
      {props.options.map(([value, word]) => (
        <ToggleGroup.Item
          key={value}
          value={value || NOTHING}
          className={`min-h-11 px-3 text-base font-normal text-soot hover:bg-woad-wash data-[state=on]:font-semibold ${props.assumed ? "data-[state=on]:[outline:2px_dashed_var(--smoke)] data-[state=on]:[outline-offset:-4px]" : "data-[state=on]:bg-soot data-[state=on]:text-calico"}`}
        >
          {word}
        </ToggleGroup.Item>
      ))}
    </ToggleGroup.Root>
  );
}

/** A choice of a few, named: open where the words are few and short. */
export function Choose(props: {
  name: string;
  value: string;
  options: readonly (readonly [string, string])[];
  onPick: (value: string) => void;
  /** A name that is heard but not shown. */
  quiet?: boolean;
}) {
  const id = useId();
  const known = props.options.some(([value]) => value === props.value);
  const open = known && standsOpen(props.options.map(([, word]) => word));
  return (
    <div className="flex flex-col text-sm font-semibold text-smoke">
      {props.quiet ? (
        <span id={`${id}-name`} className="sr-only">
          {props.name}
        </span>
      ) : (
        <Term name={props.name} id={`${id}-name`} {...(open ? {} : { field: id })} />
      )}
      {open ? (
        <Toggles
          value={props.value}
          options={props.options}
          labelledBy={`${id}-name`}
          onPick={(value) => value !== props.value && props.onPick(value)}
        />
      ) : (
        <select
          id={id}
          aria-labelledby={`${id}-name`}
          className="field text-base font-normal"
          value={props.value}
          onChange={(event) => props.onPick(event.currentTarget.value)}
        >
          {!known && <option value={props.value}>{props.value}</option>}
          {props.options.map(([value, word]) => (
            <option key={value} value={value}>
              {word}
            </option>
          ))}
        </select>
      )}
    </div>
  );
}

/** A length or a number as typed, with what is wrong with it beside it. */
export function Text(props: {
  name: string;
  path: string;
  value: string | number | null | undefined;
  problems: Problem[];
  onType: (text: string) => void;
  /** A name that is heard but not shown: in a table, whose heading says it. */
  quiet?: boolean;
  wide?: boolean;
  slim?: boolean;
  /** What is taken while nothing is typed, shown in its place. */
  assumed?: string | undefined;
  /** The same where it was said elsewhere. */
  taken?: string | undefined;
}) {
  const problem = props.problems.find((one) => one.path === props.path);
  const id = useId();
  // What is wrong describes the field; it is no part of its name.
  return (
    <div className="flex flex-col text-sm font-semibold text-smoke">
      {props.quiet ? (
        <label htmlFor={id} id={`${id}-name`} className="sr-only">
          {props.name}
        </label>
      ) : (
        <Term name={props.name} id={`${id}-name`} field={id} />
      )}
      <input
        id={id}
        className={`field ${props.wide ? "w-60" : props.quiet || props.slim ? "w-28" : "w-36"} text-base ${props.wide && props.quiet ? "font-bold" : "font-normal"}`}
        value={props.value ?? ""}
        placeholder={props.assumed ? `${props.assumed}, assumed` : props.taken}
        aria-labelledby={`${id}-name`}
        aria-invalid={problem ? true : undefined}
        aria-describedby={problem ? `${id}-wrong` : undefined}
        data-path={props.path}
        onChange={(event) => props.onType(event.currentTarget.value)}
        autoComplete="off"
      />
      {problem && (
        <span id={`${id}-wrong`} className="max-w-56 text-madder">
          {saysWhy(problem)}
        </span>
      )}
    </div>
  );
}

/** A colour, chosen as the browser lets one, or taken from the middle of a photograph of the cloth. */
export function ColourField(props: {
  name: string;
  value: string | null | undefined;
  onPick: (colour: string) => void;
  /** Without the way by a photograph, where there is no room for it. */
  bare?: boolean;
}) {
  const [wrong, setWrong] = useState(false);
  const taken = async (file: File | undefined) => {
    if (!file) return;
    const colour = await colourOf(file);
    setWrong(!colour);
    if (colour) props.onPick(colour);
  };
  return (
    <span className="flex flex-wrap items-end gap-x-2">
      <label className="flex flex-col text-sm font-semibold text-smoke">
        {props.name}
        <input
          type="color"
          className="field h-11 w-20 p-1"
          value={props.value ?? "#d9c9a3"}
          onChange={(event) => props.onPick(event.currentTarget.value)}
        />
      </label>
      {!props.bare && (
        <label className="press cursor-pointer">
          From a photograph
          <input
            type="file"
            accept="image/*"
            className="sr-only"
            onChange={(event) => {
              void taken(event.currentTarget.files?.[0]);
              event.currentTarget.value = "";
            }}
          />
        </label>
      )}
      {wrong && (
        <span role="alert" className="pb-2 text-sm font-semibold text-madder">
          That is no picture that can be read here. Choose a photograph, or the colour itself.
        </span>
      )}
    </span>
  );
}

/** Something that is so or not. */
export function TickBox(props: { name: string; on: boolean; onTick: (on: boolean) => void }) {
  return (
    <label className="flex min-h-11 items-center gap-2 font-semibold">
      <input
        type="checkbox"
        className="size-5 accent-[var(--madder)]"
        checked={props.on}
        onChange={(event) => props.onTick(event.currentTarget.checked)}
      />
      {props.name}
    </label>
  );
}
