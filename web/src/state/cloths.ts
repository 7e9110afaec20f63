import type { Cloth, KeptSpec, ReadySpec, SectionSpec, Work } from "../api/client";
import { same } from "./in-order";

type Cloths = Record<string, Cloth>;
const FACE = "face";
const LINING = "lining";

const named = (said: unknown, otherwise: string) => (typeof said === "string" ? said : otherwise);

/** The role of the cloth that a section is cut from. */
export function roleOf(spec: Pick<KeptSpec, "cloth">): string {
  return named(spec.cloth, FACE);
}

/** The roles of all the cloths of a work: those that it has, and those that a piece may want. */
export function rolesOf(cloths: Cloths): string[] {
  return [...new Set([FACE, ...Object.keys(cloths), LINING, "contrast", "interfacing"])];
}

/** What a cloth of a work is called where one is chosen. */
export function called(role: string, cloths: Cloths): string {
  return cloths[role]?.name ? `${role}: ${cloths[role].name}` : role;
}

/** A section of a work by itself, its cloths in it. */
export function alone(spec: ReadySpec, cloths: Cloths): SectionSpec {
  const { cloth, cutting, ...rest } = spec;
  const own = cloths[named(cloth, FACE)];
  const lining = cutting?.lining;
  const of = cloths[named(lining?.cloth, LINING)];
  const { cloth: _, ...rules } = lining ?? {};
  const said = lining ? { ...cutting, lining: { ...rules, ...(of ? { cloth: of } : {}) } } : cutting;
  return { ...rest, ...(own ? { cloth: own } : {}), ...(said ? { cutting: said } : {}) } as SectionSpec;
}

const alike = (one: unknown, other: unknown) => same(one ?? {}, other ?? {});

/** What an edit of a section by itself changes: the section as the work keeps it, and the cloths of the work. */
export function parted(kept: ReadySpec, cloths: Cloths, edited: SectionSpec): { spec: ReadySpec; cloths: Cloths } {
  const { cloth, cutting, ...rest } = edited;
  const changed: Cloths = {};
  const role = roleOf(kept);
  const unit = kept.unit ?? "cm";
  if (!alike(cloth, cloths[role])) changed[role] = { unit, ...cloth };
  let said = cutting as ReadySpec["cutting"];
  if (cutting?.lining) {
    const { cloth: own, ...rules } = cutting.lining;
    const before = kept.cutting?.lining?.cloth;
    const lining = named(before, LINING);
    if (own && !alike(own, cloths[lining])) changed[lining] = { unit, ...own };
    said = {
      ...cutting,
      lining: { ...rules, ...(before === undefined ? {} : { cloth: before }) },
    } as ReadySpec["cutting"];
  }
  const spec = {
    ...rest,
    ...(kept.cloth === undefined ? {} : { cloth: kept.cloth }),
    ...(said ? { cutting: said } : {}),
  };
  return { spec: spec as ReadySpec, cloths: changed };
}

/** The cloths of a work as they are drawn: one without a colour of its own in that which the server gives it. */
export function paintedCloths(work: Pick<Work, "cloths" | "colours">): Cloths {
  const roles = new Set([...Object.keys(work.cloths), ...Object.keys(work.colours)]);
  return Object.fromEntries(
    [...roles].map((role) => {
      const cloth = work.cloths[role] ?? {};
      const colour = cloth.colour ?? (cloth.stripes?.length ? undefined : work.colours[role]);
      return [role, { ...cloth, ...(colour ? { colour } : {}) }];
    }),
  );
}
