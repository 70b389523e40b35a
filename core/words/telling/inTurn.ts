import { scan } from "../scan";
import { formTold, type ScanContext, type Span, type Told } from "../told";

const next =
  /(?:[,;]\s*(?:and\s+)?|\band\s+)(?:then|next|from\s+there)\s+|[,;]\s*(?=(?:[\p{L}\d]+\s+)?open\s+turns?\b)/gu;
const turns = /\bturns?\b|\bwraps?\b/;

/**
 * “One turn at the bend, then open to the front”: one winding of a thing after another, each with its own turns. The
 * second begins where the first was.
 */
export const inTurn = (all: readonly Told[], text: string, context: ScanContext): Told[] =>
  all.flatMap((t) => bothOf(t, text, context) ?? [t]);

function bothOf(t: Told, text: string, context: ScanContext): Told[] | undefined {
  const { said } = t;
  // What the thread does in turn is told of as one way that it takes.
  const form = formTold(t);
  const isOfThread = t.role === "thread" || form === "thread" || (t.role === undefined && form === undefined);
  const isWinding = t.kind === "wind" && (t.verb === undefined || t.verb === "wind") && !isOfThread;
  const goesOn = said.end !== undefined || said.way === "forward";
  if (!isWinding || said.rule?.turns === undefined || said.there === undefined || !goesOn) return undefined;
  for (const m of text.slice(t.at, t.end).matchAll(next)) {
    const [end, at] = [t.at + m.index, t.at + m.index + m[0].length];
    if (!turns.test(text.slice(t.at, end))) continue;
    const { role, part } = t;
    const [first, ...more] = scan(text, t.at, end, { role, part }, context, "wind");
    const [second, ...others] = scan(text, at, t.end, { role, part }, context, "wind");
    if (!first || !second || more.length + others.length > 0) continue;
    // What it is of, and the verb, were read before.
    const isLeft = ({ at: from, end: to }: Span): boolean => t.rest.some((r) => r.at < to && r.end > from);
    if (
      first.rest.some(isLeft) ||
      second.rest.length > 0 ||
      first.said.there === undefined ||
      first.said.end ||
      (!second.said.end && second.said.way !== "forward")
    )
      continue;
    const { understood, kept, alternates, description, verb } = t;
    const own: Told = { ...first, verb, description, alternates, role, part, understood, kept, rest: [] };
    const { there: _there, ...ofSecond } = second.said;
    const after: Told = {
      ...second,
      verb: "wind",
      isInTurn: true,
      role,
      part,
      description: undefined,
      said: { ...ofSecond, begin: ofSecond.begin ?? first.said.there },
    };
    return [own, after];
  }
  return undefined;
}
