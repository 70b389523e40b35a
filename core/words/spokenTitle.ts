/** What a fly is called, where the first line of its recipe introduces it as people speak. */
export interface SpokenTitle {
  name: string;
  /** Where the name ends: what stands behind it may tell more. */
  end: number;
  /** Whether that tells what the fly is tied of, and not only sizes and small talk. */
  goesOn: boolean;
}

/** Two to five words with a capital each, behind others. */
const inCapitals = /(?<=\s)(?:\p{Lu}[\p{L}'’-]*\s+){1,4}\p{Lu}[\p{L}'’-]*(?!\p{L})/u;
const introduces =
  /^\s*(?:(?:hi|hello|ok|okay|right|so|well|today|now)\b[\s,!.]*)*(?:this(?:\s+one)?\s+is|here(?:['’]s|\s+is)|(?:i|we)(?:['’](?:m|re|ll)|\s+am|\s+are|\s+will)?\s+(?:going\s+to\s+)?(?:tie|tying|show(?:ing)?\s+you|mak(?:e|ing)|do(?:ing)?)|(?:my|our)\s+(?:version|take|way)\s+(?:of|on)|let\s+me\s+show\s+you|for)(?:[^.;,]*\bcall(?:ed)?)?(?:\s+(?:the|my|our|an?))?\s+$/;
const isOf = /^\s*the\s+$/;
const tells = /^\s+(?:is|are)\s+(?:an?|tied|dressed|made)\b/;
const ofTheBench =
  /\b(?:thread|silk|hooks?|shank|beads?|cones?|eyes|wire|lead|turns?|wraps?|fib(?:re|er)s?|mm|floss|tinsel|fur|herls?|yarn|wool|chenille|dubbing|dubbed|hackles?(?=\s+of)|wings?|tail|body)\b/;

/**
 * “This is the Cooper's Caddis we tie for the club, 10s and 12s”, “For the Grey Ghost you'll need …”.
 *
 * @param typed the first line with something in it
 * @returns undefined where it is no such sentence
 */
export function spokenTitle(typed: string): SpokenTitle | undefined {
  const found = inCapitals.exec(typed);
  if (!found) return undefined;
  const [ahead, end] = [typed.slice(0, found.index).toLowerCase(), found.index + found[0].length];
  const behind = typed.slice(end).toLowerCase();
  if (!introduces.test(ahead) && !(isOf.test(ahead) && tells.test(behind))) return undefined;
  return { name: found[0].replace(/\s+/g, " "), end, goesOn: ofTheBench.test(behind) };
}
