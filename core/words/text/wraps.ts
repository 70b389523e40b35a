/** “Wraps” that hold: of the thread, crossed, stacked on a post. */
const ofThread =
  /(?:\b(?:x|cross(?:ed|ing|wise)?|thread|silk|stacked|figures?|eights?|figure-8|securing|locking|soft|pinch|tight|firm|segments?)[\s-]+(?:[a-z\d]+\s+)?|\bcross-)$/;
/** Wraps that lie so are of what is wound: those that hold lie at one spot. */
const lieAsTurns = /\b(?:open|touching|spaced|close)\s+$/;
const goOnAsTurns = /^\s*(?:side\s+by\s+side|through\s+(?:the\s+)?thorax)\b/;
/** “Two wraps, no more.”: of what waits to be wound. */
const alone =
  /^[\s\W]*(?:(?:and|then|now|just|about|only)\s+)*(?:\d+|an?|one|two|three|four|five|six|seven|eight)(?:\s+and\s+a\s+half)?\s+$/;
const isLooped = /\b(?:spin|spun|loop|split\s+(?:the\s+)?thread)\b/;
const goesOnAsThread =
  /^\s*(?:of\s+(?:the\s+)?(?:(?:tying|working|waxed|same)\s+)*(?:thread|silk)\b|(?:up|round|around)\s+(?:the|its)\s+(?:base|post|root|foot|butts?)|each\s+side|in\s+front\s+of\s+(?:it|them)\b|through\s+(?:the\s+)?butts?|for\s+(?:every|each|all))/;
const ofStuff = /^\s*of\s+\p{L}/u;
const verbs =
  /\b(?:(rib|ribs|ribbed|ribbing|wind|winds|wound|winding|wrap|wrapped|wrapping|palmer|palmered|palmering|spiral|spiralled|whip|whipped|finish|(?:bring|take|carry|run)\s+the\s+(?:\w+\s+)?(?:wire|tinsel|oval|floss|herl|hackle|chenille|yarn|mono|quill))|(tie|ties|tied|tying|secure|secured|hold|held|bind|bound|lash|lashed|catch|caught|lock|locked|trap|trapped|fasten|fastened|post|posted|set|fix|fixed|pull|pulled|fold|folded|stand|stood))\b(?!\s*(?:post|case)\b)/g;
const woundPart =
  /^[\s\W]*(?:\d{1,2}[.)]\s*)?(?:(?:the|a|an)\s+)?(?:(?:body|front|rear|tail|head|throat|palmer(?:ed)?|hot)\s+)?(?:rib(?:bing)?|hackle|collar|throat|beard|body|abdomen|thorax|tag|butt|tip|weight|lead|gills?|spot|palmer)\b|^[\s\W]*(?:(?!tie\b)[a-z]+\s+){0,3}(?:hackle|saddle|cock|hen|partridge)s?\b/;
const wrapsAt = /\bwraps\b(?!\s+(?:it|them|the|this|that)\b)|(?<=\b(?:one|a|1|half)\s+)wrap\b/g;

/** Whether wraps at a place of a sentence are turns of what is told there, and not those of the thread that hold it. */
function areTurns(sentence: string, at: number, end: number): boolean {
  const [before, behind] = [sentence.slice(0, at), sentence.slice(end)];
  if (ofThread.test(before) || goesOnAsThread.test(behind)) return false;
  const isPlain = lieAsTurns.test(before) || goOnAsTurns.test(behind) || alone.test(before) || isLooped.test(before);
  if (isPlain || ofStuff.test(behind)) return true;
  const last = [...before.matchAll(verbs)].at(-1);
  // “Hackle: cock, tied in at the post, 4 wraps”: the comma ends what is held.
  const since = before.slice(last?.index ?? 0);
  const isOver = /,\s[^,]*$/.test(since) && !/\b(?:thread|silk)\b/.test(since);
  const isHeld = last?.[2] !== undefined && !(isOver && woundPart.test(sentence));
  if (last && !isHeld && last[2] === undefined) return true;
  return !isHeld && woundPart.test(sentence);
}

/**
 * “Rib with six wraps”, “whip finish, 4 wraps”: turns, as some call them. Wraps that hold what is tied in stay wraps.
 * @param line in small letters @returns as long as it was
 */
export function wrapsAsTurns(line: string): string {
  if (!line.includes("wrap")) return line;
  let out = line;
  for (const sentence of line.matchAll(/[^.;]+(?:\.(?=\S)[^.;]*)*/g))
    for (const found of sentence[0].matchAll(wrapsAt)) {
      if (!areTurns(sentence[0], found.index, found.index + found[0].length)) continue;
      const word = found[0] === "wrap" ? "turn" : "turns";
      const at = sentence.index + found.index;
      out = out.slice(0, at) + word + out.slice(at + word.length);
    }
  return out;
}
