import { lazy, Suspense, useEffect } from "react";
import { Link, Route, Switch, useLocation } from "wouter";
import { explain } from "./parts/handbook/named";
import { BackupsScreen } from "./screens/backups";
import { Bench } from "./screens/bench";
import { DigitalTape } from "./screens/digital-tape";
import { Fold } from "./screens/fold";
import { Papers } from "./screens/papers";
import { Shelf } from "./screens/shelf";
import { Table } from "./screens/table";
import { WaysScreen } from "./screens/ways";
import { WorksScreen } from "./screens/works";

const Handbook = lazy(() => import("./screens/handbook"));

/** Which screen is shown at which address. */
export function App() {
  useHelp();
  return (
    <Switch>
      <Route path="/">
        <WorksScreen />
      </Route>
      <Route path="/tape">
        <DigitalTape />
      </Route>
      <Route path="/handbook">
        <Suspense>
          <Handbook />
        </Suspense>
      </Route>
      <Route path="/cloth">
        <Shelf />
      </Route>
      <Route path="/ways">
        <WaysScreen />
      </Route>
      <Route path="/backups">
        <BackupsScreen />
      </Route>
      <Route path="/works/:name/table/:piece">{({ name, piece }) => <Table name={name} piece={piece} />}</Route>
      <Route path="/works/:name/fold/:piece">{({ name, piece }) => <Fold name={name} piece={piece} />}</Route>
      <Route path="/works/:name/papers">{({ name }) => <Papers key={name} name={name} />}</Route>
      <Route path="/works/:name">{({ name }) => <Bench key={name} name={name} />}</Route>
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
