import { beforeEach, describe, expect, test, vi } from "vitest";
import { Refused, type Work } from "../src/api/client";
import { Saving, type World } from "../src/state/saving";
import type { Unsent } from "../src/state/unsent";

// There is no page here, so nothing on it is being pressed.
vi.mock("../src/api/press", () => ({ letGo: () => Promise.resolve() }));

const WORK = {
  key: "aaaaaaaaaa",
  name: "Dome valance",
  purpose: "",
  cloths: {},
  thing: null,
  log: { notes: "", faults: "", hours: "", cost: "", finished: false },
  revision: 3,
  touched: "2026-11-26T20:00:00Z",
  deleted: false,
  sections: [{ key: "p", name: "Valance", spec: { kind: "box", pins: {} } }],
  undo: null,
  redo: null,
} as unknown as Work;

interface Sent {
  method: string;
  address: string;
  body: Record<string, unknown>;
  name: string;
  answer: (work: Work) => void;
  refuse: (error: unknown) => void;
}

/** A world of one's own: requests wait to be answered, time goes on when it is told to. */
class Stage implements World {
  sent: Sent[] = [];
  time = 0;
  kept: Unsent | null = null;
  private timers: { at: number; task: () => void }[] = [];

  ask = (method: string, address: string, body: unknown, options: { headers?: Record<string, string> }) =>
    new Promise<Work>((answer, refuse) => {
      const name = options.headers?.["Idempotency-Key"] ?? "";
      this.sent.push({ method, address, body: body as Record<string, unknown>, name, answer, refuse });
    });

  now = () => this.time;

  later = (task: () => void, ms: number) => {
    const timer = { at: this.time + ms, task };
    this.timers.push(timer);
    return () => {
      this.timers = this.timers.filter((one) => one !== timer);
    };
  };

  async go(ms: number): Promise<void> {
    this.time += ms;
    const due = this.timers.filter((one) => one.at <= this.time);
    this.timers = this.timers.filter((one) => one.at > this.time);
    for (const one of due) one.task();
    await this.settle();
  }

  async settle(): Promise<void> {
    for (let i = 0; i < 30; i += 1) await Promise.resolve();
  }

  get last(): Sent {
    const found = this.sent.at(-1);
    if (!found) throw new Error("nothing was sent");
    return found;
  }
}

let stage: Stage;
let saving: Saving;
const typed = (text: string) => ({ kind: "box", pins: { finished: text } }) as Work["sections"][number]["spec"];
const answered = (revision: number, text: string): Work => ({
  ...WORK,
  revision,
  sections: [{ key: "p", name: "Valance", spec: typed(text) }],
});
const shownText = () => saving.snapshot().work.sections[0]?.spec.pins?.finished;

beforeEach(() => {
  stage = new Stage();
  saving = new Saving(WORK, [], stage, {
    keep: (left) => {
      stage.kept = left;
    },
    free: () => {},
  });
});

describe("what is typed", () => {
  test("is shown and kept at once, and sent after a pause with the revision that it was made to", async () => {
    saving.edit("p", typed("9"), "pins.finished");
    saving.edit("p", typed("96 in"), "pins.finished");
    expect(shownText()).toBe("96 in");
    expect(stage.kept?.items).toHaveLength(1);
    expect(stage.sent).toHaveLength(0);
    await stage.go(400);
    expect(stage.sent).toHaveLength(1);
    expect(stage.last.body).toMatchObject({ revision: 3, field: "pins.finished", spec: typed("96 in") });
    stage.last.answer(answered(4, "96 in"));
    await stage.settle();
    expect(saving.snapshot().saving).toBe("saved");
    expect(stage.kept).toBeNull();
  });

  test("while an answer is on its way stays, and goes out with the new revision", async () => {
    saving.edit("p", typed("96 in"), "pins.finished");
    await stage.go(400);
    saving.edit("p", typed("97 in"), "pins.finished");
    stage.last.answer(answered(4, "96 in"));
    await stage.settle();
    expect(shownText()).toBe("97 in");
    await stage.go(400);
    expect(stage.last.body).toMatchObject({ revision: 4, spec: typed("97 in") });
  });

  test("into two pieces or a cloth is sent as two changes, in their order", async () => {
    saving.edit("p", typed("96 in"), "pins.finished");
    saving.cloth("face", { usable: "138 cm" }, "usable");
    saving.cloth("face", { usable: "140 cm" }, "usable");
    expect(saving.snapshot().work.cloths).toEqual({ face: { usable: "140 cm" } });
    await stage.go(400);
    stage.last.answer(answered(4, "96 in"));
    await stage.settle();
    expect(stage.sent.map((one) => `${one.method} ${one.address}`)).toEqual([
      "PUT /works/aaaaaaaaaa/sections/p",
      "PUT /works/aaaaaaaaaa/cloths/face",
    ]);
    // It was made to the revision that was seen, whatever came of the other in between.
    expect(stage.last.body).toMatchObject({ revision: 3, spec: { usable: "140 cm" } });
  });

  test("is sent again under its own name where nobody answered", async () => {
    saving.log("notes", "Basted by daylight.");
    await stage.go(400);
    const first = stage.last.name;
    stage.last.refuse(new TypeError("no answer"));
    await stage.settle();
    expect(saving.snapshot().saving).toBe("unreached");
    await stage.go(3000);
    expect(stage.sent).toHaveLength(2);
    expect(stage.last.name).toBe(first);
  });

  test("and refused is said, and lets the next change through", async () => {
    saving.edit("p", typed("96 in"), "pins.finished");
    await stage.go(400);
    const problem = { code: "bad", message: "That cannot be", path: "", value: "", way_out: "try another" };
    stage.last.refuse(new Refused(422, [problem], null));
    await stage.settle();
    expect(saving.snapshot().trouble).toContain("That cannot be");
    saving.log("notes", "x");
    await stage.go(400);
    expect(stage.last.address).toBe("/works/aaaaaaaaaa/log");
  });
});

