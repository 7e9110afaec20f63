import { ToggleGroup } from "radix-ui";

/** cm or inches; neither changes a value. */
export function UnitSwitch({ unit, onPick }: { unit: string; onPick: (unit: "cm" | "in") => void }) {
  return (
    <ToggleGroup.Root
      type="single"
      value={unit}
      onValueChange={(value) => value && onPick(value as "cm" | "in")}
      aria-label="Unit"
      className="inline-flex overflow-hidden rounded-md ring-1 ring-smoke"
    >
      {(["cm", "in"] as const).map((sign) => (
        <ToggleGroup.Item
          key={sign}
          value={sign}
          aria-label={sign === "cm" ? "centimetres" : "inches"}
          className="min-h-11 min-w-11 px-3 font-semibold data-[state=on]:bg-soot data-[state=on]:text-calico"
        >
          {sign}
        </ToggleGroup.Item>
      ))}
    </ToggleGroup.Root>
  );
}
