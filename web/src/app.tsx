import { Suspense, useEffect, useRef } from "react";
import { Link, Route, Switch, useLocation } from "wouter";
import { explain } from "./parts/handbook/named";
import { WorksScreen } from "./screens/works";
import { fetchAhead, type Later, later } from "./state/later";

const further = () => import("./screens/further");
const Bench = later("Bench", () => import("./screens/bench"));
const Table = later("Table", further);
const Fold = later("Fold", further);
const Papers = later("Papers", further);
const Shelf = later("Shelf", further);
const SwatchBook = later("SwatchBook", further);
const Lesson = later("Lesson", further);
const WaysScreen = later("WaysScreen", further);
const Handbook = later("Handbook", further);
const BackupsScreen = later("BackupsScreen", further);
const DigitalTape = later("DigitalTape", further);

/** Which screen is shown at which address; a screen takes what its address names, and begins anew with another work. */
const SCREENS: [string, Later][] = [
  ["/tape", DigitalTape],
  ["/handbook", Handbook],
  ["/cloth", Shelf],
  ["/swatches", SwatchBook],
  ["/lesson", Lesson],
  ["/ways", WaysScreen],
  ["/backups", BackupsScreen],
  ["/works/:name/table/:piece", Table],
  ["/works/:name/fold/:piece", Fold],
  ["/works/:name/papers", Papers],
  ["/works/:name", Bench],
];

/** Fetch the screen of an address. */
export async function screenOf(address: string): Promise<void> {
  const found = SCREENS.find(([path]) => new RegExp(`^${path.replaceAll(/:\w+/g, "[^/]+")}/?$`).test(address));
  await found?.[1].ready();
}

/** The page: the screen of its address. */
export function App() {
  useHelp();
  useEffect(() => {
    // Once the first screen stands: the rest comes while nothing is waited for.
    const soon = setTimeout(() => void fetchAhead(), 300);
    return () => clearTimeout(soon);
  }, []);
  return (
    <>
      <button
        type="button"
        className="press press-main sr-only fixed top-1 left-1 z-50 focus:not-sr-only focus:fixed"
        onClick={focusMain}
      >
        Skip to what this page is about
      </button>
      <Suspense fallback={<p className="p-8 text-smoke">One moment…</p>}>
        <Screens />
      </Suspense>
    </>
  );
}

/** Puts the focus where a screen begins. */
function focusMain(): boolean {
  const main = document.querySelector<HTMLElement>("main");
  if (!main) return false;
  main.tabIndex = -1;
  main.focus({ preventScroll: true });
  return true;
}

/** Whoever comes to another screen by keyboard goes on where that begins, not at the top of the window. */
function useFocusAfterwards(): void {
  const [at] = useLocation();
  const before = useRef(at);
  useEffect(() => {
    if (before.current === at) return;
    before.current = at;
    let tries = 60;
    const look = () => {
      const lost = document.activeElement === null || document.activeElement === document.body;
      if (!lost || focusMain()) return;
      tries -= 1;
      if (tries > 0) requestAnimationFrame(look);
    };
    requestAnimationFrame(look);
  }, [at]);
}

function Screens() {
  useFocusAfterwards();
  return (
    <Switch>
      <Route path="/">
        <WorksScreen />
      </Route>
      {SCREENS.map(([path, Screen]) => (
        <Route key={path} path={path}>
          {(named: { name?: string }) => <Screen key={named.name} {...named} />}
        </Route>
      ))}
      <Route>
        <main className="p-8">
          <h1 className="text-2xl font-bold">There is nothing at this address</h1>
          <Link className="press" href="/">
            To the works
          </Link>
        </main>
      </Route>
    </Switch>
  );
}

/** F1: what the field that one is in means, in a sheet; anywhere else the handbook. */
function useHelp(): void {
  const [, go] = useLocation();
  useEffect(() => {
    const pressed = (event: KeyboardEvent) => {
      if (event.key !== "F1" || event.defaultPrevented) return;
      event.preventDefault();
      if (document.querySelector('[role="dialog"]')) return;
      if (!document.activeElement || !explain(document.activeElement)) go("/handbook");
    };
    window.addEventListener("keydown", pressed);
    return () => window.removeEventListener("keydown", pressed);
  }, [go]);
}
