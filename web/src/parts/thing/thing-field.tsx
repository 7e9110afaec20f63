import { type ReactNode, useId, useState } from "react";
import type { Problem, Thing, ThingField } from "../../api/client";
import { saysWhy, sentence } from "../../state/sentence";
import { standsOpen, Toggles } from "../controls/fields";

export interface Asks {
  fields: ThingField[];
  thing: Thing;
  problems: Problem[];
  lit: string | null;
  onLight: (field: string | null) => void;
  onMeasure: (field: string, typed: string | string[]) => void;
  onChoose: (field: string, value: string) => void;
}

/** What is typed of a measure, at each place where it was taken. */
export function placesOf(thing: Thing, name: string): string[] {
  const typed = thing.measures?.[name];
  if (typed === undefined) return [""];
  return Array.isArray(typed) ? (typed.length ? typed.map(String) : [""]) : [String(typed)];
}

/** What is chosen, as it was typed; empty where nothing is said. */
export function choiceOf(thing: Thing, name: string): string {
  const chosen = thing.choices?.[name];
  return chosen === undefined ? "" : String(chosen);
}

/** What is taken where nothing is said, in words. */
export function assumedOf(field: ThingField): string {
  return field.options.find((one) => one.name === field.assumed)?.says ?? field.assumed;
}

/** What a field says, as one reads it in a fold's title. */
export function stateOf(field: ThingField, thing: Thing): string {
  if (field.measure) return placesOf(thing, field.name).filter(Boolean).join(", ") || field.assumed;
  const said = choiceOf(thing, field.name) || field.assumed;
  return field.options.find((one) => one.name === said)?.says ?? said;
}

/** One measure or choice: its name, what is typed, what is assumed, where the tape goes, what is wrong with it. */
export function AskedField({ field, asks }: { field: ThingField; asks: Asks }) {
  if (field.options.length) return <WordField field={field} asks={asks} />;
  return field.measure ? <MeasureField field={field} asks={asks} /> : <TypedField field={field} asks={asks} />;
}

function WordField({ field, asks }: { field: ThingField; asks: Asks }) {
  const id = useId();
  const chosen = choiceOf(asks.thing, field.name);
  const known = field.options.some((one) => one.name === (chosen || field.assumed));
  if (known && standsOpen(field.options.map((one) => one.says)))
    return (
      <div className="flex max-w-full flex-col text-sm font-semibold text-smoke">
        <span id={id}>{field.title}</span>
        <Toggles
          labelledBy={id}
          title={field.where}
          value={chosen || field.assumed}
          assumed={!chosen}
          options={field.options.map((one) => [one.name, one.says])}
          // What is said already and pressed again is left to be assumed.
          onPick={(value) => asks.onChoose(field.name, value === chosen ? "" : value)}
        />
      </div>
    );
  return (
    <div className="flex max-w-full flex-col text-sm font-semibold text-smoke">
      <label htmlFor={id}>{field.title}</label>
      <select
        id={id}
        className="field text-base font-normal"
        value={chosen}
        title={field.where}
        onChange={(event) => asks.onChoose(field.name, event.currentTarget.value)}
      >
        <option value="">{field.assumed ? `${assumedOf(field)}, assumed` : "not said"}</option>
        {field.options.map((one) => (
          <option key={one.name} value={one.name}>
            {one.says}
          </option>
        ))}
      </select>
    </div>
  );
}

function TypedField({ field, asks }: { field: ThingField; asks: Asks }) {
  return (
    <Entry
      field={field}
      path={`choices.${field.name}`}
      label={field.title}
      value={choiceOf(asks.thing, field.name)}
      asks={asks}
      onType={(text) => asks.onChoose(field.name, text)}
    />
  );
}

