import type { VerbId } from "../verbs/ids";
import { wordsOf, type Told } from "../told";

const definite = "(?:the|those|these|your|that)\\s+(?:same\\s+)?";
const takesUp = new RegExp(
  `^\\W*(?:(?:then|next|now|and|i|we|you|just)\\s+)*(?:take|grab|gather|pick\\s+up|get\\s+hold\\s+of|get)\\s+(?:hold\\s+of\\s+)?(?:(?:all|both)\\s+(?:of\\s+)?)?${definite}`,
);
const usesIt = new Set<VerbId | undefined>(["wind", "take over"]);

/** What is done to it in between adds nothing: it is twisted, stroked, wetted. */
const isMeanwhile = (t: Told): boolean => t.verb === "act" && t.description === undefined && t.role === undefined;

/** Whether a clause goes on with what the one before took up, and names nothing of its own. */
const goesOnWithIt = (t: Told | undefined): boolean =>
  t !== undefined &&
  usesIt.has(t.verb) &&
  t.description === undefined &&
  (t.refers === "it" || t.role === undefined || t.role === "rib");

/**
 * “Take the pheasant fibres and wrap them forward”: what is taken up is on the hook already, and is what is wound or
 * pulled over; nothing is tied in anew.
 */
export function withTakenUp(all: Told[], text: string): Told[] {
  return all.reduce<Told[]>((out, t, n) => {
    const [at, used] = takenBy(all, n, text);
    if (used !== undefined) return out;
    const taken = at === undefined ? undefined : all[at];
    if (!taken) return [...out, t];
    const { description, role, part, refers } = taken;
    const of = description
      ? { description, refers: undefined }
      : { role: t.role ?? role, part: t.part ?? part, refers: refers ?? t.refers };
    return [...out, { ...t, ...of, ...wordsOf(taken, t) }];
  }, []);
}

/** Which clause took up what this one goes on with; and which one goes on with what this one takes up. */
function takenBy(all: readonly Told[], n: number, text: string): [taken: number | undefined, by: number | undefined] {
  const isTaking = (t: Told | undefined): boolean =>
    t !== undefined &&
    t.verb === "tie in" &&
    (t.description ?? t.role ?? t.refers) !== undefined &&
    Object.keys(t.said).length === 0 &&
    takesUp.test(text.slice(t.at, t.end));
  const next = (from: number): number => {
    let at = from + 1;
    while (all[at] && isMeanwhile(all[at] as Told)) at++;
    return at;
  };
  if (isTaking(all[n])) return goesOnWithIt(all[next(n)]) ? [undefined, next(n)] : [undefined, undefined];
  const before = goesOnWithIt(all[n]) ? all.findIndex((t, i) => i < n && isTaking(t) && next(i) === n) : -1;
  return [before < 0 ? undefined : before, undefined];
}
