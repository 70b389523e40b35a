export { kindOfTold } from "./kind";
export { copyOf } from "./clause";
export { sameAhead } from "./same";
import type { Told, ScanContext } from "../told";
import { type Head, endOfPart, listedAt, overItAt, inherited } from "./heads";
import type { Kind } from "../said";
import { fresh, scanOne } from "./clause";
import { endOfSentence } from "./bounds";
import { saysHowItIs, saysOnceMore } from "./howItIs";
import { sameAhead } from "./same";
import { skipBlanks as skip } from "../parse";

/** “Length equal to the gape.” */
const ofItsLength = /^\W*(?:the\s+|its\s+)?(?:length|height)\b/u;
const isBare = (told: Told): boolean =>
  told.verb === undefined && told.description === undefined && told.role === undefined;

/**
 * What a sentence that names nothing says of what was laid before it: “They should be as long as the shank”, “Half a
 * shank long.”; undefined where it says nothing of that.
 */
function moreOf(
  told: Told,
  before: Told | undefined,
  text: string,
  again: (kind: Kind) => Told,
): Partial<Told> | undefined {
  return howItIs(told, before, text, again) ?? moreOfLaid(told, before, text, () => again("lay"));
}

/** What can be said of the stuff of a part when it is tied is said of it in a sentence of its own as well. */
const tied = new Set<Kind>(["lay", "dress", "wind"]);
/** “It should be twice as thick as the body”, of what was just dubbed or wound: of that, and not of the body. */
function howItIs(
  told: Told,
  before: Told | undefined,
  text: string,
  again: (kind: Kind) => Told,
): Partial<Told> | undefined {
  const { kind, role, part, description } = before ?? {};
  const isBare = told.verb === undefined && told.description === undefined;
  if (kind === undefined || !tied.has(kind) || !description || !isBare) return undefined;
  if (!saysHowItIs(text.slice(told.at, told.end)) || !/[.!;]\s*$/.test(text.slice(0, told.at))) return undefined;
  const more = again(kind);
  const isRead = more.rest.length <= told.rest.length && Object.keys(more.said).length > 0;
  return isRead ? { ...more, role, part, isInherited: true, refers: "it", end: told.end } : undefined;
}

function moreOfLaid(told: Told, before: Told | undefined, text: string, again: () => Told): Partial<Told> | undefined {
  if (before?.kind !== "lay" || !isBare(told)) return undefined;
  if (told.refers === "it") return { said: again().said };
  if (ofItsLength.test(text.slice(told.at))) return { ...again(), end: told.end };
  const isSentence = told.kind === "act" && told.refers === undefined && /[.!]\s*$/.test(text.slice(0, told.at));
  if (!isSentence || before.description === undefined) return undefined;
  const laid = again();
  return laid.rest.length === 0 && laid.said.shown !== undefined ? { ...laid, end: told.end } : undefined;
}

/** What is told between two places of a line, one thing after another. */
export function scan(text: string, from: number, to: number, head: Head, context: ScanContext, given?: Kind): Told[] {
  const all: Told[] = [];
  let at = from;
  let isFirst = true;
  let ends = to;
  while (at < to) {
    if (at > ends) [head, ends] = [{}, to];
    const own = given === undefined && at > from ? listedAt(text, at, head.role !== undefined) : undefined;
    if (own && sameAhead(text, own.begin)) {
      const end = Math.min(endOfSentence(text, own.begin, to), endOfPart(text, own.begin, to));
      all.push({ ...fresh(own.begin), end, role: own.role, part: own.part, isOfSame: true });
      isFirst = false;
      at = end + 1;
      head = {};
      continue;
    }
    if (own) {
      all.push(scanOne(text, own.begin, to, own, context, true));
      isFirst = false;
      at = all[all.length - 1]?.end ?? to;
      head = own;
      // “For the tail, …” is about the tail as far as its sentence goes.
      ends = own.isSentence ? endOfSentence(text, own.begin, to) : to;
      continue;
    }
    const over = given === undefined ? overItAt(text, skip(text, at)) : undefined;
    const before = all[all.length - 1];
    const told = over
      ? scanOne(text, over.end, to, { role: over.role, part: over.role }, context, true)
      : scanOne(
          text,
          at,
          to,
          isFirst ? head : inherited(head, before, text, at),
          context,
          isFirst && head.role !== undefined,
          given,
        );
    isFirst = false;
    if (over?.isPalmered) told.said.palmered = true;
    // “counter ribbed with wire”: the wire goes against what it is wound over.
    if (
      over?.role === "rib" &&
      told.kind === "wind" &&
      /^(?:(?:and|both)\s+)?(?:counter|reverse)/.test(text.slice(skip(text, at)))
    )
      told.said.counter = true;
    // “Tie in ten fibres. They should be as long as the shank”: said of what was laid.
    const about = saysHowItIs(text.slice(told.at, told.end)) ? all.findLast((x) => x.verb !== "act") : before;
    const more = moreOf(told, about, text, (kind) => scanOne(text, at, told.end, {}, context, false, kind));
    if (more) Object.assign(told, more);
    // “Twist the rest of the fibres and wind them forward”: they are the rest.
    if (told.refers === "it" && before?.refers === "the rest") told.refers = "the rest";
    if (told.end <= at) break;
    at = told.end;
    // “The same again under the shank”: of what that is more the lines before it know.
    const isMore = saysOnceMore(text.slice(told.at, told.end));
    const isEmpty =
      !isMore &&
      told.understood.length + told.rest.length + told.loose.length + told.kept.length === 0 &&
      told.verb === undefined;
    if (!isEmpty) all.push(told);
  }
  return all;
}
