import { GLYPHS } from "../../ribbon/glyphs";

/** A mark as it is drawn on the ribbon: its line and its glyph. */
export function MarkGlyph({ kind, width, className }: { kind: string; width: number; className?: string }) {
  const look = GLYPHS[kind as keyof typeof GLYPHS];
  return (
    <svg width={width} height={(width * 22) / 18} viewBox="-9 -2 18 22" className={className} aria-hidden="true">
      <path d="M0 0V20" stroke="currentColor" strokeWidth="1.6" strokeDasharray={look.dash} />
      <path
        d={look.glyph}
        transform={look.foot ? "translate(0 19)" : undefined}
        fill="none"
        stroke="currentColor"
        strokeWidth="2"
      />
    </svg>
  );
}