function MeasureField({ field, asks }: { field: ThingField; asks: Asks }) {
  const places = placesOf(asks.thing, field.name);
  const [more, setMore] = useState(places.length > 1);
  const put = (at: number, text: string) => {
    const now = places.map((one, index) => (index === at ? text : one));
    asks.onMeasure(field.name, now.length > 1 ? now : (now[0] ?? ""));
  };
  return (
    <div className="flex flex-col">
      <div className="flex flex-wrap items-start gap-x-2">
        {places.map((text, at) => (
          <Entry
            // biome-ignore lint/suspicious/noArrayIndexKey: a place has no other name than its number
            key={at}
            field={field}
            path={places.length > 1 ? `measures.${field.name}.${at}` : `measures.${field.name}`}
            label={places.length > 1 ? `${field.title}, place ${at + 1}` : field.title}
            value={text}
            asks={asks}
            onType={(typed) => put(at, typed)}
            beside={
              field.several && !more ? (
                <button
                  type="button"
                  className="-mt-4 flex min-h-9 items-end text-sm font-semibold text-woad hover:underline"
                  aria-label={`${field.title}: places`}
                  title="Measured in more than one place"
                  onClick={() => {
                    setMore(true);
                    asks.onMeasure(field.name, [...places, ""]);
                  }}
                >
                  + places
                </button>
              ) : null
            }
          />
        ))}
      </div>
      {field.several && more && (
        <span className="flex flex-wrap">
          <button
            type="button"
            className="press -ml-3 text-sm"
            onClick={() => asks.onMeasure(field.name, [...places, ""])}
          >
            One more place
          </button>
          {places.length > 1 && (
            <button
              type="button"
              className="press text-sm"
              onClick={() => {
                const kept = places.slice(0, -1);
                asks.onMeasure(field.name, kept.length > 1 ? kept : (kept[0] ?? ""));
                if (kept.length < 2) setMore(false);
              }}
            >
              Take the last away
            </button>
          )}
        </span>
      )}
    </div>
  );
}

function Entry(props: {
  field: ThingField;
  path: string;
  label: string;
  value: string;
  asks: Asks;
  onType: (text: string) => void;
  /** What stands beside its name. */
  beside?: ReactNode;
}) {
  const { field, asks, path } = props;
  const id = useId();
  const wrong = asks.problems.filter(
    (one) =>
      one.path === path || (one.path === `measures.${field.name}` && !path.endsWith(".0") && path.startsWith(one.path)),
  );
  const lit = asks.lit === field.name;
  return (
    <div
      className={`relative flex ${field.sort === "text" ? "w-80 max-w-full" : field.first ? "w-28" : "w-44"} flex-col text-sm font-semibold text-smoke`}
    >
      <span className="flex items-end justify-between">
        <label htmlFor={id}>{props.label}</label>
        {props.beside}
      </span>
      <input
        id={id}
        className={`field text-base font-normal ${lit ? "bg-madder-wash" : ""}`}
        value={props.value}
        placeholder={field.assumed ? (field.first ? `${field.assumed}?` : `${field.assumed}, assumed`) : ""}
        aria-describedby={wrong.length ? `${id}-wrong ${id}-where` : `${id}-where`}
        aria-invalid={wrong.length > 0 || undefined}
        data-field={field.name}
        data-path={path}
        autoComplete="off"
        onFocus={() => asks.onLight(field.name)}
        onBlur={() => asks.onLight(null)}
        onChange={(event) => props.onType(event.currentTarget.value)}
      />
      {/* Over what stands below it, so that nothing moves when the field is entered or left. */}
      <span
        id={`${id}-where`}
        className={
          lit && !field.first
            ? "pointer-events-none absolute top-full left-0 z-10 mt-1 w-72 max-w-[80vw] bg-linen p-2 font-normal shadow-lg ring-1 ring-thread"
            : "sr-only"
        }
      >
        {field.where}
        {field.why ? ` ${sentence(field.why)}` : ""}
      </span>
      {wrong.length > 0 && (
        // Of those that come first it is shown in the line below them, where there is room for it.
        <span id={`${id}-wrong`} className={field.first ? "sr-only" : "text-madder"}>
          {wrong.map((one) => saysWhy(one)).join(" ")}
        </span>
      )}
    </div>
  );
}
