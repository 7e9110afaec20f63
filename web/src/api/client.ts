import type { Answers } from "./addresses";
import { newName } from "./named";
import { letGo } from "./press";
import type { components } from "./schema";

type Schemas = components["schemas"];
/** A fact that follows from the thing of a work. */
type Tied = Schemas["Tied"];
/** The same without ties: what they come to stands in their place. */
type Untied<T> = T extends Tied
  ? never
  : T extends (infer One)[]
    ? Untied<One>[]
    : T extends object
      ? { [Name in keyof T]: Untied<T[Name]> }
      : T;
/** A section as a work keeps it: it names its cloths by their roles, and may be tied to the thing of its work. */
export type KeptSpec = Schemas["SectionSpec"];
/** A section without ties, its cloths still named. */
export type ReadySpec = Untied<KeptSpec>;
export type Cloth = Schemas["ClothSpec"];
type KeptCutting = NonNullable<ReadySpec["cutting"]>;
type KeptLining = NonNullable<KeptCutting["lining"]>;
/** A section by itself, its cloths in it: as it is shown, changed and sent to be worked out. */
export type SectionSpec = Omit<ReadySpec, "cloth" | "cutting"> & {
  cloth?: Cloth;
  cutting?: Omit<KeptCutting, "lining"> & { lining?: (Omit<KeptLining, "cloth"> & { cloth?: Cloth }) | null };
};
export type Change = Schemas["ChangeOut"]["change"];
export type Plan = Schemas["PlanOut"];

export type Choice = Schemas["ChoiceOut"];
export type ChalkAnswer = Schemas["ChalkOut"];
export type ClothAnswer = Schemas["ClothOut"];
export type ClothRow = Schemas["ClothRow"];
export type Unreadable = Schemas["UnreadableOut"];
export type MovedRow = Schemas["MovedRow"];
export type SwatchRow = Schemas["SwatchRow"];
export type Wanted = Schemas["WantedOut"];
export type CutAnswer = Schemas["CutOut"];
export type FoldAnswer = Schemas["FoldingOut"];
export type CheckAnswer = Schemas["CheckOut"];
export type Log = Schemas["LogOut"];
export type Written = Schemas["WrittenList"];
export type LastTime = Schemas["LastTime"];
export type Place = Schemas["PlaceOut"];
export type Plotted = Schemas["PlottedOut"];
export type Backups = Schemas["BackupsOut"];
export type Progress = Schemas["ProgressOut"];
export type Restored = Schemas["RestoredOut"];
export type Prices = Schemas["PricesOut"];
export type SheetTold = Schemas["TableOut"];
export type Lies = Schemas["LiesOut"];
export type Meaning = Schemas["MeaningOut"];
export type Mark = Schemas["MarkOut"];
export type Picked = Schemas["ChangeOut"];
export type Problem = Schemas["ProblemOut"];
export type Work = Schemas["WorkOut"];
/** A work as it goes to the table and onto paper: nothing in it is tied any more. */
export type ReadyWork = Omit<Schemas["ReadyWork"], "sections"> & {
  sections: { key: string; name: string; spec: ReadySpec; times: number }[];
};
export type Thing = Schemas["ThingSpec"];
export type ThingAnswer = Schemas["ThingOut"];
export type ThingField = Schemas["FieldOut"];
export type ThingRow = Schemas["ThingRow"];
export type Picture = Schemas["PictureOut"];
export type View = Schemas["ViewOut"];
export type Ways = Schemas["WaysSpec"];
export type Timetable = Schemas["TimetableOut"];
export type WaysKept = Schemas["WaysOut"];
export type Compared = Schemas["ComparedOut"];
export type Works = Schemas["Works"];
export type WorkRow = Schemas["WorkRow"];
export type Glance = Schemas["Glance"];

/** An answer that is not what was asked for: its problems, and for a stale write both versions. */
export class Refused extends Error {
  constructor(
    readonly status: number,
    readonly problems: Problem[],
    readonly theirs: Work | null,
  ) {
    super(problems[0]?.message ?? `the server answered ${status}`);
  }
}

export type Options = Omit<RequestInit, "headers"> & { headers?: Record<string, string> };

function token(): string {
  return document.cookie.match(/(?:^|; )csrftoken=([^;]+)/)?.[1] ?? "";
}

/** Ask a stateless address; resolves to what it answers. */
export function asked<A extends keyof Answers>(address: A, body: unknown, query = ""): Promise<Answers[A]> {
  return ask<Answers[A]>("POST", `${address}${query}`, body);
}

/** Ask the server; resolves to the answer, rejects with Refused, or with TypeError where it cannot be reached. */
export async function ask<T>(method: string, address: string, body?: unknown, options: Options = {}): Promise<T> {
  const headers: Record<string, string> = { Accept: "application/json", "X-CSRFToken": token() };
  if (body !== undefined) headers["Content-Type"] = "application/json";
  if (method !== "GET") headers["Idempotency-Key"] = newName(); // one whose answer was lost is not done again
  const response = await fetch(`/api${address}`, {
    method,
    body: body === undefined ? null : JSON.stringify(body),
    ...options,
    headers: { ...headers, ...options.headers },
  });
  const answer = await response.json().catch(() => ({}));
  await letGo();
  if (!response.ok) throw new Refused(response.status, answer.problems ?? [], answer.theirs ?? null);
  return answer as T;
}

/** A file that the server makes or keeps, with its name; rejects as `ask` does. */
export async function fetchFile(
  method: string,
  address: string,
  body?: unknown,
): Promise<{ file: Blob; name: string }> {
  const headers: Record<string, string> = { "X-CSRFToken": token() };
  if (body !== undefined) headers["Content-Type"] = "application/json";
  const response = await fetch(`/api${address}`, {
    method,
    headers,
    body: body === undefined ? null : JSON.stringify(body),
  });
  if (!response.ok) {
    const answer = await response.json().catch(() => ({}));
    throw new Refused(response.status, answer.problems ?? [], null);
  }
  const name = response.headers.get("Content-Disposition")?.match(/filename="([^"]+)"/)?.[1] ?? "file";
  return { file: await response.blob(), name };
}

/** Send a file under a name; resolves and rejects as `ask` does. */
export async function send<T>(address: string, name: string, file: Blob, fileName: string): Promise<T> {
  const form = new FormData();
  form.append(name, file, fileName);
  const headers = { "X-CSRFToken": token(), "Idempotency-Key": newName() };
  const response = await fetch(`/api${address}`, { method: "POST", headers, body: form });
  const answer = await response.json().catch(() => ({}));
  if (!response.ok) throw new Refused(response.status, answer.problems ?? [], null);
  return answer as T;
}
