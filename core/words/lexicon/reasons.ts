import { match } from "../parse";
import { NUMBER_WORD } from "../text/number";

/** How a reason, an aim, a care or a moment begins: why something is done, not what or how much. */
const opens = match(
  [
    "so(?:\\s+that)?(?=\\s+(?:the|it|they|its|their|there|you|your|that|everything|nothing|we|i|this|these|a|an|as)\\b)",
    "(?:in\\s+order\\s+|just\\s+|only\\s+)?to\\s+(?:keep|stop|prevent|avoid|help|cover(?=\\s+(?:up\\s+)?the\\s+(?:thread|wraps|turns|butts|ends)\\b)|hold|protect|secure|lock|bind(?=\\s+(?:down\\s+)?the\\s+hackle)|let|allow|hide|strengthen|reinforce|save|ensure|imitate|suggest|stay|toughen|anchor|lift|support|prop|balance|ride|sink|float|cock|flare|spread|separate|splay|divide|kick)(?=\\s)",
    "(?:just\\s+|barely\\s+|only\\s+)?enough\\s+(?:(?:so\\s+)?that|to|for)(?=\\s)",
    "(?:we|you|i|they)(?:'ll|\\s+will)?\\s+(?=[^,.;:]{2,60}\\b(?:in\\s+a\\s+(?:minute|moment|bit|second)|later(?:\\s+on)?|shortly|afterwards)\\s*(?:[,.;:]|$))",
    "because(?=\\s)|(?:since|as|although|though)\\s+(?:it|this|they|these|that|the\\s+\\w+|you|i|we|\\w+)\\s+(?:will|would|is|are|can|tends?|may|might|has|have|gets?|does|do|likes?|needs?|want|never|always|slips?|rolls?|breaks?|rots?)",
    "(?:which|this|that|it)\\s+(?:will|helps?|gives?|stops?|prevents?|lets?|adds?|protects?|allows?|looks?|represents?|imitates?|suggests?|keeps|makes(?=\\s+(?:it|them|the\\s+\\w+)\\s))",
    "(?:and\\s+)?(?:mak(?:e|ing)\\s+sure|be(?:ing)?\\s+(?:careful|sure)|careful|tak(?:e|ing)\\s+(?:good\\s+)?care|watch(?:ing)?|mind(?:ing)?|try(?:ing)?\\s+(?:not\\s+)?to|remember(?:ing)?)(?=\\s)",
    "(?:and\\s+|then\\s+)*check(?:ing)?(?=\\s+(?:that|it|they|the|them|for|on|if|whether)\\b|\\s*$)",
    "(?!(?:don't|do\\s+not)\\s+(?:cut|trim|clip|snip)\\s+(?:off\\s+)?the\\s+(?:rest|remainder|butts?)\\b)(?:don't|do\\s+not|never|avoid(?:ing)?|no\\s+need\\s+to|there\\s+is\\s+no\\s+need\\s+to|it\\s+does\\s+not\\s+matter|resist)(?=\\s)",
    "(?:otherwise|or\\s+else|or\\s+(?:it|they|the\\s+\\w+)\\s+will|unless|just\\s+in\\s+case)(?=\\s)",
    "(?:and\\s+)?keep(?:ing)?\\s+(?:it|them|everything|the\\s+\\w+)\\s+as\\s+\\w+\\s+as",
    "as\\s+you\\s+(?:go|come|wind|work|wrap|do)",
    "before\\s+(?:the\\s+|you\\s+|it\\s+|they\\s+)(?:[a-z]+\\s+){0,3}?(?:is|are|goes?|comes?|gets?|pull|fold|tie|wind)(?=\\s)",
    "before\\s+(?:folding|pulling|winding|wrapping|tying)(?:\\s+(?:it|them))?(?:\\s+(?:over|in|down|off|forwards?|back))?(?=\\s*(?:[.,;]|$))",
    "(?:you|one)\\s+(?:should|must|can|want\\s+to|ought\\s+to|need\\s+to)(?:\\s+(?:still|just|barely|always|only))*\\s+(?:be\\s+able\\s+to\\s+)?(?:see|feel|make\\s+out)(?=\\s)",
    "(?:if|as|when|where)\\s+(?:needed|necessary|required|possible|wanted|desired|you\\s+(?:like|wish|want|prefer|can))",
    "(?:until|till)\\s+(?:it|they|the\\s+\\w+)\\s+(?:breaks?|snaps?|comes?\\s+(?:off|away)|parts?|gives?|lets?\\s+go|looks?|feels?|stops?|holds?|sits?|stands?|lies?)",
    "(?:as\\s+)?(?:best|well|\\w+)\\s+as\\s+(?:you\\s+can|possible|it\\s+will\\s+go|you\\s+dare)",
    "if\\s+(?:there(?:'s|\\s+is|\\s+are)|you\\s+have)\\s+(?:one|any|some)(?=\\s*(?:[,.;]|$))",
    "for\\s+(?:luck|durability|strength|security|good\\s+measure|extra\\s+\\w+|insurance|protection)",
  ].join("|"),
);

