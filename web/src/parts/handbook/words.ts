import type { SectionSpec, Thing } from "../../api/client";
import type { Quantity } from "../../state/spec";
import handbook from "./words.json";

/** What a drawing shows: a section of the scenario by its name, its tracks, the part of it in sight, and the quantity lit. */
export interface WordSample {
  of: string;
  tracks: ("flat" | "edge" | "front")[];
  /** The part in sight, as shares of the whole. */
  from: number;
  to: number;
  lit?: Quantity;
  /** What is to be seen, for those who cannot see it. */
  says: string;
}

/** A thing that is drawn beside a word: what is said of it, which of its views, and what is to be seen there. */
export interface WordThing {
  said: Thing;
  view: string;
  says: string;
}

/** A word of the work: what it means, what else to read, and a drawing where one helps. */
export interface Word {
  key: string;
  word: string;
  group: string;
  says: string[];
  see?: string[];
  sample?: WordSample;
  thing?: WordThing;
}

export const GROUPS: readonly (readonly [string, string])[] = [
  ["things", "Things and measures"],
  ["edge", "The edge"],
  ["pleat", "One pleat"],
  ["kinds", "Kinds"],
  ["marks", "Marks and the tape"],
  ["uneven", "Not even"],
  ["cloth", "Cloth and cutting"],
  ["gathers", "Gathers"],
  ["making", "Making and checking"],
];

/** Every entry, in order of reading. */
export const ENTRIES = handbook.words as Word[];

/** The sections that are drawn, by their names. */
export const SECTIONS = handbook.sections as Record<string, SectionSpec>;
