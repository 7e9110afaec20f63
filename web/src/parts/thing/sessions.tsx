import { useState } from "react";
import { type Problem, Refused, send, type Thing } from "../../api/client";
import { saysWhy, whyNot } from "../../state/sentence";
import { Text } from "../controls/fields";
import { Figure } from "../controls/figure";
import { type Session, useTimetable } from "./use-timetable";

type Order = NonNullable<Thing["making"]>;

interface Props {
  work: string;
  /** What is kept of the work: its steps are looked at anew once it changed. */
  revision: number;
  order: Order;
  onOrder: (order: Order, says: string) => void;
}

/** The sessions that one has, and what is done in each: what waits, what is best done together, when the cloth must be there. */
export function Sessions({ work, revision, order, onOrder }: Props) {
  const sessions = order.sessions ?? [];
  const [said, setSaid] = useState("");
  const asked = useTimetable(work, revision, sessions);
  const told = asked.data;
  const problems: Problem[] = asked.error instanceof Refused ? asked.error.problems : [];
  const put = (now: Session[]) => onOrder({ ...order, sessions: now }, "sessions");
  const change = (at: number, fields: Partial<Session>) =>
    put(sessions.map((one, index) => (index === at ? { ...one, ...fields } : one)));
  const readFile = async (file: File) => {
    try {
      const answer = await send<{ sessions: Session[]; says: string }>("/works/sessions/read", "file", file, file.name);
      const more = answer.sessions.filter(
        (one) => !sessions.some((here) => here.day === one.day && here.start === one.start),
      );
      const there = answer.sessions.length - more.length;
      setSaid(there ? `${answer.says} ${there} of them ${there === 1 ? "was" : "were"} there already.` : answer.says);
      if (more.length) put([...sessions, ...more].slice(0, 60));
    } catch (error) {
      setSaid(whyNot(error));
    }
  };
  return (
    <section aria-label="Sessions" className="border-t border-thread py-2">
      <h3 className="m-0 text-base font-bold">When you sew</h3>
      {told?.says.map((line) => (
        <p key={line} className="m-0">
          {line}
        </p>
      ))}
      {sessions.length > 0 &&
        told?.together.map((line) => (
          <p key={line} className="m-0 text-smoke">
            {line}
          </p>
        ))}
      <ol className="m-0 list-none p-0">
        {sessions.map((one, at) => (
          // biome-ignore lint/suspicious/noArrayIndexKey: a session has no other name than its place
          <li key={at} className="border-t border-thread py-1">
            <span className="no-print flex flex-wrap items-end gap-x-3">
              <label className="flex flex-col text-sm font-semibold text-smoke">
                Day
                <input
                  type="date"
                  className="field text-base font-normal"
                  value={one.day}
                  aria-label={`Day of session ${at + 1}`}
                  onChange={(event) => change(at, { day: event.currentTarget.value })}
                />
              </label>
              <Text
                name="From"
                path={`sessions.${at}.start`}
                value={one.start}
                assumed="10:00"
                problems={problems}
                onType={(start) => change(at, { start })}
              />
              <Text
                name="How long"
                path={`sessions.${at}.long`}
                value={one.long}
                problems={problems}
                onType={(long) => change(at, { long })}
              />
              <button
                type="button"
                className="press"
                aria-label={`Remove session ${at + 1}`}
                onClick={() => put(sessions.filter((_, index) => index !== at))}
              >
                Remove
              </button>
            </span>
            {problems
              .filter((wrong) => wrong.path === `sessions.${at}.day`)
              .map((wrong) => (
                <span key={wrong.message} role="alert" className="block text-madder">
                  {saysWhy(wrong)}
                </span>
              ))}
            {told?.sessions[at] && (
              <>
                <span className="block font-semibold">{told.sessions[at].says}</span>
                <ul className="m-0 list-none p-0 pl-4">
                  {told.sessions[at].doings.map((doing) => (
                    <li key={`${doing.at} ${doing.step}`}>
                      <Figure>{`${doing.at} ${doing.step}, ${doing.words}${doing.last ? "" : ", to be gone on with"}`}</Figure>
                    </li>
                  ))}
                </ul>
                {told.sessions[at].doings.length === 0 && (
                  <span className="block pl-4 text-smoke">Nothing can be done in it yet.</span>
                )}
              </>
            )}
          </li>
        ))}
      </ol>
      <div className="no-print flex flex-wrap items-center gap-x-2">
        <button
          type="button"
          className="press"
          disabled={sessions.length >= 60}
          onClick={() => put([...sessions, { day: nextDay(sessions), start: `${BEGINS}:00`, long: "2 h" }])}
        >
          Add a session
        </button>
        {sessions.length > 0 && (
          <a className="press" href={`/api/works/${work}/calendar`} download>
            Save as a calendar
          </a>
        )}
        <label className="press cursor-pointer">
          Read a calendar
          <input
            type="file"
            accept=".ics,text/calendar"
            className="sr-only"
            onChange={(event) => {
              const file = event.currentTarget.files?.[0];
              if (file) void readFile(file);
            }}
          />
        </label>
        <span role="status">{said}</span>
      </div>
    </section>
  );
}

/** The hour at which an added session begins. */
const BEGINS = 10;

/** As a date field has it: the day after the last session there is; without one today, or tomorrow once its hour is past. */
function nextDay(sessions: Session[]): string {
  const part = (number: number) => String(number).padStart(2, "0");
  const written = (day: Date) => `${day.getFullYear()}-${part(day.getMonth() + 1)}-${part(day.getDate())}`;
  const now = new Date();
  const first = new Date(now.getFullYear(), now.getMonth(), now.getDate() + (now.getHours() < BEGINS ? 0 : 1));
  const then = new Date(Math.max(...sessions.map((one) => Date.parse(`${one.day}T00:00`) || 0), 0));
  then.setDate(then.getDate() + 1);
  return written(then > first ? then : first);
}

/** How long each step was thought to take, and took: by pleat, by metre, by step. */
export function TimesTaken({ work }: { work: string }) {
  const told = useTimetable(work, "as kept", []).data;
  const rows = told?.steps.filter((one) => one.took !== null) ?? [];
  if (!rows.length) return null;
  return (
    <table className="my-2 border-collapse">
      <caption className="text-left font-semibold">How long it took</caption>
      <thead>
        <tr className="text-left text-sm text-smoke">
          {["Step", "Thought", "Took", "Each"].map((head) => (
            <th key={head} scope="col" className="pr-5 font-semibold">
              {head}
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {rows.map((one) => (
          <tr key={one.name} className="border-t border-thread">
            <th scope="row" className="pr-5 text-left font-semibold first-letter:uppercase">
              {one.name}
            </th>
            <td className="pr-5">
              {one.words}
              {one.by === "guess" ? ", guessed" : ""}
            </td>
            <td className="pr-5">{one.took} min</td>
            <td>{one.rate}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}
