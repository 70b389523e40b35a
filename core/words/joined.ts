import { isColour } from "../materials";
import { formSaid, type Description } from "./description";
import { isShadedColour, stuffOf } from "./named";
import { NUMBER_WORD, readNumber } from "./text/number";
import { formTold, looseLeft, wordsOf, type Span, type Told } from "./told";
import { feathers, withTaken } from "./taken";

/** What one line tells in several clauses, with those put together that tell of one thing. */
export const joined = (all: Told[], text: string): Told[] => passes().reduce((told, pass) => pass(told, text), all);

/** One after the other: what is taken back first, then what is of one thing, then what is done with it. */
const passes = (): ((all: Told[], text: string) => Told[])[] => [
  withRetracted,
  withCoat,
  withWoundLater,
  withDubbedLater,
  withPulledLater,
  withPiece,
  withOnes,
  withBothColours,
  withUnder,
  withMixed,
  withLayers,
  withDubbing,
  withTwisted,
  withNamedAhead,
  withPartBehind,
  withTaken,
  withFurther,
  withTurnsOf,
];

/** “ginger, 3 turns, then 2 of guinea fowl in front”: turns as well. */
const withTurnsOf = (all: Told[], text: string): Told[] =>
  all.map((t, n) => {
    const before = all[n - 1];
    const { count, rule } = t.said;
    const isAlike = before?.kind === "wind" && t.kind === "wind" && before.said.rule?.turns !== undefined;
    if (!isAlike || count === undefined || rule || !/^\W*(?:then\s+|and\s+)*\S+\s+of\s/.test(text.slice(t.at)))
      return t;
    const { count: _count, ...said } = t.said;
    return { ...t, said: { ...said, rule: { turns: count } } };
  });

/** “Wing: a clump of hair. One shank long. Tips forward.”: sentences that only say more of what the first one laid. */
const withFurther = (all: Told[]): Told[] =>
  all.reduce<Told[]>((told, t) => {
    // What only holds it may stand between.
    const at = told.findLastIndex((b) => b.description !== undefined || (b.verb !== "tie in" && b.verb !== "hold"));
    const before = told[at];
    const said = before && (saysMoreOf(before, t) ? t.said : holdsIt(before, t));
    if (!before || !said) return [...told, t];
    return told.with(at, { ...before, said: { ...before.said, ...said }, ...wordsOf(before, t) });
  }, []);
function saysMoreOf(before: Told, t: Told): boolean {
  const isBare = t.verb === undefined && t.description === undefined && t.refers === undefined && t.loose.length === 0;
  const isOfIt =
    before.kind === "lay" && before.description !== undefined && (t.role === undefined || before.role === t.role);
  const own = Object.keys(t.said);
  const isNew = own.length > 0 && own.every((key) => !(key in before.said));
  return isBare && isOfIt && t.kind === "lay" && (t.isInherited === true || t.role === undefined) && isNew;
}

/** “Tie in the hair so that its tips reach the bend. Eight tight turns.”: what is never wound is held by so many. */
function holdsIt({ kind, said, verb, ...before }: Told, t: Told): Told["said"] | undefined {
  const form = formTold({ kind, said, verb, ...before });
  const isHeld =
    kind === "lay" && verb === "tie in" && (form === "hair" || form === "quill") && said.wraps === undefined;
  const isBare = t.verb === undefined && t.description === undefined && t.role === undefined && t.refers === undefined;
  const turns = t.said.rule?.turns;
  const isOnlyTurns = t.kind === "wind" && isBare && turns !== undefined && Object.keys(t.said).length === 1;
  return isHeld && isOnlyTurns ? { wraps: turns } : undefined;
}

