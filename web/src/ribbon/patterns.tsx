/** What cloth is filled with: its weave, the hatching of allowances, the shade at a fold. */
export function Patterns() {
  return (
    <defs>
      <pattern id="weave" width="7" height="7" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
        <path d="M0 0V7" stroke="var(--cloth-line)" strokeWidth="1" opacity="0.35" />
      </pattern>
      <pattern id="hatch" width="6" height="6" patternUnits="userSpaceOnUse" patternTransform="rotate(-45)">
        <path d="M0 0V6" stroke="var(--smoke)" strokeWidth="1.2" opacity="0.6" />
      </pattern>
      <linearGradient id="shade-left">
        <stop offset="0" stopColor="var(--cloth-shade)" stopOpacity="0.62" />
        <stop offset="1" stopColor="var(--cloth-shade)" stopOpacity="0" />
      </linearGradient>
      <linearGradient id="shade-right">
        <stop offset="0" stopColor="var(--cloth-shade)" stopOpacity="0" />
        <stop offset="1" stopColor="var(--cloth-shade)" stopOpacity="0.62" />
      </linearGradient>
    </defs>
  );
}
