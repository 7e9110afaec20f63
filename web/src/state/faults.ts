import type { Problem, ThingField } from "../api/client";
import { capital } from "./sentence";
import { WORDS } from "./spec";
import type { Step } from "./steps";

/** Something wrong with what was typed, and where the field is that it was typed into. */
export interface Fault {
  problem: Problem;
  /** What its field is called. */
  name: string;
  /** The steps that its field stands on, the one that leads to it first. */
  steps: Step[];
  /** The piece it is of, by its place in the work; null where it is of none. */
  piece: number | null;
  /** The cloth it is of, by its role; null where it is of none. */
  role: string | null;
  /** Its field as the screen of that step has it. */
  path: string;
}

/** What fields are called whose names say too little. */
const CALLED: Record<string, string> = {
  took: "How long a step took",
  sessions: "A session",
  added: "A step of your own",
  usable: "usable width",
  along: "repeat along",
  across: "repeat across",
  step: "sold in steps of",
  length: "at hand",
  start: "Allowance at the start",
  end: "Allowance at the end",
  join: "Allowance at a join",
  seam: "Seam allowance",
};

const OF_CLOTH = /^(cloth|cutting|allowance|seam)(\.|$)/;
const ON_BOTH = /^(cloth\.(usable|thickness)|allowance\.(start|end|join))$/;
const OF_PIECE = /^sections\.(\d+)\.spec\.(.+)$/;

/** Where each problem of a work is mended; `here` is the place of the piece whose paths stand by themselves. */
export function faultsOf(problems: Problem[], fields: ThingField[], here: number | null): Fault[] {
  const found = problems.filter((one) => one.path && one.code !== "too_few").map((one) => faultOf(one, fields, here));
  return found.filter((one, at) => found.findIndex((other) => sameFault(one, other)) === at);
}

/** Whether two faults are one, told by two addresses. */
export function sameFault(one: Fault, other: Fault): boolean {
  return one.steps[0] === other.steps[0] && lastOf(one.path) === lastOf(other.path);
}

const lastOf = (path: string) => path.split(".").at(-1);

function faultOf(problem: Problem, fields: ThingField[], here: number | null): Fault {
  const [first = "", second = "", ...rest] = problem.path.split(".");
  if (first === "measures" || first === "choices") {
    const title = fields.find((one) => one.name === second)?.title;
    return { problem, name: title ?? worded(second), steps: ["measure"], piece: null, role: null, path: problem.path };
  }
  if (first === "making")
    return { problem, name: worded(second), steps: ["measure"], piece: null, role: null, path: problem.path };
  if (first === "cloths") {
    const path = `cloth.${rest.join(".")}`;
    const name = `${capital(second)} cloth, ${worded(rest[0] ?? "")}`;
    const steps: Step[] = second === "face" && rest[0] === "usable" ? ["cloth", "measure"] : ["cloth"];
    return { problem, name, steps, piece: null, role: second, path };
  }
  const [, place, own] = OF_PIECE.exec(problem.path) ?? [];
  const path = (own ?? problem.path).replace(/\.about$/, "").replace(/^seam$/, "allowance.seam");
  const piece = place === undefined ? here : Number(place);
  const steps: Step[] = path.startsWith("cutting.pieces")
    ? ["cut"]
    : ON_BOTH.test(path)
      ? ["cloth", "pleat"]
      : [OF_CLOTH.test(path) ? "cloth" : "pleat"];
  const parts = path.split(".").filter((one) => !/^(pins|cutting|parts|allowance)$/.test(one));
  const quantity = lastOf(path) ?? "";
  const name = quantity in WORDS ? WORDS[quantity as keyof typeof WORDS] : capital(parts.map(worded).join(", "));
  return { problem, name, steps, piece, role: null, path };
}

function worded(name: string): string {
  if (name in CALLED) return CALLED[name] ?? name;
  return /^\d+$/.test(name) ? String(Number(name) + 1) : name.replaceAll("_", " ");
}

const TRIES = 240;

/** Put the focus into a field once it is there: what it is folded in opens. */
export function goToField(path: string, tries = TRIES): void {
  const there = [...document.querySelectorAll<HTMLElement>("[data-path]")];
  const found =
    there.find((one) => one.dataset.path === path) ?? there.find((one) => path.startsWith(`${one.dataset.path}.`));
  if (!found) {
    if (tries > 0) requestAnimationFrame(() => goToField(path, tries - 1));
    return;
  }
  for (let fold = found.closest("details"); fold; fold = fold.parentElement?.closest("details") ?? null)
    fold.open = true;
  found.focus();
  found.scrollIntoView({ block: "center" });
}