const takesBack = /^\W*(?:(?:no|nope|sorry|oops|wait|scratch\s+that)\b[\s,:.-]+)+/;
/** “3 goose biots? no, two brown biots”: what is told anew holds, and what was told before stays to be seen. */
const withRetracted = (all: Told[], text: string): Told[] =>
  all.flatMap((t, n): Told[] => {
    const isNew = (x: Told | undefined, before: Told | undefined): boolean =>
      x?.description !== undefined &&
      before?.description !== undefined &&
      (before.role === undefined || before.role === x.role) &&
      before.verb === x.verb &&
      takesBack.test(text.slice(x.at)) &&
      // Right behind it, but for how many: “no, two brown biots”.
      /^(?:[\w.]+\s+){0,2}$/.test(text.slice(x.at, x.description.at).replace(takesBack, ""));
    const next = all[n + 1];
    if (next && isNew(next, t)) return [];
    const before = all[n - 1];
    if (!before || !isNew(t, before)) return [t];
    const end = t.at + (takesBack.exec(text.slice(t.at))?.[0].length ?? 0);
    const rest = t.rest.filter((r) => r.at >= end);
    return [{ ...t, at: before.at, rest, kept: [{ at: before.at, end }, ...t.kept] }];
  });

/** “Coat the quill with one layer of resin”: what is coated, and with what. */
const withCoat = (all: Told[]): Told[] =>
  all.flatMap((t, n): Told[] => {
    const isOfCoat = (x: Told | undefined, before: Told | undefined): boolean =>
      x?.kind === "glue" &&
      x.verb === undefined &&
      x.role === undefined &&
      formTold(x) === "liquid" &&
      before?.verb === "finish" &&
      before.description !== undefined &&
      formTold(before) !== "liquid" &&
      Object.keys(before.said).length === 0;
    const next = all[n + 1];
    if (next && isOfCoat(next, t))
      return [
        {
          ...t,
          onto: t.description,
          description: next.description,
          said: next.said,
          ...wordsOf(t, next),
          end: next.end,
        },
      ];
    return isOfCoat(t, all[n - 1]) ? [] : [t];
  });

const cutsIt = /^\W*(?:and\s+|then\s+)*cut\s+(?:it|them|a\s+piece)?\s*(?:to\s+|about\s+)*\S/;
/** “chenille, 2 mm thick, cut it four inches long”: so long is the piece. */
const withPiece = (all: Told[], text: string): Told[] =>
  all.flatMap((t, n): Told[] => {
    const isPiece = (x: Told | undefined, before: Told | undefined): number | undefined => {
      const form = before && formTold(before);
      const leave = x?.verb === "act" ? x.said.leave : undefined;
      const isStrand =
        form === "chenille" || form === "wire" || form === "tinsel" || form === "yarn" || form === "stretch body";
      if (!isStrand || !leave || !("mm" in leave) || !cutsIt.test(text.slice(x?.at ?? 0))) return undefined;
      return leave.mm >= SHORTEST_PIECE ? leave.mm : undefined;
    };
    const next = all[n + 1];
    const mm = isPiece(next, t);
    if (next && mm !== undefined)
      return [{ ...t, said: { ...t.said, pieceMm: mm }, ...wordsOf(t, next), end: next.end }];
    return isPiece(t, all[n - 1]) === undefined ? [t] : [];
  });
const SHORTEST_PIECE = 30;

