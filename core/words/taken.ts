import { isNounAlone } from "./bench";
import { formTold, wordsOf, type Told } from "./told";

export const feathers = new Set(["hackle", "feather fibre"]);
/** “One quill, tie it in by the tip”: what is named first, and tied in then. */
const tiedByItsEnd = new Set([
  "hackle",
  "feather fibre",
  "herl",
  "chenille",
  "yarn",
  "floss",
  "tinsel",
  "wire",
  "stretch body",
  "quill",
  "hair",
  "flash",
  "rubber",
]);
/** “Cut a strip of foam, tie it in at the bend”: what was cut is tied in once, where the second says. */
export function withTaken(all: Told[], text: string): Told[] {
  const out: Told[] = [];
  for (const t of all) {
    // What is only done to it meanwhile, “stroke it so that the fibres stand out”, stands between.
    const n = out.findLastIndex((x) => x.verb !== "act" || x.description !== undefined);
    const before = out[n];
    // “One partridge feather, strip the left side, tie it in by the tip”: what is only named is tied in there.
    const isNamed =
      before?.verb === undefined && before?.role === undefined && tiedByItsEnd.has((before && formTold(before)) ?? "");
    // “Claws are two strips, 25 mm long. Tie them in …”: what was named for its part is tied in there.
    const isForItsPart =
      before?.verb === undefined &&
      before?.role !== undefined &&
      before.kind === "lay" &&
      ofThem.test(text.slice(t.at, t.end));
    const isTaken =
      before !== undefined &&
      (isNamed || isForItsPart || (before.verb === "tie in" && takes.test(text.slice(before.at, before.end)))) &&
      before.description !== undefined &&
      t.verb === "tie in" &&
      (t.refers === "it" ||
        t.role === undefined ||
        /\b(?:it|them|(?:that|those)(?=\s+(?:in|on|down)\b))\b/.test(text.slice(t.at, t.end))) &&
      t.description === undefined;
    if (!before || !isTaken) {
      out.push(t);
      continue;
    }
    out[n] = {
      ...before,
      ...(isNamed && { verb: t.verb, kind: t.kind }),
      end: t.end,
      role: t.role ?? before.role,
      part: t.role ? t.part : before.part,
      said: { ...before.said, ...t.said, ...ofOne(t, text) },
      ...wordsOf(before, t),
    };
  }
  return out;
}
const ofThem = /^\W*(?:then\s+|and\s+|now\s+)*(?:tie|bind|catch|lash|secure|set|mount)\s+(?:it|them|those|both)\b/;
const takes =
  /^\W*(?:(?:then|next|now|and|i|we|you)\s+)*(?:take|grab|select|cut|measure|choose|pick|stack|prepare|clean|match|pluck|peel|strip|(?:lay|put|hold|place)(?=[^,.;]*\btogether\b))\b/;

/** “A brown and a grizzly hackle”: two that are taken together, alike in all that is said behind them. */
function asOne([one, two, ...more]: readonly Told[], text: string): readonly Told[] | undefined {
  const isPair =
    one?.description && two?.description && feathers.has(formTold(one) ?? "") && formTold(one) === formTold(two);
  if (!isPair || more.length > 0 || (two.at > one.at && !/\band\s+$/.test(text.slice(0, two.at)))) return undefined;
  return [{ ...one, said: { ...two.said, ...one.said } }, two];
}
/** What a line only takes, cuts or chooses, and ties in nowhere yet: “select a soft feather”. */
export function onlyTaken(all: readonly Told[], text: string): readonly Told[] | undefined {
  // “Strip a herl and soak it”: what is done to it meanwhile stands beside it.
  const those = all.filter(
    (t, n) => !isDoneMeanwhile(t, n) && !isToItsEnd(t, n, text) && (t.verb !== undefined || t.description),
  );
  const pair = asOne(those, text);
  if (pair) return isOnlyTaken(pair[0] as Told, text) ? pair : undefined;
  const [only, more] = those;
  return only && !more && isOnlyTaken(only, text) ? [only] : undefined;
}
function isOnlyTaken(only: Told, text: string): boolean {
  const isUsed = only.verb === undefined && only.role === undefined && formTold(only) !== "thread" && usesIt.test(text);
  if (!(only.verb === "tie in" || isUsed) || !only.description) return false;
  const { there, tieIn, begin, end, from, hanging } = only.said;
  if ((there ?? tieIn ?? begin ?? end ?? from ?? hanging) !== undefined) return false;
  if (isUsed) return only.said.rule === undefined;
  // “Take a bunch, 3 mm thick, and tie it in on top”: that is done in the same breath.
  if (tiesItIn.test(text.slice(only.at, only.end))) return false;
  return takes.test(text.slice(only.at, only.end));
}
/** What is done to the stuff in hand before it is tied in. */
export const isDoneMeanwhile = (t: Told, n: number): boolean =>
  n > 0 && t.verb === "act" && t.refers === "it" && t.description === undefined && t.role === undefined;
