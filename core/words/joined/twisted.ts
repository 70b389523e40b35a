import { formSaid } from "../description";
import { readNumber } from "../text/number";
import { wordsOf, type Told } from "../told";

/** “Pheasant tail, 6 fibres, wrap up the hook”: what is only named is what the verb behind it winds. */
export function withNamedAhead(all: Told[], text: string): Told[] {
  const out = [...all];
  for (const [n, t] of all.entries()) {
    const next = all.slice(n + 1).find((x) => x.verb !== "act");
    if (!next || !isOnlyNamed(t) || !windsNothingNamed(next)) continue;
    // “two strands of herl, twist them round the silk and wrap up”: twisted, they are a rope.
    const twists = all.slice(n + 1, all.indexOf(next)).filter((x) => twistsIt(x, text));
    const { amount, ...told } = t.said;
    const strands = amount && "strands" in amount && !amount.folded && amount.strands > 1 ? amount.strands : undefined;
    const said = strands === undefined || twists.length === 0 ? t.said : { ...told, rope: strands };
    const words = twists.reduce((of, x) => ({ ...of, ...wordsOf(of, x) }), t);
    out[out.indexOf(next)] = {
      ...next,
      description: t.description,
      role: "body",
      part: "body",
      said: { ...said, ...goingThere(next.said) },
      ...wordsOf(words, next),
    };
    for (const x of [t, ...twists]) out.splice(out.indexOf(x), 1);
  }
  return out;
}

export const twistsIt = (x: Told, text: string): boolean =>
  x.verb === "act" && x.refers === "it" && /^\W*(?:then\s+|and\s+)?twist/.test(text.slice(x.at, x.end));

/** A place beside what is wound forward is where it goes. */
const goingThere = ({ there, ...said }: Told["said"]): Told["said"] =>
  there && !said.from && !said.begin && !said.end ? { ...said, end: there } : { ...said, ...(there && { there }) };

const isOnlyNamed = ({ verb, role, description }: Told): boolean => {
  const form = formSaid(description);
  return verb === undefined && role === undefined && (form === "feather fibre" || form === "herl");
};

const windsNothingNamed = ({ verb, description, role, said }: Told): boolean =>
  verb === "wind" && description === undefined && role === undefined && said.around === undefined;

const intoRope = /^\W*(?:the\s+)?[\p{L}\s-]{3,30}?\s+(?:together|into\s+an?\s+rope)\b/u;
/** “Peacock herl, 3 strands, twisted with fine wire”. */
const twistedWith =
  /\b(?:twisted|spun|wound|roped)\s+(?:up\s+|together\s+)?with\s+(?:an?\s+|some\s+|one\s+)?(?:strand\s+of\s+)?$/u;
const isTwist = (x: Told | undefined, text: string): boolean =>
  x?.verb === "act" && x.description !== undefined && /^\W*(?:then\s+|and\s+)?twist/.test(text.slice(x.at, x.end));
/** “Tan fur and 3 strands of pearl, twisted to a rope”: what is twisted with fur is no rope of its own. */
const isSpunIntoFur = (t: Told, before: Told, text: string): boolean =>
  (t.verb === undefined || t.verb === "wind") &&
  before.kind === "dress" &&
  before.description !== undefined &&
  withFur.test(text.slice(before.description.end, t.description?.at)) &&
  /^[^;]*?\b(?:twisted|spun)\b[^;]*?\b(?:rope|together)\b/.test(text.slice(t.at, t.end));
const withFur = /^\W*(?:and|with|plus)\b/u;
/**
 * “Twist the herls and the wire together”: a strand that is wound within the rope, which nothing here can be told of;
 * it is asked about, and not wound by itself.
 */
export const withRopeOfTwo = (all: Told[], text: string): Told[] =>
  all.reduce<Told[]>((told, t) => {
    const before = told.at(-1);
    const form = formSaid(t.description);
    const isThin = t.verb === undefined && (form === "wire" || form === "tinsel");
    const isIn =
      isThin &&
      ((isTwist(before, text) && intoRope.test(text.slice(t.at, t.end))) ||
        twistedWith.test(text.slice(before?.at ?? t.at, t.description?.at ?? t.at)));
    if (!before || !t.description || !(isIn || isSpunIntoFur(t, before, text))) return [...told, t];
    const { at, end } = t.description;
    const { end: to } = t.said;
    const said = to && !isIn && !before.said.end && !before.said.to ? { ...before.said, end: to } : before.said;
    return told.with(-1, { ...before, said, end: t.end, rest: [...before.rest, ...t.rest, { at, end }] });
  }, []);

const withThread =
  /^\W*(?:(?:and|then|now)\s+)*(?:wind|wrap|twist|spin)\s+(?:it|them|those|all|both)\s+(?:(?:up|on|forward|together)\s+)*(?:(?:along\s+)?with|round|around|about)\s+the\s+(?:tying\s+)?(?:thread|silk)\b/;
/** “Wind them together with the thread to the eye”: they are what is wound, and the thread goes with them. */
export const withThreadIn = (all: Told[], text: string): Told[] =>
  all.map((t) => {
    const isThem = t.verb === "wind" && t.role === "thread" && t.refers === "it";
    if (!isThem || !withThread.test(text.slice(t.at, t.end))) return t;
    return { ...t, role: undefined, part: undefined, description: undefined };
  });

/** “Twist three herls together”: so many make the rope. */
function soMany({ rest }: Told, text: string): { n: number; at: number; end: number } | undefined {
  for (const { at, end } of rest) {
    const n = readNumber(text.slice(at, end).replace(/\s+(?:strands?|fibres?)(?:\s+of)?$/u, ""));
    if (n !== undefined && Number.isInteger(n) && n > 1) return { n, at, end };
  }
  return undefined;
}

/** “Twist the pheasant fibres round the thread and wind to the bead”: what is twisted is what is wound. */
export function withTwisted(all: Told[], text: string): Told[] {
  const isTwisted = (x: Told | undefined, then: Told | undefined): boolean =>
    x?.verb === "act" &&
    (x.description !== undefined || x.refers === "the rest") &&
    /^\W*(?:then\s+|and\s+)?twist/.test(text.slice(x.at, x.end)) &&
    then?.verb === "wind" &&
    then.description === undefined &&
    then.role === undefined;
  // Round the thread, or with it: that is no winding of the thread.
  const isThreadOnly = (x: Told, n: number): boolean =>
    x.verb === undefined &&
    x.role === "thread" &&
    Object.keys(x.said).length === 0 &&
    isTwisted(all[n - 1], all[n + 1]);
  const told = all.filter((x, n) => !isThreadOnly(x, n));
  return told.flatMap((t, n): Told[] => {
    const [before, next] = [told[n - 1], told[n + 1]];
    if (isTwisted(t, next)) return [];
    if (!before || !isTwisted(before, t)) return [t];
    const counted = soMany(before, text);
    return [
      {
        ...t,
        at: before.at,
        refers: before.refers,
        description: before.description,
        ...wordsOf(before, t),
        ...(counted && {
          said: { rope: counted.n, ...t.said },
          rest: [...before.rest, ...t.rest].filter((r) => r.at !== counted.at),
          understood: [...before.understood, ...t.understood, { at: counted.at, end: counted.end }],
        }),
      },
    ];
  });
}
