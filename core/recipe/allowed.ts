import type { Material, Materials } from "../materials";
import type { Component } from "./component";

/** A material that may take another's place, and on whose word. */
export interface Allowed {
  material: string;
  effect?: string;
  limit?: string;
  /** The pattern names it, its class allows it, it is a coarser or finer thread, or the plain main part of a blend. */
  by: "the pattern" | "its class" | "another thread" | "one plain colour";
}

/** Threads further apart than this, in deniers as a ratio, do not stand in for each other. */
const MOST_DENIER_RATIO = 2;

/**
 * What may be tied in a component's place, best first: what the pattern names, then anything of its class, then for a
 * blend its largest part alone, then threads of another thickness and the same colour.
 * @param now the material that it is tied of
 */
export function allowedFor(c: Component, now: Material, materials: Materials): Allowed[] {
  const found = [...sameFor(c, now, materials)];
  const add = (by: Allowed["by"], codes: string[], effect?: string): void => {
    for (const material of codes)
      if (material !== now.code && !found.some((a) => a.material === material)) found.push({ material, by, effect });
  };
  if (now.blend) add("one plain colour", largestPart(now.blend.parts), "one plain colour instead of the blend");
  if (c.role === "thread" && now.thread) add("another thread", threadsLike(now, materials));
  return found;
}

/** What does the same by the pattern's own word: what it names, and anything of the class that it asks for. */
export function sameFor(c: Component, now: Material, materials: Materials): Allowed[] {
  // A colour variant may be tied of what is elsewhere the alternate.
  const named = (c.alternates ?? [])
    .filter((a) => a.material !== now.code)
    .map((a): Allowed => ({ material: a.material, effect: a.effect, limit: a.limit, by: "the pattern" }));
  const { anyOf } = c;
  if (!anyOf) return named;
  const ofClass = codesOf(
    materials,
    (m) => m.form === anyOf.form && (!anyOf.shades || anyOf.shades.includes(m.colourName ?? "")),
  );
  return [
    ...named,
    ...ofClass
      .filter((code) => code !== now.code && !named.some((a) => a.material === code))
      .map((material): Allowed => ({ material, by: "its class" })),
  ];
}

const codesOf = (materials: Materials, fits: (m: Material) => boolean): string[] =>
  [...materials.values()]
    .filter(fits)
    .map((m) => m.code)
    .sort();

function largestPart(parts: Record<string, number>): string[] {
  const [largest] = Object.entries(parts).sort((a, b) => b[1] - a[1]);
  return largest ? [largest[0]] : [];
}

function threadsLike(now: Material, materials: Materials): string[] {
  const denier = now.thread?.denier ?? 1;
  return codesOf(materials, (m) => {
    const ratio = (m.thread?.denier ?? 0) / denier;
    return (
      m.form === "thread" &&
      m.colourName === now.colourName &&
      ratio >= 1 / MOST_DENIER_RATIO &&
      ratio <= MOST_DENIER_RATIO
    );
  });
}
