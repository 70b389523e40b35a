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

type Pair = { above: string; line: string; at: number };
function pairsOf(text: string): Pair[] {
  const lines = text.split("\n");
  let at = -1;
  return lines.slice(0, -1).map((above, i) => {
    at += above.length + 1;
    return { above: above.trimEnd(), line: lines[i + 1] ?? "", at };
  });
}
const mayGoOn = ({ above, line }: Pair, text: string): boolean =>
  above.trim() !== "" &&
  line.trim() !== "" &&
  !closed.test(above) &&
  !own.test(line) &&
  !(numbered.test(line) && first.test(text)) &&
  !/[\t|;]/.test(above);

/** A text with blanks for some of its line ends: all else stays where it was. */
export const joinedAt = (text: string, breaks: readonly number[]): string =>
  breaks.reduce((all, at) => `${all.slice(0, at)} ${all.slice(at + 1)}`, text);

/** Where a mail surely broke a line: behind a word after which something must follow. */
export const surelyBroken = (text: string): number[] =>
  pairsOf(text).flatMap((p) => (mayGoOn(p, text) && !soMany.test(p.line) && open.test(p.above) ? [p.at] : []));

/** Where a mail may have broken a line by its length: the first word of the next had no room in it. */
export function perhapsBroken(text: string): number[] {
  const pairs = pairsOf(text);
  const width = Math.max(0, ...text.split("\n").map((l) => l.trimEnd().length));
  return pairs.flatMap((p) => {
    const [word = ""] = p.line.trim().split(/\s/, 1);
    const hadNoRoom = p.above.length >= SHORTEST && p.above.length + 1 + word.length > BREAKS_AT * width;
    const line = p.line.trim();
    const isOfList = (own.test(p.above) || numbered.test(p.above)) && !/^\s/.test(p.line);
    return mayGoOn(p, text) && hadNoRoom && small.test(line) && !tellsAnew.test(line) && !isOfList ? [p.at] : [];
  });
}
