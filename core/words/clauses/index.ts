import type { MaterialForm } from "../../materials";
import type { Role } from "../../recipe";
import { byFirst } from "../parse";
import type { Clause, Kind } from "../said";
import { NUMBER_WORD } from "../text/number";
import { fromArea } from "./common";
import { dressClauses } from "./dress";
import { boundInClauses as laidIn, layClauses } from "./lay";
import { onHooks } from "./sized";
import { actClauses, glueClauses, seatClauses, threadClauses, whipClauses } from "./small";
import { barbClauses, byEnd, windClauses } from "./wind";

/** What can be said of each kind of step, in the order in which it is tried. */
export const clausesOf: Record<Kind, readonly Clause[]> = {
  seat: [onHooks, ...seatClauses],
  wind: [fromArea, onHooks, ...windClauses],
  lay: [fromArea, onHooks, ...layClauses],
  dress: [fromArea, ...dressClauses],
  thread: [onHooks, ...threadClauses],
  glue: glueClauses,
  act: actClauses,
  whip: whipClauses,
};
/** What a hackle that is tied in says already of how it will be wound. */
export const hackleClauses: readonly Clause[] = [...barbClauses, ...byEnd];
export { byEnd } from "./wind";
/** Of what is tied in to be wound later. */
export const boundInClauses: readonly Clause[] = [fromArea, ...hackleClauses, ...laidIn];

const byBeginning = new WeakMap<readonly Clause[], ReturnType<typeof byFirst<Clause>>>();
/** The clauses that can begin at a place: few of them can. */
export function beginningAt(clauses: readonly Clause[], text: string, at: number): readonly Clause[] {
  const those = byBeginning.get(clauses) ?? byFirst(clauses);
  byBeginning.set(clauses, those);
  return those(text, at);
}

/** Parts that stand off the shank are laid unless something is said that only a winding has. */
const woundRoles = new Set<Role>(["body", "thorax", "rib", "tag", "butt", "weight", "thread", "head"]);
const laidRoles = new Set<Role>([
  "tail",
  "wing",
  "underwing",
  "throat",
  "legs",
  "topping",
  "cheeks",
  "flash",
  "wing case",
  "eyes",
]);
const layWords =
  /\b(?:(?:a|each|per|either)\s+side|fib(?:re|er)s?|strands?|plumes?|tips?\b(?<!the\s+tip)|flanks?|clump|slips?|patch|pairs?|pieces?(?!\s+of)|feathers?(?!\s+at)|bound\s+in|counted\s+when\s+wound|mm\s+of\s+(?:fibres?|stem))\b/i;
const windWords =
  /\b(?:turns?|side\s+by\s+side|touching|overlap\w*|layers?|rope|there\s+and\s+back|apart|every|whole\s+feather|pitch|wound|wind|wrapped|palmer\w*)\b/i;

/** What is laid is a whole feather too: that alone winds nothing. */
const wholeFeather = /\bwhole\s+feathers?\b/gi;

/** “Tied in at the bend by six turns”: those of the thread that hold it. */
const heldByTurns =
  /\b(?:by|with|using|under)\s+(?:\d+|[a-z]+)\s+(?:(?:tight|firm|good|hard|more|thread|x|cross(?:ed)?)\s+)*(?:turns?|wraps?)\b(?!\s+of\s+(?!the\s+thread|thread|silk))/gi;

const WRAPS = `(?:\\d[\\d.½]*|${NUMBER_WORD})\\s+(?:wraps?|turns?)`;
const wrapsLast = new RegExp(`,\\s*(?:about\\s+|just\\s+)?${WRAPS}\\s*(?:[.;]|$)`, "i");
const wrapsAhead = new RegExp(
  `^\\W*(?:(?:about|just|only)\\s+)?${WRAPS}\\s+(?:of\\s+)?(?!(?:the\\s+)?(?:thread|silk)\\b)`,
  "i",
);

/** “One and a half turns, no more”: of what waits there. */
const bareTurns =
  /^\W*(?:figures?[- ]of[- ]eights?[^,;.]*,\s*)?(?:(?:just|only|about|take|make|give|then|and)\s+)*(?:\d[\d.½¼¾]*|an?|one|two|three|four|five|six|seven|eight|half)(?:\s+(?:and\s+a\s+half|or\s+\w+|to\s+\w+))?\s+(?:\w+\s+)?turns?\b/i;

