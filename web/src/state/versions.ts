import type { Work } from "../api/client";
import { capital } from "./sentence";
import { WORDS } from "./spec";

/** One thing in which two versions of a work differ, in words. */
interface Difference {
  what: string;
  mine: string;
  theirs: string;
}

const NOTHING = "nothing";

/** A path of names as words: `pins.finished` is the finished width, `cloth.usable` the cloth, usable. */
function words(path: string): string {
  const names = path.split(".");
  if (names[0] === "pins" && names[1] && names[1] in WORDS) return WORDS[names[1] as keyof typeof WORDS];
  const said = names
    .filter((name) => name !== "pins")
    .map((name) => (/^\d+$/.test(name) ? String(Number(name) + 1) : name.replaceAll("_", " ")));
  return capital(said.join(", "));
}

/** Every value of a nested thing by its path. */
function flat(value: unknown, path = ""): Map<string, string> {
  if (value === null || value === undefined || value === "" || value === false) return new Map();
  if (typeof value !== "object") return new Map([[path, value === true ? "yes" : String(value)]]);
  const found = new Map<string, string>();
  for (const [name, held] of Object.entries(value))
    for (const [inner, text] of flat(held, path ? `${path}.${name}` : name)) found.set(inner, text);
  return found;
}

function compared(before: string, mine: unknown, theirs: unknown): Difference[] {
  const [here, there] = [flat(mine), flat(theirs)];
  const paths = [...new Set([...here.keys(), ...there.keys()])].filter((path) => here.get(path) !== there.get(path));
  return paths.map((path) => ({
    what: `${before}${words(path)}`,
    mine: here.get(path) ?? NOTHING,
    theirs: there.get(path) ?? NOTHING,
  }));
}

/** Everything in which two versions of a work differ. */
export function differences(mine: Work, theirs: Work): Difference[] {
  const found = compared(
    "The work: ",
    { name: mine.name, purpose: mine.purpose },
    { name: theirs.name, purpose: theirs.purpose },
  );
  found.push(...compared("The log: ", mine.log, theirs.log));
  found.push(...compared("Measure: ", mine.thing ?? {}, theirs.thing ?? {}));
  for (const role of new Set([...Object.keys(mine.cloths), ...Object.keys(theirs.cloths)]))
    found.push(...compared(`The ${role}: `, mine.cloths[role], theirs.cloths[role]));
  for (const piece of mine.sections) {
    const other = theirs.sections.find((one) => one.key === piece.key);
    if (other) found.push(...compared(`${piece.name}: `, piece.spec, other.spec));
    else found.push({ what: piece.name, mine: "as you see it", theirs: "taken away" });
  }
  for (const piece of theirs.sections)
    if (!mine.sections.some((one) => one.key === piece.key))
      found.push({ what: piece.name, mine: "not there", theirs: "added" });
  return found;
}
