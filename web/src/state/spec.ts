import type { SectionSpec } from "../api/client";
import { KINDS, QUANTITIES } from "../api/kinds";

export type Part = NonNullable<SectionSpec["parts"]>[number];
type Pins = NonNullable<SectionSpec["pins"]>;
export type Quantity = keyof Pins;
export type Hold = "firm" | "about" | "free";

/** What is typed in a pin, and how it is held. */
export function held(spec: SectionSpec, quantity: Quantity): { text: string; hold: Hold } {
  const pin = spec.pins?.[quantity];
  if (pin === undefined || pin === null) return { text: "", hold: "free" };
  if (typeof pin === "object") return { text: String(pin.about), hold: "about" };
  return { text: String(pin), hold: "firm" };
}

/** The spec with a pin set, or let go of where the text is empty or the hold is free. */
export function pinned(spec: SectionSpec, quantity: Quantity, text: string, hold: Hold): SectionSpec {
  const { [quantity]: _, ...others } = spec.pins ?? {};
  if (hold === "free" || text.trim() === "") return { ...spec, pins: others };
  return { ...spec, pins: { ...others, [quantity]: hold === "about" ? { about: text } : text } };
}

/** The spec with the fields that a mend or an end control sets; a field is named in dots. */
export function changed(spec: SectionSpec, fields: Record<string, unknown>): SectionSpec {
  let after: SectionSpec = spec;
  for (const [path, value] of Object.entries(fields)) {
    const [head = "", tail, ...further] = path.split(".");
    if (head === "parts" && further.length > 0) {
      // A field of one part of a mixed edge: that part takes it as a section of its own would.
      const own = { [further.join(".")]: value };
      const parts = after.parts?.map((part, at) => (at === Number(tail) ? changed(part as SectionSpec, own) : part));
      after = { ...after, parts: parts as Part[] };
    } else if (head === "pins" && tail && value === null) after = pinned(after, tail as Quantity, "", "free");
    else if (!tail) after = { ...after, [head]: value };
    else if (head === "lead" || head === "tail") after = { ...after, [head]: { [tail]: value } };
    else after = { ...after, [head]: { ...(after[head as keyof SectionSpec] as object), [tail]: value } };
  }
  return after;
}

export type KindName = SectionSpec["kind"];
type Traits = (typeof KINDS)[keyof typeof KINDS];

/** What a kind has; null of an edge of parts, and of a part that stays plain. */
export function traits(kind: string): Traits | null {
  return kind in KINDS ? KINDS[kind as keyof typeof KINDS] : null;
}

export const isParted = (kind: string) => kind === "mixed";
/** Whether pleats of a kind lie over to one hand. */
export const hasHand = (kind: string) => traits(kind)?.faces ?? false;

/** The quantities of a kind, in the order in which they are shown. */
function quantities(kind: KindName): Quantity[] {
  return [...(traits(kind)?.quantities ?? ["finished"])] as Quantity[];
}

/** The quantities of an edge: placed pleats have no spacing, and their count is that of the places. */
export function quantitiesOf(spec: SectionSpec): Quantity[] {
  const all = quantities(spec.kind);
  return spec.placed?.length ? all.filter((one) => one !== "spacing" && one !== "gap" && one !== "count") : all;
}

/** The spec as another kind: pins that it has no such quantity for are put aside, and come back with a kind that has. */
export function asKind(spec: SectionSpec, kind: KindName): SectionSpec {
  const fits = new Set<string>(quantities(kind));
  const all = Object.entries({ ...spec.aside, ...spec.pins }).filter(([, pin]) => pin !== null && pin !== undefined);
  const pins = Object.fromEntries(all.filter(([name]) => fits.has(name)));
  const aside = Object.fromEntries(all.filter(([name]) => !fits.has(name)));
  const after: SectionSpec = { ...spec, kind, pins };
  if (all.length === Object.keys(pins).length) delete after.aside;
  else after.aside = aside;
  if (!isParted(kind) || spec.parts?.length) return after;
  const { finished: _, ...inner } = spec.pins ?? {};
  const first = { ...rowOf(spec), pins: inner, share: "1/2" } as Part;
  return { ...after, parts: [first, { kind: "plain" }] };
}

const OF_THE_WHOLE = [
  "unit",
  "tape",
  "habit",
  "allowance",
  "machine",
  "cloth",
  "cutting",
  "parts",
  "aside",
] as const satisfies readonly (keyof SectionSpec)[];

/** What an edge says of its row alone, without what holds for the whole of it. */
export function rowOf(edge: SectionSpec): Partial<SectionSpec> {
  const row: Partial<SectionSpec> = { ...edge };
  for (const name of OF_THE_WHOLE) delete row[name];
  return row;
}

export const WORDS: Record<Quantity, string> = QUANTITIES;

/** What each kind is called, in the order in which they are offered. */
export const KIND_WORDS: [KindName, string][] = [
  ...Object.entries(KINDS).map(([kind, { word }]): [KindName, string] => [kind as KindName, word]),
  ["mixed", "Mixed edge"],
];

export const kindWord = (kind: string) => KIND_WORDS.find(([name]) => name === kind)?.[1] ?? "Plain";