/** “Then another 8 over them”: a second layer of what was wound. */
const onTop = /^\W*(?:(?:then|and|another)\s+)+(?:\d+|[a-z]+)\s+(?:more\s+)?(?:on\s+top|over\s+(?:it|them|that))\b/i;

/** What is bound down along the hook and not wound. */
export const boundAlong = /\b(?:bound|tied|lashed|laid)\s+(?:down\s+)?(?:flat\s+)?along\b(?!.*\b(?:wound|wrapped)\b)/i;
/** “Body: foam strip, tied down in four segments”: it lies along the shank, and is not wound. */
export const isSegmented =
  /^(?!.*\b(?:wound|wrapped|(?:fold|pull|bring)(?:s|ing)?\s+(?:it\s+|the\s+\w+\s+)?(?:forwards?|over|back))\b).*(?:\b(?:in|into|with|by)\s+(?:\d+|[a-z]+)\s+(?:thread\s+)?(?:segments|sections|humps|places|bands)\b|\bin(?:to)?\s+segments\b|\bsegmented\b)/i;
const bands = new Set<MaterialForm>(["stretch body", "tinsel", "floss", "feather fibre", "herl"]);
const leftHanging = /\b(?:left|let|leave|leaving)\s+(?:it\s+|them\s+|the\s+\w+\s+)?hang(?:ing)?\b(?!.*\bturns?\b)/i;

const slidOver =
  /\b(?:tub(?:e|ing)|piping)\b[^.;]*\b(?:over\s+the\s+(?:whole\s+)?(?:hook\s+)?(?:shank|hook|lead|weight|underbody)|(?:tied|bound)\s+down\s+(?:at\s+)?both\s+ends)\b/;

/** “At the back a tuft of white marabou”: so much of it in one is laid. */
const aTuft =
  /^[^;.]*?(?:^|[,:\s])(?:an?|one)\s+(?:(?:small|short|little|sparse|good|tiny|fluffy)\s+)*(?:tuft|bunch|bundle|wisp)\s+of\b/i;

/** Pieces that lie across the shank, one beside the other. */
export const tiedAcross = /\b(?:tied|knotted|lashed|laid)\s+(?:on\s+|down\s+)?(?:cross-?\s?wise|crossways|across)\b/i;
/** Lead that is lashed down in pieces, and not wound. */
const liesAlong =
  /\balong\s+(?:each|both|the|either)\s+sides?\b|\b(?:along|on|onto|to)\s+the\s+(?:top|underside|bottom)\b|\b(?:lashed|tied|bound)\s+(?:down\s+)?on\s+top\b|\bon\s+top\s+of\s+the\s+(?:shank|hook)\b/i;

