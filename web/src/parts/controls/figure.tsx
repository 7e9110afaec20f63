import { figureParts } from "../../state/figure";

/** Text with its fractions set as true ones. */
export function Figure({ children }: { children: string }) {
  return figureParts(children).map((part, index) =>
    typeof part === "string" ? (
      part
    ) : (
      // biome-ignore lint/suspicious/noArrayIndexKey: parts of a line have no other name than their place in it
      <span key={index} className="fraction">
        <sup>{part.top}</sup>⁄<sub>{part.bottom}</sub>
      </span>
    ),
  );
}
