import { piecesOf, type Span } from "./spans";
import type { Aside, AsideWhy } from "./types";

const GREETING =
  /^(?:hi|hello|hey|dear|good (?:morning|afternoon|evening|day)|greetings|hallo|moin|servus|guten (?:tag|morgen|abend)|grüß (?:gott|dich|euch)|liebe[rs]?|sehr geehrte[rs]?)(?!\p{L})[^\d]{0,60}$/iu;
/** A greeting before the first statement of its line: “Moin Maren, wir brauchen …”. */
const GREETING_BEFORE = new RegExp(
  `^(?:${[
    "hi",
    "hello",
    "hey",
    "dear",
    "morning",
    "good (?:[Mm]orning|[Aa]fternoon|[Ee]vening|[Dd]ay)",
    "greetings",
    "hallo",
    "moin(?: moin)?",
    "servus",
    "guten (?:[Tt]ag|[Mm]orgen|[Aa]bend)",
    "grüß (?:gott|dich|euch)",
    "liebe[rs]?",
    "sehr [Gg]eehrte[rs]?",
  ]
    .map((w) => `[${w.charAt(0).toUpperCase()}${w.charAt(0)}]${w.slice(1)}`)
    .join(
      "|",
    )})(?:\\s+(?:Damen\\s+und\\s+|Frau\\s+|Herr\\s+|M(?:rs?|s)\\.?\\s+)?(?:\\p{Lu}[\\p{L}'-]*|team|tiers|all|everyone|everybody|there|folks|both|again|zusammen)){0,3}\\s*[,.!–-]\\s*(?=\\S)`,
  "u",
);
/** For whom, by when, or how it is to be: what no greeting says. */
const OF_AN_ORDER =
  /(?<!\p{L})(?:für|for|on behalf of|im auftrag|bestell\p{L}*|by|before|until|till|bis|barbless|de-?barbed|substitut\p{L}*|lead(?:-?free)?|bleifrei|ohne|mit|without|sparse\p{L}*|rush|urgent\p{L}*|eilig|dringend|same|cancel\p{L}*|storn\p{L}*)(?!\p{L})/iu;
/** A closing at the end of a line, before who signs. */
const CLOSING_AFTER =
  /(?<=[.!?]\s+)(?:many thanks|thanks(?: again| a lot)?|thank you|ta(?=,)|cheers|all the best|best(?: regards| wishes)?|kind regards|regards|viele grüße|beste grüße|liebe grüße|herzliche grüße|(?:mit )?(?:freundlichen?|besten?|vielen?|lieben?) grü(?:ß|ss)en?|grü(?:ß|ss)e|gruß|mfg|lg|vg|danke|yours(?: sincerely| faithfully| truly)?|sincerely)\s*[,.!]?\s*(?=\p{Lu}|$)/giu;

const CLOSING =
  /^(?:(?:with\s+)?(?:many |kind |best |warm )?(?:thanks|regards|wishes)(?:\s+from\s+\p{L}+)?|thank you|thx|ta|cheers|all the best|best|sincerely|yours(?: \p{L}+)?|tight lines|see you|(?:mit )?(?:viele[nr]?|freundliche[nr]?|beste[nr]?|herzliche[nr]?|liebe[nr]?|schöne[nr]?) grü(?:ß|ss)en?|mfg|lg|vg|danke(?: schön)?|vielen dank|besten dank|gruß)(?!\p{L})[^\d]{0,60}$/iu;
const HEAD =
  /^(?:ordered by|order date|contact|attn|attention|phone|tel|mobile|e-?mail|vat|bestellt von|ansprechpartner|telefon|from|to|cc|sent|date|subject|von|an|gesendet|datum|betreff|re|fw|fwd|aw|wg)\s*:/iu;
