import { Link, Route, Switch } from "wouter";
import { Bench } from "./screens/bench";
import { DigitalTape } from "./screens/digital-tape";
import { Fold } from "./screens/fold";
import { Papers } from "./screens/papers";
import { Shelf } from "./screens/shelf";
import { Table } from "./screens/table";
import { Works } from "./screens/works";

/** Which screen is shown at which address. */
export function App() {
  return (
    <Switch>
      <Route path="/">
        <Works />
      </Route>
      <Route path="/tape">
        <DigitalTape />
      </Route>
      <Route path="/cloth">
        <Shelf />
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
