/** Where the bench of a work was left: its piece and its step. */
interface LeftAt {
  piece: string;
  step: string;
}

const place = (work: string) => `young-ribbon.bench.${work}`;

/** Where it was left, in this tab. */
export function leftAt(work: string): LeftAt {
  try {
    return { piece: "", step: "", ...JSON.parse(sessionStorage.getItem(place(work)) ?? "{}") };
  } catch {
    return { piece: "", step: "" }; // a browser that keeps nothing begins at the first step
  }
}

/** Keep where it is left. */
export function leaveAt(work: string, left: LeftAt): void {
  try {
    sessionStorage.setItem(place(work), JSON.stringify(left));
  } catch {
    // then it begins at the first step
  }
}
