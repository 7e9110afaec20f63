import type { CSSProperties } from "react";
import type { Cloth } from "../api/client";

/** What paints everything within in the colour of a cloth; nothing where its colour is not known. */
export function clothStyle(cloth: Cloth | undefined): CSSProperties | undefined {
  const colour = cloth?.colour ?? cloth?.stripes?.[0]?.colour;
  if (!colour) return undefined;
  return {
    "--cloth": colour,
    "--cloth-under": `color-mix(in oklab, ${colour} 30%, var(--linen))`,
    "--on-cloth": light(colour) ? "#131c33" : "#ffffff",
    "--cloth-line": `color-mix(in oklab, ${colour} 72%, var(--soot))`,
  } as CSSProperties;
}

/** Whether what is written on a colour is read better dark than white. */
function light(colour: string): boolean {
  const [r = 0, g = 0, b = 0] = [1, 3, 5].map((at) => {
    const part = Number.parseInt(colour.slice(at, at + 2), 16) / 255;
    return part <= 0.04045 ? part / 12.92 : ((part + 0.055) / 1.055) ** 2.4;
  });
  return 0.2126 * r + 0.7152 * g + 0.0722 * b > 0.18;
}
