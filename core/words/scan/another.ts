import { type Step, isBegun, type Here, hasContent, isPast } from "./here";
import type { Next, Told, ScanContext } from "../told";
import { isAtClause } from "./bounds";
import { verbAt } from "../verbs";
import { count as countRead } from "../text/count";
import { overItAt } from "./heads";
import { saysOnceMore } from "./howItIs";
import { actionAt } from "./lead";
import { words, oneOf, seq, skipBlanks as skip, match } from "../parse";
import { A_COUNT } from "../text/number";
import { impliedBy, isHackleRole } from "../named";
import { isReferenceToo } from "./references";
import { descriptionAt, formSaid } from "../description";
import { sameDescription } from "../counted";

export const coatOfAnother: Step = ({ told, text, at }) =>
  told.kind !== "glue" && isBegun(told) && coatsAhead(text, at) ? "verb" : undefined;

/** A knot, and “counter-wrap the wire”, are told by themselves. */
export function finishAhead({ told, text, at }: Here): Next | undefined {
  const verb = isBegun(told) && isAtClause(text, at) ? verbAt(text, at)?.id : undefined;
  if (verb === "whip" || verb === "no finish") return "verb";
  return verb === "wind" && /^(?:counter|reverse)-?\s?(?:wind|wrap|rib|palmer)/.test(text.slice(at))
    ? "verb"
    : undefined;
}

/** Whether another thing is told from here on. */
export function anotherBegins({ told, text, at, context }: Here): Next | undefined {
  if (countsAnother(told, text, at, context) || isAfterDone(told, text, at, context)) return "another";
  // “a bunch of red the same thickness, then six strands of herl”: the second is another thing.
  if (told.said.thickLike !== undefined && thenMore.test(text.slice(0, at)) && countRead(text, at)) return "another";
  if (hasContent(told) && overItAt(text, at)) return "verb";
  if (isReferenceToo(told, text, at)) return "another";
  // “30 fibres on top, the same again below”: as much once more.
  const isCounted = told.kind === "lay" && told.description !== undefined && told.said.amount !== undefined;
  if (isCounted && isAtClause(text, at) && saysOnceMore(text.slice(at))) return "another";
  // “12 turns of lead, with a second layer of six turns over it”
  if (told.said.rule?.turns !== undefined && secondLayer(text, at)) return "another";
  // “Tie in one strand of herl, three turns”: herl is wound; turns of all else may be those that hold it.
  const isWound = told.verb === "tie in" && told.kind === "lay" && formSaid(told.description) === "herl";
  if (isWound && told.said.shown === undefined && isAtClause(text, at) && turnsOnly(text, at)) return "another";
  // “Tease the fur out, and cut them level with the point”: two things are done to it.
  if (
    told.kind === "act" &&
    told.verb === "act" &&
    isAtClause(text, at) &&
    actOnIt.test(text.slice(at)) &&
    isBegun(told)
  )
    return "verb";
  // “Quill, varnished, five turns”: the turns are not the varnish's.
  return told.kind === "glue" && isAtClause(text, at) && turnsOnly(text, at) ? "another" : undefined;
}

export function actionBehind({ told, text, at }: Here): Next | undefined {
  // “Two doll eyes glued on”: the glue is told by itself.
  if (told.kind === "seat" && told.description && /^(?:super-?\s?)?glued\s+(?:on|down|in)\b/.test(text.slice(at)))
    return "verb";
  const verb = told.understood.length + told.rest.length + told.kept.length > 0 ? actionAt(text, at) : undefined;
  if (!verb || !isAtClause(text, at)) return undefined;
  return verb.id === "act" && isPast.test(text.slice(at, verb.end)) ? undefined : "verb";
}

const actOnIt = /^(?:cut|trim|clip|brush|comb|pick|tease|stroke)\s+(?:it|them)\b/;
const thenMore = /[,;]\s*(?:and\s+)?then\s+$/;

const secondLayer = words(
  `(?:with\\s+|then\\s+|and\\s+)?(?:an?(?:other)?\\s*(?:second\\s+)?|second\\s+)layer\\s+of(?=\\s+(?:\\w+\\s+)?(?:turns?|wraps?|on\\s+top|over\\s+(?:it|them|that|these|those|the\\s+first)))|(?:then|and)(?:\\s+another)?(?=\\s+${A_COUNT}\\s+(?:more\\s+)?(?:(?:turns|wraps)\\s+)?(?:on\\s+top|over\\s+(?:it|them|that|these|those|the\\s+first))\\b)`,
);

