import type { VerbId } from "../verbs";
import type { Kind } from "../said";
import type { Role } from "../../recipe";
import type { MaterialForm } from "../../materials";
import { kindOf } from "../clauses";
import type { Told, ScanContext } from "../told";
import { colourAndNumber, impliedBy, asHair } from "../named";
import { skipBlanks as skip, words } from "../parse";
import { endOfPart } from "./heads";
import { endOfSentence, endOfClause } from "./bounds";
import { roleOfWord, PARTS_WITHIN as PARTS } from "../lexicon/parts";
import { eyeSize } from "../bareFigures";
import { CabinetIndex } from "../cabinet";
import { formSaid, type Description, descriptionAt } from "../description";

const kindOfVerb: Partial<Record<VerbId, Kind>> = {
  seat: "seat",
  start: "wind",
  move: "wind",
  change: "thread",
  wind: "wind",
  dub: "dress",
  "take over": "lay",
  carry: "wind",
  hold: "lay",
  prepare: "act",
  leave: "wind",
  stand: "lay",
  repeat: "lay",
  whip: "whip",
  finish: "glue",
  glue: "glue",
  act: "act",
  "no finish": "act",
  excess: "act",
};

const slidOn = /\b(?:tubing|piping)\b.*\b(?:slid|slipped|pulled|threaded|pushed)\s+(?:on\b|over\b|onto\b)/;

/** “Tie off the wire with three turns and break it”: the turns are the thread’s. */
const tiesOff = /^\W*(?:(?:and|then|now|next|finally)\s+)*ti(?:e|ed|ing)\s+(?:(?:it|the\s+\w+)\s+)?off\b/;

/** Which clauses belong to what is told; the form is that of its material, where one is named. */
export function kindOfTold(
  verb: VerbId | undefined,
  role: Role | undefined,
  form: MaterialForm | undefined,
  text: string,
): Kind {
  // “Pearl tubing, slid over the shank”: it is bound at its ends, and not wound.
  if (form === "tinsel" && slidOn.test(text) && verb !== "wind") return "lay";
  if (verb === "hold" && (form === "wire" || form === "tinsel")) return "wind";
  // “Rib with 5 turns, against the dubbing”: no rib is dubbed.
  if (verb === "wind" && role !== "rib" && (form === "dubbing" || form === "blend")) return "dress";
  if (verb === "tie in") return form === "bead" || form === "eyes" ? "seat" : form === "liquid" ? "glue" : "lay";
  if (verb !== undefined && verb in kindOfVerb) return kindOfVerb[verb] as Kind;
  return kindOf(text, role, form);
}

const beneath = /^(?!.*\b(?:turns?|wraps?|wound|wind)\b).*\b(?:at|as|for)\s+(?:the|a)\s+(?:throat|beard)\b/;

const fibresASide =
  /^(?!.*\b(?:turns?|wraps?|wound|wind)\b).*\b(?:fib(?:re|er)s|barbs)\s+(?:(?:on|at|to)\s+)?(?:a|each|per|either|both)\s+sides?\b/;

const spunHair =
  /^\W*(?:(?:and|then|now|next)\s+)*(?:(?:stack\s+and\s+)?spin|flare)\s+(?:(?:on|in|up)\s+)?\b(?!.*\b(?:loop|dubbing|thread|silk)\b).*\b(?:deer|elk|caribou|antelope|roe|hair)\b/u;

const isCovering = (told: Told, text: string): boolean =>
  told.verb === "wind" && text.startsWith("cover", told.understood[0]?.at);

