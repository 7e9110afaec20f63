import { useQuery } from "@tanstack/react-query";
import { useMemo } from "react";
import { ask, type Plan, type SectionSpec, type ThingAnswer } from "../../api/client";
import { Sample } from "../../ribbon/sample";
import { looks } from "../../state/look";
import { SmallPicture } from "../../thing/shapes";
import { Figure } from "../controls/figure";
import { ENTRIES, SECTIONS, type Word, type WordSample, type WordThing } from "./words";

/** The entry of that key. */
export function entryOf(key: string): Word | undefined {
  return ENTRIES.find((one) => one.key === key);
}

/** What a word means, with its drawing and the words to read next. */
export function Entry({ word, onGo }: { word: Word; onGo: (key: string) => void }) {
  const says = (
    <div>
      {word.says.map((line) => (
        <p key={line} className="mt-0 mb-2 max-w-prose">
          <Figure>{line}</Figure>
        </p>
      ))}
      {word.see && (
        <p className="m-0 text-smoke">
          <span className="mr-2">See also:</span>
          {word.see.map((key) => (
            <button key={key} type="button" className="press" onClick={() => onGo(key)}>
              {entryOf(key)?.word}
            </button>
          ))}
        </p>
      )}
    </div>
  );
  if (word.thing)
    return (
      <div className="grid gap-3 @2xl:grid-cols-2">
        {says}
        <DrawnThing thing={word.thing} />
      </div>
    );
  if (!word.sample) return says;
  return (
    <div className="grid gap-3 @2xl:grid-cols-2">
      {says}
      <Drawn sample={word.sample} />
    </div>
  );
}

/** A thing drawn as the step Measure draws it; nothing where the program does not answer. */
function DrawnThing({ thing }: { thing: WordThing }) {
  const found = useQuery({
    queryKey: ["handbook thing"],
    queryFn: ({ signal }) =>
      ask<ThingAnswer>(
        "POST",
        "/thing",
        { ...thing.said, cloths: { face: { usable: "138 cm" } }, plans: false },
        { signal },
      ),
    staleTime: Number.POSITIVE_INFINITY,
  });
  return (
    <div role="img" aria-label={thing.says} className="h-56 min-w-0">
      {found.data?.picture && <SmallPicture picture={found.data.picture} width={400} height={224} name={thing.view} />}
    </div>
  );
}

const ROOM = { flat: 107, edge: 60, front: 106 };

/** A section of the scenario drawn as the Bench draws it; nothing where the program does not answer. */
function Drawn({ sample }: { sample: WordSample }) {
  const spec = SECTIONS[sample.of] as SectionSpec;
  const found = useQuery({
    queryKey: ["handbook", sample.of],
    queryFn: ({ signal }) => ask<Plan>("POST", "/plan", spec, { signal }),
    staleTime: Number.POSITIVE_INFINITY,
  });
  const dressed = useMemo(() => looks(spec), [spec]);
  // Room is kept for the drawing before it comes, so that what was scrolled to stays where it is.
  const room = sample.tracks.reduce((sum, track) => sum + ROOM[track], 0);
  return (
    <div className="min-w-0" style={found.isError ? undefined : { minHeight: room }}>
      {found.data && <Sample plan={found.data} looks={dressed} {...sample} />}
    </div>
  );
}
