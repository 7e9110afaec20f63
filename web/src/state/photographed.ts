const SIDE = 24;

/** The colour of the cloth in a photograph: of its middle, where the edges of the cloth do not show; null of no picture. */
export async function colourOf(file: File): Promise<string | null> {
  try {
    const picture = await createImageBitmap(file);
    const canvas = document.createElement("canvas");
    canvas.width = SIDE;
    canvas.height = SIDE;
    const drawn = canvas.getContext("2d");
    if (!drawn) return null;
    const { width, height } = picture;
    drawn.drawImage(picture, width / 4, height / 4, width / 2, height / 2, 0, 0, SIDE, SIDE);
    const dots = drawn.getImageData(0, 0, SIDE, SIDE).data;
    const sums = [0, 0, 0];
    for (let at = 0; at < dots.length; at += 4)
      for (const part of [0, 1, 2]) sums[part] = (sums[part] ?? 0) + (dots[at + part] ?? 0);
    const part = (sum: number) =>
      Math.round(sum / (SIDE * SIDE))
        .toString(16)
        .padStart(2, "0");
    return `#${sums.map(part).join("")}`;
  } catch {
    return null; // no picture that this browser reads
  }
}