export function settleKind(told: Told, text: string, at: number, to: number, context: ScanContext): void {
  const clause = text.slice(at, endOfSentence(text, at, to));
  // “olive craft fur on top, the same length”: long fur that lies on the hook is a wing, and is not dubbed.
  if (told.role === undefined && (told.verb === undefined || told.verb === "tie in") && furAsHair.test(clause))
    Object.assign(told, { role: "wing", part: "wing" });
  // “20 strands of white craft fur, twice the shank”
  const behindVerb = clause.slice(Math.max(0, (told.understood[0]?.end ?? at) - at));
  if (told.role === undefined && told.verb !== "dub" && countedFur.test(behindVerb)) {
    const role = text.slice(0, endOfSentence(text, at, to)).search(atTheRear) < 0 ? "wing" : "tail";
    Object.assign(told, { role, part: role });
  }
  // “Spin a clump of deer hair behind the eye”: it flares all round, and is no wing.
  if (told.role === undefined && told.verb !== "dub" && spunHair.test(clause)) {
    Object.assign(told, { role: "head", part: "head" });
    told.said.stance ??= "full round";
  }
  if (told.role === undefined && told.verb === undefined && stripOver.test(clause))
    Object.assign(told, { role: "wing case", part: "back" });
  // “Hackle: jay, blue, at the throat, 6 fibres”: what hangs there is not wound.
  if (told.role === "hackle" && beneath.test(clause)) Object.assign(told, { role: "throat", part: "throat" });
  // “Hackle: partridge, half a dozen fibres each side”: what stands on either side is not wound.
  if ((told.role === "hackle" || told.role === "collar") && fibresASide.test(clause))
    Object.assign(told, { role: "legs", part: "legs" });
  // “Body: black foam, tied in at the bend and folded forward”: what is folded over is not wound.
  if (told.role === "body" && foldedBand.test(clause.split(/\b(?:ribbed|covered)\b/)[0] ?? ""))
    Object.assign(told, { role: "wing case", part: "back" });
  const isPlain = told.role === undefined && told.verb === undefined;
  const found =
    (isPlain ? colourAndNumber(text, skip(text, at)) : undefined) ?? lookAhead(text, at, to, context.index, told.role);
  const form0 = formSaid(found);
  // “Head: 8 turns, one coat of lacquer”: the coat is another thing than the head.
  const ahead =
    form0 === "liquid" &&
    told.verb === undefined &&
    told.role !== "finish" &&
    /\d|\b(?:turns?|wraps?|thread|silk|whip)\b/.test(text.slice(at, found?.at ?? at))
      ? undefined
      : found;
  const sentence = text.slice(at, endOfPart(text, at, endOfSentence(text, at, to)));
  // “black marabou tail as long as the shank”: the part stands behind what it is of.
  const named = isPlain ? partLast.exec(sentence)?.[1] : undefined;
  if (named !== undefined) Object.assign(told, { role: roleOfWord(named), part: named });
  standsOff(told, sentence, formSaid(found));
  // “Collar: two fibres each side as feelers, and a turn of partridge”: the first is another part than the line.
  const other = told.role && forRole.exec(sentence.split(/[,;]/)[0] ?? "")?.[1];
  const role =
    (other === undefined ? undefined : roleOfWord(other)) ?? told.role ?? roleAhead(sentence) ?? ahead?.means?.role;
  // “Eyes: 4 mm, stuck on behind the eye of the hook”
  const isBareEyes = role === "eyes" && (eyeSize(text, skip(text, at)) !== undefined || isStuffOfEyes(told, ahead));
  const form = isBareEyes ? "eyes" : formAhead(ahead, role, told.part, context);
  // “Tail: breast feather, wound as a hackle, 3 turns”
  const isWound = (role === "tail" || role === "hackle" || role === "collar") && asHackle.test(sentence);
  const isTiedOff = told.verb === "hold" && tiesOff.test(text.slice(told.at));
  // “Eyes: a foam cylinder, lashed across with figure-of-eight turns”: the turns are those of the thread.
  const isLashed = role === "eyes" && form === "stretch body" && lashedAcross.test(sentence);
  told.kind = isWound ? "wind" : isTiedOff || isLashed ? "lay" : kindOfTold(told.verb, role, form, sentence);
  // “Cover the head with resin”: what is liquid is not wound.
  if (form === "liquid" && isCovering(told, text)) Object.assign(told, { kind: "glue", verb: "finish" });
}

const lashedAcross = /\bfigures?[-\s]?(?:of[-\s])?(?:eight|8)|\bacross\b/;
const wound = new Set<MaterialForm | undefined>(["herl", "yarn", "floss", "tinsel"]);
const behindBend =
  /\b(?:extend|reach|stick|hang|trail|project|left|leav)\w*\b[^.;]*\b(?:past|beyond|behind|over|off)\s+the\s+(?:hook\s+)?(?:bend|back)\b/;
const lengthBehindBend =
  /\d\s*(?:mm|cm|in|inch(?:es)?)\s+(?:(?:is|are)\s+)?(?:left\s+)?(?:past|beyond|behind)\s+the\s+(?:hook\s+)?bend\b/;
