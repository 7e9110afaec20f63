import type { SectionSpec } from "../api/client";

/** A change to a piece that waits to be saved: all that it says but the revision.  Without a piece it is of the seam allowance of the whole work. */
export interface Waiting {
  piece: string;
  body: { spec: SectionSpec; field: string; run: string };
  seam?: string | null;
}

/** What a page was left with: the revision that the first of the changes was made to. */
interface Unsent {
  revision: number;
  changes: Waiting[];
}

const place = (work: string) => `young-ribbon.unsent.${work}`;

/** What this browser keeps for a work that was left before it could be saved. */
export function unsent(work: string): Unsent | null {
  try {
    const found: Unsent | null = JSON.parse(localStorage.getItem(place(work)) ?? "null");
    return found?.changes.length ? found : null;
  } catch {
    return null; // nothing is kept where a browser is told to keep nothing
  }
}

/** Keep it, or let go of what was kept. */
export function keepUnsent(work: string, left: Unsent | null): void {
  try {
    if (left?.changes.length) localStorage.setItem(place(work), JSON.stringify(left));
    else localStorage.removeItem(place(work));
  } catch {
    // It is full or forbidden: the page still tries to send before it goes.
  }
}
