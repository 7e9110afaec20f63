import { useState } from "react";
import { Link } from "wouter";
import { Sheet } from "../controls/sheet";
import { Entry, entryOf } from "./entry";

/** One word of the handbook laid over the screen it was met on. */
export default function WordSheet({ first, onClose }: { first: string; onClose: () => void }) {
  const [key, setKey] = useState(first);
  const word = entryOf(key);
  if (!word) return null;
  return (
    <Sheet title={word.word} open onClose={onClose}>
      <Entry word={word} onGo={setKey} />
      <Link href={`/handbook#${key}`} className="press -ml-3">
        The whole handbook
      </Link>
    </Sheet>
  );
}