/** Words by which a stretch says how much, how far or how often after all: that is no mere reason. */
const measures = new RegExp(
  `\\d|\\b(?:${NUMBER_WORD}|half|halfway|twice|double|thirds?|quarters?|turns?|wraps?|coats?|layers?|drops?|reach(?:es|ing)?|longer|shorter|lengths?|as\\s+(?:long|wide|thick)\\s+as|level\\s+with|even\\s+with|equal|past|beyond|as\\s+far\\s+as|mm|cm|inch(?:es)?|wide|thick(?:er)?|thinner|fuller|barely|just)\\b`,
  "u",
);
/** “So that the tips touch the tail”, “so they come to the point”: how long it is, told as an aim. */
const reachesTo =
  /\b(?:touch|meet|come|stick|extend|project|protrude|poke|end|stop|finish|hang|show|stand)(?:s|es)?\b[^,.;]*\b(?:shank|gape|gap|hook|tail|wing|bend|barb|point|eye|bead|thorax|abdomen|hackle)\b/;
/** “So the fibres slope back over the body”: how they lie. */
const liesOver =
  /^\s*(?:(?:the\s+)?(?:fib(?:re|er)s|tips)|they|it)\s+(?:slope|sweep|lie|slant|lean)s?\b[^,.;]*\bover\s+the\s+(?:body|back|abdomen)\b/;
const isBecause = /^because/;
const isBefore = /^before/;
const wordAhead = /(?<!\b(?:to|is|are|being|gets?|or|the|an?|you|it|they))\s+(?=\p{L})/gu;
/** Where the first verb of a stretch stands that is none of its own. */
function verbWithin(
  text: string,
  from: number,
  to: number,
  stopsAt: (text: string, at: number) => boolean,
): number | undefined {
  for (const m of text.slice(from, to).matchAll(wordAhead)) {
    const at = from + m.index + m[0].length;
    if (m.index > 0 && stopsAt(text, at)) return at;
  }
  return undefined;
}
const ends = /[,;:.()!?](?=\s|$)|\s-\s/g;

/**
 * A reason, an aim or a care that begins here, up to where its clause ends: “so the wire can't slip back”, “to keep the
 * hackle from slipping”. It is kept as it was said; one that measures something is none.
 *
 * @param stopsAt whether something else is told from here on
 */
export function reasonAt(
  text: string,
  at: number,
  to: number,
  stopsAt: (text: string, at: number) => boolean,
): number | undefined {
  const opened = opens(text, at);
  if (!opened) return undefined;
  ends.lastIndex = opened.end;
  const end = Math.min(to, ends.exec(text)?.index ?? to);
  const joins = /\s(?:and|then|before|but)\s+/g;
  joins.lastIndex = opened.end;
  let stop = end;
  for (let m = joins.exec(text); m && m.index < end; m = joins.exec(text))
    if (stopsAt(text, m.index + m[0].length)) {
      stop = m.index;
      break;
    }
  // “Before you wind the body tie in a rib”: what is told behind it is done, and not only when.
  const told = isBefore.test(text.slice(at, opened.end)) ? verbWithin(text, opened.end, stop, stopsAt) : undefined;
  if (told !== undefined) stop = told;
  // Whatever stands behind “because” is why, also where it counts.
  if (isBecause.test(text.slice(at, opened.end))) return stop;
  const stretch = text.slice(opened.end, stop).replace(/\d+\s*(?:degrees|°)/g, "");
  return measures.test(stretch) || reachesTo.test(stretch) || liesOver.test(stretch) ? undefined : stop;
}
