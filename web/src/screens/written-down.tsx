import { useQuery } from "@tanstack/react-query";
import { Link } from "wouter";
import { ask, type Written } from "../api/client";

/** Where else the words that are searched for are written: notes, faults, checks, photographs, swatches, cloths. */
export function WrittenDown({ search }: { search: string }) {
  const told = useQuery({
    queryKey: ["written", search],
    queryFn: ({ signal }) =>
      ask<Written>("GET", `/written?search=${encodeURIComponent(search)}`, undefined, { signal }),
    enabled: Boolean(search.trim()),
    placeholderData: (before) => before,
    retry: false,
  }).data;
  // Works by their name or purpose stand in the list above.
  const rows = told?.found.filter((one) => one.where !== "name" && one.where !== "what it is for") ?? [];
  if (!search.trim() || !rows.length) return null;
  return (
    <section aria-label="Written down" className="mt-4">
      <h2 className="m-0 text-xl font-bold">Written down</h2>
      <ul className="m-0 list-none p-0">
        {rows.map((one) => (
          <li key={`${one.where} ${one.key} ${one.name} ${one.says}`} className="border-t border-thread py-1">
            <Link
              href={one.key ? `/works/${one.key}` : one.where === "swatch book" ? "/swatches" : "/cloth"}
              className="font-semibold text-woad hover:underline"
            >
              {one.name}
            </Link>{" "}
            <span className="text-smoke">{one.where}</span>
            <span className="block">{one.says}</span>
          </li>
        ))}
      </ul>
      {told?.more && <p className="m-0 text-smoke">There is more: search for another word as well.</p>}
    </section>
  );
}
