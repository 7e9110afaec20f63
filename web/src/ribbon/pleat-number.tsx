import { Haloed } from "./haloed";

/** The number of a pleat, legible on any cloth. */
export function PleatNumber(props: { x: number; y: number; pleat: number | undefined; anchor?: "middle" | "start" }) {
  return (
    <Haloed
      x={props.x}
      y={props.y}
      textAnchor={props.anchor ?? "middle"}
      fontSize={14}
      fontWeight={700}
      fill="var(--on-cloth)"
      halo="var(--cloth)"
      thick={3.5}
    >
      {props.pleat}
    </Haloed>
  );
}