/** “To: Alder Yard. From: Hollow Mere Lodge. We'd like …”: up to the stop of such a part. */
const HEAD_PART = /(?:from|to|cc|sent|date|von|an|gesendet|datum)\s*:[^.:\n]{1,60}\.\s+(?=\S)/iuy;
/** The parts of a mail's head that stand in one line with what follows, each for itself. */
function headsApart(line: Span): Span[] {
  const parts: Span[] = [];
  let at = 0;
  for (;;) {
    HEAD_PART.lastIndex = at;
    const part = HEAD_PART.exec(line.text)?.[0];
    const text = (part ?? line.text.slice(at)).trimEnd();
    parts.push({ text, start: line.start + at, end: line.start + at + text.length });
    if (part === undefined) return parts;
    at += part.length;
  }
}
const QUOTED = /^>/;
const SIGNATURE = /^(?:--|__)\s*$/;
/** Words of courtesy: a sentence of nothing else says nothing about what is ordered. */
const COURTESY = new Set(
  (
    "i we you yes them those by moin servus do does get got me us it they that this these all please pls plz kindly thanks thank hope hoping are is was were been be am have has had do well fine good great " +
    "deliver lovely nice keeping busy there here hi hello again just a an the of for to and with your our my let know if any questions when ready could can would " +
    "like need want order ordering looking forward usual always soon so much very too season winter spring summer weather fishing caught fish last time " +
    "flies fly following below as follows here's heres id i'd we'd i'm we're season's many some new next put down tying going goes everything wants wanted another we'd you're all's around about before send sends arrive reorder re-order nachbestellen shop laden store lodge club kicks " +
    "ich wir ihr sie euch dir dich uns mich es das die der den ein eine einen bitte danke vielen dank hoffe hoffen geht gut schön schöne saison und für " +
    "hätte hätten gerne gern möchte möchten brauche brauchen bestelle bestellen bestellung folgende folgendes wie immer rush hurry no time possible eilt nicht wetter fliegen von liefert liefern schickt besprochen abgesprochen telefonisch agreed discussed confirm confirmation confirmed acknowledge receipt phone telephone mail email spoke speaking earlier per conversation chat stock restock running low down supplies cheers anytime on by we'll i'll you'd it's he he'd she she'd they they'd sold out ran manage team top-up restocking tie make supply book reserve arrange prepare provide organise organize possible possibly maybe kindly myself ourselves customers guests clients customer needs ok okay boat everyone people once quickly really just ta thx nochmal nochmals wieder love perfect ideal ideally great bräuchte bräuchten brauchten whenever soonest convenience bestätigen bestätigung telefon anbei braucht benötigt benötigen wenn falls möglich shelf shelves counter try add opening week stock went treat further call morning afternoon evening yesterday warm dry stay staying chilly cold place placing wäre bekommen könnt könntet könntest könnten kannst können binden bindet bindest würdet würdest würden mir"
  ).split(" "),
);

/** Courtesy in a sentence of its own; beside a fly they could bear on it. */
const ALONE = new Set(
  "further morning evening warm dry stay staying chilly cold add opening week stock went treat deliver last time usual new many always soon some immer viele folgende any rush hurry no time eilt nicht".split(
    " ",
  ),
);
/** Whether a word beside a fly is courtesy. */
export const isCourteousWord = (word: string): boolean =>
  COURTESY.has(word.toLowerCase()) && !ALONE.has(word.toLowerCase());

