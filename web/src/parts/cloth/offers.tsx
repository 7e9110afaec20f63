import { sentence } from "../../state/sentence";
import { Figure } from "../controls/figure";

/** What would help or save cloth, each taken with one press. */
export function Offers(props: {
  name: string;
  offers: { says: string; change: Record<string, unknown> }[];
  onMend: (change: Record<string, unknown>) => void;
}) {
  if (props.offers.length === 0) return null;
  return (
    <section aria-label={props.name}>
      <h2 className="m-0 text-base font-bold">{props.name}</h2>
      <ul className="m-0 flex list-none flex-wrap gap-2 p-0">
        {props.offers.map((one) => (
          <li key={one.says}>
            <button
              type="button"
              className="min-h-11 border-t-4 border-thread bg-linen px-3 py-2 text-left hover:border-woad"
              onClick={() => props.onMend(one.change)}
            >
              <Figure>{sentence(one.says)}</Figure>
            </button>
          </li>
        ))}
      </ul>
    </section>
  );
}
