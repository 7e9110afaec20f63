import { useState } from "react";
import { Link } from "wouter";
import type { Plan, SectionSpec } from "../api/client";
import { Choose, Text } from "../parts/controls/fields";
import { Figure } from "../parts/controls/figure";
import { ChalkChoice } from "../parts/table/chalk-choice";
import { MarksTable } from "../parts/table/marks-table";
import { type ChalkFrom, keepLook, keptFrom, keptSide } from "../state/chalk-place";
import { useAsked } from "../state/use-asked";
import type { Measured } from "../state/use-on-the-way";
import { useWays } from "../state/use-ways";

const ROLES: Record<string, string> = {
  face: "face",
  under: "under",
  plain: "plain",
  finger: "finger",
  upright: "upright",
  gathered: "gathered",
};

/** The step Mark: the chalk list from either end or the middle, on either side, and the gauge of one pleat. */
export function MarkStep(props: {
  spec: SectionSpec;
  plan: Plan | null;
  work: string;
  piece: string;
  /** What is measured of it before it is marked; null where nothing is. */
  ask: Measured | null;
}) {
  const { spec, plan, work, piece, ask } = props;
  const [from, setFrom] = useState<ChalkFrom>(() => keptFrom(piece));
  const usual = useWays().data?.ways.side ?? "RS";
  const [kept, setSide] = useState(() => keptSide(piece));
  const side = kept ?? usual;
  const [level, setLevel] = useState("lower");
  const query = `?nought=${from}&side=${side}&level=${spec.taper ? level : "lower"}`;
  const { answer } = useAsked("/chalk", spec, "", query);
  return (
    <div className="mt-3">
      {ask && (
        <div className="mb-3 flex flex-wrap items-end gap-x-4">
          <Text name={ask.title} path={ask.path} value={ask.value} problems={ask.problems} onType={ask.onType} />
          <p className="m-0 max-w-prose pb-2 text-smoke">{ask.where}</p>
        </div>
      )}
      <div className="no-print mb-3 flex flex-wrap items-end gap-x-5 gap-y-2">
        <ChalkChoice
          from={from}
          side={side}
          onFrom={(value) => {
            setFrom(value as ChalkFrom);
            keepLook(piece, { from: value as ChalkFrom });
          }}
          onSide={(value) => {
            setSide(value as "RS" | "WS");
            keepLook(piece, { side: value as "RS" | "WS" });
          }}
        />
        {spec.taper && (
          <Choose
            name="At"
            value={level}
            options={[
              ["lower", "the lower level"],
              ["upper", "the upper level"],
            ]}
            onPick={setLevel}
          />
        )}
        <Link className="press press-main" href={`/works/${work}/table/${piece}?${query}`}>
          To the table
        </Link>
        <Link className="press" href={`/works/${work}/fold/${piece}`}>
          To the folding
        </Link>
        <Link className="press" href={`/works/${work}/papers?piece=${piece}`}>
          Papers
        </Link>
      </div>
      {answer && plan && (
        <>
          {answer.called === "pleat" && (
            <p className="m-0 mb-2">
              <Figure>
                {answer.gauge.length > 1
                  ? `A gauge for one pleat: ${answer.gauge.map((notch) => `${ROLES[notch.role]} ${notch.length.text}`).join(", ")}. ${answer.gauge_says}`
                  : answer.gauge_says}
              </Figure>
            </p>
          )}
          <MarksTable plan={plan} chalk={answer} />
        </>
      )}
    </div>
  );
}
