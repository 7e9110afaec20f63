export type FigurePart = string | { top: string; bottom: string };

/** Text parted into words and fractions, so that 4 13/16 in can be set with a true fraction. */
export function figureParts(text: string): FigurePart[] {
  return text.split(/(\d+\/\d+)/).map((part) => {
    const [top, bottom] = part.split("/");
    return /^\d+\/\d+$/.test(part) && top && bottom ? { top, bottom } : part;
  });
}

/** A number of things by the name of one: 1 pleat, 2 pleats. */
export function many(count: number, one: string): string {
  return `${count} ${one}${count === 1 ? "" : "s"}`;
}

/** A count as it is said: a half as a half. */
export function counted(count: number): string {
  if (Number.isInteger(count)) return String(count);
  return count < 1 ? "1/2" : `${Math.floor(count)} 1/2`;
}
