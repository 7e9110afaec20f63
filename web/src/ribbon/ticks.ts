/** The divisions of each unit's tape from fine to coarse, in units, and the size of the unit in millimetres. */
const TAPES: Record<string, { mm: number; steps: number[] }> = {
  mm: { mm: 1, steps: [1, 5, 10, 50, 100, 500, 1000, 5000, 10_000, 50_000] },
  cm: { mm: 10, steps: [0.1, 0.5, 1, 5, 10, 50, 100, 500, 1000, 5000] },
  m: { mm: 1000, steps: [0.001, 0.005, 0.01, 0.05, 0.1, 0.5, 1, 5, 10, 50] },
  in: { mm: 25.4, steps: [1 / 16, 1 / 8, 1 / 4, 1 / 2, 1, 6, 12, 36, 72, 180, 360, 1800] },
  ft: { mm: 304.8, steps: [1 / 12, 1 / 4, 1 / 2, 1, 5, 10, 50, 100] },
  yd: { mm: 914.4, steps: [1 / 36, 1 / 8, 1 / 4, 1 / 2, 1, 5, 10, 50] },
};

export interface Tick {
  at: number;
  /** 0 for the finest drawn, 1 for the next, 2 for the numbered ones. */
  rank: 0 | 1 | 2;
  label: string | null;
}

/** The ticks of a tape between two places in mm, no closer than the eye can part at `perMm` pixels. */
export function ticks(unit: string, from: number, to: number, perMm: number): Tick[] {
  const tape = TAPES[unit] ?? TAPES.cm;
  if (!tape || !(to > from)) return [];
  const room = (step: number, least: number) => step * tape.mm * perMm >= least;
  const fine = tape.steps.find((step) => room(step, 5)) ?? tape.steps.at(-1) ?? 1;
  const numbered = tape.steps.find((step) => room(step, 46) && step >= 1) ?? tape.steps.at(-1) ?? 1;
  const middle = tape.steps.find((step) => step > fine && step < numbered && room(step, 11)) ?? numbered;
  const found: Tick[] = [];
  const whole = (index: number, step: number) => {
    const times = (index * fine) / step;
    return Math.abs(times - Math.round(times)) < 1e-6;
  };
  for (let i = Math.max(0, Math.ceil(from / (fine * tape.mm))); i * fine * tape.mm <= to; i += 1) {
    const rank = whole(i, numbered) ? 2 : whole(i, middle) ? 1 : 0;
    found.push({ at: i * fine * tape.mm, rank, label: rank === 2 ? String(Math.round(i * fine)) : null });
  }
  return found;
}