const overWing = /^\W*(?:finish|cap|crown|top)\b[^.;]*\bwing\b/;
const alongSides = /\b(?:on|along|down)\s+(?:each|either|both)\s+sides?\b/;
const isWoundSoon = /\b(?:turns?|wraps?|wind|wrap|wound|rib|hang(?:ing)?)\b/;
/** “Six herls that extend past the bend”, “two strands of tinsel on each side”: usually wound, here not. */
function standsOff(told: Told, sentence: string, form: MaterialForm | undefined): void {
  // “Thorax: chenille, …, legs of white rubber, one each side”: no thorax is wound of them.
  if (told.isInherited && form === "rubber" && /\brubber\b.*\blegs?\b|\blegs?\b.*\brubber\b/.test(sentence))
    Object.assign(told, { role: "legs", part: "legs" });
  const isStrip = form === "yarn" && /\b(?:strip|zonker)\b/.test(sentence);
  const liesAtSides = form === "tinsel" && alongSides.test(sentence);
  const isTied = told.verb === "tie in" || (told.verb === undefined && (isStrip || liesAtSides));
  if (told.role !== undefined || !isTied || !wound.has(form) || isWoundSoon.test(sentence)) return;
  if (form === "herl" && overWing.test(sentence)) Object.assign(told, { role: "topping", part: "topping" });
  else if (behindBend.test(sentence) || lengthBehindBend.test(sentence))
    Object.assign(told, { role: "tail", part: "tail" });
  else if (liesAtSides) Object.assign(told, { role: "flash", part: "flash" });
}

/** The form of what is described ahead; where nothing is, that which the part is made of. */
function formAhead(
  ahead: Description | undefined,
  role: Role | undefined,
  part: string | undefined,
  context: ScanContext,
): MaterialForm | undefined {
  if (ahead) return ahead.exact?.form ?? context.formOf(undefined, ahead) ?? ahead.means?.form;
  if (role === "eyes" && /^(?:bead|chain|dumb|bar-?bell)/.test(part ?? "")) return "eyes";
  return context.formOf(role, undefined);
}

const asHackle = /\bwound\s+(?:\w+\s+turns?\s+)?(?:as|like)\s+(?:an?\s+)?(?:hackle|collar)\b/;

const forRole = new RegExp(
  `(?<!\\bsame\\s+(?:[\\p{L}-]+\\s+){1,3}(?=as\\s+the\\s))(?<!\\bbutts\\b[^,;]*)\\b(?:for|(?<!(?:direction|way|colour|color|place|length|long|wide|thick|same|tall|high|much|far)\\s)as|to\\s+(?:form|make|represent))\\s+(?:a|an|the)?\\s*(${PARTS})(?![\\p{L}])`,
  "u",
);

/** “Eyes: black plastic, small”: eyes that are of it, and no strip. */
export const isStuffOfEyes = ({ part }: Told, found: Description | undefined): boolean =>
  part === "eyes" && formSaid(found) === "stretch body" && /\bplastic\b/.test(found?.text ?? "");

const countedFur =
  /^\W*(?:\d+|[a-z]+)\s+(?:[\d.]*\s*mm\s+)?(?:(?:strands|fibres|fibers|hairs|(?:(?:small|good|sparse|slim|large)\s+)?(?:bunch|clump|tuft|bundle|stack))\s+)?(?:of\s+)?(?:[a-z]+\s+){0,2}(?:craft|fake|fun)\s+fur\b(?=.*\d)/;
const atTheRear =
  /\b(?:at|above|over|on)\s+(?:the\s+)?(?:rear|bend|back\s+end|back\s+of\s+the\s+(?:hook|shank)|barb)\b/;
const furAsHair =
  /^(?!.*\b(?:dub|loop|spin|body|tail|throat|thorax)).*\b(?:craft|fake|fun|fox|goat|yak)\s+fur\b.*\b(?:on\s+top|same\s+length|as\s+long\s+as|the\s+length\s+of|reaching|longer\s+than)\b/;
/** “… for the wing”: the part that a clause comes to at its end. */
const roleAhead = (sentence: string): Role | undefined =>
  backOver.test(sentence)
    ? "wing case"
    : roleOfWord(
        [forRole, madeRole, bareRole, partOf, partLast].reduce<string | undefined>(
          (found, pattern) => found ?? pattern.exec(sentence)?.[1],
          undefined,
        ) ?? "",
      );