describe("the same changed elsewhere", () => {
  const stale = (revision: number) => new Refused(409, [], answered(revision, "100 in"));

  test("asks, sends nothing more, and keeps what was typed", async () => {
    saving.edit("p", typed("96 in"), "pins.finished");
    await stage.go(400);
    stage.last.refuse(stale(7));
    await stage.settle();
    expect(saving.snapshot().conflict?.revision).toBe(7);
    expect(shownText()).toBe("96 in");
    saving.log("notes", "x");
    await stage.go(10_000);
    expect(stage.sent).toHaveLength(1);
    void saving.settle("mine");
    await stage.settle();
    expect(stage.last.body).toMatchObject({ revision: 7, keep: "mine", sections: [{ key: "p", spec: typed("96 in") }] });
    stage.last.answer({ ...answered(8, "96 in"), log: { ...WORK.log, notes: "x" } });
    await stage.settle();
    expect(saving.snapshot()).toMatchObject({ conflict: null, saving: "saved" });
  });

  test("an undo that came too late takes nothing back", async () => {
    const done = saving.act("POST", "/undo");
    await stage.settle();
    stage.last.refuse(stale(7));
    expect(await done).toBeNull();
    expect(saving.snapshot().conflict).toBeNull();
    expect(shownText()).toBe("100 in");
  });
});

test("what a window that is gone left is made here", async () => {
  const left: Unsent = {
    rest: 2,
    seen: {},
    items: [{ id: "left-behind", run: "", what: "piece", piece: "p", spec: typed("98 in"), field: "pins.finished" }],
  };
  const next = new Saving(WORK, [left], stage, { keep: () => {}, free: () => {} });
  expect(next.snapshot().work.sections[0]?.spec.pins?.finished).toBe("98 in");
  await stage.settle();
  expect(stage.last.body).toMatchObject({ revision: 2 });
  expect(stage.last.name).toBe("left-behind");
});

const leftBehind = (text: string): Unsent => ({
  rest: 3,
  seen: {},
  items: [{ id: `left ${text}`, run: "", what: "piece", piece: "p", spec: typed(text), field: "pins.finished" }],
});

test("what is taken over stands before what was typed since, and both are kept", async () => {
  saving.edit("p", typed("NEWER"), "pins.finished");
  saving.takeOver(leftBehind("OLDER"));
  expect(shownText()).toBe("NEWER");
  await stage.settle();
  expect(stage.last.body).toMatchObject({ spec: typed("OLDER"), revision: 3 });
  stage.last.answer(answered(4, "OLDER"));
  await stage.settle();
  expect(shownText()).toBe("NEWER");
  expect(stage.last.body).toMatchObject({ spec: typed("NEWER"), revision: 4 });
});

test.each([true, false])("so it does while that is on its way, answered or not (%s)", async (fails) => {
  saving.edit("p", typed("NEWER"), "pins.finished");
  await stage.go(400);
  saving.takeOver(leftBehind("OLDER"));
  if (fails) stage.last.refuse(new TypeError("no answer"));
  else stage.last.answer(answered(4, "NEWER"));
  await stage.settle();
  for (let revision = 5; revision < 8; revision += 1) {
    await stage.go(3000);
    stage.last.answer(answered(revision, "whatever is there"));
    await stage.settle();
  }
  const sent = stage.sent.filter((one) => one.method === "PUT").map((one) => one.body.spec);
  expect(sent.at(-2)).toEqual(typed("OLDER"));
  expect(sent.at(-1)).toEqual(typed("NEWER"));
});

test("what several windows left is made in the order in which it was typed", async () => {
  const kept = { keep: () => {}, free: () => {} };
  const next = new Saving(WORK, [leftBehind("FIRST"), leftBehind("SECOND")], stage, kept);
  expect(next.snapshot().work.sections[0]?.spec.pins?.finished).toBe("SECOND");
  await stage.settle();
  expect(stage.last.body).toMatchObject({ spec: typed("FIRST") });
});

test("the last try of a screen that is left frees its place once it is answered", async () => {
  let free = false;
  const leaving = new Saving(WORK, [], stage, {
    keep: () => {},
    free: () => {
      free = true;
    },
  });
  leaving.edit("p", typed("96 in"), "pins.finished");
  const left = leaving.leave();
  await stage.settle();
  expect(free).toBe(false);
  stage.last.answer(answered(4, "96 in"));
  await left;
  expect(free).toBe(true);
});
