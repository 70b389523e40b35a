import { piecesOf, type Span } from "./spans";
import type { Aside, AsideWhy } from "./types";

const GREETING =
  /^(?:hi|hello|hey|dear|good (?:morning|afternoon|evening|day)|greetings|hallo|moin|servus|guten (?:tag|morgen|abend)|grüß (?:gott|dich|euch)|liebe[rs]?|sehr geehrte[rs]?)(?!\p{L})[^\d]{0,60}$/iu;
const CLOSING =
  /^(?:(?:many |kind |best |warm )?(?:thanks|regards|wishes)|thank you|thx|cheers|all the best|best|sincerely|yours(?: \p{L}+)?|tight lines|see you|(?:mit )?(?:viele[nr]?|freundliche[nr]?|beste[nr]?|herzliche[nr]?|liebe[nr]?|schöne[nr]?) grü(?:ß|ss)en?|mfg|lg|vg|danke(?: schön)?|vielen dank|besten dank|gruß)(?!\p{L})[^\d]{0,60}$/iu;
const HEAD = /^(?:from|to|cc|sent|date|subject|von|an|gesendet|datum|betreff|re|fw|fwd|aw|wg)\s*:/iu;
const QUOTED = /^>/;
const SIGNATURE = /^(?:--|__)\s*$/;
/** Words of courtesy: a sentence of nothing else says nothing about what is ordered. */
const COURTESY = new Set(
  (
    "i we you yes them those by moin servus do does get got me us it they that this these all please kindly thanks thank hope hoping are is was were been be am have has had do well fine good great " +
    "lovely nice keeping busy there here hi hello again just a an the of for to and with your our my let know if any questions when ready could can would " +
    "like need want order ordering looking forward usual always soon so much very too season winter spring summer weather fishing caught fish last time " +
    "flies fly following below as follows here's heres id i'd we'd i'm we're season's many some new next " +
    "ich wir ihr sie euch dir dich uns mich es das die der den ein eine einen bitte danke vielen dank hoffe hoffen geht gut schön schöne saison und für " +
    "hätte hätten gerne gern möchte möchten brauche brauchen bestelle bestellen bestellung folgende folgendes wie immer wetter fliegen von"
  ).split(" "),
);

/** Courtesy in a sentence of its own; beside a fly they could bear on it. */
const ALONE = new Set("last time usual new many always soon some immer viele folgende any".split(" "));
/** Whether a word beside a fly is courtesy. */
export const isCourteousWord = (word: string): boolean =>
  COURTESY.has(word.toLowerCase()) && !ALONE.has(word.toLowerCase());

const wordsIn = (text: string): string[] => text.toLowerCase().match(/[\p{L}']+/gu) ?? [];
/** Whether a sentence is nothing but courtesy: no number, no sign, no word that could bear on the order. */
export const isCourtesy = (text: string): boolean =>
  wordsIn(text).length > 0 && !/\d|[#“”"]/.test(text) && wordsIn(text).every((w) => COURTESY.has(w));

/**
 * What of a mail is not the order: its head, greeting, what it quotes, its closing and the signature beneath.
 * @returns the lines that are left, what was set aside, and of that the lines in which a customer may have signed
 */
export function setAside(text: string): { lines: Span[]; asides: Aside[]; signed: Span[] } {
  const lines: Span[] = [];
  const asides: Aside[] = [];
  const signed: Span[] = [];
  let isOver = false;
  for (const line of piecesOf(text, 0, /\n/g)) {
    const why = whyAside(line.text, isOver);
    if (why === "closing") isOver = true;
    if (why === "closing") signed.push(line);
    if (why) asides.push({ at: [line.start, line.end], why });
    else lines.push(line);
  }
  return { lines, asides, signed };
}
function whyAside(line: string, isOver: boolean): AsideWhy | undefined {
  if (QUOTED.test(line)) return "quoted";
  if (HEAD.test(line)) return "head";
  if (SIGNATURE.test(line) || CLOSING.test(line)) return "closing";
  // Beneath the closing stands who wrote it; whatever has a number in it could still be a line of the order.
  if (isOver && !/\d/.test(line) && wordsIn(line).length <= 5) return "closing";
  return GREETING.test(line) ? "greeting" : undefined;
}
