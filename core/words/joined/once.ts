import type { MaterialForm } from "../../materials";
import { formTold, wordsOf, type Told } from "../told";
import { twistsIt } from "./twisted";

const woundParts = new Set(["body", "thorax", "tag", "butt", "rib"]);

/** “Body: tinsel, tie in at the front, wind to the tag and back”: it is wound once, as it is told at the end. */
export const withWoundLater = (all: Told[], text: string): Told[] => {
  const [first, ...more] = all;
  const later = more.findIndex((t) => t.verb === "wind" && t.description === undefined && t.role === first?.role);
  const between = more.slice(0, later);
  const isOnlyTied = between.every((t) => (t.verb === "tie in" && t.description === undefined) || twistsIt(t, text));
  const last = more[later];
  if (!first || !last || first.verb !== undefined || first.kind !== "wind" || !first.description || !isOnlyTied)
    return all;
  if (!woundParts.has(first.role ?? "") || first.said.rule || first.said.from || first.said.end) return all;
  const ties = between.map((t) => t.said.tieIn?.at ?? t.said.there).find((p) => p !== undefined);
  const words = [...between, last].reduce((told, t) => ({ ...told, ...wordsOf(told, t) }), first);
  // “take three strands, twist them with the silk”: twisted, they are a rope.
  const amount = between.map((t) => t.said.amount).find((a) => a !== undefined);
  const rope = amount && "strands" in amount && amount.strands > 1 ? amount.strands : undefined;
  const said = { ...first.said, ...(ties && { tieIn: { at: ties } }), ...(rope && { rope }), ...last.said };
  return [{ ...words, end: last.end, said }, ...more.slice(later + 1)];
};

const forLater = /\b(?:later(?:\s+on)?|afterwards|in\s+a\s+(?:moment|minute)|at\s+the\s+end)\b/;
/** “Palmer a grey saddle over the body later: tie it in here by its tip”: it is tied in, and nothing is wound yet. */
export const withTiedForLater = (all: Told[], text: string): Told[] => {
  const [first, next, ...more] = all;
  const isLater = first?.verb === "wind" && first.description && forLater.test(text.slice(first.at, first.end));
  if (!first || !isLater || next?.verb !== "tie in" || next.description || (next.refers ?? "it") !== "it") return all;
  const { role = first.role, part = first.part } = next;
  return [{ ...next, at: first.at, description: first.description, role, part, ...wordsOf(first, next) }, ...more];
};

const onlyWhere = /^\W*(?:the\s+)?[\p{L}][\p{L}\s-]*\s(?:in\s+front|behind|first|last|on\s+top|outside|inside)\W*$/u;
/** “Partridge and hen, one turn of each, partridge in front”: named again, to say where it lies, it is no third one. */
export const withOnlyItsPlace = (all: Told[], text: string): Told[] =>
  all.reduce<Told[]>((told, t) => {
    const words = t.description?.text.trim();
    const n = told.findIndex((x) => words !== undefined && x.role === t.role && x.description?.text.trim() === words);
    const before = told[n];
    const isAgain = before && t.verb === undefined && t.said.rule === undefined && t.said.amount === undefined;
    if (!isAgain || !onlyWhere.test(text.slice(t.at, t.end))) return [...told, t];
    return told.with(n, { ...before, kept: [...before.kept, { at: t.at, end: t.end }] });
  }, []);

const takesFur = /^\W*(?:(?:then|next|now|and|i|we|you)\s+)*(?:take|grab|use|get|mix|choose|pick)\b/;
const furs = new Set<MaterialForm | undefined>(["dubbing", "blend"]);
/** “Body: orange hare, dub it fat in the middle”: it is dubbed once, as it is told at the end. */
export const withDubbedLater = (all: Told[], text: string): Told[] => {
  const [first, next, ...more] = all;
  if (!first?.description || next?.verb !== "dub" || next.description) return all;
  const isOfIt = first.kind === "dress" && first.verb === undefined && first.role !== undefined;
  // “Take hare mixed with a little seal and dub a scruffy body”: what is taken is what is dubbed.
  const isTaken = takesFur.test(text.slice(first.at, first.end)) && furs.has(formTold(first));
  if (isTaken)
    return [
      { ...next, at: first.at, description: first.description, ...wordsOf(first, next), loose: next.loose },
      ...more,
    ];
  if (!isOfIt || next.role !== first.role) return all;
  return [{ ...first, end: next.end, said: { ...first.said, ...next.said }, ...wordsOf(first, next) }, ...more];
};

/** “Body: 2 mm foam, tie it in at the bend and fold it forward”: a strip that is pulled over is not wound. */
export const withPulledLater = (all: Told[]): Told[] => {
  const [first, ...more] = all;
  const later = more.findIndex((t) => t.verb === "take over" && t.description === undefined);
  const between = more.slice(0, Math.max(0, later));
  const isStrip =
    first?.verb === undefined && first?.kind === "wind" && first.role === "body" && formTold(first) === "stretch body";
  const isOnlyTied = between.every((t) => t.verb === "tie in" && t.description === undefined);
  if (!first || !isStrip || later < 0 || !isOnlyTied || all.some((t) => t.said.rule !== undefined)) return all;
  const ties = between.map((t) => t.said.tieIn?.at ?? t.said.there).find((p) => p !== undefined);
  const words = between.reduce((told, t) => ({ ...told, ...wordsOf(told, t) }), first);
  const said = { ...first.said, ...(ties && { tieIn: { at: ties } }), hanging: true };
  return [{ ...words, kind: "lay", verb: "tie in", said }, ...more.slice(later)];
};
