import { deepCopy } from "./copy";
import { isTiedInLine } from "./taken";
import { formTold, type Told } from "./told";

const allOfThem = /(?:,|\band)\s*all\b(?!\s+(?:round|around|over|along|the\s+way))/;
const bothAre = /,\s*both\s+(?:\w+\s+){0,3}/;
/** “20 yellow hairs under 30 black ones, to the bend”: what is said at the end of how long they are holds for both. */
export function shareLength(text: string, all: readonly Told[]): void {
  // “15 fibres of white, then 6 of herl, all of them a shank long”
  const last = all.findLast((t) => t.kind === "lay" && t.said.shown !== undefined);
  if (last && allOfThem.test(text.slice(last.at, last.end)))
    for (const t of all)
      if (t.kind === "lay" && t.description && t.role !== undefined) t.said.shown ??= last.said.shown;
  all.forEach((t, n) => {
    const next = all[n + 1];
    // “one crest and a strand of flash, both half the body”
    if (next && t.kind === "lay" && next.kind === "lay" && bothAre.test(text.slice(next.at, next.end)))
      t.said.shown ??= next.said.shown;
    const isPair =
      next !== undefined &&
      t.kind === "lay" &&
      next.kind === "lay" &&
      t.role === next.role &&
      formTold(t) === "hair" &&
      formTold(next) === "hair" &&
      (/\bboth\b/.test(text.slice(next.at, next.end)) ||
        /\b(?:under|over|below|with)\s*(?:an?\s+|\w+\s+)?$/.test(text.slice(t.at, next.description?.at ?? next.at)));
    if (isPair) t.said.shown ??= next.said.shown;
    // “Tail: marabou, one and a half shanks, with 4 flash fibres”: they lie along it.
    const isInTail = next?.role === "tail" && t.role === "tail" && t.kind === "lay" && next.kind === "lay";
    if (isInTail && formTold(next) === "flash" && /\bwith\b/.test(text.slice(t.at, next.description?.at ?? next.at)))
      next.said.shown ??= t.said.shown;
    // “20 strands pearl and 10 of silver, a bit longer than the hair”
    const areFlash = next !== undefined && t.role === "flash" && next.role === "flash" && next.isInherited === true;
    const { shown, like, likeTimes } = next?.said ?? {};
    if (areFlash && t.said.shown === undefined && t.said.like === undefined)
      Object.assign(t.said, { ...(shown && { shown }), ...(like !== undefined && { like, likeTimes }) });
  });
}

/** “Back: 12 herls and 30 fibres of green hair, 13 cm”: with hair among it all of it lies on top, as long. */
export function hairOnTheBack(all: readonly Told[]): void {
  const back = all.filter((t) => t.part === "back" || t.isInherited);
  if (all[0]?.part !== "back" || !back.some((t) => formTold(t) === "hair")) return;
  const shown = back.find((t) => t.said.shown)?.said.shown;
  const sameLength = back.find((t) => t.said.sameLength)?.said.sameLength;
  for (const t of back) {
    Object.assign(t, { role: "wing", part: "back" });
    if (t.kind !== "lay" || t.said.shown) continue;
    if (shown) t.said.shown = shown;
    else if (sameLength !== undefined) t.said.sameLength ??= sameLength;
  }
}
/** “one brown and one grizzly hackle wound together, 3 turns behind the wing and 2 in front”: both are done so. */
function shareTurns(text: string, all: Told[]): void {
  all.forEach((t, n) => {
    const next = all[n + 1];
    // “Tie in a brown and a grizzly hackle behind the eye”: both there.
    const areTied =
      (t.verb === "tie in" && next?.verb === "tie in") ||
      (t.verb === undefined && next?.verb === undefined && isTiedInLine.test(text));
    if (next && areTied && /\band\s*(?:\s(?:one|an?)\s*)?$/.test(text.slice(t.at, next.at)))
      if (!t.said.there && !t.said.tieIn && next.said.there) t.said.there = next.said.there;
    if (!next || t.kind !== "wind" || next.kind !== "wind" || t.role !== next.role || t.role === undefined) return;
    // “4 turns each, one brown, one grizzly”: of the second as many.
    const isEachAhead =
      /\b(?:turns?|wraps?)\s+each\b/.test(text.slice(t.at, t.end)) && t.said.rule?.turns !== undefined;
    if (isEachAhead && !(next.said.rule ?? next.said.around)) next.said.rule = deepCopy(t.said.rule);
    if (t.said.rule || t.said.around || !(next.said.rule ?? next.said.around)) return;
    if (!/\btogether\b|\beach\b|\band\s+(?:one|an?)\s/.test(text.slice(t.at, next.end))) return;
    t.said = { ...deepCopy(next.said), ...t.said };
  });
}

/** “white hair under, black hair over, each a bunch of 2 mm”: what is said of each holds for those before it too. */
export function shareEach(text: string, all: Told[]): void {
  shareTurns(text, all);
  const isOfEach = (t: Told): boolean =>
    t.kind === "lay" &&
    t.said.amount !== undefined &&
    /\beach\b(?!\s+(?:side|end|flank|way|turn))/.test(text.slice(t.at, t.end));
  const n = all.findIndex(isOfEach);
  const last = all[n];
  if (!last) return;
  // A sentence that is over is about something else.
  const inSentence = (t: Told): boolean => !/[.!?]\s/.test(text.slice(t.at, last.at));
  for (const t of all.slice(0, n))
    if (t.kind === "lay" && t.said.amount === undefined && t.description && inSentence(t)) {
      t.said.amount = last.said.amount;
      t.said.shown ??= last.said.shown;
    }
}

/** “Take four fibres, tie them in and wrap them forward”: what is wound in the same breath is no tail. */
export function woundNext(all: readonly Told[]): void {
  all.forEach((t, n) => {
    const next = all[n + 1];
    const isWound = next?.verb === "wind" && next.refers === "it" && !next.description && next.role === undefined;
    const isFibre = formTold(t) === "feather fibre" && t.said.amount !== undefined && "fibres" in t.said.amount;
    if (t.verb === "tie in" && t.role === undefined && isWound && isFibre && t.said.shown === undefined)
      Object.assign(t, { role: "body", part: "body" });
  });
}
