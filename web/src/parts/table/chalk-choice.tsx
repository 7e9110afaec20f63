import { Choose } from "../controls/fields";

/** From which end marks are measured, and on which side of the cloth they are chalked. */
export function ChalkChoice(props: {
  from: string;
  side: string;
  onFrom: (from: string) => void;
  onSide: (side: string) => void;
}) {
  return (
    <>
      <Choose
        name="Measured"
        value={props.from}
        options={[
          ["start", "from the start"],
          ["end", "from the end"],
          ["middle", "from the middle, both ways"],
        ]}
        onPick={props.onFrom}
      />
      <Choose
        name="Chalked on"
        value={props.side}
        options={[
          ["RS", "the right side"],
          ["WS", "the wrong side"],
        ]}
        onPick={props.onSide}
      />
    </>
  );
}
