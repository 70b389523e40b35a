import { skipBlanks as skip, seq, words, anyOf } from "../parse";
import { type VerbId, verbAt, verbGoingOnAt } from "../verbs";
import { placeReached, placeBeside } from "../text/place";
import { PARTS_WITHIN as PARTS } from "../lexicon/parts";
import { manner } from "./bounds";

const blank = /[\s,;:.()"!?/]+/y;

/** Where a clause begins, behind words that only lead to it. */
export function leadOf(text: string, from: number, to: number): number {
  let at = skip(text, from);
  for (let n = 0; n < 8 && at < to; n++) {
    const lead = leadIn(text, at);
    if (!lead) return at;
    at = skip(text, lead.end);
  }
  return at;
}

/** A verb at the head of a clause, after words that only lead to it. */
export function verbLead(text: string, from: number, to: number): { id: VerbId; at: number; end: number } | undefined {
  let at = from;
  for (let n = 0; n < 8 && at < to; n++) {
    blank.lastIndex = at;
    if (blank.exec(text)) at = blank.lastIndex;
    const verb = actionAt(text, at);
    if (verb) return { id: verb.id, at, end: verb.end };
    const skip = leadIn(text, at);
    if (!skip) return undefined;
    at = skip.end;
  }
  return undefined;
}

const placeAhead = seq(
  words(
    "(?:just\\s+|right\\s+|now\\s+|then\\s+|and\\s+)*(?:at|near|by|on|in|over|behind|above|opposite|from|starting\\s+(?:at|from))(?=\\s)",
  ),
  placeReached,
);

const samePlace = words("(?:in|at|from)\\s+(?:exactly\\s+|just\\s+)?(?:the|that)\\s+same\\s+(?:place|spot|point)");
const onSides = words(
  `(?:on\\s+(?:the\\s+)?top|on\\s+the\\s+(?:underside|bottom)|underneath)(?:\\s+of\\s+(?:that|it|this|the\\s+(?:shank|hook|body)))?|(?:on|along|down|to)\\s+(?:each|either|both|the\\s+(?:near|far))\\s+sides?(?:\\s+of\\s+(?:it|them|that|this|these|the\\s+(?:${PARTS}|[a-z]+)))?`,
);

/** “At the bend tie in a bunch”: the place first, and then what is done there. */
export function verbBehindPlace(
  text: string,
  from: number,
  to: number,
): { id: VerbId; at: number; end: number } | undefined {
  const at = skip(text, from);
  const where = placeAhead(text, at) ?? placeBeside(text, at) ?? onSides(text, at) ?? samePlace(text, at);
  if (!where) return undefined;
  const next = skip(text, where.end + (text[where.end] === "," ? 1 : 0));
  const verb = next < to ? verbAt(text, next) : undefined;
  return verb && { id: verb.id, at: next, end: verb.end };
}

/** What leads to what is done, and says nothing of it: “what I do next is”, “make sure you”, “first of all”. */
const LEAD_IN = anyOf(
  "next\\s+up",
  "first\\s+off?(?:\\s+all)?",
  "to\\s+(?:begin|start)(?:\\s+(?:with|off))?(?=\\s*,)",
  "from\\s+(?:here|there)(?:\\s+on)?(?=\\s*,)",
  "at\\s+this\\s+(?:point|stage)",
  "(?:(?:once|when|now)\\s+(?:that|this|it)(?:'s|\\s+is)|with\\s+(?:that|this)|having)\\s+done(?:\\s+(?:that|this|so))?",
  "after\\s+(?:this|which)(?=\\s*,)",
  "as\\s+(?:before|usual|always|ever)(?=\\s*,)",
  "moving\\s+on",
  "(?:can|may|might|could)(?:\\s+(?:now|then|also))?(?=\\s)",
  "before\\s+(?:anything\\s+else|(?:you|we|i)\\s+(?:go|do)\\s+(?:on|further|anything(?:\\s+else)?|any\\s+more))(?=\\s*,)",
  "(?:when|once|after)\\s+(?:(?:that|it|this|the\\s+(?:glue|varnish|resin|coat))(?:'s|\\s+is|\\s+has)\\s+)?(?:dry|dried|set|hard(?:ened)?|cured)(?=\\s*,)",
  "in\\s+the\\s+same\\s+way(?=\\s*,?\\s+[a-z])",
  "meanwhile|all\\s+right|alright|ok(?:ay)?",
  "what\\s+(?:i|you|we)\\s+(?:(?:like\\s+to\\s+|want\\s+to\\s+|usually\\s+)?do)(?:\\s+(?:now|next|here|then|first))?\\s+is(?:\\s+to)?",
  "all\\s+(?:i|you|we)\\s+(?:have\\s+to\\s+|need\\s+to\\s+)?do\\s+is(?:\\s+to)?",
  "the\\s+(?:next|first|last|second|third)\\s+(?:step|thing)(?:\\s+(?:i|you|we)\\s+do)?\\s+is(?:\\s+to)?",
  "(?:next|first|last|final)\\s+step(?=\\s*[:,–-])|step\\s+(?:one|two|three|four|five|six|seven|eight|nine|ten|\\d{1,2})(?=\\s*[:.,–-])",
  "[ivx]{1,4}(?=[.)]\\s)",
  "(?:have|need|tend|prefer|remember|want|try)\\s+to",
  "(?:should|must|usually|always|generally|normally|often|simply|gently|never\\s+fail\\s+to)(?!\\s+(?:really\\s+)?(?:like|prefer|want|love|choose|put|use|go|have|take)\\b)",
  "let\\s+us|go\\s+ahead\\s+and|(?:be|make)\\s+sure\\s+(?:to|that\\s+(?:you|we)|you|we)|don't\\s+forget\\s+to|do\\s+not\\s+forget\\s+to",
  "(?:it's\\s+|it\\s+is\\s+|now\\s+)?time\\s+to",
  "follow\\s+(?:up|this|that|on)\\s+and",
  "without\\s+moving\\s+the\\s+(?:thread|silk|bobbin)",
  "(?:with|using)\\s+an?\\s+(?:(?:pinch(?:ed)?|soft|loose|gathering)[-\\s]+(?:and[-\\s]+)?)+(?:wraps?|loops?|turns?)(?=\\s*,)",
);

const leadIn = words(
  anyOf(
    LEAD_IN,
    "i\\s+tie\\s+(?:this|these|mine|it|(?:my|our|the)\\s+(?:[a-z]+\\s+){0,2}(?:fly|flies))(?:\\s+(?:one|fly))?(?:\\s+on)?(?=\\s)",
    "(?:start|begin)(?:\\s+off)?\\s+(?:with|by)(?=\\s)",
    "(?:still\\s+)?(?:with|using)\\s+(?:the\\s+)?(?:same\\s+)?(?:tying\\s+)?(?:thread|silk)(?=,?\\s+(?:dub|tie|bind|catch|wind|wrap|form|build|secure)\\b)",
    "(?:got|going\\s+to|gonna|want\\s+to)(?=\\s)",
    "and",
    "then",
    "now",
    "next",
    "finally",
    "lastly",
    "first",
    "to\\s+finish",
    "after\\s+that",
    "(?:on|along)\\s+the\\s+way(?:\\s+(?:down|up|back|there|forwards?))?(?=,?\\s+(?:tie|bind|trap|catch|secure|lash|dub|wind|lay)\\b)",
    "(?:but\\s+)?before\\s+(?:that|this|(?:you\\s+)?do(?:ing)?\\s+(?:so|that|this))",
    "also",
    "but(?=\\s+(?:coat|cover|tie|wind|add|put|do|use|take|bind|leave)\\b)",
    "so",
    "just",
    "carefully",
    "neatly",
    "i",
    "you",
    "we",
    "let's",
    "please",
    "again",
    "here",
    "there(?=\\s+(?:i|we|you)\\s)",
    "for\\s+(?:this|these)(?:\\s+(?:one|ones|fly|flies|pattern))?(?=\\s)",
    "once\\s+(?:it\\s+is\\s+)?(?:dry|cured)",
  ),
);

/** What changes the step before it, however it is told: “stand it up with wraps in front”, “leave the front bare”. */
const doesMore = new Set<VerbId>(["stand", "leave"]);
/** A verb as it is told, also in the midst of another: “winding it forward”. */
export function actionAt(text: string, at: number): { id: VerbId; end: number } | undefined {
  const [verb, how] = [verbAt(text, at), manner(text, at)];
  // “cut to a point at the tail end” says how it is shaped.
  if (verb) return how && how.end > verb.end && !doesMore.has(verb.id) ? undefined : verb;
  return how ? undefined : verbGoingOnAt(text, at);
}
