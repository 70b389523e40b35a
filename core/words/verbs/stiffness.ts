import type { Material } from "../../materials";
import type { Telling } from "../bench";
import { alongShank } from "../settle";

/** The recipe says itself whether the feather is soft. */
const isTold =
  /\b(?:soft|stiff|dry|wet|hen|cock|rooster|saddle|cape|neck|webby|partridge|grouse|starling|snipe|game|genetic)\b/u;
/** So often a soft feather is not wound, and no hackle behind the body. */
export const MANY_TURNS = 4;
/** What is tied in so far behind, in shanks, is palmered from there. */
export const AT_THE_BEND = 0.85;

/**
 * “A brown hackle”, where the cabinet has a soft one and a stiff one in brown: a dry fly, a palmer and many turns are
 * of stiff feathers.
 * @param found what the words alone found, and what else has all of them
 */
export function asStiffAsUsed<F extends { material?: Material; others: Material[]; isNew: boolean }>(
  t: Telling,
  found: F,
): F {
  const { told, bench } = t;
  const { material, others } = found;
  const words = told.description?.text.toLowerCase() ?? "";
  // Of a new one the others are only near it.
  const isOpen = !found.isNew && !told.description?.exact && !isTold.test(words);
  if (!isOpen || !material?.feather?.soft || material.form !== "hackle") return found;
  const isOfTheFly = bench.components.some((c) => c.material.some((m) => m.value === material.code));
  const stiff = others.find((m) => m.form === "hackle" && m.feather !== undefined && !m.feather.soft);
  if (isOfTheFly || !stiff || !isStiff(t)) return found;
  return { ...found, material: stiff, others: [material, ...others.filter((m) => m !== stiff)] };
}

function isStiff({ told: { said }, bench }: Telling): boolean {
  const place = said.tieIn?.at ?? said.there ?? said.begin;
  return (
    bench.facts.family === "dry" ||
    said.palmered === true ||
    (said.rule?.turns ?? 0) >= MANY_TURNS ||
    (place !== undefined && alongShank(place) > AT_THE_BEND)
  );
}
