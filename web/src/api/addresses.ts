// Written from the API by `make api`: what is asked of the stateless addresses, and what each answers.
import type { paths } from "./schema";

type Json<A extends keyof paths> = paths[A] extends {
  post: { responses: { 200: { content: { "application/json": infer T } } } };
}
  ? T
  : never;

export interface Answers {
  "/backup": Json<"/api/backup">;
  "/backup/restore": Json<"/api/backup/restore">;
  "/chalk": Json<"/api/chalk">;
  "/check": Json<"/api/check">;
  "/cloth": Json<"/api/cloth">;
  "/cloth/read": Json<"/api/cloth/read">;
  "/cloths/table": Json<"/api/cloths/table">;
  "/cut": Json<"/api/cut">;
  "/even": Json<"/api/even">;
  "/fold": Json<"/api/fold">;
  "/lies": Json<"/api/lies">;
  "/meanings": Json<"/api/meanings">;
  "/move": Json<"/api/move">;
  "/papers/pages": Json<"/api/papers/pages">;
  "/pick": Json<"/api/pick">;
  "/plan": Json<"/api/plan">;
  "/plotter": Json<"/api/plotter">;
  "/ruffle": Json<"/api/ruffle">;
  "/swatches/sampler": Json<"/api/swatches/sampler">;
  "/swatches/table": Json<"/api/swatches/table">;
  "/thing": Json<"/api/thing">;
}
