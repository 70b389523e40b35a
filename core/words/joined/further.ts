import { formTold, wordsOf, type Told } from "../told";
import { PARTS } from "../lexicon/parts";
import { saysHowItIs, saysOnceMore } from "../scan/howItIs";
import { feathers } from "../taken";

/** “ginger, 3 turns, then 2 of guinea fowl in front”: turns as well. */
export const withTurnsOf = (all: Told[], text: string): Told[] =>
  all.map((t, n) => {
    const before = all[n - 1];
    const { count, rule } = t.said;
    const isAlike = before?.kind === "wind" && t.kind === "wind" && before.said.rule?.turns !== undefined;
    if (!isAlike || count === undefined || rule || !/^\W*(?:then\s+|and\s+)*\S+\s+of\s/.test(text.slice(t.at)))
      return t;
    const { count: _count, ...said } = t.said;
    return { ...t, said: { ...said, rule: { turns: count } } };
  });

const onTopOfIt = /\b(?:on\s+top|over\s+(?:it|them|that))\b/;
/** “Two layers of lead (8 turns, then 6 on top)”, “two layers, 10 turns then 8 on top”: the second for itself. */
export const withLayersTold = (all: Told[], text: string): Told[] =>
  all.map((t, n) => {
    if (t.role !== "weight" || t.said.passes !== 2) return t;
    const isSecond = ({ said, description, at, end }: Told): boolean =>
      (said.rule?.turns ?? said.count) !== undefined && !description && onTopOfIt.test(text.slice(at, end));
    if (!all.slice(n + 1, n + 3).some(isSecond)) return t;
    const { passes: _passes, ...said } = t.said;
    return { ...t, said };
  });

const bareThread = /^\s*(?:thread|silk)\s*$/;
const ofThread = (before: Told, t: Told): Partial<Told> => ({
  description: t.description,
  said: { ...t.said, ...before.said },
  ...wordsOf(before, t),
});
const bareAgain = /^\s*(?:dubbing|fur|hackle|wire|tinsel|floss|herl|chenille|yarn|wool)\s*$/;
const turnsOfIt = /^\W*(?:just\s+|only\s+|about\s+)*\S+\s+(?:\S+\s+)?(?:turns?|wraps?)\s+of\s/;
/** “Dub a collar of dark hare's ear, three turns of dubbing”: of what was just named, and no second one. */
export const withTurnsOfIt = (all: Told[], text: string): Told[] =>
  all.reduce<Told[]>((told, t) => {
    const before = told.at(-1);
    const isBare = t.verb === undefined && t.role === undefined && bareAgain.test(t.description?.text ?? "");
    const isOfIt = before?.description !== undefined && formTold(before) === formTold(t) && before.kind === t.kind;
    // “Thread collar behind the bead, 6 turns of red thread”: the second says of which.
    const isThread = t.description && bareThread.test(before?.description?.text ?? "") && formTold(t) === "thread";
    if (before && isThread && t.verb === undefined && t.said.rule?.turns !== undefined && !before.said.rule)
      return told.with(-1, { ...before, ...ofThread(before, t), end: t.end });
    if (!before || !isBare || !isOfIt || !turnsOfIt.test(text.slice(t.at, t.end))) return [...told, t];
    return told.with(-1, { ...before, said: { ...before.said, ...t.said }, ...wordsOf(before, t), end: t.end });
  }, []);

/** “Wing: a clump of hair. One shank long. Tips forward.”: sentences that only say more of what the first one laid. */
export const withFurther = (all: Told[], text: string): Told[] =>
  all.reduce<Told[]>((told, t) => {
    // What only holds it may stand between.
    // So may a coat of nothing that is named: “quill, lacquered, touching turns over 60 %”.
    // What is only done with it as well: “Brush it out. It must be shaggy.”
    const isHow = saysHowItIs(text.slice(t.at, t.end));
    const at = told.findLastIndex(
      (b) => b.description !== undefined || !(b.verb && (stepsAside.has(b.verb) || (isHow && b.verb === "act"))),
    );
    const before = told[at];
    const said = before && (saysMoreOf(before, t, text.slice(t.at, t.end)) ? addedBy(before, t) : holdsIt(before, t));
    if (!before || !said) return [...told, t];
    const words = wordsOf(before, t);
    const isShown = t.said.fill !== undefined && said.fill === undefined;
    const kept = isShown ? [...words.kept, { at: t.at, end: t.end }] : words.kept;
    return told.with(at, { ...before, said: { ...before.said, ...said }, ...words, kept });
  }, []);

/** “Four turns of herl. It should be fat.”: turns that are told stay; how thick they come to is only shown. */
function addedBy(before: Told, { said: { rule, fill, ...said } }: Told): Told["said"] {
  const isCounted = before.said.rule?.turns !== undefined;
  return { ...said, ...(rule && !before.said.rule && { rule }), ...(fill && !isCounted && { fill }) };
}

