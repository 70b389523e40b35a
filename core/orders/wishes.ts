import { remembered } from "./remembered";
import type { Doubt, Policy, Wish, WishKind } from "./types";

const PART =
  "tails?|hackles?|wings?|ribs?|ribbing|bod(?:y|ies)|thorax|collars?|heads?|beads?|legs?|eyes?|cheeks?|flash|tags?|butts?|throats?|toppings?|schwanz|schwänzchen|kopf|körper|hechel|flügel|rippung|augen|beine|perle";
/** Parts of which no form of a fly is made. */
const HUNG = "legs?|eyes?|tails?|wings?|hackles?|collars?|tags?|throats?|beine|augen|schwänzchen|flügel|hechel";
const COLOUR =
  "black|white|red|yellow|green|brown|rust|blue|pink|purple|orange|tan|olive|grey|gray|gold|silver|copper|amber|pearl|chartreuse|rote[rnms]?|schwarze[rnms]?|weiße[rnms]?|gelbe[rnms]?|grüne[rnms]?|braune[rnms]?|blaue[rnms]?|goldene[rnms]?|silberne[rnms]?";
const rule = (
  kind: WishKind,
  source: string,
  policy?: Policy,
): { kind: WishKind; pattern: RegExp; policy?: Policy } => ({
  kind,
  pattern: new RegExp(
    `(?<!\\p{L})(?<!(?<!\\p{L})(?:not?|kein\\p{L}*|nicht)\\s+)(?:(?:with|in|on|please|bitte|mit|auf)\\s+(?:an?\\s+)?)?(?:${source})(?!\\p{L})(?!\\s+(?:is |are |ist )?(?:not|nicht)(?!\\p{L}))`,
    "iu",
  ),
  ...(policy && { policy }),
});

