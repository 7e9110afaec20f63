const WIDE = 200;
const MOST = 40;

/** Pressed folds as they lie on a strip, each over the next; folds drawn up are seen from above, one against another. */
export function Folds({ many, drawn, colour, says }: { many: number; drawn: boolean; colour: string; says: string }) {
  const folds = Math.max(1, Math.min(MOST, many));
  const pitch = (WIDE - 16) / folds;
  const each = Array.from({ length: folds }, (_, at) => 8 + at * pitch);
  const bend = Math.min(22, pitch * 2);
  return (
    <svg viewBox="0 0 200 56" className="h-14 w-full max-w-52" role="img" aria-label={says}>
      {drawn ? (
        <path
          d={`M8 ${28 + bend}${each.map((x) => `C${x} ${28 - bend} ${x + pitch / 2} ${28 - bend} ${x + pitch / 2} 28S${x + pitch} ${28 + bend} ${x + pitch} ${28 + bend}`).join("")}`}
          fill="none"
          stroke={colour}
          strokeWidth={Math.max(1.5, Math.min(5, pitch / 4))}
        />
      ) : (
        <>
          <rect x="0" y="4" width={WIDE} height="48" fill={colour} />
          {each.map((x) => (
            <g key={x}>
              <rect x={x + pitch * 0.55} y="4" width={pitch * 0.45} height="48" fill="var(--fold)" opacity="0.22" />
              <path d={`M${x + pitch} 4V52`} stroke="var(--fold)" strokeWidth="1.6" opacity="0.8" />
            </g>
          ))}
        </>
      )}
    </svg>
  );
}
