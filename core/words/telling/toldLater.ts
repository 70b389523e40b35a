import { formSaid } from "../description";
import { type Reading, lineOf } from "../reading";
import type { Component } from "../../recipe";
import type { Material } from "../../materials";
import type { Told } from "../told";
import { goesOver, isBareBundle } from "../verbs/across";
import { isNamedBy } from "../bench";
import { isOverBody } from "../verbs/object";
import { tagForms } from "../verbs/forTag";
import { pullsItOver } from "../verbs/takeOver";

/** Whether a later line ties in, winds or takes over what a list names here: then the list only names it. */
export function isToldLater(r: Reading, i: number, role: Component["role"], said: Told["said"]): boolean {
  const { rule, amount } = said;
  const named: Named = {
    role,
    isWhole: amount !== undefined && said.shown !== undefined,
    hasTurns: rule?.turns !== undefined,
    isWoundThere: rule?.touching === true && rule.turns === undefined && (said.end ?? said.to) !== undefined,
    isOfFibres: amount !== undefined && "fibres" in amount,
    material: r.bench.materialOf(r.bench.ofRole(role)),
  };
  return r.lines.some((_, n) => n > i && tellsNamed(r, n, named) && !(role === "tag" && isOfNearer(r, i, n)));
}

/** “Tag: gold tinsel, 3 turns”, “rib: oval”, later “wind the tinsel”: it is the rib that waits, the tag is there. */
function isOfNearer(r: Reading, i: number, n: number): boolean {
  const wound = r.told(n).find((t) => t.role === undefined && tagForms.has(formSaid(t.description) ?? "hook"));
  const { turns } = r.told(i).find((t) => t.role === "tag")?.said.rule ?? {};
  if (turns === undefined || !wound?.description || wound.description.text.trim().includes(" ")) return false;
  const form = formSaid(wound.description);
  return r.lines.some(
    (_, k) => k > i && k < n && r.told(k).some((t) => t !== wound && formSaid(t.description) === form),
  );
}

/** A part that a list names. */
interface Named {
  /** Whether the list tells how much of it there is and how long it is: nothing is left to be told. */
  isWhole: boolean;
  role: Component["role"];
  material: Material | undefined;
  /** Whether the list tells its turns. */
  hasTurns: boolean;
  /** Whether the list tells how it is wound and to where. */
  isWoundThere: boolean;
  /** Whether it is of so many fibres. */
  isOfFibres: boolean;
}

function tellsNamed(r: Reading, n: number, named: Named): boolean {
  if (lineOf(r, n).kind !== "steps") return false;
  const { role, hasTurns, isWoundThere } = named;
  const isListed = r.heads[n]?.isListed === true;
  // What goes into a loop is not what was tied in; what a list calls the thorax may be just that.
  if (isLaid(role) && /\bloop\b/.test(r.plain[n] ?? "")) return false;
  const told = r.told(n);
  if (isListed && r.heads[n]?.role === role && told[0]?.description) return false;
  const text = r.plain[n] ?? "";
  return told.some((t) => {
    // “Cover the lead with thread”, “half of the fibre butts”: nothing is tied in there.
    if (role === "weight" && coversIt.test(text.slice(t.at, t.end))) return false;
    // “A second bunch of moose”: not the one that a list has told.
    if (t.description && another.test(text.slice(t.at, t.description.at))) return false;
    // “Split the wing with four turns”: it stands there by then.
    if (role === "wing" && setsIt.test(text.slice(t.at, t.end))) return false;
    if (t.description && buttsOf.test(text.slice(t.description.end))) return false;
    if (role !== "rib" && isOverBody(t, r.plain[n] ?? "", formSaid(t.description))) return false;
    // Each half of a body has its rib, with its own turns.
    if (isListed && hasTurns && t.role === role && t.said.rule?.turns !== undefined) return false;
    // “Two turns of the chenille between the eyes”: the body is wound by then, in as many turns as it takes.
    if (isWoundThere && t.role === undefined && t.said.rule?.turns !== undefined) return false;
    if (role === "rib" && comesOverThat.test(text.slice(0, t.end)) && isAbout(r, t, named)) return true;
    // “Rib 6 turns” takes up what a list named before.
    if (isListed && t.verb === undefined && !(t.role === role && t.description === undefined)) return false;
    if (role === "wing case" && pullsItOver(t, text)) return true;
    return (
      isAbout(r, t, named) &&
      (isDone(t, named, isListed) || comesOver(t, named, text) || (!isListed && liesThere(r, t, named)))
    );
  });
}

/** “Hackle: furnace, 5 turns, then the wire over it”: the rib is wound there, whatever part its line is about. */
const comesOverThat =
  /\b(?:then|and)\s+(?:the\s+)?(?:[\w-]+\s+){0,3}?(?:wire|tinsel|oval|rib)\s+(?:wound\s+)?(?:over|through|across)\b[^.;]*$/u;
const coversIt = /^\W*(?:(?:and|then|now)\s+)*(?:cover|secur|lock|bind|coat|hold|build|ramp|taper|lash)\w*\b/u;
const another = /\b(?:second|another|third|further)\s+(?:(?:\w+\s+){0,2}of\s+)?(?:the\s+)?$/u;
const setsIt =
  /^\W*(?:(?:and|then|now)\s+)*(?:(?:split|divide|separate)\b|(?:pull|lift|push|bring)\b[^.;]*\bup(?:right)?\b)/u;
const buttsOf = /^\s*(?:butts?|butt\s+ends|ends)\b/;

