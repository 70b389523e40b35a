export { kindOfTold } from "./kind";
export { copyOf } from "./clause";
import type { Told, ScanContext } from "../told";
import { type Head, listedAt, overItAt, inherited } from "./heads";
import type { Kind } from "../said";
import { scanOne } from "./clause";
import { endOfSentence } from "./bounds";
import { skipBlanks as skip } from "../parse";

/** “Length equal to the gape.” */
const ofItsLength = /^\W*(?:the\s+|its\s+)?(?:length|height)\b/u;
const isMoreOf = (told: Told, before: Told | undefined, text: string): boolean =>
  before?.kind === "lay" &&
  told.verb === undefined &&
  (told.refers === "it" || ofItsLength.test(text.slice(told.at))) &&
  told.description === undefined &&
  told.role === undefined;

/** What is said of it, read as of what lies on the hook. */
const asLaid = (told: Told, again: Told): Partial<Told> =>
  told.refers === "it" ? { said: again.said } : { ...again, end: told.end };

/** What is told between two places of a line, one thing after another. */
export function scan(text: string, from: number, to: number, head: Head, context: ScanContext, given?: Kind): Told[] {
  const all: Told[] = [];
  let at = from;
  let isFirst = true;
  let ends = to;
  while (at < to) {
    if (at > ends) [head, ends] = [{}, to];
    const own = given === undefined && at > from ? listedAt(text, at, head.role !== undefined) : undefined;
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
    if (over?.role === "hackle") told.said.palmered = true;
    // “counter ribbed with wire”: the wire goes against what it is wound over.
    if (over?.role === "rib" && told.kind === "wind" && /^(?:counter|reverse)/.test(text.slice(skip(text, at))))
      told.said.counter = true;
    // “Tie in ten fibres. They should be as long as the shank”: said of what was laid.
    if (isMoreOf(told, before, text))
      Object.assign(told, asLaid(told, scanOne(text, at, told.end, {}, context, false, "lay")));
    // “Twist the rest of the fibres and wind them forward”: they are the rest.
    if (told.refers === "it" && before?.refers === "the rest") told.refers = "the rest";
    if (told.end <= at) break;
    at = told.end;
    const isEmpty =
      told.understood.length + told.rest.length + told.loose.length + told.kept.length === 0 && told.verb === undefined;
    if (!isEmpty) all.push(told);
  }
  return all;
}
