import type { Picture } from "../api/client";

const INKS: Record<string, string> = {
  ink: "var(--soot)",
  join: "var(--madder)",
  rail: "var(--soot)",
  wall: "var(--wall)",
  glass: "var(--glass)",
  shade: "var(--fold)",
};

/** The colour that a shape is painted in: that of the cloth whose role it names, an ink, or its own. */
export function paintOf(paint: string, colours: Picture["colours"]): string {
  return INKS[paint] ?? colours[paint] ?? (paint.startsWith("#") ? paint : "var(--cloth)");
}
