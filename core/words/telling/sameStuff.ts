import type { Material } from "../../materials";
import type { Component, Role } from "../../recipe";
import { PARTS, roleOfWord } from "../lexicon/parts";
import { type Reading, lineOf } from "../reading";
import { kindOfTold, scan } from "../scan";
import type { Told } from "../told";

const same = new RegExp(
  `^(?:of\\s+)?(?:(?:the\\s+)?same(?:\\s+(?:again|stuff|material))?|ditto|as\\s+(?:the\\s+|in\\s+the\\s+|for\\s+the\\s+)?(${PARTS}))(?=\\s*(?:[,.;]|$|\\s(?:but|in|at|behind)\\s))`,
  "u",
);
const noStuff = new Set<Role>(["hook", "thread", "bead", "weight", "eyes", "finish", "head"]);

/**
 * “Thorax: same”, “Hackle: as tail, 4 turns”: of the stuff that was named last, or of that part's. Where it cannot be
 * of that, the line is asked about.
 *
 * @returns what the line tells; undefined where it says nothing of the kind
 */
export function ofSameStuff(r: Reading, i: number): Told[] | undefined {
  const { begin, role: named, part, isListed } = r.heads[i] ?? { begin: 0, isListed: false };
  const text = r.plain[i] ?? "";
  const words = same.exec(text.slice(begin));
  if (!isListed || named === undefined || !words) return undefined;
  const end = begin + words[0].length;
  // “Front hackle: same”: one more hackle like it.
  const role =
    named === "collar" && r.bench.ofRole("collar") === undefined && r.bench.ofRole("hackle") ? "hackle" : named;
  const of = words[1] === undefined ? undefined : roleOfWord(words[1]);
  const material = stuffBefore(r, of);
  if (!material || !canBeOf(role, material)) {
    const at: [number, number] = [begin, end];
    lineOf(r, i).asks.push({ at, sentence: `Of what is the ${part ?? role}? Name its material.`, answers: [] });
    return [];
  }
  const kind = kindOfTold(undefined, role, material.form, text.slice(end));
  const description = { at: begin, end, text: material.name, exact: material };
  const own: Told = {
    ...{ at: begin, end, kind, role, part, said: {}, description },
    ...{ alternates: [], understood: [{ at: begin, end }], kept: [], loose: [], rest: [] },
  };
  const [first, ...more] = scan(text, end, text.length, { role, part }, r.scanContext, kind);
  if (!first || first.description) return [own, ...(first ? [first, ...more] : [])];
  return [{ ...first, at: begin, description, understood: [...own.understood, ...first.understood] }, ...more];
}

function stuffBefore({ bench }: Reading, of: Role | undefined): Material | undefined {
  const fits = (c: Component): boolean => (of === undefined ? !noStuff.has(c.role) : c.role === of);
  return bench.materialOf(bench.components.findLast((c) => fits(c) && bench.materialOf(c) !== undefined));
}

/** A hackle is of feathers that are wound; few barbs of one make none. */
const canBeOf = (role: Role, { form }: Material): boolean =>
  role !== "hook" && role !== "thread" && ((role !== "hackle" && role !== "collar") || form === "hackle");
