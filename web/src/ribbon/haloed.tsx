import type { SVGProps } from "react";

interface Props extends SVGProps<SVGTextElement> {
  /** The colour of the ground that it stands on. */
  halo: string;
  thick: number;
}

/** Text in a drawing that is read across the lines under it: its ground's colour goes round its letters. */
export function Haloed({ halo, thick, ...text }: Props) {
  return <text textAnchor="middle" stroke={halo} strokeWidth={thick} paintOrder="stroke" {...text} />;
}