/** “Six hackle barbs make the tail”. */
const madeRole = new RegExp(
  `(?<!\\btips\\s+(?:\\w+\\s+)?)\\b(?:makes?|forms?|making|forming)\\s+(?:up\\s+)?(?:an?|the|its)\\s+(${PARTS})(?![\\p{L}])`,
  "u",
);
/** “orange biot cheeks”: parts that stand off, behind what they are of. */
const partLast =
  /^\W*(?:(?!(?:of|to|at|in|on|over|behind|with|without|no|same|this|that|your|my|for|from|and|by|into|as|than|tie|the|past|half|twice)\b)[\p{L}\d.'-]+\s+){1,4}((?<!\b(?:pheasant|turkey|squirrel|calf|goose|peacock|deer|buck|fox|cock|hen|partridge|grouse|mallard|swan|kip|marten|mink)\s+)tails?|wings?|cheeks|legs|throat|beard|underwing|feelers|antennae)\s*(?:[,.;]|$|as\s+long\b|equal\b|reaching\b|twice\b|half\s+(?:the|an?)\b)/u;

const backOver =
  /^\W*(?:an?\s+|the\s+)?(?:[\p{L}-]+\s+){1,3}back\s+(?:folded|pulled|stretched|drawn|brought)\s+(?:forwards?\s+)?over\b/u;

/** “clear skin 3 mm over the back”: a strip that is only named with the place that it covers. */
const stripOver =
  /^\W*(?!.*\b(?:turns?|wraps?|wound|tied|wind|wrap|tie)\b).*\b(?:skin|film|strip|foil|raffia|latex|sheet|plastic|foam|scud-?back|shell-?back)\b.*\bover\s+(?:the\s+|its\s+)?back\W*$/u;

/** “I like a tail of red wool”. */
const partOf =
  /^\W*(?:[\p{L}']+\s+){0,3}?an?\s+(?:[\p{L}-]+\s+)?(tail|tag|wing|throat|beard|collar|hackle|rib|body|butt|thorax)\s+of\s/u;

/** “ten fibres, tail, as long as the body”: the part alone, between commas. */
const bareRole = new RegExp(`,\\s*(?:the\\s+)?(${PARTS})\\s*(?:,|$)`, "u");

/** The first description of a material before the sentence ends. */
function lookAhead(
  text: string,
  from: number,
  to: number,
  index: CabinetIndex,
  role: Role | undefined,
): Description | undefined {
  const end = Math.min(endOfClause(text, from, endOfSentence(text, from, to)), from + 240);
  const word = /[\p{L}\p{N}.#]+/uy;
  const atHead = role !== undefined;
  let first = true;
  for (let at = from; at < end;) {
    word.lastIndex = at;
    const m = word.exec(text);
    if (!m) {
      at++;
      continue;
    }
    const place = placeWords(text, at);
    if (place) {
      at = place.end;
      continue;
    }
    const implied = atHead && first && role ? impliedBy[role] : undefined;
    const stuff = descriptionAt(text, at, index, atHead && first, implied);
    const before = text.slice(Math.max(0, at - 16), at);
    const found = asHair(stuff, role, before, text.slice(stuff?.end ?? at, end));
    // “Hackle: one grizzle and one brown, fibres 1.5 x gape”: its fibres are no material of their own.
    const isOwnFibres = found && (role === "hackle" || role === "collar") && ownFibres.test(found.text);
    if (found && !isOwnFibres) return found;
    first = false;
    at += m[0].length;
  }
  return undefined;
}

/** “fibres 1.5 x gape”: those of the hackle that is told of. */
export const ownFibres = /^\s*(?:the\s+)?(?:fibres?|fibers?|barbs?)\s*$/;

const foldedBand =
  /^(?!.*\b(?:turns?|wraps?|wound|wrapped|segments?|sections?)\b).*\b(?:foam|sheet|strip)\b.*\b(?:folded|pulled|brought|doubled)\s+(?:forwards?|over|back)\b/;

/** A part by which a place is said is no material: “behind the bead”, “half the tail”. */
const placeWords = words(
  `(?:into|inside|behind|in\\s+front\\s+of|ahead\\s+of|before|over|past|beyond|up\\s+to|down\\s+to|to|at|around|round|between|under|through|as\\s+long\\s+as|half|twice|with\\s+the\\s+same\\s+length\\s+as|against)\\s+(?:the\\s+|its\\s+)?(?:${PARTS})(?!\\s+(?:fibres?|wire|feather|dubbing|hair))`,
);
