export type ChalkFrom = "start" | "end" | "middle";

interface Place {
  at: number;
  from: ChalkFrom;
}

const KEY = "young-ribbon-table-";

function read(piece: string): Place | null {
  try {
    return JSON.parse(window.localStorage.getItem(KEY + piece) ?? "null") as Place | null;
  } catch {
    return null; // a browser that keeps nothing forgets the place, and that is all
  }
}

/** Where marking of a piece had got to; it outlives a reload, a sleeping tablet and a lost server. */
export function keptPlace(piece: string): number {
  return read(piece)?.at ?? 0;
}

/** Which end a piece was last measured from. */
export function keptFrom(piece: string): ChalkFrom {
  return read(piece)?.from ?? "start";
}

/** Keep the place. */
export function keepPlace(piece: string, at: number, from: ChalkFrom): void {
  try {
    window.localStorage.setItem(KEY + piece, JSON.stringify({ at, from }));
  } catch {
    // nothing is lost but the place
  }
}

/** Keep an answer, so that a reload without the server still has it. */
export function keepList(piece: string, list: unknown): void {
  try {
    window.localStorage.setItem(`${KEY}list-${piece}`, JSON.stringify(list));
  } catch {
    // too long for the browser to keep: then a reload asks again
  }
}

/** The last list kept for a piece, null without one. */
export function keptList<T>(piece: string): T | null {
  try {
    return JSON.parse(window.localStorage.getItem(`${KEY}list-${piece}`) ?? "null") as T | null;
  } catch {
    return null;
  }
}
