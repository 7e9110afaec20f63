export type FigurePart = string | { top: string; bottom: string };

/** Text parted into words and fractions, so that 4 13/16 in can be set with a true fraction. */
export function figureParts(text: string): FigurePart[] {
  return text.split(/(\d+\/\d+)/).map((part) => {
    const [top, bottom] = part.split("/");
    return /^\d+\/\d+$/.test(part) && top && bottom ? { top, bottom } : part;
  });
}
