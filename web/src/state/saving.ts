import { type Cloth, type KeptSpec, type Options, Refused, type Thing, type Work } from "../api/client";
import { newName } from "../api/named";
import type { Item, LogName, Unsent, UnsentPlace } from "./unsent";

export type State = "saved" | "saving" | "unreached" | "asking";

/** What a screen shows of a work that is being changed. */
export interface Shown {
  work: Work;
  saving: State;
  /** The other version, where the same was changed elsewhere. */
  conflict: Work | null;
  /** Deleted for good elsewhere. */
  gone: boolean;
  trouble: string | null;
}

/** What saving needs of the world: a way to ask, and a clock. */
export interface World {
  ask: (method: string, address: string, body: unknown, options: Options) => Promise<Work>;
  now: () => number;
  later: (task: () => void, ms: number) => () => void;
}

const PAUSE = 400;
const AGAIN = 3000;
/** Changes to one field are one step to take back while no pause between them is longer, in ms. */
const RUN = 3000;
/** A browser takes so much of what is sent while a page is left, and no more. */
const LEAVING = 60_000;
const PAGE = Math.random().toString(36).slice(2, 10);

const ALL = "*";

/** The part of a work that a change is of; an act, or a change to every piece, is of all. */
function partOf(item: Item): string {
  if (item.what === "piece") return item.piece;
  if (item.what === "cloth") return `cloth.${item.role}`;
  if (item.what === "thing") return "thing";
  return item.what === "log" ? `log.${item.name}` : ALL;
}

/** Acts that are done only where nothing at all was changed elsewhere: their answer is all that there is. */
const WHOLE = /^\/(undo|redo|unit)$/;
const ofAll = (item: Item) => item.what === "seam" || (item.what === "act" && WHOLE.test(item.tail));

function withChange(work: Work, item: Item): Work {
  if (item.what === "act") return work;
  if (item.what === "thing") return { ...work, thing: item.thing };
  if (item.what === "log") return { ...work, log: { ...work.log, [item.name]: item.value } };
  if (item.what === "cloth") {
    const { [item.role]: _, ...others } = work.cloths;
    return { ...work, cloths: item.spec ? { ...others, [item.role]: item.spec } : others };
  }
  const sections = work.sections.map((section) => {
    if (item.what === "piece") return section.key === item.piece ? { ...section, spec: item.spec } : section;
    return { ...section, spec: { ...section.spec, allowance: { ...section.spec.allowance, seam: item.seam } } };
  });
  const thing = item.what === "seam" && work.thing ? { ...work.thing, seam: item.seam } : work.thing;
  return { ...work, thing, sections };
}

/** The work as changes leave it. */
function withChanges(work: Work, items: Item[]): Work {
  return items.reduce(withChange, work);
}

/** (the method, the rest of the address, the body) that a change is sent with. */
function request(item: Item, revision: number): [string, string, Record<string, unknown> | undefined] {
  const { run } = item;
  if (item.what === "piece")
    return ["PUT", `/sections/${item.piece}`, { spec: item.spec, field: item.field, run, revision }];
  if (item.what === "cloth")
    return ["PUT", `/cloths/${encodeURIComponent(item.role)}`, { spec: item.spec, field: item.field, run, revision }];
  if (item.what === "log") return ["PATCH", "/log", { [item.name]: item.value, run, revision }];
  if (item.what === "thing") return ["PUT", "/thing", { thing: item.thing, field: item.field, run, revision }];
  if (item.what === "seam") return ["POST", "/seam", { seam: item.seam, run, revision }];
  if (item.method === "DELETE") return ["DELETE", `${item.tail}?revision=${revision}`, undefined];
  return [item.method, item.tail, { ...item.body, revision }];
}

/**
 * One work, kept as it is typed: each change is shown at once, kept in the browser with the keystroke, and sent one
 * after another, each naming the revision that it was made to. Nothing here knows a screen.
 */
