import type { ClothAnswer, Problem, SectionSpec } from "../../api/client";
import { begin } from "../../state/habit";
import { Choose, Text, TickBox } from "../controls/fields";

type Cutting = NonNullable<SectionSpec["cutting"]>;

/** Plain overlapping front pieces cut in one length with the pleats. */
export function Front(props: { spec: SectionSpec; problems: Problem[]; put: (fields: Partial<Cutting>) => void }) {
  const front = props.spec.cutting?.front ?? null;
  return (
    <section aria-label="Front pieces" className="flex flex-wrap items-end gap-x-5">
      <TickBox
        name="Plain front pieces in the same length, an outer over an inner"
        on={front !== null}
        onTick={(on) => props.put({ front: on ? { shows: begin(props.spec, "30 cm", "12 in") } : null })}
      />
      {front && (
        <>
          <Text
            name="Each shows"
            path="cutting.front.shows"
            value={front.shows}
            problems={props.problems}
            onType={(shows) => props.put({ front: { ...front, shows } })}
          />
          <Text
            name="Fold inside its edge"
            path="cutting.front.fold"
            value={front.fold}
            problems={props.problems}
            onType={(text) => props.put({ front: { ...front, fold: text.trim() ? text : null } })}
          />
        </>
      )}
    </section>
  );
}

/** The front as it would look for each stripe, to choose by eye. */
function Looks(props: { looks: ClothAnswer["looks"]; spec: SectionSpec; put: (fields: Partial<Cutting>) => void }) {
  const { cutting } = props.spec;
  return (
    <ul className="m-0 mt-2 grid list-none grid-cols-2 gap-2 p-0 lg:grid-cols-3">
      {props.looks.map((look) => {
        const here = cutting?.stripe === look.stripe && (cutting.stripe_where ?? "fold") === look.where;
        const whole = look.front.at(-1)?.to ?? 1;
        return (
          <li key={`${look.stripe} ${look.where}`}>
            <button
              type="button"
              aria-pressed={here}
              className={`w-full border-t-4 bg-linen px-2 py-1 text-left text-sm ${here ? "border-madder" : "border-thread hover:border-woad"}`}
              onClick={() => props.put({ stripe: look.stripe, stripe_where: look.where as "fold" | "face" })}
            >
              Stripe {look.stripe} {look.where === "fold" ? "at the fold" : "mid-face"}
              <svg
                viewBox={`0 0 ${whole} 10`}
                preserveAspectRatio="none"
                className="block h-8 w-full"
                aria-hidden="true"
              >
                {look.front.map((seen) => (
                  <rect
                    key={`${seen.from} ${seen.to}`}
                    x={seen.from}
                    width={seen.to - seen.from}
                    height={10}
                    fill={seen.colour}
                  />
                ))}
              </svg>
            </button>
          </li>
        );
      })}
    </ul>
  );
}

/** Which stripe stands where, and how the front looks for each. */
export function Stripes({
  spec,
  answer,
  put,
}: {
  spec: SectionSpec;
  answer: ClothAnswer | null;
  put: (fields: Partial<Cutting>) => void;
}) {
  const stripes = spec.cloth?.stripes ?? [];
  const cutting = spec.cutting ?? {};
  return (
    <section aria-label="Where the stripes stand" className="flex flex-wrap items-end gap-x-5 gap-y-3">
      <Choose
        name="This stripe"
        value={String(cutting.stripe ?? "")}
        options={[
          ["", "As they come"],
          ...stripes.map((stripe, i): [string, string] => [String(i + 1), `Stripe ${i + 1}, ${stripe.width} wide`]),
        ]}
        onPick={(n) => put({ stripe: n ? Number(n) : null })}
      />
      {cutting.stripe && (
        <>
          <Choose
            name="stands"
            value={cutting.stripe_where ?? "fold"}
            options={[
              ["fold", "at the outer fold"],
              ["face", "in the middle of a face"],
            ]}
            onPick={(where) => put({ stripe_where: where as "fold" | "face" })}
          />
          <Choose
            name="by its"
            value={cutting.stripe_at ?? "middle"}
            options={[
              ["middle", "middle"],
              ["edge", "left edge"],
            ]}
            onPick={(at) => put({ stripe_at: at as "edge" | "middle" })}
          />
        </>
      )}
      {answer && <Looks looks={answer.looks} spec={spec} put={put} />}
      {answer?.pleats_at_hand ? (
        <p className="m-0 w-full">The cloth at hand allows {answer.pleats_at_hand} pleats of this pitch.</p>
      ) : null}
    </section>
  );
}
