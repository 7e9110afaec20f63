/** A gathered strip as it will look: the more times its length, the denser its folds; a plain one beside it for two layers. */
export function Gathers({ ratio, colour, says }: { ratio: number; colour: string; says: string }) {
  const wide = 200;
  const folds = Math.max(1, Math.min(90, Math.round((ratio - 1) * 26)));
  const lines = Array.from({ length: folds }, (_, at) => {
    const x = ((at + 0.5) / folds) * wide;
    const lean = ((at * 7) % 5) - 2;
    const long = 22 + ((at * 11) % 4) * 7;
    return `M${x.toFixed(1)} 8q${lean} ${long / 2} ${lean * 1.4} ${long}`;
  });
  return (
    <svg viewBox="0 0 200 56" className="h-14 w-full max-w-52" role="img" aria-label={says}>
      <rect x="0" y="8" width="200" height="46" fill={colour} />
      <path d={lines.join("")} fill="none" stroke="var(--fold)" strokeWidth="1.6" opacity="0.55" />
      <path d="M0 8H200" stroke="var(--soot)" strokeWidth="1.6" strokeDasharray="5 3" />
    </svg>
  );
}