const wordsIn = (text: string): string[] => text.toLowerCase().match(/[\p{L}']+/gu) ?? [];
const TALK = [
  // How all are, what a day it was, what the season does.
  "(?:i |we )?(?:do )?(?:hope|trust) (?:this|you|all|everyone|everything|that|the|your|it)(?!\\p{L})(?! (?:\\p{L}+ )?(?:can|could|will|are able|have (?:them|these|some|it)|get|manage)(?!\\p{L})).{0,60}",
  "(?:it|that) (?:was|is|has been|'s been) (?:\\p{L}+ ){0,2}(?:nice|good|great|lovely|a pleasure|fun) (?:to see|seeing|to talk|talking|to meet|meeting|to speak|speaking|to chat|chatting|to hear|hearing)(?!\\p{L}).{0,50}",
  "(?:the )?weather(?:'s| is| has been|'s been)? .{2,30}",
  "(?:spring|summer|autumn|winter|the season|the new season|opening day) (?:is|'s) (?:coming|here|near|close|upon us|(?:just )?(?:a)?round the corner|getting (?:near|close)r?|on its way)(?: .{0,30})?",
  "(?:and )?(?:the |our )?(?:shop|shelf|shelves|boxes|bins|stocks?|drawers|we)(?: is| are|'re|'s)? (?:(?:nearly|almost|getting|running|all|quite|completely|very) ){0,2}(?:out|low|empty|bare|short|thin)(?: (?:of|on) (?:these|them|those|flies|stock))?",
  "(?:we(?: are|'re)|i(?: am|'m)) (?:getting ready|preparing|stocking up|gearing up) for (?:the |our )?(?:\\p{L}+ )?(?:season|opening|spring|summer|fair|show)",
  "business (?:is|has been) \\p{L}+|it(?:'s| is) that time of (?:the )?year(?: again)?|time flies",
  // What is about to come.
  "(?:it(?:'s| is) )?(?:just |only )?(?:a |an )?(?:small|little|quick|short|tiny|modest)(?:er)? (?:order|one|list)(?: (?:this time|today|from us|for (?:you|now)))?",
  "as (?:promised|mentioned|requested|arranged)(?: .{0,30})?|(?:please )?(?:find|see) (?:our|the|my|this) (?:order|list) (?:below|attached|following|underneath)|(?:below|here|following|attached) (?:is|are|you(?:'ll| will) find) (?:what (?:we|i)(?:'d like| need| want)?|(?:our|the|my) (?:order|list|needs))",
  // How a letter ends.
  "(?:speak|talk|see you|write|chat) (?:to you )?soon|look(?:ing)? forward to (?:hearing(?: from you)?|seeing (?:you|them)|them|it|these|your (?:reply|answer))",
  "(?:please )?let (?:me|us) know (?:if|whether|that) (?:that|this|it|all|everything|those)(?:'s| is| are)?(?: (?:ok|okay|works?|fine|possible|alright|all right|good|clear|a problem))?",
  "have a (?:good|nice|great|lovely|pleasant) (?:day|week|weekend|time|evening|one|christmas|winter|holiday)|take care|happy tying|stay (?:well|warm|healthy)|bye(?: for now)?|sent from my \\p{L}+(?: \\p{L}+)?",
  "(?:p\\.?s\\.?:? )?(?:say|give) (?:hello|hi|my best|our best|my regards|regards|love)(?: to)? .{0,30}",
  "schönes? (?:wochenende|tag|woche|abend)(?: noch)?|bis bald|alles gute|gut bind",
];
const SMALL_TALK = new RegExp(`^(?:${TALK.join("|")})\\s*[.!?]*$`, "iu");
/** “I hope the tails are longer this time” is of the flies, and a wish. */
const OF_FLIES =
  /(?<!\p{L})(?:hooks?|tails?|wings?|hackles?|bod(?:y|ies)|heads?|beads?|wire|thread|tied|colou?rs?|sizes?|(?:dark|pale|long|short|heavi|light|thinn|full|spars|small|larg|bigg|strong|tight)er)(?!\p{L})/iu;
/** Whether a sentence is small talk: of how all are, of the weather, of what follows; no number stands in it. */
export const isSmallTalk = (text: string): boolean =>
  !/[\d#“”"]/.test(text) && !OF_FLIES.test(text) && SMALL_TALK.test(text.trim());

/** How the last lot was liked, or fished; and nothing about what is to come. */
const PRAISE =
  /^(?:(?:we|i|they|everybody|everyone|our \p{L}+|my \p{L}+)(?:'re|'m| (?:are|am|was|were))? (?:\p{L}+ ){0,2}(?:happy|pleased|delighted|satisfied|glad|thrilled) (?:with|about) (?:the |your |our |those |these )?(?:last|previous|first|recent)[^\d]{0,40}|(?:the |your |those )?(?:last|previous|first) (?:\p{L}+ ){1,3}(?:fished|sold|arrived|worked|went|did|was|were|came) (?:(?:very|really|so|all|just|quite) )?(?:well|fine|great|perfect(?:ly)?|safely|quickly|excellent|lovely|superb|wonderful|spot on))[.!]?$/iu;
/** Whether a sentence is nothing but courtesy: no number, no sign, no word that could bear on the order. */
export const isCourtesy = (text: string): boolean =>
  wordsIn(text).length > 0 &&
  !/\d|[#“”"]/.test(text) &&
  (PRAISE.test(text.trim()) || wordsIn(text).every((w) => COURTESY.has(w)));

/**
 * What of a mail is not the order: its head, greeting, what it quotes, its closing and the signature beneath.
 * @returns the lines that are left, what was set aside, and of that the lines in which a customer may have signed
 */
export function setAside(text: string): { lines: Span[]; asides: Aside[]; signed: Span[] } {
  const lines: Span[] = [];
  const asides: Aside[] = [];
  const signed: Span[] = [];
  let isOver = false;
  const wholes = piecesOf(text, 0, /\n/g).flatMap(headsApart);
  for (const whole of wholes) {
    const why = wholes.length === 1 && HEAD.test(whole.text) ? undefined : whyAside(whole.text, isOver);
    const line = why ? whole : withoutCourtesies(whole, asides);
    if (why === "closing") isOver = true;
    if (why === "closing") signed.push(line);
    if (why === "head") signed.push(...senderIn(line));
    if (why === "greeting") signed.push(...introducedIn(line));
    if (why) asides.push({ at: [line.start, line.end], why });
    else lines.push(line);
  }
  return { lines, asides, signed };
}
const SENDER = /^(?:from|von|ordered by|bestellt von)\s*:\s*/iu;
/** Who sent it, by the mail's head, without the address. */
function senderIn(line: Span): Span[] {
  const lead = SENDER.exec(line.text)?.[0].length ?? 0;
  const name = line.text.slice(lead).replace(/\s*[<(].*$/u, "");
  return lead === 0 || name === ""
    ? []
    : [{ text: name, start: line.start + lead, end: line.start + lead + name.length }];
}
const INTRODUCED =
  /(?:,\s*(?:it's|it is|this is|here is)\s+|\s(?:from|von)\s+)(\p{L}[^,.!?]{2,60}?)(?:\s+(?:here|speaking))?\s*[.!]?\s*$|,\s*(\p{L}[^,.!?]{2,60}?)\s+(?:here|hier|speaking)\s*[.!]?\s*$/iu;
/** “Hello, Ida Pellworth here”: who greets. */
function introducedIn(line: Span): Span[] {
  const found = INTRODUCED.exec(line.text);
  const name = found?.[1] ?? found?.[2];
  if (!found || name === undefined) return [];
  const start = line.start + found.index + found[0].indexOf(name);
  return [{ text: name, start, end: start + name.length }];
}
/** “Pos 1: …” */
const POSITION = /^(?:pos(?:ition)?|item)\.?\s*\d{1,2}\s*[:.)]\s*/iu;
/** A number by which the customer's books call the order. */
const REFERENCE =
  /^(?:(?:your|our|my|unsere?|ihre?)\s+)?(?:ref(?:erence)?|p\.?o\.?|order\s*(?:no|number|nr|(?=#|\d{3,}\s*$))|bestell(?:nummer|nr)|auftrags?(?:nummer|nr))\.?\s*(?:no\.?|nr\.?|#)?\s*:?\s*\p{L}{0,4}[\d/-]{2,}(?![\d\p{L}])\s*[:,;.–-]?\s*/iu;

/** Whether a part is nothing but such a number. */
export function isReference(text: string): boolean {
  const clean = text.trim().replace(/[.,;]+$/, "");
  return REFERENCE.exec(clean)?.[0].length === clean.length;
}

const REFERENCE_AFTER = new RegExp(`(?<=\\p{L}\\s+)${REFERENCE.source.slice(1)}$`, "iu");

/** A line without the greeting at its head and the closing at its end; what stands after a closing stays in it. */
function withoutCourtesies(line: Span, asides: Aside[]): Span {
  const greeting = GREETING_BEFORE.exec(line.text)?.[0] ?? "";
  const from = greeting.length;
  if (from > 0) asides.push({ at: [line.start, line.start + greeting.trimEnd().length], why: "greeting" });
  const named = (POSITION.exec(line.text.slice(from)) ?? REFERENCE.exec(line.text.slice(from)))?.[0] ?? "";
  if (named !== "") asides.push({ at: [line.start + from, line.start + from + named.trimEnd().length], why: "head" });
  const rest = " ".repeat(named.length) + line.text.slice(from + named.length);
  const clean = rest.replace(CLOSING_AFTER, (words, at: number) => {
    asides.push({ at: [line.start + from + at, line.start + from + at + words.trimEnd().length], why: "closing" });
    return " ".repeat(words.length);
  });
  const after = REFERENCE_AFTER.exec(clean.trimEnd());
  // “Stonecrop Outfitters PO 4471”: who it is for stays, with nothing behind.
  if (after && !/\d/.test(clean.slice(0, after.index))) return withoutReference(line, clean, from, after, asides);
  return trimmed(line, clean, from);
}
function withoutReference(line: Span, clean: string, from: number, after: RegExpExecArray, asides: Aside[]): Span {
  const at = line.start + from + after.index;
  asides.push({ at: [at, at + after[0].trimEnd().length], why: "head" });
  return trimmed(line, clean.slice(0, after.index), from);
}
function trimmed(line: Span, clean: string, from: number): Span {
  const lead = clean.length - clean.trimStart().length;
  return { text: clean.trim(), start: line.start + from + lead, end: line.start + from + lead + clean.trim().length };
}
function whyAside(line: string, isOver: boolean): AsideWhy | undefined {
  if (QUOTED.test(line)) return "quoted";
  if (HEAD.test(line)) return "head";
  if (SIGNATURE.test(line) || CLOSING.test(line)) return "closing";
  // Beneath the closing stands who wrote it; whatever has a number in it could still be a line of the order.
  if (isOver && !/\d/.test(line) && wordsIn(line).length <= 5) return "closing";
  // “Hallo zusammen, wir bestellen für …”: behind the greeting stands whom it is for.
  const saysMore = GREETING_BEFORE.test(line) && OF_AN_ORDER.test(line);
  return GREETING.test(line) && !saysMore ? "greeting" : undefined;
}
