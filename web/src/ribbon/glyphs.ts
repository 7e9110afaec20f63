import type { Mark } from "../api/client";

/** Each kind of mark: its word, its line, and the path of its glyph from (0, 0), drawn at the top or the foot; every step is relative, so that many make one path. */
export const GLYPHS: Record<Mark["kind"], { word: string; dash: string; glyph: string; foot?: boolean }> = {
  outer: { word: "outer fold", dash: "", glyph: "m-6 7l6 -7l6 7" },
  inner: { word: "inner fold", dash: "6 4", glyph: "m-5 1l5 6l5 -6" },
  placement: { word: "placement line", dash: "1.5 4", glyph: "m-6 0h12", foot: true },
  centre: { word: "centre", dash: "9 3 2 3", glyph: "m0 1a3 3 0 1 0 0.01 0" },
  sew: { word: "sew line", dash: "5 3", glyph: "m-4 2l8 4m-8 0l8 -4" },
  finger: { word: "finger fold", dash: "2 3", glyph: "m0 1v6" },
  stitch: { word: "stitch point", dash: "1 6", glyph: "m-2 4h4" },
  match: { word: "match point", dash: "4 3", glyph: "m0 8l-4 -7h8z" },
};
