export type FigurePart = string | { top: string; bottom: string };

/** Text parted into words and fractions, so that 4 13/16 in can be set with a true fraction. */
export function figureParts(text: string): FigurePart[] {
  return text.split(/(\d+\/\d+)/).map((part) => {
    const [top, bottom] = part.split("/");
    return /^\d+\/\d+$/.test(part) && top && bottom ? { top, bottom } : part;
  });
}

/** A count as it is said: a half as a half. */
export function counted(count: number): string {
  if (Number.isInteger(count)) return String(count);
  return count < 1 ? "1/2" : `${Math.floor(count)} 1/2`;
}
