import { WIDEST_STRAND_MM } from "./described";
import { isColour, type Material, type MaterialForm } from "../materials";
import { CabinetIndex } from "./cabinet";
import { isStop } from "./lexicon/stops";
import { after, modifiers, nounSources, type NounForm } from "./lexicon/nouns";
import { preparingFur } from "./madeReady";
import { byFirst, match, memo, type Reader } from "./parse";
import { NUMBER_WORD, readNumber } from "./text/number";
import { sharesInFigures } from "./text/shares";

/** A description of a material in a text: the stretch, its words, and what its noun means. */
export interface Description {
  at: number;
  end: number;
  /** As typed. */
  text: string;
  /** Exact name of a material of the cabinet, where the text is one. */
  exact?: Material;
  /** What its noun means; undefined where no noun of it is known. */
  means?: NounForm;
  /** One word of a material that was named before: “the copper”. */
  isReference?: true;
  /** Of a blend: the descriptions of what it is mixed of. */
  parts?: Description[];
  /** Of a blend: its parts lie over each other in a loop, and are not milled. */
  laid?: boolean;
  /** Of a part of a blend: how much of it, by parts or per cent. */
  share?: number;
}

const noNames = new CabinetIndex([]);
const nouns = nounSources.map(({ source, means }) => {
  const reads = match(source);
  return { reads, means, firsts: reads.firsts };
});
const token = /[\p{L}\p{N}.#][\p{L}\p{N}'./"-]*|&(?=\s)/uy;
const blank = /[ \t]+/y;

const nounsAt = byFirst(nouns);
/** The noun that begins at a place and goes furthest. */
const nounRead: Reader<NounForm> = memo((text, at) => {
  let best: { value: NounForm; end: number } | undefined;
  for (const { reads, means } of nounsAt(text, at)) {
    const found = reads(text, at);
    // “Seal-like” is no seal.
    if (found && !text.startsWith("-like", found.end) && (!best || found.end > best.end))
      best = { value: means, end: found.end };
  }
  return best;
});
/** What a noun that stands alone means. */
export const nounMeans = (noun: string): NounForm | undefined => nounAt(noun, 0)?.means;
function nounAt(text: string, at: number): { means: NounForm; end: number } | undefined {
  const found = nounRead(text, at);
  return found && { means: found.value, end: found.end };
}

const sized =
  /^(?:\d*(?:[.,]?\d+)mm|\d+(?:lbs?|kg)|\d{2,3}d(?:en)?|#?\d+(?:[.,]\d+)?"?|\.\d+"?|\d+\/0|\d+\/\d+"?|\d+x|[xsml]{1,2})$/i;
const unitWord = /^(?:lb|lbs|pounds?|mm|denier|den|d|dt|in|inch|thou|thousandths?|ply)$/i;
/** “lead .4 in the middle”: no inches. */
const isUnitAt = (text: string, { word, end }: { word: string; end: number }): boolean =>
  unitWord.test(word) && !(word === "in" && /^\s+(?:the|an?|its|two|three|front)\b/.test(text.slice(end)));
/** Forms of which a size in mm is part of what they are, not a length that is taken. */
export const bySize: ReadonlySet<MaterialForm> = new Set<MaterialForm>([
  "bead",
  "eyes",
  "stretch body",
  "chenille",
  "rubber",
  "weight wire",
  "extended body",
  "tinsel",
  "yarn",
]);

/** “hen partridge, soft brown”: with words behind a comma that say which, it is no longer the cabinet's own. */
export function alsoCalled({ exact: _exact, ...plain }: Description, words: string, form: MaterialForm): Description {
  return { ...plain, text: `${plain.text.trim()}, ${words}`, means: plain.means ?? { form } };
}

/** The form of a material that is described, as far as the words say it. */
export const formSaid = (d: Description | undefined): MaterialForm | undefined => d?.exact?.form ?? d?.means?.form;

interface Token {
  word: string;
  at: number;
  end: number;
}

function tokenAt(text: string, at: number): Token | undefined {
  token.lastIndex = at;
  const m = token.exec(text);
  if (!m) return undefined;
  const word = m[0].replace(/[.'-]+$/, "");
  return word === "" ? undefined : { word, at, end: at + word.length };
}

function afterBlank(text: string, at: number): number {
  blank.lastIndex = at;
  return blank.exec(text) ? blank.lastIndex : at;
}

const numberWord = match(NUMBER_WORD);
/** A number counts something; it is no part of a name. */
const isNumber = (text: string, at: number): boolean => /\d/.test(text[at] ?? "") || numberWord(text, at) !== undefined;

const isModifier = (word: string): boolean =>
  modifiers.has(word) || isColour(word) || word.split("-").every((w) => w !== "" && (modifiers.has(w) || isColour(w)));

/** Most words before a noun that nobody knows: a name may have a few, a sentence is none. */
const UNKNOWN_BEFORE = 2;
const UNKNOWN_AT_HEAD = 4;

/**
 * The description that begins here, if one does: modifiers, colours, sizes and a noun, then what is added behind a
 * comma.
 * @param atHead right after the name of a part: what stands there is the material, whatever it is called
 */
export function descriptionAt(
  text: string,
  at: number,
  index: CabinetIndex,
  atHead = false,
  implied?: MaterialForm,
): Description | undefined {
  const phraseAt = atHead ? phraseAtHead : phraseWithin;
  const named = index.nameAt(text, at);
  // “Black marabou” is in the cabinet; “black marabou blood feather” says more, and is read as it stands.
  if (named && (named.isOwn || (phraseAt(text, at)?.end ?? 0) <= named.end))
    return { at, end: named.end, text: text.slice(at, named.end), exact: named.material };
  // “two turns of the dubbed silk”: what is on it is told elsewhere.
  if (dubbedSilk(text, at)) return undefined;
  const strip = stripOf(text, at, index);
  if (strip) return strip;
  const shares =
    sharesOf(text, at, index) ??
    mixedEqually(text, at, index) ??
    mixedInFigures(text, at, index) ??
    mixedWithColour(text, at, index) ??
    strandsOf(text, at);
  if (shares) return shares;
  const phrase = phraseAt(text, at)?.value;
  if (phrase) return blended(text, phrase, index);
  return implied ? impliedPhrase(text, at, implied) : undefined;
}

const pearlStrands = /(?:strands?|lengths?)(?:\s+of)?\s+$/;
const ofFlash = match(
  "((?:pearl|holographic)(?:\\s+(?:gold|silver|copper|green|red|blue|black|white|olive|pink|purple|orange|chartreuse|lime))?|(?:gold|silver|copper|green|red|blue|black|purple|orange|pink)\\s+holographic|(?<=of\\s+)(?:gold|silver|copper))(?=\\s*(?:[,.;]|$)|\\s+(?:each|either|per|on|a|folded|and|down|along)\\b)",
);
const strandsOfFlash = match(
  "strands?\\s+(?:of\\s+)?((?:pearl|holographic)(?:\\s+(?:gold|silver|copper|green|red|blue|black|white|olive|pink|purple|orange))?|(?:gold|silver|copper|green|red|blue|black|purple|orange|pink)\\s+holographic)(?=\\s*(?:[,.;]|$|(?:and|with|each|on|folded|a|per)\\b))",
);
/** “with a few strands of pearl”, “20 strands pearl”: of what glitters. */
function strandsOf(text: string, at: number): Description | undefined {
  const bare = strandsOfFlash(text, at);
  if (bare)
    return { at, end: bare.end, text: `${bare.value[0] ?? ""} flash`, means: { form: "flash", counted: "strands" } };
  const found = pearlStrands.test(text.slice(Math.max(0, at - 14), at)) ? ofFlash(text, at) : undefined;
  return found && { at, end: found.end, text: `${found.value[0] ?? ""} flash`, means: { form: "flash" } };
}
const dubbedSilk = match("dubbed\\s+(?:thread|silk)|(?:thread|silk)(?=\\s+(?:\\w+ly\\s+)?(?:touch-)?dubbed\\s+with)");
const widthOfStrip = match(
  '(?:\\d+(?:[.,]\\d+)?\\s*mm|\\d\\/\\d{1,2}(?:"|\\s*(?:in\\b\\.?|inch)))\\s+(?:wide\\s+)?strips?\\s+(?:of|from)\\s+(?:the\\s+|an?\\s+)?',
);
/** “3 mm strip of brown scud back”: so wide is the strip, which is no length of it. */
function stripOf(text: string, at: number, index: CabinetIndex): Description | undefined {
  const lead = widthOfStrip(text, at);
  const of = lead && descriptionAt(text, afterBlank(text, lead.end), index);
  if (!of || formSaid(of) !== "stretch body") return undefined;
  return { ...of, at, text: of.exact ? of.text : text.slice(at, of.end) };
}

const shareRead = match(`(\\d+|${NUMBER_WORD})\\s*(?:%|per\\s?cent|parts?)\\s*(?:of\\s+)?`);
/** The same, of what is said to be mixed: “half hare and half mole”. */
const halfRead = match(
  `(\\d+|half|(?:an?|one|two|three)\\s+(?:third|quarter)s?|${NUMBER_WORD})\\s*(?:%|per\\s?cent|parts?)?\\s*(?:of\\s+)?`,
);
const andThen = /^\s*(?:,|\/|\+|&|and\b|to\b)?\s*(?:and\s+)?/;
/** “60 % olive seal, 40 % orange seal”, “2 parts hare and 1 part rabbit”: a blend by its shares. */
function sharesOf(text: string, at: number, index: CabinetIndex, ofOne = shareRead): Description | undefined {
  const parts: Description[] = [];
  let [place, end] = [at, at];
  for (;;) {
    const share = ofOne(text, place);
    if (!share) break;
    const begin = afterBlank(text, share.end);
    const named = index.nameAt(text, begin);
    const part = named
      ? { at: begin, end: named.end, text: text.slice(begin, named.end), exact: named.material }
      : (nounPhrase(text, begin, false) ?? colourAlone(text, begin) ?? unheardOf(text, begin));
    if (!part || !isDubbing(part)) break;
    parts.push({ ...part, share: readNumber(share.value[0] ?? "") });
    end = part.end;
    place = end + (andThen.exec(text.slice(end))?.[0].length ?? 0);
  }
  if (parts.length < 2 || parts.some((p) => !p.share)) return undefined;
  return { at, end, text: text.slice(at, end), means: { form: "dubbing" }, parts };
}

const oneOrTwoWords = match("[a-z-]{3,}(?:\\s+[a-z-]{3,})?(?=\\s*(?:[,.;)]|$)|\\s+(?:and|&|\\+)\\s)");
/** “2 parts hare and 1 part sparklefur”: a word that nobody knows, counted by parts, is one of what is mixed. */
function unheardOf(text: string, at: number): Description | undefined {
  const found = oneOrTwoWords(text, at);
  if (!found || isStop(text, at)) return undefined;
  return { at, end: found.end, text: text.slice(at, found.end), means: { form: "dubbing" } };
}

const equally = match(
  "(?:(?:an?\\s+)?(?:equal\\s+(?:parts|amounts|shares|quantities)|half\\s+and\\s+half|(?:a\\s+)?50\\s?[/:]\\s?50(?:\\s+mix(?:ture)?)?))(?:\\s+(?:of|mix\\s+of))?\\s+(?=[a-z])",
);
/** “equal parts olive and grey squirrel” */
function mixedEqually(text: string, at: number, index: CabinetIndex): Description | undefined {
  const lead = equally(text, at);
  const of = lead && descriptionAt(text, lead.end, index);
  const parts = of && (of.parts ?? twoColours(of.text.trim(), 0, noNames)?.parts);
  const mixed =
    of &&
    parts &&
    inShares(
      of,
      parts.map(() => 1),
    );
  return mixed && { ...mixed, at, text: text.slice(lead.end, mixed.end) };
}

const mixOf = match("(?:(?:mix(?:ture)?|blend)\\s+)?(?:of\\s+)?");
/** “60/40 hare and rabbit”, “a 2:1 mix of hare and rabbit”: the shares first. */
function mixedInFigures(text: string, at: number, index: CabinetIndex): Description | undefined {
  const shares = sharesInFigures(text, at);
  const begin = shares && afterBlank(text, shares.end);
  if (!shares || begin === undefined || begin === shares.end) return undefined;
  const of = descriptionAt(text, afterBlank(text, mixOf(text, begin)?.end ?? begin), index);
  const mixed = of && inShares(of, shares.value);
  return mixed && { ...mixed, at, text: text.slice(at, mixed.end) };
}

const saidMixed = /^(?:a\s+)?(?:(?:well\s+)?(?:mixed|blended)|(?:mix(?:ture)?|blend)\s+of)\s+/;
const saidMix = /\s+(?:mix(?:ture)?|blend)$/;
/**
 * A mixture whose shares stand in figures, in the order in which its parts are named; also “claret and blue seal's
 * fur”, which is one stuff in two colours.
 * @returns undefined where there are not as many parts as shares, or it is a blend of the cabinet, which has its own
 */
export function inShares(of: Description, shares: readonly number[]): Description | undefined {
  if (of.exact || (of.means && of.means.form !== "dubbing")) return undefined;
  const said = of.text.trim().replace(saidMixed, "");
  const stuff = /^[a-z]+\s*(?:and|&|\/)\s*[a-z]+$/.test(said.replace(saidMix, ""))
    ? said.replace(saidMix, " dubbing")
    : said;
  const parts = of.parts ?? twoColours(stuff, 0, noNames)?.parts;
  if (parts?.length !== shares.length) return undefined;
  return {
    ...of,
    text: `${of.text.trim()} ${shares.join("/")}`,
    means: { form: "dubbing" },
    parts: parts.map((p, i) => ({ ...p, share: shares[i] ?? 1 })),
  };
}

const mixedWith = match(
  "(?:,\\s*)?(?:(?:well\\s+)?(?:mixed|blended)\\s+(?:together\\s+)?with|and|plus|with)\\s+(?:a\\s+(?:little|bit|touch|pinch)\\s+(?:of\\s+)?)?|,\\s*(?:with\\s+)?(?:an?\\s+)?(?:little|bit|touch|pinch)\\s+of\\s+|\\s*[/&+]\\s*(?:a\\s+(?:little|bit|touch|pinch)\\s+(?:of\\s+)?)?",
);
/** Whether of one part of a mixture only “a little” was said. */
export const isOfLittle = ({ text, parts }: Description): boolean => parts !== undefined && aLittle.test(text);
const aLittle = /\b(?:a\s+(?:little|bit|touch|pinch)|(?:little|bit|touch|pinch)\s+of)\b/;
/** Of a mixture, “a touch” is taken as so many per cent; what the others leave they share. */
const A_LITTLE = 10;
function shareRest(parts: Description[]): void {
  const open = parts.filter((p) => p.share === undefined);
  const left = 100 - parts.reduce((sum, p) => sum + (p.share ?? 0), 0);
  for (const p of open) p.share = Math.round(left / open.length);
}
const listedShare = match(",\\s*(?:and\\s+)?[1-9]\\d?\\s*(?:%|per\\s?cent)\\s+(?:of\\s+)?(?=[a-z])");
const perCent = match("([1-9]\\d?)\\s*(?:%|per\\s?cent)\\s*(?:of\\s+)?");
const listed = match(",\\s*");
const blendOf = match("\\s*(?:(?:mixed|blended|made)\\s+(?:up\\s+)?(?:of|from)|of|from)\\s+");
const figuresBehind = match(
  "\\s*(?:,|:|\\(|-(?=\\s))\\s*(?:mixed\\s+|blended\\s+)?(?:(?:as|in)\\s+)?(?=(?:\\d+|[a-z]+)\\s*(?:%|per\\s?cent|parts?)\\s)",
);
const closing = match("\\s*\\)");
const ofColour = /^([a-z-]+) dubbing$/;
/** “Seal's fur, 2 parts orange, 1 part olive”: the stuff first, and then how much of each colour, or of what. */
function sharedBehind(text: string, first: Description, index: CabinetIndex): Description | undefined {
  const lead = figuresBehind(text, first.end);
  const shares = lead && sharesOf(text, afterBlank(text, lead.end), index);
  if (!shares?.parts) return undefined;
  const stuff = first.text.trim().replace(saidMixed, "").replace(saidMix, "");
  const colours = shares.parts.map((p) => ofColour.exec(p.text)?.[1]);
  const parts = shares.parts.map((p, i) => (colours[i] ? { ...p, text: `${colours[i]} ${stuff}` } : p));
  const end = closing(text, shares.end)?.end ?? shares.end;
  return { at: first.at, end, text: text.slice(first.at, shares.end), means: first.means, parts };
}

/** “a blend of hare and olive dubbing”, “hare mixed with olive dubbing”: one material of several. */
function blended(text: string, first: Description, index: CabinetIndex): Description {
  if (first.means?.form !== "dubbing") return first;
  const shared = sharedBehind(text, first, index);
  if (shared) return shared;
  // “a thin dubbing of mole”: of the mole alone.
  const isNamed = /(?:blends?|mix(?:ture)?|^dubbing)$/.test(first.text.trim());
  const of = isNamed ? blendOf(text, first.end) : undefined;
  const parts: Description[] = [];
  let at = of ? of.end : first.end;
  if (of) {
    const shares = sharesOf(text, afterBlank(text, at), index, halfRead);
    if (shares) return { ...shares, at: first.at, text: text.slice(first.at, shares.end) };
    const two = twoColours(text, afterBlank(text, at), index);
    if (two)
      return { at: first.at, end: two.end, text: text.slice(first.at, two.end), means: first.means, parts: two.parts };
    const part = descriptionAt(text, afterBlank(text, at), index);
    if (!part || !isDubbing(part)) return first;
    // A blend within a blend is one already.
    if (part.parts) return { ...part, at: first.at, text: text.slice(first.at, part.end) };
    parts.push(part);
    at = part.end;
  } else parts.push(first);
  for (;;) {
    // “Black rabbit cut from the hide and a little claret seal”: how it was made ready stands between.
    const from = preparingFur(text, afterBlank(text, at))?.end ?? at;
    const link = mixedWith(text, afterBlank(text, from)) ?? ((of || listedShare(text, at)) && listed(text, at));
    const own = link ? afterBlank(text, link.end) : at;
    if (!link || own === at) break;
    const isListed = text[at] === ",";
    const isLittle = aLittle.test(text.slice(at, own));
    // “Hare and 10 % flash dubbing”: what the other leaves is of the first.
    const share = perCent(text, own);
    const next = share ? afterBlank(text, share.end) : own;
    const part = nounPhrase(text, next, false) ?? (isListed ? undefined : colourAlone(text, next));
    const canBeMixed = part?.means?.form === "dubbing" || ((isLittle || share) && part?.means?.form === "flash");
    if (!part || !canBeMixed) break;
    const of100 = share ? Number(share.value[0]) : isLittle ? A_LITTLE : undefined;
    parts.push(of100 ? { ...part, share: of100 } : part);
    at = part.end;
  }
  if (parts.some((p) => p.share !== undefined)) shareRest(parts);
  if (parts.length < 2) return of && parts[0] ? { ...parts[0], at: first.at } : first;
  const mixed = { at: first.at, end: at, text: text.slice(first.at, at), means: first.means, parts };
  return sharedBehind(text, mixed, index) ?? mixed;
}
/** “Wind white thread deep into the bend”: how far, and no shade. */
const isDeepIn = (text: string, { word, end }: { word: string; end: number }): boolean =>
  word === "deep" && /^\s+(?:in|into|down|round)\b/.test(text.slice(end));
const shadeAnd = match("(?:[a-z]+\\s+)?([a-z]+)\\s*(?:and|&|/|\\+)\\s*(?=[a-z])");
const colourAnd = match("([a-z]+)\\s*(?:and|&|/)\\s*(?=[a-z])");
/** “of olive and grey seal fur”: the same stuff in two colours. */
function twoColours(text: string, at: number, index: CabinetIndex): { parts: Description[]; end: number } | undefined {
  const lead = colourAnd(text, at);
  const colour = lead?.value[0] ?? "";
  if (!lead || !isColour(colour)) return undefined;
  const second = descriptionAt(text, lead.end, index);
  const words = second?.text.trim().split(/\s+/) ?? [];
  const stuff = words.filter((w) => !isColour(w));
  if (!second || !isDubbing(second) || stuff.length === 0 || stuff.length === words.length) return undefined;
  const first: Description = { at, end: lead.end, text: `${colour} ${stuff.join(" ")}`, means: { form: "dubbing" } };
  return { parts: [first, second], end: second.end };
}
const isSaidMixed = /^\s*[,(]?\s*(?:well\s+)?(?:mixed|blended)\b/;
/** “Olive and hare, mixed 3 to 1”: a shade alone is of dubbing there. */
function mixedWithColour(text: string, at: number, index: CabinetIndex): Description | undefined {
  const lead = shadeAnd(text, at);
  if (!lead || !isColour(lead.value[0] ?? "")) return undefined;
  const second = descriptionAt(text, lead.end, index);
  const isPlain =
    second &&
    isDubbing(second) &&
    !second.text
      .toLowerCase()
      .split(/\s+/)
      .some((w) => isColour(w));
  if (!isPlain || !isSaidMixed.test(text.slice(second.end))) return undefined;
  const words = text.slice(at, lead.end).replace(/\s*(?:and|&|\/|\+)\s*$/, "");
  const first: Description = { at, end: at + words.length, text: `${words} dubbing`, means: { form: "dubbing" } };
  return { at, end: second.end, text: text.slice(at, second.end), means: { form: "dubbing" }, parts: [first, second] };
}
/** “mixed with a pinch of orange”: a shade alone is of the same stuff. */
function colourAlone(text: string, at: number): Description | undefined {
  const t = tokenAt(text, at);
  if (!t || !isColour(t.word)) return undefined;
  return { at, end: t.end, text: `${t.word} dubbing`, means: { form: "dubbing" } };
}
const isDubbing = (d: Description): boolean =>
  d.means?.form === "dubbing" || d.exact?.form === "dubbing" || d.exact?.form === "blend";

const sizeOfHead = /^(?:(?:small|neat|tiny|large|slim|tidy|short|compact)\s*,?\s+(?:and\s+)?)+/;
/**
 * “Thread: black, 8/0”: where only colours and sizes stand behind the name of a part, the part says what they are of.
 */
function impliedPhrase(text: string, at: number, implied: MaterialForm): Description | undefined {
  // “Head small, black”: how it is made is no part of what it is made of.
  const begin = implied === "thread" ? at + (sizeOfHead.exec(text.slice(at))?.[0].length ?? 0) : at;
  let [end, place] = [begin, begin];
  for (;;) {
    const t = tokenAt(text, place);
    if (!t) break;
    const isSize =
      (implied === "bead" && /^\d+(?:[.,]\d+)?mm$/.test(t.word)) ||
      (sized.test(t.word) &&
        (implied === "thread" ? /^\d{2,3}d?(?:en)?$|\/0$/.test(t.word) : implied === "bead" && /^\d/.test(t.word)));
    const isUnit = isUnitAt(text, t) && end > begin;
    // “210 den. white”: the stop only shortens the word.
    // “a single turn of …”: how often, and not of what.
    if (/^\s*(?:turns?|wraps?)\b/.test(text.slice(t.end))) break;
    // “Make a hot spot of 5 turns”: no colour of a hackle.
    if (t.word === "hot" && /^[\s-]*spot\b/.test(text.slice(t.end))) break;
    // “Hackle round the post”: where, and not what.
    if (t.word === "round" && /^\s+(?:the|an?)\b/.test(text.slice(t.end))) break;
    const isShort = (isUnit || t.word === "fl") && text[t.end] === "." && /\s/.test(text[t.end + 1] ?? "");
    if (!isSize && !isUnit && !isModifier(t.word) && !isLabel(text, t, implied)) break;
    if (isSize && /^\s*(?:turns?|wraps?|coats?|layers?)/.test(text.slice(t.end))) break;
    // “thread red 140, 50 mm red chenille”: the piece is another thing than the thread.
    if (isSize && implied === "thread" && /^\s*(?:mm|cm)\b/.test(text.slice(t.end))) break;
    end = isShort ? t.end + 1 : t.end;
    const next = afterBlank(text, end);
    const comma = /^\s*,\s*/.exec(text.slice(t.end))?.[0].length ?? 0;
    place = comma > 0 ? t.end + comma : next;
    if (comma > 0) {
      const ahead = tokenAt(text, place);
      // “Head: black, large”: how it is made is no part of the thread's name.
      if (implied === "thread" && ahead && /^(?:small|large|neat|tiny|big|long|short|narrow|wide)$/.test(ahead.word))
        break;
      if (
        !ahead ||
        !(
          isColour(ahead.word) ||
          after.has(ahead.word) ||
          (implied === "thread" && /\/0$|^\d{2,3}d?$/.test(ahead.word)) ||
          (implied === "bead" && /^\s*\d+(?:[.,]\d+)?\s*mm\b/.test(text.slice(place)))
        )
      )
        break;
    }
  }
  if (end === begin) return undefined;
  // “Head: small” says nothing of its thread.
  if (implied === "thread" && !isOfThread(text.slice(begin, end))) return undefined;
  // “Head: small, clear varnish”: the colour is that of what it is coated with.
  if (implied === "thread" && /^\s*(?:head\s+)?(?:varnish|lacquer|cement|resin|glue|epoxy)\b/.test(text.slice(end)))
    return undefined;
  return { at: begin, end, text: `${text.slice(begin, end)} ${implied}`, means: { form: implied } };
}

const isOfThread = (words: string): boolean =>
  /\d/.test(words) ||
  words.split(/[\s,]+/).some((w) => isColour(w) || /^(?:fluo|fluorescent|waxed|nylon|silk)$/.test(w));

/** “white gsp 100 denier”: on a thread’s label a word may stand that only its maker uses, before its size. */
function isLabel(text: string, t: Token, implied: MaterialForm): boolean {
  if (implied !== "thread" || !/^[a-z]+$/i.test(t.word) || isStop(text, t.at) || nounAt(text, t.at)) return false;
  const behind = tokenAt(text, afterBlank(text, t.end));
  const next = behind?.word ?? "";
  const second = behind && isColour(next) ? (tokenAt(text, afterBlank(text, behind.end))?.word ?? "") : "";
  return (
    /^\d{2,3}d?(?:en)?$|\/0$/.test(next) ||
    /^\d{2,3}d?(?:en)?$|\/0$/.test(second) ||
    /(?:\d|den(?:ier)?)(?:\s+[a-z]+)?\s+$/i.test(text.slice(Math.max(0, t.at - 24), t.at))
  );
}

/** The same places are looked at again and again: ahead for what a line is of, and then word by word. */
const phraseRead = (atHead: boolean): Reader<Description> =>
  memo((text, at) => {
    const phrase = nounPhrase(text, at, atHead);
    return phrase && { value: phrase, end: phrase.end };
  });
const phraseAtHead = phraseRead(true);
const phraseWithin = phraseRead(false);

const threads: ReadonlySet<MaterialForm> = new Set(["yarn", "floss", "flash", "tinsel", "wire", "chenille", "rubber"]);
const furs: ReadonlySet<MaterialForm> = new Set(["dubbing", "blend"]);
/** “Wool strands”, “hare's mask fibres”: the last noun only says in what pieces the one before it comes. */
function asPieces(before: NounForm, next: NounForm, noun: string): NounForm {
  const isFur = furs.has(before.form);
  if (/^strands?$/.test(noun)) {
    if (isFur) return { form: "yarn", counted: "strands" };
    return { ...before, counted: before.form === "hair" ? "fibres" : "strands" };
  }
  if (!/^(?:fib(?:re|er)s?|barbs?)$/.test(noun)) return next;
  if (isFur) return { form: "hair", counted: "fibres" };
  return before.form === "hair" || before.form === "herl" || threads.has(before.form) ? before : next;
}

/** “back third orange floss”: where, before of what. */
const shareAhead = match("(?:rear|back|front|hind|middle|mid|centre|center)\\s+(?:half|third|quarter|two\\s+thirds)");
const doneHere = match("(?:dub|wrap|palmer)(?=\\s+(?:an?\\s+|the\\s+)?[a-z]{3,}\\s+[a-z])");
function nounPhrase(text: string, at: number, atHead: boolean): Description | undefined {
  // “Over the front half dub black fur”: what is done is no word of what it is of.
  if (shareAhead(text, at) || doneHere(text, at)) return undefined;
  let [end, unknown, lastNoun] = [at, 0, -1];
  let means: NounForm | undefined;
  const words: Token[] = [];
  for (let place = at; words.length < 12;) {
    const noun = nounAt(text, place);
    // “slips of grey quill”: what is taken, not yet of what.
    if (
      noun &&
      lastNoun < 0 &&
      /^(?:matched\s+)?(?:slips?|strands?|fibres?|feathers?|strips?|plumes?|biots?)\s+(?:of|from)\b/.test(
        text.slice(place),
      )
    )
      break;
    if (noun) {
      means = means ? asPieces(means, noun.means, text.slice(place, noun.end)) : noun.means;
      lastNoun = end = noun.end;
      place = afterBlank(text, noun.end);
      words.push({ word: text.slice(place, noun.end), at: place, end: noun.end });
      continue;
    }
    const t = tokenAt(text, place);
    if (!t) break;
    const isSize = sized.test(t.word) && sizeBelongs(text, t, lastNoun >= 0, means?.form);
    if (!isSize && isNumber(text, t.at)) break;
    if (isSize || (isUnitAt(text, t) && words.length > 0 && sized.test(words[words.length - 1]?.word ?? ""))) {
      if (lastNoun >= 0) end = t.end;
    } else if (lastNoun >= 0 && isDose(text, t, means?.form)) break;
    else if (lastNoun >= 0 ? isColour(t.word) || (after.has(t.word) && !isDeepIn(text, t)) : isModifier(t.word)) {
      if (lastNoun >= 0) end = t.end;
    } else if (
      lastNoun >= 0 &&
      unknown === 0 &&
      !isStop(text, t.at) &&
      isOnlyKind(text, words) &&
      nounAt(text, afterBlank(text, t.end))
    ) {
      // “rabbit zonker strip”: the first noun only says of which animal.
      unknown++;
    } else if ((t.word === "and" || t.word === "&") && isBetweenColours(text, words, t)) {
      // “black and white hackle” is one feather.
    } else if (lastNoun < 0 && !isStop(text, t.at) && unknown < (atHead ? UNKNOWN_AT_HEAD : UNKNOWN_BEFORE)) {
      unknown++;
    } else break;
    words.push(t);
    const isShort = unitWord.test(t.word) && text[t.end] === "." && /\s/.test(text[t.end + 1] ?? "");
    place = afterBlank(text, isShort ? t.end + 1 : t.end);
  }
  if (lastNoun < 0) return undefined;
  // Words after the noun that only lead to another count do not belong: “wire 5 turns”.
  const isHide = /strip|zonker|hide|cross/.test(text.slice(at, end));
  // “red wool, 4 mm”: so long is the tail of it; “rabbit strip, 4 mm” is so wide.
  const isLong = isHide && /^\s*,\s*\d{2,}/.test(text.slice(end));
  const full = withAddition(text, end, means?.form === "yarn" && (!isHide || isLong) ? "floss" : means?.form);
  return { at, end: full, text: text.slice(at, full), means };
}

/** Whether a figure is part of the description: a gauge, a denier, the size of a bead; “wire 5 turns” has none. */
function sizeBelongs(text: string, t: Token, afterNoun: boolean, form: MaterialForm | undefined): boolean {
  const next = tokenAt(text, afterBlank(text, t.end))?.word ?? "";
  if (/^\d+\/\d+"$/.test(t.word)) return afterNoun ? form !== undefined && bySize.has(form) : true;
  // “Dumbbells, 5/32”: eyes and beads are sold by the fraction of an inch.
  if (/^\d{1,2}\/(?:8|16|32|64)$/.test(t.word) && next !== "of")
    return afterNoun
      ? form === "eyes" || form === "bead"
      : /^\s+(?:[a-z]+\s+){0,2}(?:dumb-?bell|bar-?bell|beads?|cones?|eyes)\b/.test(text.slice(t.end));
  if (/mm$/.test(t.word)) {
    return (
      !ofAPlace.test(text.slice(t.end)) &&
      !/^\s+of\b/.test(text.slice(t.end)) &&
      (afterNoun ? isSizeOf(form, t.word, isBehindComma(text, t)) : parseFloat(t.word.replace(",", ".")) < 9)
    );
  }
  if (/^\d{2,3}d(?:en)?$|^\d+(?:lbs?|kg)$/.test(t.word)) return true;
  // “White bucktail 2x shank”: so many times that it is long.
  if (/^\d+x$/.test(t.word) && timesOf.test(text.slice(t.end))) return false;
  // “A brass bead, black 6/0”: of thread.
  if (/^\d+\/0$/.test(t.word)) return !afterNoun || form === undefined || form === "thread" || form === "floss";
  if (/^0?\.\d+"?$|^\d+x$|^#\d/.test(t.word)) return true;
  if (/^\d{2,3}$/.test(t.word) && /^(?:thread|silk)$/.test(next)) return true;
  // “210 white thread”
  if (
    /^(?:[5-9]\d|[1-4]\d\d)$/.test(t.word) &&
    isColour(next) &&
    /^\s+[a-z]+\s+(?:thread|silk)\b/.test(text.slice(t.end))
  )
    return true;
  // “Black thread 140”
  const isNumber = /^(?:[5-9]\d|[1-4]\d\d)$/.test(t.word) && /^\s*(?:[,.;]|$)/.test(text.slice(t.end));
  if (isNumber && afterNoun && form === "thread") return true;
  if (/^(?:denier|den|dt|d|thou|thousandths?|ply|lbs?|pounds?)$/.test(next)) return true;
  const unit = /^\s*(?:mm|in|inch)\b/.exec(text.slice(t.end))?.[0];
  if (unit !== undefined && ofAPlace.test(text.slice(t.end + unit.length))) return false;
  if (next === "mm" || next === "in" || next === "inch")
    return afterNoun
      ? isSizeOf(form, t.word, isBehindComma(text, t))
      : Number(t.word.replace(",", ".")) <
          (/^\s*mm\s+(?:[\w-]+\s+)?(?:stick-?ons?|eyes)\b/.test(text.slice(t.end)) ? 20 : 9);
  if (/^0?\.\d+$/.test(t.word)) return true;
  // “3.8 slotted tungsten bead”: a bead's size needs no unit.
  if (/^\d[.,]\d$/.test(t.word) && afterNoun) return form === "bead";
  if (/^\d[.,]\d$/.test(t.word)) return /^\s+(?:[a-z]+\s+){0,3}?(?:bead|cone|tungsten)/.test(text.slice(t.end));
  return false;
}

/** “6 mm behind the eye”, “4 mm, dubbed”: such a figure is that of a place, or of what is done. */
const ofAPlace = /^\s+(?:behind|in\s+front|ahead|before|from|back|short|past|long|dub|wind|wrap|spin|palmer)\b/;

const timesOf =
  /^\s+(?:as\s+long|(?:the\s+|its\s+)?(?:hook|shank|gape|gap|body|abdomen|thorax|tail|wing|hackle|eye)s?\b)/;

/** Nor is the pile of a chenille wider: it is the piece that is so long. */
const WIDEST_PILE_MM = 25;
/** “Red chenille, 20 mm”: behind a comma it is the piece. */
const WIDEST_PILE_BEHIND_COMMA_MM = 16;
const isBehindComma = (text: string, t: Token): boolean => /,\s*$/.test(text.slice(0, t.at));
/** So thick no leg and no weight is: it is how long they are. */
const WIDEST_OF: Partial<Record<MaterialForm, number>> = { rubber: 5, "weight wire": 3 };
/** Whether a figure behind a noun is how wide or thick that comes. */
const isSizeOf = (form: MaterialForm | undefined, figure: string, isApart: boolean): boolean =>
  form !== undefined &&
  bySize.has(form) &&
  (form === "eyes" ||
    form === "bead" ||
    parseFloat(figure.replace(",", ".")) <=
      (form !== "chenille"
        ? (WIDEST_OF[form] ?? WIDEST_STRAND_MM)
        : isApart
          ? WIDEST_PILE_BEHIND_COMMA_MM
          : WIDEST_PILE_MM));

/** Whether all words so far would describe another noun as well: “black rabbit”. */
const isOnlyKind = (text: string, words: Token[]): boolean =>
  words.length > 0 &&
  text
    .slice(words[0]?.at, words.at(-1)?.end)
    .split(/\s+/)
    .every((w) => w === "" || isModifier(w));

function isBetweenColours(text: string, before: Token[], t: Token): boolean {
  const last = before[before.length - 1]?.word ?? "";
  const next = tokenAt(text, afterBlank(text, t.end))?.word ?? "";
  return isColour(last) && isColour(next);
}

/** “Start your thread - I'm using 8/0 in dark brown - …”: which it is, told by the way. */
const whichThread =
  /^\s*[,(-]\s*(?:(?:i|we)\s+(?:am\s+|are\s+)?(?:us(?:e|ing)|like|prefer|have)|it(?:'s|\s+is)|mine\s+is|this\s+is)\s+(?:an?\s+)?(?:\d{1,2}\/0|\d{2,3}(?:\s*d(?:en(?:ier)?)?)?)(?:\s+(?:in\s+)?(?:(?:dark|light|bright|pale|hot|fl(?:uo)?)\s+)?[a-z]+)?(?=\s*(?:[-,.;)]|$|and\b))/;
const howMuch = new Set(["thick", "thin", "heavy"]);
/** “Black dubbing thin”: how it is put on, and no kind of it. */
const isDose = (text: string, t: Token, form: MaterialForm | undefined): boolean =>
  (form === "dubbing" || form === "blend") && howMuch.has(t.word) && /^\s*(?:[,.;]|$)/.test(text.slice(t.end));
/** What goes on behind a description, and is no part of another one. */
const GOES_ON =
  "(?:with|at|to|from|for|over|under|through|behind|there|that|wound|wrapped|tied|caught|palmered)\\b|x\\s?\\d|\\d+\\s+(?:turns?|wraps?|layers?|fibres?|hairs?|strands?)\\b";
/** What is told of a stuff behind a comma, where the words go on without another. */
const toldBehind =
  /^[\s,]*(?:(?:fine|small|medium|large|narrow|dark|light|pale|bright|hot|fluo|fl)\s+)*(?:fine|small|medium|large|narrow|[a-z]+)\s*$/;
const sizesBehind = /^(?:fine|small|medium|large|narrow)$/;
/** Whether it does: “gold wire, fine through the hackle”, “a gold bead, 4 mm on the hook”. */
function goesOnBehind(words: string, form: MaterialForm | undefined, behind: string): boolean {
  if (form === "bead" && /^[\s,]*\d+(?:[.,]\d+)?\s*mm\s*$/.test(words))
    return /^\s*(?:on|already|pushed|slid|and)\b/.test(behind) || goesOn.test(behind);
  const last = /([a-z]+)\s*$/.exec(words)?.[1] ?? "";
  return toldBehind.test(words) && (isColour(last) || sizesBehind.test(last)) && goesOn.test(behind);
}
const goesOn = new RegExp(`^\\s*(?:${GOES_ON})`);
const shadeBehind = /^\s+in\s+((?:(?:dark|light|pale|bright|hot|medium|deep|fluo|fluorescent)\s+)?([a-z-]+))(?![a-z-])/;
/** “Fur brush in white”, and not “in white thread”: that is what it is of. */
function shadeAt(text: string, from: number): number | undefined {
  const shade = shadeBehind.exec(text.slice(from, from + 48));
  if (!shade) return undefined;
  const end = from + shade[0].length;
  const isLast = /^\s*(?:[,.;]|$)/.test(text.slice(end));
  if (isLast) return isColour(shade[2] ?? "") || after.has(shade[2] ?? "") ? end : undefined;
  // “In black and white …” may go on with a noun.
  const second = /^\s+(?:and|or|&)\s+([a-z]+)/.exec(text.slice(end))?.[1];
  const isOther = nounAt(text, afterBlank(text, end)) !== undefined || (second !== undefined && isColour(second));
  return isColour(shade[2] ?? "") && !isOther ? end : undefined;
}
const additionEnds = /^\s*([,;:.)(]|$|or(?=\s+(?:finer|thinner|heavier|stronger|similar|equivalent)\b))/;
/** “, fine”, “, rust”, “(8/0)”: what only describes, up to the next comma, still belongs. */
function withAddition(text: string, from: number, form: MaterialForm | undefined): number {
  // “fur brush in white”
  const shade = shadeAt(text, from);
  const own = form === "thread" ? whichThread.exec(text.slice(from, from + 80))?.[0] : undefined;
  if (own !== undefined) return from + own.length;
  let end = shade ?? from;
  for (;;) {
    const opened = /^\s*([,(])\s*/.exec(text.slice(end, end + 8));
    if (!opened) return end;
    let [place, taken] = [end + opened[0].length, 0];
    for (;;) {
      const t = tokenAt(text, place);
      if (!t) break;
      const isSize = sized.test(t.word) && sizeBelongs(text, t, true, form);
      const isUnit = isUnitAt(text, t) && taken > 0;
      // “brown dubbing, thick”: how it is put on, and no kind of it.
      if (form === "dubbing" && howMuch.has(t.word)) break;
      // “red thread, flat”: how it lies.
      if (form === "thread" && t.word === "flat") break;
      const isMetal = (form === "eyes" || form === "bead") && t.word === "lead";
      if (!isSize && !isUnit && !isMetal && !((isColour(t.word) || after.has(t.word)) && !nounOnly(text, place))) break;
      place = t.end;
      taken++;
      const next = afterBlank(text, place);
      if (next === place) break;
      place = next;
    }
    const close = additionEnds.exec(text.slice(place));
    if (taken === 0) return end;
    if (!close)
      return opened[1] === "," && goesOnBehind(text.slice(end, place), form, text.slice(place))
        ? text.slice(0, place).trimEnd().length
        : end;
    if (opened[1] === "(" && close[1] !== ")") return end;
    const stop = place - (/\s*$/.exec(text.slice(end, place))?.[0].length ?? 0);
    end = opened[1] === "(" ? place + close[0].length : stop;
    if (opened[1] === "(") return end;
  }
}

/** A word that is a noun where it stands alone begins another description: “hackle”, “wing”, “flash”. */
const nounOnly = (text: string, at: number): boolean => {
  const t = tokenAt(text, at);
  return t !== undefined && !isColour(t.word) && nounAt(text, at)?.end === t.end;
};