/** “Trim one end to a V”, of what was just cut: it is tied in so. */
export const isToItsEnd = (t: Told, n: number, text: string): boolean =>
  n > 0 &&
  t.verb === "act" &&
  t.description === undefined &&
  t.role === undefined &&
  /\b(?:one|its|each|both|an)\s+(?:\w+\s+)?(?:ends?|edges?|corners?)\b/.test(text.slice(t.at, t.end));
/** “Start the thread at the eye”, “bring it back to the bend”. */
export const isOfThread = (t: Told): boolean => t.verb === "start" || t.verb === "move" || t.verb === "change";
const tiesItIn = /\b(?:tie|bind|catch|lash|secure)\s+(?:it|them|that|those)\b/;
/** “I'm using a pink chenille”: what it is of, and nothing is done with it yet. */
const usesIt =
  /^\W*(?:(?:so|now|next|then|today|here)\W+)*(?:i|we|you)\s+(?:am\s+|are\s+)?(?:going\s+to\s+)?(?:us(?:e|ing)|take|like|have|got)\s/;
/** Whether a clause ties in what was taken: it names nothing, or a word or two of what that was. */
export function tiesInTaken(t: Told, [taken, other]: readonly Told[]): boolean {
  if (!taken) return false;
  const isThem = t.description === undefined && (t.refers === undefined || t.refers === "it");
  if (other) return t.verb === "tie in" && isThem;
  if (t.verb !== "tie in" || (t.role !== undefined && taken.role !== undefined && t.role !== taken.role)) return false;
  if (!t.description) return isThem;
  const words = t.description.text.toLowerCase().trim().split(/\s+/);
  const own = taken.description?.text.toLowerCase() ?? "";
  const isBare = isNounAlone.test(words.join(" ")) && t.description.means?.form === taken.description?.means?.form;
  // “the quill”, of a herl that was stripped.
  const isStripped = words.join(" ") === "quill" && taken.description && formTold(taken) === "herl";
  if (isBare || isStripped) return true;
  // “Two brown hackles” are not the stalks of hackles that were taken before.
  const [form, before] = [formTold(t), formTold(taken)];
  if (form !== undefined && before !== undefined && form !== before) return false;
  return !t.description.exact && words.length <= 2 && words.every((w) => own.includes(w.replace(/s$/, "")));
}
/** What was taken, as a later line ties it in. */
export const tiedInAs = (t: Told, taken: Told, text: string): Told => ({
  ...t,
  kind: taken.kind,
  role: t.role ?? taken.role,
  part: t.role ? t.part : taken.part,
  refers: undefined,
  description: taken.description && { ...taken.description, at: t.at, end: t.at },
  alternates: [...taken.alternates, ...t.alternates],
  said: { ...taken.said, ...t.said, ...ofOne(t, text) },
});

const oneOfThem = /\bthe\s+(?:small(?:er)?|larger?|bigg?(?:er)?|first|shorter|longer|other)\s+one\b/;
/** “Select two cocks, one a size smaller; tie the small one in” */
const ofOne = (t: Told, text: string): Partial<Told["said"]> =>
  oneOfThem.test(text.slice(t.at, t.end)) ? { amount: { feathers: 1 }, count: undefined } : {};

/** A line that only ties in: nothing of it is wound yet. */
export const isTiedInLine =
  /\b(?:(?:tied|caught|bound)\s+in|(?:tied|bound|lashed)\s+(?:down\s+)?along|(?<=\b(?:wire|tinsel|oval|rib|herls?|hackle|saddle|floss|mono|strip|chenille|yarn|wool)\s+)in(?=\s+(?:at|on)\s))\b(?!.*\b(?:wound|wrapped|turns?|wraps?|palmered)\b)/;
