import type { CSSProperties } from "react";
import type { Cloth } from "../api/client";

/** What paints everything within in the colour of a cloth; nothing where its colour is not known. */
export function clothStyle(cloth: Cloth | undefined): CSSProperties | undefined {
  const colour = cloth?.colour ?? cloth?.stripes?.[0]?.colour;
  if (!colour) return undefined;
  return {
    "--cloth": colour,
    "--cloth-under": `color-mix(in oklab, ${colour} 30%, var(--linen))`,
    "--cloth-line": `color-mix(in oklab, ${colour} 72%, var(--soot))`,
  } as CSSProperties;
}
