/** Behind these words something must follow: a line that ends with one was broken. */
const openWords =
  "and|or|the|an?|of|to|for|in|with|by|from|but|und|oder|der|den|dem|eine?|einen|von|zum|zur|für|mit|bis|aber";
const open = new RegExp(`(?<![\\p{L}\\d])(?:${openWords})$`, "iu");
const closed = /[.!?:;]$/;
/** What begins a thing of its own: a bullet, a quoted line, a cell of a table. */
const own = /^\s*(?:[-–*•>#]\s|[>|]|[a-z]\))|[\t|;]/iu;
/** “1. …”: in a text that numbers its lines, each of them. */
const numbered = /^\s*\(?\d{1,2}[.)]\s/u;
const first = /^\s*\(?1[.)]\s/mu;
const soMany = /^\s*\d+\s*(?:x|×|dz|doz|dozen|pcs|pieces|st(?:k|ück)?|dtz|dutzend)\b/iu;

/** What is written in small letters, or a number of what the line above counts: no row of a list begins so. */
const small = /^(?:\p{Ll}|#?\d{1,2}(?:\/0)?s?(?:[.,;)]|\s+(?:and|und|by|is|to|\p{Ll}{4,})|$))/u;
/** “same in 16”, “olive: same”, “and 1 dz of black”: what tells another thing than the line above. */
const tellsAnew = /^(?:(?:the\s+)?same|ditto|dito|dto|as\s+above|and\s+\d|plus\s+\d|und\s+\d|\p{L}+\s*:)/iu;
/** A shorter line was ended by who wrote it. */
const SHORTEST = 40;
/** A hand breaks a line a little before its end. */
const BREAKS_AT = 0.8;

/** No mail is longer: of a longer text each line is read as it stands, since long statements cost the most. */
const LONGEST_MAIL = 20_000;

type Pair = { above: string; line: string; at: number; isNumbered: boolean };
function pairsOf(text: string): Pair[] {
  if (text.length > LONGEST_MAIL) return [];
  const lines = text.split("\n");
  const isNumbered = first.test(text);
  let at = -1;
  return lines.slice(0, -1).map((above, i) => {
    at += above.length + 1;
    return { above: above.trimEnd(), line: lines[i + 1] ?? "", at, isNumbered };
  });
}
const mayGoOn = ({ above, line, isNumbered }: Pair): boolean =>
  above.trim() !== "" &&
  line.trim() !== "" &&
  !closed.test(above) &&
  !own.test(line) &&
  !(isNumbered && numbered.test(line)) &&
  !/[\t|;]/.test(above);

/** A text with blanks for some of its line ends: all else stays where it was. */
export function joinedAt(text: string, breaks: readonly number[]): string {
  const stretches = [-1, ...breaks].map((at, n) => text.slice(at + 1, breaks[n]));
  return stretches.join(" ");
}

/** No statement is longer: what would go on behind so much is a line of its own. */
const LONGEST = 400;
/** Breaks of which no more follow each other than make one statement. */
function within(pairs: readonly Pair[], isBreak: (p: Pair) => boolean): number[] {
  let length = 0;
  return pairs.flatMap((p) => {
    length += p.above.length;
    const isOne = isBreak(p) && length + p.line.length < LONGEST;
    if (!isOne) length = 0;
    return isOne ? [p.at] : [];
  });
}

/** Where a mail surely broke a line: behind a word after which something must follow. */
export const surelyBroken = (text: string): number[] =>
  within(pairsOf(text), (p) => mayGoOn(p) && !soMany.test(p.line) && open.test(p.above));

/** Where a mail may have broken a line by its length: the first word of the next had no room in it. */
export function perhapsBroken(text: string): number[] {
  const pairs = pairsOf(text);
  const width = pairs.reduce((most, { above, line }) => Math.max(most, above.length, line.trimEnd().length), 0);
  return within(pairs, (p) => {
    const line = p.line.trim();
    const [word = ""] = line.split(/\s/, 1);
    const hadNoRoom = p.above.length >= SHORTEST && p.above.length + 1 + word.length > BREAKS_AT * width;
    const isOfList = (own.test(p.above) || numbered.test(p.above)) && !/^\s/.test(p.line);
    return mayGoOn(p) && hadNoRoom && small.test(line) && !tellsAnew.test(line) && !isOfList;
  });
}