const stepsAside: ReadonlySet<Told["verb"]> = new Set(["tie in", "hold", "finish"]);
/** What is done with the stuff of a part, and of which more can be said. */
const ofParts: ReadonlySet<Told["kind"]> = new Set(["lay", "wind", "dress"]);
function saysMoreOf(before: Told, t: Told, words: string): boolean {
  const isHow = t.refers !== "the rest" && t.refers !== "the same" && saysHowItIs(words);
  const isBare = t.verb === undefined && t.description === undefined && (t.refers === undefined || isHow);
  const isOfIt = before.description !== undefined && (t.role === undefined || before.role === t.role);
  const isAlike = t.kind === before.kind && ofParts.has(t.kind);
  const own = Object.keys(t.said);
  // “Do not crowd the eye.”, “Short.”: words that are kept, or asked about, with what they are of.
  const isOnlyWords = own.length === 0 && (isHow || t.rest.length === 0);
  const isNew = own.length > 0 && t.loose.length === 0 && (isHow || own.every((key) => !(key in before.said)));
  // What was only tied in by then is wound by what comes next.
  const isSaid = isHow || t.isInherited === true || (t.role === undefined && t.kind === "lay");
  return (
    isBare &&
    isOfIt &&
    isSaid &&
    !saysOnceMore(words) &&
    (isOnlyWords ? isAlike || t.isInherited === true : isAlike && isNew)
  );
}

/** “Tie in the hair so that its tips reach the bend. Eight tight turns.”: what is never wound is held by so many. */
function holdsIt({ kind, said, verb, ...before }: Told, t: Told): Told["said"] | undefined {
  const form = formTold({ kind, said, verb, ...before });
  const isBunch = said.amount !== undefined && "clump" in said.amount;
  const isHeld =
    kind === "lay" && verb === "tie in" && (form === "hair" || form === "quill" || isBunch) && said.wraps === undefined;
  const isBare = t.verb === undefined && t.description === undefined && t.role === undefined && t.refers === undefined;
  const turns = t.said.rule?.turns;
  const isOnlyTurns = t.kind === "wind" && isBare && turns !== undefined && Object.keys(t.said).length === 1;
  return isHeld && isOnlyTurns ? { wraps: turns } : undefined;
}

/** “Tie in one feather by the tip and make 2 turns as a collar”: it is tied in for what it is wound as. */
export function withPartBehind(all: Told[]): Told[] {
  return all.map((t, n) => {
    const isFeather = feathers.has(formTold(t) ?? "");
    if (t.verb !== "tie in" || t.role !== undefined || !isFeather) return t;
    // “A black and a blue hackle, wind them as a collar”: the first one as well.
    const next = all.slice(n + 1).find((x) => !(x.role === undefined && feathers.has(formTold(x) ?? "")));
    const isWound = next?.verb === "wind" && next.description === undefined && next.refers !== "the rest";
    return isWound && woundAs.has(next.role) ? { ...t, role: next.role, part: next.part } : t;
  });
}
const woundAs = new Set<Told["role"]>(["collar", "hackle", "body", "thorax"]);

const withPart = new RegExp(`\\b(?:along\\s+)?with\\s+the\\s+(?:${PARTS})\\W*$`, "u");
/** “Tie in fine wire with the tail: six fibres”: the wire is no tail; what stands behind is. */
export const withWireBeside = (all: Told[], text: string): Told[] =>
  all.reduce<Told[]>((told, t) => {
    const before = told.at(-1);
    const isBeside = (x: Told | undefined): x is Told =>
      x?.verb === "tie in" && x.role !== undefined && thin.has(formTold(x)) && withPart.test(text.slice(x.at, x.end));
    const isPart = isBeside(before) && t.verb === undefined && t.role === undefined && t.description !== undefined;
    if (isPart)
      return [...told.slice(0, -1), alone(before), { ...t, role: before.role, part: before.part, kind: "lay" }];
    return [...told, t];
  }, []);
const thin = new Set<ReturnType<typeof formTold>>(["wire", "tinsel", "thread"]);
const alone = ({ role: _role, part: _part, ...t }: Told): Told => t;

/** “Wind the thread forward in open turns as the rib”: it is the rib that is wound, of the thread. */
export const withThreadRib = (all: Told[], text: string): Told[] =>
  all.map((t) => {
    const word = t.verb === "move" && t.role === "rib" ? /\b(?:thread|silk)\b/u.exec(text.slice(t.at, t.end)) : null;
    if (!word || t.description) return t;
    const at = t.at + word.index;
    const description = { at, end: at + word[0].length, text: word[0], means: { form: "thread" as const } };
    return { ...t, verb: "wind", kind: "wind", description };
  });