/** Longer wishes before those that are part of them. */
const rules = [
  rule(
    "barbless",
    "(?:(?:(?:they|these|hooks)\\s+)?(?:must|should|have\\s+to|need\\s+to)\\s+(?:all\\s+)?be\\s+|(?:we|i)\\s+only\\s+(?:take|use|sell|want)\\s+|hooks?\\s+|nur\\s+)?(?:on\\s+)?(?:barbless|de-?barbed|barbs? (?:crushed|pinched|down|flattened|squashed|removed|filed(?: off)?)|widerhakenlos(?:e[nrs]?)?|schonhaken)(?:\\s+(?:hooks?|wire|haken))?(?:\\s+(?:only|please))?(?:\\s*\\(important\\))?|(?:no|without) barbs?|ohne widerhaken",
  ),
  rule(
    "leadFree",
    "free\\s+of\\s+lead|lead[- ]?free\\s+(?:wire|weight|please)|no\\s+lead\\s+(?:wire|weight)|kein\\s+blei|(?:made\\s+|strictly\\s+|absolutely\\s+)?(?:no|without) lead(?:\\s+(?:on|in)\\s+(?:anything|everything|any(?:\\s+of\\s+(?:them|these))?|all(?:\\s+of\\s+(?:them|these))?)|\\s+(?:anywhere|at\\s+all|whatsoever|whatever))?|nothing\\s+(?:with\\s+lead|leaded)|lead[- ]?free|unleaded|non[- ]?lead|bleifrei|ohne blei",
  ),
  // “Sparse hackle” is no word about the whole dressing.
  rule("own", `(?:sparse|full|bushy|soft|stiff|webby|dark|pale|light|heavy)\\s+(?:${PART})`),
  rule(
    "sparse",
    "(?:tied |dressed |dress(?:ed)? them )?(?:very |extra |rather )?(?:sparse(?:ly|r)?|more lightly|lighter(?= dress| tied)|lightly|slim(?:mer)?|thin(?:ner)?)(?: (?:tied|dressed|dressing))?|(?:sehr |extra )?(?:schlank|sparsam)(?: gebunden)?",
  ),
  rule(
    "full",
    "(?:tied|dressed) (?:very |extra |rather |more )?(?:full(?:er|y)?|heav(?:y|ily|ier))(?!\\p{L})|(?:tied |dressed )?(?:very |extra |rather )?(?:heavily|full(?:y)?|bushy|heavy)(?: (?:tied|dressed|dressing))|(?:very |extra )?(?:bushy|buschig)(?: gebunden)?",
  ),
  rule(
    "policy",
    "(?:originals?|original materials?)(?: materials?)? only|only (?:the )?originals?(?: materials?)?|(?:no|without(?: any)?) substitut(?:es?|ions?)(?: materials?)?|no alternat(?:es?|ives?)|(?:do not|don't|never) substitute(?: anything)?|nothing substituted|original materials? please|exact(?:ly the)? materials?(?: only| please)?|nur original(?:material)?(?:ien)?|keine? ersatz(?:material(?:ien)?)?",
    "original",
  ),
  rule(
    "policy",
    "alternates? (?:are )?(?:ok|okay|allowed|accepted|fine)|substitut(?:es?|ions?) (?:are )?(?:ok|okay|allowed|accepted|fine)|ersatz(?:material)? (?:ist )?(?:ok|okay|erlaubt)",
    "alternates",
  ),
  rule("policy", "tier decides|your choice of materials?|was ihr habt", "tier"),
  rule(
    "without",
    `(?:no|without|w/o|none of (?:that|the|those|your)|leave (?:off|out)(?: the)?|omit(?: the)?|skip(?: the)?|ohne|kein(?:e[nrms]?)?)\\s+(?:(?:the|an?|any|de[nrm]|die|das)\\s+)?(?:(?:${COLOUR})\\s+)?(?:${PART}|sparkle|glitter|rubber legs?|glitzer)(?: (?:stuff|things?|business))?`,
  ),
  rule("part", `(?:${COLOUR})\\s+(?:${PART})`),
  // “(rubber legs please)”; of a bead the fly may have a form.
  rule("own", `(?<=\\(\\s*)(?:[a-z]+\\s+){1,3}?(?:${HUNG})(?:\\s+(?:please|bitte))?(?=\\s*\\))`),
  rule(
    "parcels",
    "(?:(?:please )?(?:deliver(?:ed|y)?|send|sent|ship(?:ped)?|split|pack(?:ed)?|box(?:ed)?|lieferung|liefern) (?:(?:them|these|it|everything|all) )?)?(?:in|as) (?:two|three|\\d|zwei|drei) (?:parcels?|deliveries|shipments?|boxes|lots|goes|drops|instal?lments|consignments|lieferungen|pakete[n]?)|split (?:the )?(?:shipment|delivery)|in (?:two|zwei) (?:halves|teilen)|(?:two|three|zwei|drei) (?:parcels|deliveries|shipments|lieferungen|pakete)",
  ),
  rule(
    "parcels",
    "(?:please\\s+)?(?:ship|send|deliver|post|pack|box)\\s+(?:(?:them|these|it|everything|all|the\\s+lot)\\s+)?(?:all\\s+)?together(?:\\s+please)?(?=\\s*(?:[,.;\\n]|$))",
  ),
  rule(
    "sample",
    "(?:a |one |send (?:me |us )?(?:a |one )?)?samples?(?: fly| flies)? first|(?:erst |zuerst )(?:ein )?muster|muster vorab",
  ),
  // What is said of handling, delivery, prices and lengths is nobody's choice of a list: it stays in these words.
  rule(
    "own",
    "(?:please\\s+)?(?:box|pack|wrap|bag|label)\\s+(?:them\\s+|these\\s+|it\\s+|everything\\s+)?(?:all\\s+)?(?:singly|individually|separately|carefully|well|flat|(?:by|per)\\s+(?:size|pattern|colou?r|(?:the\\s+)?dozen)|in\\s+(?:dozens|tens|sixes|singles))(?:\\s+and\\s+(?:label(?:led)?|mark(?:ed)?)\\s+(?:them\\s+|each\\s+)?(?:with|by)\\s+(?:the\\s+|their\\s+|its\\s+)?(?:sizes?|patterns?|names?|colou?rs?))?",
  ),
  // What is asked of prices, paying and the post is no choice of a fly either.
  rule(
    "own",
    "(?:please\\s+)?(?:let\\s+(?:me|us)\\s+know|tell\\s+(?:me|us)|advise|quote|send(?:\\s+(?:me|us))?)\\s+(?:the\\s+|your\\s+|a\\s+)?(?:prices?|costs?|total|quote)|(?:what|how\\s+much)\\s+(?:will|would|do|does)\\s+(?:they|it|these|those|that|this|all\\s+that)\\s+(?:cost|come\\s+to|be)|was\\s+kostet\\s+das|was\\s+kosten\\s+die",
  ),
  rule(
    "own",
    "(?:i(?:'ll|\\s+will)?\\s+|we(?:'ll|\\s+will)?\\s+)?(?:pay(?:ment)?|cash)\\s+(?:on\\s+(?:delivery|receipt|collection)|in\\s+advance|up\\s+front|by\\s+(?:card|transfer|cheque|check|bank)|with\\s+the\\s+order)|(?:zahlung|zahle|zahlen)\\s+(?:bei|per|im)\\s+\\p{L}+",
  ),
  rule("own", "(?:i\\s+|we\\s+)?will\\s+(?:pick\\s+(?:them\\s+)?up|collect(?:\\s+them)?|fetch\\s+them)"),
  rule(
    "own",
    "(?:please\\s+)?(?:invoice|bill|send|post|ship|deliver|pack|box|address|carriage|postage|delivery|shipping|payment|terms|discount|lieferung|rechnung|versand)(?:\\s+(?:it|them|these|address|to\\s+the\\s+(?:shop|lodge|club|usual\\s+address)))*\\s+(?:as\\s+(?:usual|always|ever)|wie\\s+(?:immer|üblich|gehabt))|(?:to\\s+the\\s+)?(?:same|usual)\\s+(?:delivery\\s+|postal\\s+)?address(?:\\s+as\\s+(?:always|usual|ever))?",
  ),
  rule(
    "own",
    "(?:please\\s+)?(?:ring|call|phone|mail|email|write\\s+to|contact)\\s+(?:me|us)\\s+(?:if|when|before|should)\\s+[^\\d.]{3,50}|(?:any|if\\s+(?:there(?:'s|\\s+is|\\s+are)\\s+)?(?:any|a))\\s+(?:problems?|questions?|trouble),?\\s+(?:please\\s+|just\\s+)?(?:ring|call|phone|mail|email)(?:\\s+(?:me|us))?",
  ),
  rule(
    "own",
    "(?:invoice|payment|pay(?:able)?|terms|net|zahlbar|zahlung|rechnung)(?:\\s+(?:in|within|after|at|binnen|innerhalb(?:\\s+von)?|nach))?\\s*:?\\s+\\d{1,3}\\s+(?:days?|tage[n]?)(?:\\s+net)?",
  ),
  rule(
    "own",
    "(?:loose|in bulk)(?:,?\\s+(?:and\\s+)?not\\s+(?:boxed|packed|carded))?|not\\s+(?:boxed|carded)|unverpackt|lose",
  ),
  rule(
    "own",
    "(?:on\\s+)?(?:the\\s+)?(?:heaviest|strongest|finest|lightest|sharpest)(?:\\s+wire)?\\s+hooks?(?:\\s+(?:that\\s+)?(?:you\\s+(?:have|can\\s+get)|there\\s+are|available))?",
  ),
  rule("own", "(?:an? )?(?:mixed|assorted) (?:box|selection|pack)(?:es)?|(?:in )?(?:an? )?gift box(?:es)?"),
  // “No 12s this year”: a size that is not wanted.
  rule("own", "(?<=[,;] )no \\d{1,2}['’]?s(?!\\p{L})(?: (?:this (?:year|time|season)|for now|now|any more|please))?"),
  rule(
    "own",
    "(?:individually|separately|singly|einzeln|getrennt)\\s+(?:boxed|packed|wrapped|bagged|labell?ed|verpackt)|gift[\\s-]*(?:wrapped|boxed|packed)|(?:boxed|packed|labell?ed|bagged)\\s+(?:individually|separately|by\\s+(?:size|(?:the\\s+)?(?:half[- ]?)?(?:a\\s+)?dozen|pattern)|in\\s+(?:half[- ]dozens|dozens|sixes|tens|singles|pairs)|per\\s+\\p{L}+)",
  ),
  rule(
    "own",
    "(?:please\\s+)?(?:deliver|ship|send|post|invoice|bill|charge|liefern|schicken|rechnung)(?:\\s+(?:it|them|these|to|an|bitte))*\\s+(?:(?:to|an|c/o|via|by(?!\\s+(?:the\\s+)?(?:end|mid|middle|start|beginning|early|late|next|this|week|mon|tue|wed|thu|fri|sat|sun|jan|feb|mar|apr|may|jun|jul|aug|sep|oct|nov|dec)))\\s+)(?:[\\p{L}'.-]+\\s*){1,5}",
  ),
  rule(
    "own",
    `(?:(?:tied|dressed|gebunden)\\s+)(?:a\\s+(?:little|bit)\\s+|slightly\\s+|extra\\s+|very\\s+|etwas\\s+)?(?:short(?:er)?|long(?:er)?|small(?:er)?|large(?:r)?|big(?:ger)?|low|high|tight|loose|kurz|lang|klein|groß)|(?:a\\s+(?:little|bit)\\s+|slightly\\s+|extra\\s+|very\\s+)?(?:short(?:er)?|long(?:er)?|thick(?:er)?|thin(?:ner)?|small(?:er)?|larger?|bigger|big|wide(?:r)?|narrow(?:er)?|lange|kurze|dicke|dünne)\\s+(?:${PART})`,
  ),
  rule("own", "(?:tied|dressed)\\s+on\\s+(?:[a-z][a-z-]*\\s+){1,3}hooks?"),
  rule(
    "own",
    "(?:(?:tied|dressed) )?(?:on )?(?:(?:heavy|light|fine|strong|standard|extra\\s+strong|stout)[- ](?:wire|gauge)(?:\\s+hooks?)?|(?:strong|heavy|fine|light)\\s+hooks?)",
  ),
  rule(
    "own",
    "(?:@|at|à|je|zu)\\s*(?:[€$£]\\s?)?\\d+[.,]\\d{2}(?!\\d)(?:\\s?(?:€|eur|\\$|£))?(?:\\s*(?:/|per|a|pro|je)\\s*(?:dz|doz|dozen|dtz|dutzend|fly|stück|stk\\.?|pcs?|piece))?|[€$£]?\\s?\\d+[.,]\\d{2}\\s?(?:€|eur|\\$|£)?\\s*(?:(?:/|per|a|pro|je)\\s*(?:dz|doz|dozen|dtz|dutzend|fly|stück|stk\\.?|pcs?|piece)|each|apiece|das\\s+stück)",
  ),
  rule(
    "own",
    "(?:to be |we(?:'ll| will| can)? |i(?:'ll| will| can)? |for |will be )?(?:collect(?:ed|ion)?|pick(?:ed)?(?:[- ]| (?:them|it) )?up)(?: (?:in person|by us|them|at the shop))?|(?:wird |werden )?(?:abgeholt|selbst abgeholt|abholung)",
  ),
  // “two each week”
  rule(
    "own",
    "(?<![\\d/])(?:(?:\\d{1,3}|an?|one|two|three|four|five|six|ten|ein|zwei|drei|vier)\\s+(?:(?:dz|doz|dozen|dutzend)\\s+)?)(?:each|every|per|pro|jede)\\s+(?:week|month|fortnight|woche|monat)",
  ),
  rule(
    "own",
    "(?:(?:ship|send|deliver|post)\\s+(?:(?:them|it|everything|all)\\s+)?)?(?:when(?:ever)?|as\\s+soon\\s+as)\\s+(?:(?:they(?:'re|\\s+are)|it(?:'s|\\s+is))\\s+)?ready",
  ),
  rule("own", "standing order|(?:every|each) (?:season|year|spring)|dauer(?:auftrag|bestellung)|jedes jahr"),
  rule(
    "rush",
    "rush(?: order)?|urgent(?:ly)?|asap(?:,? but)?|(?:as )?(?:soon|quickly|quick|fast) as (?:possible|you (?:possibly )?can)(?: but)?|priority|eilig|dringend|eilt|so bald wie möglich",
  ),
];

