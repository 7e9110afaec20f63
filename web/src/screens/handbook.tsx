import { useEffect, useState } from "react";
import { Link } from "wouter";
import { Figure } from "../parts/controls/figure";
import { Entry } from "../parts/handbook/entry";
import { CAUTIONS, SCHOOLS } from "../parts/handbook/schools";
import { ENTRIES, GROUPS } from "../parts/handbook/words";

const LINK = "flex min-h-9 items-center font-semibold lg:min-h-0 lg:py-0.5 text-woad hover:underline";

/** The handbook: every word with its drawing, the ways of working and when each serves, and cautions. */
export function Handbook() {
  const [sought, setSought] = useState("");
  const found = ENTRIES.filter((one) => matches(`${one.word} ${one.says.join(" ")}`, sought));
  const schools = SCHOOLS.filter((one) => matches(Object.values(one).join(" "), sought));
  const cautions = CAUTIONS.filter((one) => matches(one, sought));
  const go = (key: string) => {
    setSought("");
    window.location.hash = key;
  };
  // An entry that is come to by its address is on the page only once the page has been drawn.
  useEffect(() => {
    const show = () => document.getElementById(window.location.hash.slice(1))?.scrollIntoView();
    show();
    window.addEventListener("hashchange", show);
    return () => window.removeEventListener("hashchange", show);
  }, []);
  return (
    <main className="mx-auto max-w-5xl p-5">
      <header className="flex flex-wrap items-center gap-4">
        <Link href="/" className="press -ml-3">
          ‹ Works
        </Link>
        <h1 className="m-0 grow text-3xl font-bold">Handbook</h1>
        <Link href="/lesson" className="press">
          A first lesson
        </Link>
        <label className="flex grow flex-col text-sm font-semibold text-smoke">
          Look up
          <input
            type="search"
            className="field text-base font-normal"
            value={sought}
            onChange={(event) => setSought(event.currentTarget.value)}
          />
        </label>
      </header>
      <nav aria-label="Words" className="my-4 columns-2 gap-6 sm:columns-3 lg:columns-4">
        {GROUPS.map(([group, name]) => {
          const words = found.filter((one) => one.group === group);
          return words.length === 0 ? null : (
            <section key={group} className="mb-3 break-inside-avoid">
              <h2 className="m-0 text-sm font-semibold text-smoke">{name}</h2>
              {words.map((one) => (
                <a key={one.key} href={`#${one.key}`} className={LINK}>
                  {one.word}
                </a>
              ))}
            </section>
          );
        })}
        {schools.length > 0 && (
          <a href="#ways-of-working" className={LINK}>
            Ways of working
          </a>
        )}
        {cautions.length > 0 && (
          <a href="#cautions" className={LINK}>
            Cautions
          </a>
        )}
      </nav>
      {found.length + schools.length + cautions.length === 0 && (
        <p>Nothing here speaks of “{sought}”. Try a shorter word.</p>
      )}
      {found.map((one) => (
        <article key={one.key} id={one.key} className="@container scroll-mt-4 border-t border-thread py-4">
          <h2 className="mt-0 mb-1 text-xl font-bold">{one.word}</h2>
          <Entry word={one} onGo={go} />
        </article>
      ))}
      {schools.length > 0 && (
        <section id="ways-of-working" className="scroll-mt-4 border-t border-thread py-4">
          <h2 className="mt-0 mb-2 text-xl font-bold">Ways of working, and when each serves</h2>
          <div className="grid gap-4 sm:grid-cols-2">
            {schools.map((one) => (
              <section key={one.name} className="bg-linen px-4 py-3">
                <h3 className="m-0 text-lg font-bold">{one.name}</h3>
                <p className="my-1">{one.does}</p>
                <p className="my-1">
                  <b>Serves:</b> {one.serves}
                </p>
                <p className="my-1">
                  <b>Mind:</b> <Figure>{one.mind}</Figure>
                </p>
              </section>
            ))}
          </div>
        </section>
      )}
      {cautions.length > 0 && (
        <section id="cautions" className="scroll-mt-4 border-t border-thread py-4">
          <h2 className="mt-0 mb-2 text-xl font-bold">Cautions</h2>
          <p className="mt-0">
            Local codes, makers’ instructions and qualified fitters come before anything that is said here.
          </p>
          <ul className="m-0 max-w-prose pl-5">
            {cautions.map((one) => (
              <li key={one} className="mb-1">
                {one}
              </li>
            ))}
          </ul>
        </section>
      )}
    </main>
  );
}

function matches(text: string, sought: string): boolean {
  return text.toLowerCase().includes(sought.trim().toLowerCase());
}