const turnsOnly = oneOf<unknown>(
  seq(countRead, words("(?:\\w+\\s+)?turns?(?=\\s*(?:[,.;]|$))")),
  words("(?:in\\s+)?(?:touching|close|tight|even|open)\\s+turns"),
);

const someOf = seq(
  countRead,
  words(
    "(?:single\\s+)?(?:(?:strands?|lengths?|pieces?|fibres?|fibers?|herls?|slips?)\\s+)?(?:of|from)(?:\\s+(?:the|an?))?",
  ),
);

/** “marabou, with two strands of red flash”: the strands are the flash's. */
function countsAnother(told: Told, text: string, at: number, context: ScanContext): boolean {
  // “20 strands pearl and 10 of silver”: nobody knows yet what the first are of, but they are counted.
  const isTold = told.description !== undefined || (told.said.amount !== undefined && told.rest.length > 0);
  if (!isTold && told.said.rule?.turns !== undefined && told.rest.length > 0) return turnsOfAnother(text, at, context);
  // “three turns of brown, then three of grizzly”
  const isWound = told.kind === "wind" && told.said.rule?.turns !== undefined && isHackleRole(told.role);
  if (isTold && isWound) return turnsOfAnother(text, at, context, told.role);
  if (!isTold || told.kind !== "lay") return false;
  const counted = someOf(text, at);
  const implied = told.role && impliedBy[told.role];
  const found = counted && descriptionAt(text, skip(text, counted.end), context.index, false, implied);
  return found !== undefined && !(told.description && sameDescription(told.description, found));
}

const turnsOfGauge = seq(countRead, words("(?:turns?|wraps?)(?:\\s+of)?"), match("0?\\.\\d{2,3}"));

/** “Turn over, 6 peacock herls …”, “a 3 mm bead, 6 turns .015 behind it”: of what was done it is no part. */
function isAfterDone(told: Told, text: string, at: number, { index }: ScanContext): boolean {
  if (!/,\s*(?:and\s+|then\s+)*$/.test(text.slice(0, at))) return false;
  if (told.kind === "seat") return told.description !== undefined && turnsOfGauge(text, at) !== undefined;
  const counted = told.kind === "act" && told.verb === "act" && !told.description ? countRead(text, at) : undefined;
  return counted !== undefined && descriptionAt(text, skip(text, counted.end), index) !== undefined;
}

const turnsOf = seq(countRead, words("(?:turns?\\s+|wraps?\\s+)?of(?:\\s+(?:the|an?))?"));

/** “longish ginger, 3 turns, then 2 of guinea fowl”: the turns before are not the guinea fowl's. */
function turnsOfAnother(text: string, at: number, { index }: ScanContext, role?: Told["role"]): boolean {
  const counted = turnsOf(text, at);
  const implied = role && impliedBy[role];
  return counted !== undefined && descriptionAt(text, skip(text, counted.end), index, false, implied) !== undefined;
}

/** Coats and drops are another thing than what they go on. */
export const coatsAhead = words(
  "(?:with\\s+|in\\s+)?(?:(?:\\d|an?|one|two|three|four|single)\\s+)?(?:(?:thin|good|small|tiny|light|heavy|clear|little|single|final|wet)\\s+)*(?:films?(?=\\s+of\\s+(?:[\\w-]+\\s+)?(?:cement|varnish|lacquer|glue|super-?\\s?glue|resin|epoxy))|needle(?:ful)?(?=\\s+of\\s)|touch(?:es)?(?=\\s+of\\s+(?:\\w+\\s+)?(?:cement|varnish|lacquer|glue|resin))|(?:(?:uv\\s+)?(?:resin|varnish|lacquer|epoxy|cement)\\s+)?coats?|cts?|drops?|dabs?)(?:\\s+(?:of|clear|varnish|lacquer|resin|cement|glue|epoxy|uv|head)\\b|(?=\\s*(?:[,.;]|$)|\\s+(?:on|over|to|under|at|behind|each)\\b))",
);
