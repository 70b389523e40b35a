import { formTold, looseLeft, wordsOf, type Told } from "../told";

/** “Dub the silk with hare's ear”: the thread is what carries it, the fur is what is dubbed. */
export function withDubbing(all: Told[]): Told[] {
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

/** “Hare's ear, spun on the silk”: on what it is dubbed, and no other stuff. */
export const withCarrier = (all: Told[]): Told[] =>
  all.flatMap((t, n): Told[] => {
    const isCarrier = (x: Told | undefined, fur: Told | undefined): boolean =>
      x?.verb === "dub" &&
      formTold(x) === "thread" &&
      fur?.kind === "dress" &&
      fur.description !== undefined &&
      formTold(fur) !== "thread" &&
      fur.role === x.role;
    const next = all[n + 1];
    if (isCarrier(t, all[n - 1])) return [];
    if (!next || !isCarrier(next, t)) return [t];
    return [{ ...t, said: { ...next.said, ...t.said }, ...wordsOf(t, next), end: next.end }];
  });

const putsOn =
  /^\W*(?:then\s+|now\s+)?(?:apply|put|spin|twist|load)\b(?:.*\b(?:to|on|onto)\s+(?:the\s+|your\s+)?(?:thread|silk)\b|\s+on\b)/;

/** “Apply orange dubbing to the thread and dub a collar”: what is put on the thread is what is dubbed. */
const isPutOn = (t: Told, text: string): boolean => t.verb === "dub" && putsOn.test(text.slice(t.at, t.end));

/** “Mix two parts of this with one of that and dub it on”: it is dubbed once. */
export function withMixed(all: Told[], text: string): Told[] {
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