/** The next wish in a text, where it stands; patterns and quantities are taken out before. */
export function findWish(left: string, start: number): Wish | undefined {
  const found = wishIn(left);
  return found && { ...found, at: [start + found.at[0], start + found.at[1]] };
}
const wishIn = remembered((left): Wish | undefined => {
  for (const { kind, pattern, policy } of rules) {
    const m = pattern.exec(left);
    if (m) return { at: [m.index, m.index + m[0].length], words: m[0].trim(), kind, ...(policy && { policy }) };
  }
  return findQuoted({ left, start: 0 });
});

/** The next words in quotation marks. */
export function findQuoted({ left, start }: { left: string; start: number }): Wish | undefined {
  const own = /[“"„]([^”"“\n\uE000]{1,200})[”"“]/u.exec(left);
  if (!own) return undefined;
  return { at: [start + own.index, start + own.index + own[0].length], words: (own[1] ?? "").trim(), kind: "own" };
}

/** Words that say how much. */
const OF_QUANTITY =
  /(?<!\p{L})(?:half|halves|quarters?|thirds?|double|rest|remainder|hälfte|viertel|drittel|rest)(?!\p{L})/iu;

/** The answer that keeps words as a wish; numbers are none: they are a quantity or a size that was not read. */
export const keptAsWish = (words: string): Doubt["candidates"] =>
  (words.match(/\d+/g)?.length ?? 0) > 1 || OF_QUANTITY.test(words)
    ? []
    : [{ label: "keep it as a wish", text: `“${words.replace(/[“”"„]/g, "")}”` }];
