import type { Material } from "../../materials";
import type { Component, LayAmount, Role } from "../../recipe";
import { type Reading, lineOf } from "../reading";
import { kindOfTold, sameAhead, scan } from "../scan";
import type { Span, Told } from "../told";

const noStuff = new Set<Role>(["hook", "thread", "bead", "weight", "eyes", "finish", "head"]);

const sameBundle = /^\W*(?:the\s+|these\s+)?same\s+(?:tail\s+)?(?:fib(?:re|er)s?|barbs?|bundle|bunch|butts?)\b/;
/** A line that begins so: “Thorax: same, picked out”. Undefined where it does not. */
export function ofSameStuff(r: Reading, i: number): Told[] | undefined {
  const { begin, role, part, isListed } = r.heads[i] ?? { begin: 0, isListed: false };
  const text = r.plain[i] ?? "";
  const words = sameAhead(text, begin);
  if (!isListed || role === undefined || !words) return undefined;
  // “Tail: same as the hackle, 8 fibres”, where no hackle is told yet: it is read as any line, and asked about.
  if (words.of && !stuffBefore(r, role, words.of)) return undefined;
  // “Wing case: the same fibres”: the bundle that was the tail, and no other of its stuff.
  if (role === "wing case" && sameBundle.test(text.slice(begin)) && r.bench.ofRole("tail")) return undefined;
  return asStuffBefore(r, i, { role, part }, { at: begin, end: text.length });
}

/**
 * “Thorax: same”, “Hackle: as tail, 4 turns”: of the stuff that was named last, or of that part's. Where it cannot be
 * of that, the line is asked about.
 *
 * @returns what the stretch tells
 */
export function asStuffBefore(
  r: Reading,
  i: number,
  { role: named, part }: { role: Role; part?: string },
  { at: begin, end: to }: Span,
): Told[] {
  const text = r.plain[i] ?? "";
  const words = sameAhead(text, begin);
  // “Front hackle: same”: one more hackle like it.
  const isHackle = named === "collar" && r.bench.ofRole("collar") === undefined && r.bench.ofRole("hackle");
  const role = isHackle ? "hackle" : named;
  const end = words?.end ?? begin;
  const before = stuffBefore(r, role, words?.of);
  const material = before && r.bench.materialOf(before);
  if (!material || !canBeOf(role, material)) {
    const at: [number, number] = [begin, to];
    lineOf(r, i).asks.push({ at, sentence: `Of what is the ${part ?? role}? Name its material.`, answers: [] });
    return [];
  }
  const kind = kindOfTold(undefined, role, material.form, text.slice(end, to));
  const description = { at: begin, end, text: material.name, exact: material };
  const own: Told = {
    ...{ at: begin, end, kind, role, part, said: {}, description },
    ...{ alternates: [], understood: [{ at: begin, end }], kept: [], loose: [], rest: [] },
  };
  if (kind === "lay") own.said = { amount: amountOf(r, before, role) };
  const [first, ...more] = scan(text, end, to, { role, part }, r.scanContext, kind);
  if (!first || first.description) return [own, ...(first ? [first, ...more] : [])];
  const said = { ...first.said, amount: first.said.amount ?? own.said.amount };
  return [{ ...first, at: begin, description, said, understood: [...own.understood, ...first.understood] }, ...more];
}

/** Fibres that are counted; of these “the same” is as many. */
const countedParts = new Set<Role>(["tail", "throat", "legs", "wing", "underwing"]);
/** “Throat: the same”, of what the tail was tied in of: as many fibres. */
function amountOf({ bench }: Reading, { id, role }: Component, now: Role): LayAmount | undefined {
  const laid = bench.made.findLast((m) => m.step.component === id && m.step.do === "lay")?.step;
  if (laid?.do !== "lay" || !countedParts.has(role) || !countedParts.has(now)) return undefined;
  return "fibres" in laid.amount || "strands" in laid.amount ? laid.amount : undefined;
}

/** What a body is of, a thorax is as well, whatever was bound in since; a hackle is like a hackle. */
const onShank = new Set<Role>(["body", "thorax", "head"]);
function stuffBefore({ bench }: Reading, role: Role, of: Role | undefined): Component | undefined {
  const isOf = (c: Component): boolean => (of === undefined ? !noStuff.has(c.role) : c.role === of);
  const those = bench.components.filter((c) => isOf(c) && bench.materialOf(c) !== undefined);
  const isAlike = (c: Component): boolean =>
    onShank.has(role) ? onShank.has(c.role) : canBeOf(role, bench.materialOf(c) as Material);
  // The fibres of a tail that were wound on are the body; what only goes over one is none.
  const isWoundOn = ({ id }: Component): boolean =>
    bench.made.some(({ step }) => step.do === "wind" && step.carries !== undefined && step.component === id);
  const body = onShank.has(role) && of === undefined ? those.findLast((c) => isAlike(c) || isWoundOn(c)) : undefined;
  return body ?? those.findLast(isAlike) ?? those.at(-1);
}

/** A hackle is of feathers that are wound; few barbs of one make none. */
const canBeOf = (role: Role, { form }: Material): boolean =>
  role !== "hook" && role !== "thread" && ((role !== "hackle" && role !== "collar") || form === "hackle");