/** Whether a clause is about what was named: by its part, by its stuff, or by what is done. */
function isAbout(r: Reading, t: Told, { role, material, isOfFibres }: Named): boolean {
  // “Tail: 8 fibres of cock hackle”, and later “select two hackles”: whole ones are not what the fibres came from.
  if (isOfFibres && t.role === undefined && wholeHackle.test(t.description?.text.trim().toLowerCase() ?? ""))
    return false;
  // “… with the rest of the dubbing”: that is used after it.
  if (t.refers === "the rest") return false;
  if (role === "wing case" && t.verb === "take over" && isBareBundle(t.description?.text ?? "")) return true;
  const meansIt = t.description !== undefined && material !== undefined && means(r, t.description, material, role);
  if (t.role === role) return t.description === undefined || !isOther(r, t, material);
  // “Tie in the partridge as a beard”, of what a list called legs.
  if (t.role !== undefined) return beneath.has(role) && beneath.has(t.role) && meansIt;
  // “Dub from the bend”; what is dubbed between the eyes, or in front of the wing, is none of the body.
  const place = t.said.there ?? t.said.from ?? t.said.begin;
  const beside = place && "part" in place ? place.part : undefined;
  if (role === "body" && t.verb === "dub" && !t.description && !t.refers) return !aheadOfBody.has(beside ?? "");
  return meansIt;
}

const aheadOfBody = new Set(["eyes", "wing", "collar", "hackle", "head", "legs"]);
const wholeHackle = /\b(?:hackles?|saddles?)$/;

/** Whether a clause ties in, winds or takes over what it is about. */
function isDone(t: Told, { role, material }: Named, isListed: boolean): boolean {
  // “Pull the hackle back and hold it with three turns”: it was wound by then.
  if (t.verb === "take over" && isWoundOrLaid.has(role)) return false;
  if (t.verb === "tie in" || t.verb === "take over" || t.verb === "seat") return true;
  // What is wound of a tail is the rest of what was tied in for it.
  if (!isLaid(role) && (t.verb === "wind" || t.verb === "dub" || t.said.rule?.turns !== undefined)) return true;
  if (isListed) return false;
  // “Bead on, lead on”
  if (role === "weight" && t.verb === undefined && formSaid(t.description) === "weight wire") return true;
  // “A slip of black duck on each side”, “make a narrow hot spot”
  const isSlip =
    t.verb === undefined && t.kind === "lay" && t.description?.means?.form === "quill" && isCutInSlips(material);
  return isSlip || (role === "butt" && t.role === role && t.kind === "wind");
}

/** “…, then the wing case over”: without a verb of its own. */
const comesOver = (t: Told, { role }: Named, text: string): boolean =>
  role === "wing case" && t.role === role && t.verb === undefined && goesOver(text.slice(t.at, t.end));

/** Parts that lie as they should once they are tied: what is pulled of them is only put in its place. */
const isWoundOrLaid = new Set<Component["role"]>(["hackle", "collar", "rib", "thorax", "head", "tag", "butt", "tail"]);

/** A slip is cut from a quill or a feather, and never from yarn. */
const isCutInSlips = (material: Material | undefined): boolean =>
  material === undefined || ["quill", "feather fibre", "hackle"].includes(material.form);

/** “Biots one on each side, half the body long”: a step that says how that very stuff lies ties it in. */
function liesThere(r: Reading, { verb, kind, description, said }: Told, { material, role, isWhole }: Named): boolean {
  // “3 bucktail bunches at the head, 6 cm each”: others than a tail that was told in full.
  if (isWhole && said.shown !== undefined && (said.amount ?? said.count ?? said.bunches) !== undefined) return false;
  const isLying = verb === undefined && kind === "lay" && (said.shown ?? said.round ?? said.tieIn) !== undefined;
  return isLying && description !== undefined && material !== undefined && means(r, description, material, role);
}

/** “Palmer the hackles down the body”, “take the tinsel up the body”: what is wound over a part is not that part. */
function isOther(r: Reading, { verb, description }: Told, material: Material | undefined): boolean {
  const form = formSaid(description);
  const isOver = form === "hackle" || form === "wire" || form === "tinsel";
  return verb === "wind" && isOver && material !== undefined && material.form !== form;
}

/** Whether a description later in the recipe means a material that a list named. */
export function means(
  r: Reading,
  d: NonNullable<Told["description"]>,
  material: Material,
  role: Component["role"],
): boolean {
  if (d.exact) return d.exact.code === material.code || (standsOff.has(role) && isNamedBy(material.name, d.text));
  const words = d.text.toLowerCase().trim().split(/\s+/);
  if (words.length === 1)
    return `${material.name} ${material.form} ${role}`.toLowerCase().includes((words[0] ?? "").replace(/s$/, ""));
  // “the cdc feathers”, of what a list called “two dun cdc feathers”.
  const isNamed = d.means?.form === material.form && isNamedBy(material.name, d.text);
  // Of several dubbings “brown dubbing” may be another.
  if (isNamed && (standsOff.has(role) || !/dubbing$/.test(d.text.trim()))) return true;
  const found = r.scanContext.index.find(d.text, new Set([material.code]), d.means?.form)[0];
  return found?.code === material.code || material.name.toLowerCase() === d.text.toLowerCase().trim();
}

/** Parts that are tied in and stand off the shank. */
const isLaid = (role: Component["role"]): boolean => role === "tail" || role === "underwing" || role === "throat";

/** Parts that hang beneath the fly: one and the same bundle goes by either name. */
const beneath = new Set<Component["role"]>(["legs", "throat"]);

/** Parts that stand off the shank. */
const standsOff = new Set<Component["role"]>([
  "tail",
  "wing",
  "underwing",
  "throat",
  "wing case",
  "legs",
  "topping",
  "cheeks",
]);
