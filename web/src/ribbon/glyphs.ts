import type { Mark } from "../api/client";

/** Each kind of mark: its word, its line, and the path of its glyph about (0, 0), drawn at the top or the foot. */
export const GLYPHS: Record<Mark["kind"], { word: string; dash: string; glyph: string; foot?: boolean }> = {
  outer: { word: "outer fold", dash: "", glyph: "M-6 7 L0 0 L6 7" },
  inner: { word: "inner fold", dash: "6 4", glyph: "M-5 1 L0 7 L5 1" },
  placement: { word: "placement line", dash: "1.5 4", glyph: "M-6 0 H6", foot: true },
  centre: { word: "centre", dash: "9 3 2 3", glyph: "M0 1 A3 3 0 1 0 0.01 1" },
  sew: { word: "sew line", dash: "5 3", glyph: "M-4 2 L4 6 M-4 6 L4 2" },
  finger: { word: "finger fold", dash: "2 3", glyph: "M0 1 V7" },
  stitch: { word: "stitch point", dash: "1 6", glyph: "M-2 4 H2" },
  match: { word: "match point", dash: "4 3", glyph: "M0 8 L-4 1 H4 Z" },
};