/** What is done, from the material and the words. */
export function kindOf(text: string, role: Role | undefined, form: MaterialForm | undefined): Kind {
  if (/^\W*(?:final\s+)?(?:whip|knot)\b/i.test(text) && (role === undefined || role === "thread" || role === "head"))
    return "whip";
  if (role === "finish" && form === undefined) return "glue";
  if (form === undefined && role === undefined) return bareTurns.test(text) || onTop.test(text) ? "wind" : "act";
  if (form === "thread") return /\bchange\b/i.test(text) ? "thread" : "wind";
  if (form === "bead" || form === "eyes") return "seat";
  if (form === "dubbing" || form === "blend") return "dress";
  if (form === "liquid") return "glue";
  if (form === "hair" || form === "quill" || form === "extended body" || form === "made part")
    return form === "quill" && /\b(?:wound|turns?|touching|wrapped)\b/i.test(text) ? "wind" : "lay";
  // “8 strands of flash, spread all around” stand off the shank, also in a line about the body.
  if (form === "flash" && /\bstrands?\b/i.test(text) && !windWords.test(text)) return "lay";
  // “Body: tan foam, bound along the top in four segments”: what is bound down along the hook is not wound.
  if (role === "body" && form === "stretch body" && (boundAlong.test(text) || isSegmented.test(text))) return "lay";
  // “8 strands of yarn, each 3 cm, tied crosswise along the shank”: a piece beside the other, and none goes round.
  if (role === "body" && form === "yarn" && tiedAcross.test(text)) return "lay";
  // “Pearl mesh tubing over the shank, tied down at both ends”: it is slid on.
  if (form === "tinsel" && slidOver.test(text)) return "lay";
  // What is wound is only laid where it waits to be.
  if ((role === "weight" || form === "weight wire") && liesAlong.test(text) && !/\b(?:turns?|wraps?)\b/i.test(text))
    return "lay";
  // “Rib: one fibre of pheasant tail, 4 turns”
  const isWoundFibre = role === "body" || role === "thorax" || (role === "rib" && windWords.test(text));
  if (role !== undefined && woundRoles.has(role) && (form !== "feather fibre" || isWoundFibre))
    return /counted\s+when\s+wound|\bbound\s+in\b(?!.*\bturns?\b)(?!.*\btouching\b)|left\s+hanging/i.test(text) &&
      !/\bturns?\b|(?<!when\s)\bwound\b/i.test(text)
      ? "lay"
      : "wind";
  if (
    (role === undefined || role === "hackle" || role === "collar" || role === "throat") &&
    (form === "hackle" ||
      (form === "feather fibre" && role === "collar") ||
      (form === undefined && (role === "hackle" || role === "collar"))) &&
    windWords.test(text)
  )
    return "wind";
  // “2 white saddles flared outward, 5 cm”: what stands off is not wound.
  if (
    role === undefined &&
    form === "hackle" &&
    /\b(?:flared|splayed|flaring)\b/i.test(text) &&
    !/\bturns?\b/i.test(text)
  )
    return "lay";
  // A cover lies over what it covers, whatever else its line winds.
  if (role === "wing case" && !/\b(?:wound|wrapped|palmer\w*)\b/i.test(text)) return "lay";
  // “One partridge feather, tied in by the tip, 2 wraps”: what is wound has turns.
  if (form === "hackle" && (role === undefined || role === "hackle" || role === "collar") && wrapsLast.test(text))
    return "wind";
  // “Legs: 3 wraps of partridge”: so many of a feather are its turns.
  if (form === "hackle" && (role === "legs" || role === "throat") && (wrapsAhead.test(text) || wrapsLast.test(text)))
    return "wind";
  if (
    role !== undefined &&
    laidRoles.has(role) &&
    !windWords.test(text.replace(wholeFeather, "").replace(heldByTurns, ""))
  )
    return "lay";
  // “6 fibres, wound to the thorax”: their count is that of a bundle that is wound.
  if (role === undefined && form === "feather fibre" && /\b(?:wound|wind|wrap|wrapped)\b/i.test(text)) return "wind";
  if (
    form === "herl" &&
    role === undefined &&
    /\bon\s+top\b|\bover(?:\s+(?:the\s+wing|that|it\s+all|all)\b|\s*(?:[,.;]|$))/i.test(text)
  )
    return "lay";
  const canBeWound = role === undefined || role === "body" || role === "collar" || role === "hackle";
  if (form === "herl" && canBeWound && /\bturns?\b|\brope\b/i.test(text)) return "wind";
  if (role === undefined && (form === "rubber" || form === "flash") && !windWords.test(text)) return "lay";
  // “One strand of fine gold wire, 5 open turns”
  if (role === undefined && (form === "wire" || form === "tinsel") && /\bturns\b/i.test(text)) return "wind";
  // “Black foam, tied in at the bend and left hanging out the back”: it waits to be pulled over.
  if (role === undefined && form !== undefined && bands.has(form) && leftHanging.test(text)) return "lay";
  if (aTuft.test(text)) return "lay";
  return layWords.test(text) && !/\bwhole\s+feather\b/i.test(text) ? "lay" : "wind";
}

const ofEveryKind = new Set([
  "from mid-shank to the bend",
  "tied in at the bend with 5 wraps",
  "5 wraps",
  "4 on 14s and smaller",
  "2.5 mm on 16s, 3 mm on 12s and 14s",
  "may be left out",
  "from the edge of the skin",
  "as a loose hold",
  "before or after the collar",
  "from the eye",
  "up to the bead",
  "at the bend",
]);
/** Some of what can be said of a kind of step alone, for the question when nothing was understood. */
export const examplesOf = (kind: Kind, most: number): string[] =>
  [...new Set(clausesOf[kind].map((c) => c.example))].filter((e) => !ofEveryKind.has(e)).slice(0, most);
