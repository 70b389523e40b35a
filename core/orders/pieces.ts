import { type Span, piecesOf } from "./spans";

/** What only numbers a row: “- …”, “2) …”, “Pos 3  …”. */
export const MARKER =
  /^\s*(?:[-*•·–]\s+|(?:pos(?:ition|itie)?|item|artikel)\.?\s*\d{1,3}\s*[.:)]?\s+(?=\S)|\d{1,2}[.)]\s+(?!\p{L}{3,9}\.?\s+\d{4})|\((?:\d{1,2}|[a-z])\)\s+|[a-z]\)\s+)/iu;

export const SENTENCE =
  /(?<!(?:^|[\s\d(])(?:ms|mrs|mr|dr|ea|w|unw|wtd|dto|dito|ditto|dozn?|dzn?|dtzd?|nos?|sz|nr|gr|stk|pcs|ca|approx|req|\d{1,2}|jan|feb|mar|apr|jun|jul|aug|sept?|oct|okt|nov|dec|dez))[.!?]+(?<!\?(?=\s+\d{1,3}\s+of\s+the\s))(?<!\?(?=\s+(?:in\s+)?sizes?\s+#?\d))\s+(?=\p{Lu}|\d)|(?<=\d\.)\s+(?=(?:total|sum|gesamt|summe)(?!\p{L}))|(?<=\d[.!?])\s+(?!(?:jan|feb|mär|mar|apr|mai|may|jun|jul|aug|sep|okt|oct|nov|dez|dec)\p{L}*)(?=\p{Lu}\p{Ll}+,?\s+\p{Ll}|\p{Lu}\p{Ll}{2,},\s+\d)|(?<=\d[.!?])\s+(?=(?:(?:viele|beste|liebe|herzliche|schöne)\s+)?(?:grüße|grüsse|gruß|gruss|mfg|danke|regards|cheers|thanks|best)(?!\p{L}))|(?<=\p{L}\.)\s+(?=(?:please|bitte|thanks|thank\s+you|danke|could\s+you|can\s+you)\s+\p{L})|(?<=(?<!\p{L})(?:dzn?|doz|dtzd?)\.)\s+(?=(?:Also|And|Plus|Then|Another|The\s+same|Same|Auch|Und|Dazu|Außerdem|Ferner|Dann)\s|#?\d{1,2}(?:\/0)?:\s)|(?<=(?<![\d.])\d{1,2}(?:\/0)?\s?[-–:x×]\s?[\d½¼¾/ ]{1,6}\s?(?:dzn?|doz|dtzd?)\.)\s+(?=\p{Lu}\p{Ll}+\s+\p{Lu}\p{Ll})/giu;

export const CLAUSE =
  /;|(?<=(?<!\p{L})(?:total|altogether|in all|insgesamt|gesamt))\s*:\s|(?<!\d)\s\/\/\s|(?<=(?:dz|dozn?|dozens?|dtzd?|dutzend|flies|pcs|stk|stück)\.?)\s\/\s(?=#?\d{1,2}(?:\/0)?(?:'?s)?[\s:])|(?<!(?:dz|dozn?|dozens?|dtzd?|dutzend)\.?)\s\+\s(?=\d{1,4}\s+\p{Lu}\p{L}{2})|\s(?:--|—)\s(?!\s*[\p{L}\d½¼¾][\p{L}\d½¼¾ /.,+]{0,24}?\s?(?:dzn?|doz|dozens?|dtzd?|dutzend|flies|pcs|pieces|stück|stk)\.?\s*$)|\s\d{1,2}\)\s+(?=\p{Lu}|\d+\s*(?:dz|doz|dtz|dutzend|x\s))|(?<=(?:dozens?|dozn?|dz|dtzd?|dutzend|flies|pcs)\.?\s(?:each|apiece|per\ssize|a\ssize)),\s*(?=(?!each|apiece|per|a\s)\p{L}{3,}\s+#?\d{1,2}(?:\/0)?s?[\s,/&][^;.:]{0,40}\s(?:each|apiece|per\s+size|a\s+size)(?!\p{L}))|,\s*(?=(?:[Aa][Nn][Dd]\s+|[Uu][Nn][Dd]\s+)?(?:(?:[Tt][Hh][Ee]\s+)?[Ss][Aa][Mm][Ee](?:\s+[Aa][Gg][Aa][Ii][Nn])?|[Dd]i?t+o\.?)\s+(?:[Ii][Nn]|[Ww][Ii][Tt][Hh])\s)|\s+(?=(?:[Aa][Nn][Dd]|[Pp][Ll][Uu][Ss])\s+(?:[Tt][Hh][Ee]\s+)?[Ss][Aa][Mm][Ee](?:\s+[Aa][Gg][Aa][Ii][Nn])?\s+(?:[Ii][Nn]|[Ww][Ii][Tt][Hh]|[Oo][Ff](?!\s+(?:them|these|those|each|it)(?!\p{L})))\s)|\s+(?=und\s+(?:dasselbe|das\s+gleiche|nochmal)\s+(?:in|mit)\s)/gu;

const UNIT_OR_DATE = String.raw`(?:\s*(?:dz|doz|dozens?|dtz|dutzend|flies|fly|pcs|pieces|stück|stk|gross|x\s*\d|[½¼¾+]|th\b|st\b|nd\b|rd\b|\.\s?\d|-\d\d|[-–]\s*\d+\s*(?:dz|doz)|\s\d\/\d|(?:jan|feb|mar|mär|apr|may|mai|jun|jul|aug|sep|oct|okt|nov|dec|dez)))`;

/** A comma ends a part, but not within a number, and not within a list of sizes. */
const COMMA = new RegExp(
  String.raw`,(?!\d{3}(?!\d))(?!\s*(?:in\s+)?(?:sizes?|sz|gr(?:öße)?)\.?\s*#?\d{1,2}(?:\/0)?\s*(?:$|[.,;)]))(?<!\d,(?=\d))(?!(?<=(?:^|[\s#/])\d{1,2}(?:\/0)?,)\s*#?\d{1,2}(?:\/0)?(?!\d)(?!${UNIT_OR_DATE}))`,
  "giu",
);

/** Parts between commas, but for those within brackets. */
export const commaParts = (text: string, start: number): Span[] =>
  piecesOf(
    text.replace(/\([^()]*\)/g, (inside) => inside.replaceAll(",", "\uE001")),
    start,
    COMMA,
  ).map((p) => ({ ...p, text: text.slice(p.start - start, p.end - start) }));