const woundParts = new Set(["body", "thorax", "tag", "butt", "rib"]);
/** “Body: tinsel, tie in at the front, wind to the tag and back”: it is wound once, as it is told at the end. */
const withWoundLater = (all: Told[], text: string): Told[] => {
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

/** “Body: orange hare, dub it fat in the middle”: it is dubbed once, as it is told at the end. */
const withDubbedLater = (all: Told[]): Told[] => {
  const [first, next, ...more] = all;
  const isOfIt =
    first?.kind === "dress" &&
    first.verb === undefined &&
    first.role !== undefined &&
    first.description !== undefined &&
    next?.verb === "dub" &&
    next.description === undefined &&
    next.role === first.role;
  if (!isOfIt) return all;
  return [{ ...first, end: next.end, said: { ...first.said, ...next.said }, ...wordsOf(first, next) }, ...more];
};

/** “Body: 2 mm foam, tie it in at the bend and fold it forward”: a strip that is pulled over is not wound. */
const withPulledLater = (all: Told[]): Told[] => {
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

const MANY = `(\\d+|${NUMBER_WORD})\\s+(?:hairs|fibres|fibers|strands|barbs)`;
const manyOf = new RegExp(`\\b(?:over|under|and|with)\\s+${MANY}\\s+of\\s+$`);
const firstOf = new RegExp(`(?:^|\\s)${MANY}\\s+of\\s`);
/** “20 hairs of black bucktail over 10 hairs of yellow”: each colour has its own number. */
function ofEachColour(t: Told, description: Description, at: Span, text: string): Told[] {
  const words = text.slice(at.at, at.end).trim();
  const [one, two] = [firstOf.exec(text.slice(t.at, description.at)), manyOf.exec(text.slice(0, at.at))].map((m) =>
    readNumber(m?.[1] ?? ""),
  );
  const stuff = stuffOf(description.text);
  const form = description.means?.form ?? description.exact?.form;
  const isColours = words.split(/\s+/).every((w) => isColour(w));
  if (one === undefined || two === undefined || !isColours || stuff === "" || !form) return [t];
  const amount = (n: number): Told["said"]["amount"] =>
    t.said.amount && "strands" in t.said.amount ? { ...t.said.amount, strands: n } : { fibres: n };
  const own: Told = { ...t, said: { ...t.said, amount: amount(one) }, rest: t.rest.filter((r) => r !== at) };
  const other: Told = {
    ...t,
    description: { ...at, text: `${words} ${stuff}`, means: { form } },
    said: { ...t.said, amount: amount(two) },
    understood: [at],
    kept: [],
    loose: [],
    rest: [],
  };
  return /\bover\s/.test(text.slice(description.end, at.at)) ? [other, own] : [own, other];
}
const furtherOnes = new RegExp(`^(\\d+|${NUMBER_WORD})\\s+(?:of\\s+)?([a-z][a-z -]*)$`);
const ones = new RegExp(`^(\\d+|${NUMBER_WORD})\\s+([a-z][a-z -]*?)(?:\\s+ones)?$`);
/** So many more of the same stuff in another colour, said alike in all else. */
function ofThatColour(t: Told, at: Span, n: number | undefined, colour: string): Told[] {
  const { amount } = t.said;
  const stuff = stuffOf(t.description?.text ?? "");
  const form = t.description?.means?.form ?? t.description?.exact?.form;
  if (n === undefined || !amount || stuff === "" || !form || !("fibres" in amount || "strands" in amount)) return [t];
  const own = { ...t, rest: t.rest.filter((r) => r.at < at.at || r.end > at.end) };
  const more: Told = {
    ...structuredClone(t),
    description: { ...at, text: `${colour} ${stuff}`, means: { form } },
    said: { ...structuredClone(t.said), amount: "fibres" in amount ? { fibres: n } : { ...amount, strands: n } },
    understood: [at],
    kept: [],
    loose: [],
    rest: [],
  };
  return [own, more];
}

/** “40 blue hairs with 10 green ones on top”: ten more of the same stuff in another colour. */
function withOnes(all: Told[], text: string): Told[] {
  return all.flatMap((t): Told[] => {
    const { description } = t;
    // “20 black and 10 yellow hairs”
    const isAhead = (r: Span): boolean => r.end <= (description?.at ?? 0) && /^\s+and\s/.test(text.slice(r.end));
    const further = t.rest.find((r) => r.at > (description?.end ?? Infinity) && manyOf.test(text.slice(0, r.at)));
    if (further && description) return ofEachColour(t, description, further, text);
    const at = t.rest.find((r) => isAhead(r) || /^\s*ones?\b/.test(text.slice(r.end)));
    // “15 fibres of white bucktail, then 15 of chartreuse”
    const then = t.rest.find(
      (r) => r.at > (description?.end ?? Infinity) && /\b(?:then|and|over|plus|with)\s+$/.test(text.slice(0, r.at)),
    );
    const behind = then && t.rest[t.rest.indexOf(then) + 1];
    const isOfIt = behind && /^\s*of\s+$/.test(text.slice(then.end, behind.at));
    const stretch = then && { at: then.at, end: isOfIt ? behind.end : then.end };
    const [, n2 = "", colour2 = ""] = (stretch && furtherOnes.exec(text.slice(stretch.at, stretch.end))) ?? [];
    if (!at && stretch && description && n2 !== "" && colour2.split(" ").every(isColour))
      return ofThatColour(t, stretch, readNumber(n2), colour2);
    const [, count = "", colour = ""] = (at && ones.exec(text.slice(at.at, at.end))) ?? [];
    const n = readNumber(count);
    const { amount } = t.said;
    if (!at || !description || n === undefined || !colour.split(" ").every(isColour) || !amount) return [t];
    const stuff = stuffOf(description.text);
    const kind = "fibres" in amount ? { fibres: n } : "strands" in amount ? { ...amount, strands: n } : undefined;
    if (!kind || stuff === "") return [t];
    const { round: _round, ...said } = t.said;
    const form = description.means?.form ?? description.exact?.form;
    const other: Told = {
      ...t,
      description: { at: at.at, end: at.end, text: `${colour} ${stuff}`, ...(form && { means: { form } }) },
      said: { ...said, amount: kind },
      understood: [at],
      kept: [],
      loose: [],
      rest: [],
    };
    const own = { ...t, said, rest: t.rest.filter((r) => r !== at) };
    return isAhead(at) ? [other, own] : [own, other];
  });
}

const twoColours =
  /^((?:[a-z-]+ ){0,2}[a-z-]+) and ((?:[a-z-]+ ){0,2}[a-z-]+) ((?:cock|saddle|hen|rooster)?\s?hackles?|cocks?|saddles?|hens?|flash|bucktail|marabou|(?:ostrich\s)?herls?)$/;
/** “Golden olive and claret cock palmered together”: two feathers, wound alike. */
const withBothColours = (all: Told[], text: string): Told[] =>
  all.flatMap((t): Told[] => {
    const { description } = t;
    const [, one = "", two = "", stuff = ""] = twoColours.exec(description?.text.trim().toLowerCase() ?? "") ?? [];
    const areColours = [one, two].every(isShadedColour);
    const isTwo = /\btogether\b|\bboth\b|\beach\b/.test(text.slice(t.at, t.end)) || /s$/.test(stuff);
    // “Tie in two hackles, brown and grizzle”: one of each, to be wound.
    const { amount } = t.said;
    const isHackles = /^(?:(?:cock|saddle|hen|rooster)?\s?hackles?|cocks?|saddles?|hens?)$/.test(stuff);
    const isPair =
      t.kind === "lay" && /^hackles$/.test(stuff) && (!amount || ("feathers" in amount && amount.feathers === 2));
    const isEach = t.kind === "lay" && amount !== undefined && /\beach\b/.test(text.slice(t.at, t.end));
    const isOfBoth = isEach || (isHackles && (t.kind === "wind" || isPair));
    if (!description || !isOfBoth || description.exact || !areColours || !isTwo) return [t];
    const of = (colour: string): Told => {
      const own = structuredClone(t);
      if (isPair && amount) own.said.amount = { feathers: 1 };
      return { ...own, description: { ...description, text: `${colour} ${stuff.replace(/s$/, "")}` } };
    };
    return [of(one), { ...of(two), understood: [], kept: [], loose: [], rest: [] }];
  });
const overIt = /\bover\s+(?:an?\s+|the\s+)?(?:(?:thin\s+|level\s+)*(?:layer|base|bed|underbody|foundation)\s+of\s+)?$/;
/** “Flat gold tinsel, over a layer of white floss”: the floss is wound first. */
const withUnder = (all: Told[], text: string): Told[] => {
  const out = [...all];
  out.forEach((t, n) => {
    const next = out[n + 1];
    // “fur, dubbed over 8 turns of lead”: the lead is there first.
    const isOverWeight =
      (t.kind === "dress" || t.kind === "wind") &&
      next?.role === "weight" &&
      next.description !== undefined &&
      /\bover\s+(?:an?\s+|the\s+)?(?:\d+|[a-z]+)?(?:\s+(?:turns?|wraps?)\s+of)?\s*$/.test(
        text.slice(t.at, next.description.at),
      );
    const isOver =
      isOverWeight ||
      (t.kind === "wind" &&
        next?.kind === "wind" &&
        t.description !== undefined &&
        next.description !== undefined &&
        next.verb === undefined &&
        t.role === next.role &&
        t.role === "body" &&
        overIt.test(text.slice(t.description.end, next.description.at)));
    if (isOver) out.splice(n, 2, next, t);
  });
  return out;
};

/** “Dub the silk with hare's ear”: the thread is what carries it, the fur is what is dubbed. */
function withDubbing(all: Told[]): Told[] {
  return all.flatMap((t, n): Told[] => {
    const next = all[n + 1];
    const isCarried = (x: Told | undefined, before: Told | undefined): boolean =>
      x?.verb === undefined &&
      x?.description !== undefined &&
      before?.verb === "dub" &&
      (before.role === "thread" || before.description?.means?.form === "thread");
    if (isCarried(t, all[n - 1])) return [];
    if (!next || !isCarried(next, t)) return [t];
    return [
      {
        ...next,
        verb: "dub",
        role: next.role === "thread" ? undefined : next.role,
        at: t.at,
        said: { ...t.said, ...next.said },
        ...wordsOf(t, next),
      },
    ];
  });
}

/** “Pheasant tail, 6 fibres, wrap up the hook”: what is only named is what the verb behind it winds. */
function withNamedAhead(all: Told[], text: string): Told[] {
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
const twistsIt = (x: Told, text: string): boolean =>
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

const putsOn =
  /^\W*(?:then\s+|now\s+)?(?:apply|put|spin|twist|load)\b.*\b(?:to|on|onto)\s+(?:the\s+|your\s+)?(?:thread|silk)\b/;
/** “Apply orange dubbing to the thread and dub a collar”: what is put on the thread is what is dubbed. */
const isPutOn = (t: Told, text: string): boolean => t.verb === "dub" && putsOn.test(text.slice(t.at, t.end));

/** “Mix two parts of this with one of that and dub it on”: it is dubbed once. */
function withMixed(all: Told[], text: string): Told[] {
  return all.flatMap((t, n): Told[] => {
    const [before, next] = [all[n - 1], all[n + 1]];
    const isOnlyMixed = (x: Told | undefined, then: Told | undefined): boolean =>
      x?.kind === "dress" &&
      x.role === undefined &&
      x.description !== undefined &&
      then?.verb === "dub" &&
      then.description === undefined &&
      ((x.verb === undefined && (then.refers === "it" || then.role === undefined)) || isPutOn(x, text));
    if (next && isOnlyMixed(t, next)) return [];
    if (!before || !isOnlyMixed(before, t)) return [t];
    const said = { ...before.said, ...t.said };
    const words = wordsOf(before, t);
    const loose = looseLeft(words.loose, said);
    return [{ ...t, at: before.at, description: before.description, said, ...words, loose }];
  });
}

/** “Twist the pheasant fibres round the thread and wind to the bead”: what is twisted is what is wound. */
function withTwisted(all: Told[], text: string): Told[] {
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
    return [{ ...t, at: before.at, refers: before.refers, description: before.description, ...wordsOf(before, t) }];
  });
}

const layer =
  /^\W*(?:with\s+|then\s+|and\s+)?an?(?:other)?\s*(?:second\s+)?layer\s+of\s+([\w-]+)\s+(?:touching\s+)?turns?/;
/** “12 turns of lead, with a second layer of six over it”: six more of the same, in the same place. */
function withLayers(all: Told[], text: string): Told[] {
  return all.map((t, n) => {
    const before = all[n - 1];
    const turns = readNumber(layer.exec(text.slice(t.at, t.end))?.[1] ?? "");
    if (!before?.description || t.description || turns === undefined) return t;
    const { there, from, to, begin } = before.said;
    const where = { ...(there && { there }), ...(from && { from }), ...(to && { to }), ...(begin && { begin }) };
    return {
      ...t,
      role: before.role,
      part: before.part,
      description: before.description,
      kind: "wind",
      rest: t.rest.filter((r) => !/layer|turns/.test(text.slice(r.at, r.end))),
      said: { ...where, rule: { turns } },
    };
  });
}

/** “Tie in one feather by the tip and make 2 turns as a collar”: it is tied in for what it is wound as. */
function withPartBehind(all: Told[]): Told[] {
  return all.map((t, n) => {
    const next = all[n + 1];
    const isWoundNext = next?.verb === "wind" && next.description === undefined && next.refers !== "the rest";
    const isFor = isWoundNext && (next.role === "collar" || next.role === "hackle");
    return isFor && t.verb === "tie in" && t.role === undefined && feathers.has(formTold(t) ?? "")
      ? { ...t, role: next.role, part: next.part }
      : t;
  });
}
