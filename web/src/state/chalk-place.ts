export type ChalkFrom = "start" | "end" | "middle";

interface Place {
  at: number;
  folded?: number;
  from: ChalkFrom;
  side?: "RS" | "WS";
  /** False while the work has not been told. */
  sent?: boolean;
}

const KEY = "young-ribbon-table-";

function read(piece: string): Place | null {
  try {
    return JSON.parse(window.localStorage.getItem(KEY + piece) ?? "null") as Place | null;
  } catch {
    return null; // a browser that keeps nothing forgets the place, and that is all
  }
}

/** Where marking and folding of a piece had got to; it outlives a reload, a sleeping tablet and a lost server. */
export function keptPlace(piece: string): { at: number; folded: number } {
  const found = read(piece);
  return { at: found?.at ?? 0, folded: found?.folded ?? 0 };
}

/** Is there a place that the work has not been told? */
export function unsent(piece: string): boolean {
  return read(piece)?.sent === false;
}

/** Which end a piece was last measured from. */
export function keptFrom(piece: string): ChalkFrom {
  return read(piece)?.from ?? "start";
}

/** Which side of a piece was last chalked on. */
export function keptSide(piece: string): "RS" | "WS" | null {
  return read(piece)?.side ?? null;
}

/** Keep from which end and on which side a piece is chalked; its place stays what it was. */
export function keepLook(piece: string, look: { from?: ChalkFrom; side?: "RS" | "WS" }): void {
  try {
    const before = read(piece) ?? { at: 0, from: "start" };
    window.localStorage.setItem(KEY + piece, JSON.stringify({ ...before, ...look }));
  } catch {
    // it is asked again the next time
  }
}

/** Keep the place. */
export function keepPlace(piece: string, where: { at: number; folded: number }, from: ChalkFrom, sent: boolean): void {
  try {
    window.localStorage.setItem(KEY + piece, JSON.stringify({ ...read(piece), ...where, from, sent }));
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