export class Saving {
  private shown: Shown;
  private waiting: Item[] = [];
  private sending: Item | null = null;
  private rest: number;
  private seen: Record<string, number> = {};
  private readonly address: string;
  private readonly answers = new Map<string, (answer: Work | null) => void>();
  private readonly listeners = new Set<() => void>();
  private chain: Promise<unknown> = Promise.resolve();
  private wake = () => {};
  private stop = () => {};
  private run = { place: "", at: 0, number: 0 };
  private unreached = false;
  private alive = true;

  constructor(
    first: Work,
    left: Unsent[],
    private readonly world: World,
    private readonly place: UnsentPlace,
  ) {
    this.address = `/works/${first.key}`;
    this.rest = first.revision;
    this.shown = { work: first, saving: "saved", conflict: null, gone: false, trouble: null };
    for (const one of [...left].reverse()) this.takeOver(one); // the oldest comes to stand first
  }

  /** What another window left unsent is made here, before what was typed here since: that stands on it, and both are kept. */
  takeOver(left: Unsent): void {
    for (const item of left.items) {
      const part = partOf(item);
      const made = left.seen[part] ?? left.rest;
      this.seen[part] = Math.min(this.seen[part] ?? made, made);
    }
    const parts = new Set(left.items.map(partOf));
    // What is on its way goes out before it, so it is made once more after it.
    const { sending } = this;
    const again =
      sending && sending.what !== "act" && parts.has(partOf(sending)) ? [{ ...sending, ...this.anew() }] : [];
    this.waiting = [...left.items, ...again, ...this.waiting];
    this.show({ work: withChanges(this.shown.work, this.waiting), saving: "saving" });
    this.keep();
    void this.flush().then(() => this.look());
  }

  /** See how the work is now: a change that was recognised is answered as it was then. */
  private async look(): Promise<void> {
    if (this.behind || this.paused()) return;
    try {
      this.took(await this.world.ask("GET", this.address, undefined, {}), () => false);
    } catch {
      // then it is seen with the next answer
    }
  }

  snapshot = (): Shown => this.shown;

  subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  };

  private show(now: Partial<Shown>): void {
    this.shown = { ...this.shown, ...now };
    for (const listener of this.listeners) listener();
  }

  private unsent(): Item[] {
    return [...(this.sending ? [this.sending] : []), ...this.waiting];
  }

  private keep(): void {
    const items = this.unsent();
    this.place.keep(items.length ? { rest: this.rest, seen: this.seen, items } : null);
  }

  private state(): State {
    if (this.paused()) return "asking";
    return this.unsent().length ? (this.unreached ? "unreached" : "saving") : "saved";
  }

  /** The revision that a change was made to. */
  private revision(item: Item): number {
    if (ofAll(item)) return Math.min(this.rest, ...Object.values(this.seen));
    return this.seen[partOf(item)] ?? this.rest;
  }

  /** An answer: what is still being typed is newer than it, and was not made to it. */
  private took(answer: Work, known: (part: string) => boolean): void {
    const typed = new Set(this.waiting.filter((item) => item.what !== "act").map(partOf));
    const seen: Record<string, number> = {};
    for (const part of typed) seen[part] = known(part) ? answer.revision : (this.seen[part] ?? this.rest);
    this.seen = seen;
    this.rest = answer.revision;
    this.unreached = false;
    this.keep();
    this.show({ work: withChanges(answer, this.waiting), saving: this.state(), trouble: null });
  }

  private async attempt(item: Item): Promise<"done" | "refused" | "unreached" | "paused"> {
    this.sending = item;
    const [method, tail, body] = request(item, this.revision(item));
    const headers = { "Idempotency-Key": item.id };
    try {
      const keepalive = JSON.stringify(body ?? "").length < LEAVING;
      const answer = await this.world.ask(method, `${this.address}${tail}`, body, { keepalive, headers });
      this.sending = null;
      this.took(answer, (part) => ofAll(item) || part === partOf(item));
      this.answered(item, answer);
      return "done";
    } catch (error) {
      this.sending = null;
      return this.failed(item, error);
    } finally {
      this.keep();
    }
  }

  private answered(item: Item, answer: Work | null): void {
    this.answers.get(item.id)?.(answer);
    this.answers.delete(item.id);
  }

  private async failed(item: Item, error: unknown): Promise<"refused" | "unreached" | "paused"> {
    // A token that was lost, and a program in trouble, are no answers to what was asked.
    if (!(error instanceof Refused) || error.status >= 500 || error.status === 403 || error.status === 429) {
      this.waiting.unshift(item);
      this.unreached = true;
      const why = error instanceof Refused ? error.problems[0] : undefined;
      this.show({ saving: "unreached", trouble: why ? `${why.message} ${why.way_out}.` : null });
      return "unreached";
    }
    if (error.theirs) return this.stale(item, error.theirs);
    if (error.status === 404 && (await this.isGone())) {
      this.waiting.unshift(item);
      this.show({ gone: true, saving: "asking" });
      return "paused";
    }
    this.answered(item, null);
    this.show({ trouble: `${error.message}: ${error.problems[0]?.way_out ?? ""}`, saving: this.state() });
    return "refused";
  }

  private stale(item: Item, theirs: Work): "refused" | "paused" {
    const acted = item.what === "act";
    if (acted) this.answered(item, null);
    else this.waiting.unshift(item);
    if (this.waiting.some((one) => one.what !== "act") || theirs.deleted) {
      this.show({ conflict: theirs, saving: "asking" });
      return "paused";
    }
    // Nothing was typed that there would be a choice about.
    this.took(theirs, () => true);
    this.show({
      trouble: "This work was changed elsewhere in the meantime, and that was not done. Look, then do it again.",
    });
    return "refused";
  }

  private async isGone(): Promise<boolean> {
    try {
      await this.world.ask("GET", this.address, undefined, {});
      return false;
    } catch (error) {
      return error instanceof Refused && error.status === 404;
    }
  }

  /** Send all that waits, again and again while nobody answers. */
  private async drain(): Promise<void> {
    for (let item = this.waiting[0]; item && !this.paused(); item = this.waiting[0]) {
      this.waiting = this.waiting.slice(1);
      const outcome = await this.attempt(item);
      if (outcome === "paused") return;
      if (outcome === "unreached") {
        if (!this.alive) return; // the next window that opens the work takes it over
        await new Promise<void>((done) => {
          this.wake = done;
          this.world.later(done, AGAIN);
        });
      }
    }
  }

  private paused(): boolean {
    return this.shown.conflict !== null || this.shown.gone;
  }

  /** Send what waits now. */
  flush(): Promise<unknown> {
    this.stop();
    this.wake();
    this.chain = this.chain.then(() => this.drain());
    return this.chain;
  }

  private later(item: Item): void {
    const last = this.waiting.at(-1);
    const goesOn = last && last.what === item.what && partOf(last) === partOf(item) && last.run === item.run;
    this.waiting = [...(goesOn ? this.waiting.slice(0, -1) : this.waiting), item];
    this.keep();
    this.show({ work: withChange(this.shown.work, item), saving: this.state() });
    this.stop();
    this.stop = this.world.later(() => void this.flush(), PAUSE);
  }

  /** A name and a run that no other change has. */
  private anew(): { id: string; run: string } {
    this.run = { place: "", at: 0, number: this.run.number + 1 };
    return { id: newName(), run: `${PAGE}.${this.run.number}` };
  }

  private inRun(place: string): { id: string; run: string } {
    const at = this.world.now();
    const goesOn = this.run.place === place && at - this.run.at < RUN;
    this.run = { place, at, number: goesOn ? this.run.number : this.run.number + 1 };
    return { id: newName(), run: `${PAGE}.${this.run.number}` };
  }

  /** Change a section's facts at once here, and soon on disk. `field` says which was typed. */
  edit = (piece: string, spec: KeptSpec, field: string): void =>
    this.later({ ...this.inRun(`${piece} ${field}`), what: "piece", piece, spec, field });

  /** Other facts for the cloth of a role, null for none. */
  cloth = (role: string, spec: Cloth | null, field: string): void =>
    this.later({ ...this.inRun(`cloth ${role} ${field}`), what: "cloth", role, spec, field });

  /** Another seam allowance for the whole work; empty, the usual one. */
  seam = (text: string): void => this.later({ ...this.inRun("seam"), what: "seam", seam: text.trim() ? text : null });

  /** Another measure or choice of the thing, `field` saying which. */
  thing = (thing: Thing, field: string): void =>
    this.later({ ...this.inRun(`thing ${field}`), what: "thing", thing, field });

  /** Other words in the log. */
  log = (name: LogName, value: string | boolean): void =>
    this.later({ ...this.inRun(`log ${name}`), what: "log", name, value });

  /** Something done to the work, after all that was typed before it; resolves to the work, or null where it was refused. */
  act = (method: string, tail: string, body: Record<string, unknown> = {}): Promise<Work | null> => {
    const item: Item = { id: newName(), run: "", what: "act", method, tail, body };
    this.run = { place: "", at: 0, number: this.run.number };
    const done = new Promise<Work | null>((answer) => this.answers.set(item.id, answer));
    this.waiting = [...this.waiting, item];
    this.keep();
    this.show({ saving: this.state() });
    void this.flush();
    return done;
  };

  /** Whether anything is still to be saved. */
  get behind(): boolean {
    return this.unsent().length > 0;
  }

  /** Settle a conflict: keep what is here, or what is there; the other stays in the history. */
  settle = async (keep: "mine" | "theirs"): Promise<void> => {
    const theirs = this.shown.conflict;
    if (!theirs) return;
    const typed: Item[] = this.waiting.filter((item) => item.what !== "act");
    const pieces = new Map(typed.flatMap((item) => (item.what === "piece" ? [[item.piece, item.spec] as const] : [])));
    const name = (key: string) => this.shown.work.sections.find((one) => one.key === key)?.name ?? "Piece";
    const body = {
      revision: theirs.revision,
      keep,
      sections: [...pieces].map(([key, spec]) => ({ key, name: name(key), spec })),
      cloths: Object.fromEntries(
        typed.flatMap((item) => (item.what === "cloth" ? [[item.role, item.spec ?? {}]] : [])),
      ),
      log: Object.fromEntries(typed.flatMap((item) => (item.what === "log" ? [[item.name, item.value]] : []))),
      thing: typed.flatMap((item) => (item.what === "thing" ? [item.thing] : [])).slice(-1),
      seam: typed.flatMap((item) => (item.what === "seam" ? [item.seam] : [])).slice(-1),
    };
    try {
      const headers = { "Idempotency-Key": newName() };
      const answer = await this.world.ask("POST", `${this.address}/settle`, body, { headers });
      this.waiting = this.waiting.filter((item) => !typed.includes(item));
      this.show({ conflict: null });
      this.took(answer, () => true);
      void this.flush();
    } catch (error) {
      if (error instanceof Refused && error.theirs) this.show({ conflict: error.theirs });
      else this.show({ trouble: error instanceof Error ? `${error.message}. Nothing is lost: choose again.` : null });
    }
  };

  /** Let go of all that waits: the work is gone, and what is here was kept otherwise or is not wanted. */
  letGo(): void {
    this.waiting = [];
    this.keep();
    this.show({ saving: "saved" });
  }

  /** The screen is there. */
  enter(): void {
    this.alive = true;
  }

  /** The screen is left: one more try, then the place is free for the next window. */
  leave(): Promise<unknown> {
    this.alive = false;
    return this.flush().finally(() => this.place.free());
  }
}
