import { allOf, englishOnes } from "../numeric";
import { addDays, addMonths, addWeeks, format, isValid, lastDayOfMonth, parse, setISOWeek } from "date-fns";
import { TAKEN } from "./stretch";

const months: Record<string, number> = {};
[
  ["jan", "january", "januar", "jänner"],
  ["feb", "february", "februar"],
  ["mar", "march", "märz", "maerz", "mär"],
  ["apr", "april"],
  ["may", "mai"],
  ["jun", "june", "juni"],
  ["jul", "july", "juli"],
  ["aug", "august"],
  ["sep", "sept", "september"],
  ["oct", "october", "okt", "oktober"],
  ["nov", "november"],
  ["dec", "december", "dez", "dezember"],
].forEach((names, i) => names.forEach((name) => (months[name] = i + 1)));
const days: Record<string, number> = {};
[
  ["sunday", "sun", "sonntag"],
  ["monday", "mon", "montag"],
  ["tuesday", "tue", "dienstag"],
  ["wednesday", "wed", "mittwoch"],
  ["thursday", "thu", "donnerstag"],
  ["friday", "fri", "freitag"],
  ["saturday", "sat", "samstag", "sonnabend"],
].forEach((names, i) => names.forEach((name) => (days[name] = i)));
const longest = (of: Record<string, number>): string =>
  Object.keys(of)
    .sort((a, b) => b.length - a.length)
    .join("|");
export const MONTH = `(?:${longest(months)})(?!\\p{L})\\.?`;
const WEEKDAY = `(?:${longest(days)})(?!\\p{L})`;
const counts: Record<string, number> = {
  ...englishOnes,
  a: 1,
  ein: 1,
  eine: 1,
  einer: 1,
  einem: 1,
  zwei: 2,
  drei: 3,
  vier: 4,
  fünf: 5,
  sechs: 6,
  sieben: 7,
  acht: 8,
  neun: 9,
  zehn: 10,
};
const COUNT = `(?:\\d{1,2}|${longest(counts)})`;

export const isoDate = (date: Date): string => format(date, "yyyy-MM-dd");
/** Noon, so that no time zone moves the day. */
const noon = (iso: string): Date => parse(`${iso} 12:00`, "yyyy-MM-dd HH:mm", new Date(0));
const count = (text: string): number => counts[text.toLowerCase()] ?? Number(text);

/** A day, or the days that it could be. */
export type DayRead = { day: string; words?: string } | { either: string[] };
type Groups = (string | undefined)[];
interface Way {
  source: string;
  read: (groups: Groups, today: string) => DayRead | undefined;
}

/** The day of that number, month and year; without a year the next such day. */
function dayOf(d: number, m: number, y: string | undefined, today: string): DayRead | undefined {
  const make = (year: number): string | undefined => {
    const date = parse(`${year}-${m}-${d} 12:00`, "yyyy-M-d HH:mm", new Date(0));
    return isValid(date) ? isoDate(date) : undefined;
  };
  if (y !== undefined) {
    const year = y.length === 2 ? 2000 + Number(y) : Number(y);
    const day = year >= 2000 ? make(year) : undefined;
    return day === undefined ? undefined : { day };
  }
  const year = Number(today.slice(0, 4));
  const day = [make(year), make(year + 1)].find((made) => made !== undefined && made >= today);
  return day === undefined ? undefined : { day };
}
const monthOf = (text = ""): number => months[text.toLowerCase().replace(".", "")] ?? 0;

function slashed(a: string, b: string, y: string | undefined, today: string): DayRead | undefined {
  const ways = [dayOf(Number(a), Number(b), y, today), dayOf(Number(b), Number(a), y, today)].flatMap((r) =>
    r && "day" in r ? [r.day] : [],
  );
  const either = [...new Set(ways)];
  const [day] = either;
  return day === undefined ? undefined : either.length === 1 ? { day } : { either };
}

/** A part of a month is the last day of it: early ends on the 10th, mid on the 15th. */
function partOf(part: string, m: number, y: string | undefined, today: string): DayRead | undefined {
  if (/^(early|beginning|start|anfang)/i.test(part)) return dayOf(10, m, y, today);
  if (/^(mid|middle|mitte)/i.test(part)) return dayOf(15, m, y, today);
  const first = dayOf(28, m, y, today);
  return first && "day" in first ? { day: isoDate(lastDayOfMonth(noon(first.day))) } : undefined;
}
const weekday = (name: string, today: string): Date => {
  const from = noon(today);
  const ahead = ((days[name.toLowerCase()] ?? 0) - from.getDay() + 7) % 7;
  return addDays(from, ahead === 0 ? 7 : ahead);
};
const ahead = (n: number, unit: string, from: Date): DayRead => {
  if (/^(w)/i.test(unit)) return { day: isoDate(addWeeks(from, n)) };
  return { day: isoDate(/^(m)/i.test(unit) ? addMonths(from, n) : addDays(from, n)) };
};

/** Words in the order of what they count, from one on. */
function numbered(words: string): Record<string, number> {
  return Object.fromEntries(words.split(" ").map((w, i) => [w, i + 1]));
}
const ordinals: Record<string, number> = {
  ...numbered(
    "first second third fourth fifth sixth seventh eighth ninth tenth eleventh twelfth thirteenth fourteenth fifteenth " +
      "sixteenth seventeenth eighteenth nineteenth twentieth twenty-first twenty-second twenty-third twenty-fourth " +
      "twenty-fifth twenty-sixth twenty-seventh twenty-eighth twenty-ninth thirtieth thirty-first",
  ),
  ...numbered(
    "ersten zweiten dritten vierten fünften sechsten siebten achten neunten zehnten elften zwölften dreizehnten " +
      "vierzehnten fünfzehnten sechzehnten siebzehnten achtzehnten neunzehnten zwanzigsten",
  ),
  dreißigsten: 30,
};
const ORDINAL = `(?:${longest(ordinals)})(?!\\p{L})`;

/** Easter Sunday of a year, by the Gregorian computus of Meeus, Jones and Butcher (Nature 13, 1876, p. 487). */
function easterOf(year: number): Date {
  const a = year % 19;
  const b = Math.floor(year / 100);
  const c = year % 100;
  const d = (19 * a + b - Math.floor(b / 4) - Math.floor((b - Math.floor((b + 8) / 25) + 1) / 3) + 15) % 30;
  const e = (32 + 2 * (b % 4) + 2 * Math.floor(c / 4) - d - (c % 4)) % 7;
  const f = d + e - 7 * Math.floor((a + 11 * d + 22 * e) / 451) + 114;
  return new Date(year, Math.floor(f / 31) - 1, (f % 31) + 1, 12);
}

/** A feast, of this year or the next. */
function feast(name: string, y: string | undefined, today: string): DayRead {
  const inYear = (year: number): string => {
    if (/^(?:christ|weih)/i.test(name)) return `${year}-12-24`;
    const easter = easterOf(year);
    if (/friday|karfreitag/i.test(name)) return isoDate(addDays(easter, -2));
    return isoDate(/^(?:easter|ostern)/i.test(name) ? easter : addDays(easter, 49));
  };
  const year = Number(y ?? today.slice(0, 4));
  const day = inYear(year);
  return { day: y === undefined && day < today ? inYear(year + 1) : day };
}

const ways: Way[] = [
  { source: String.raw`(\d{4})-(\d{2})-(\d{2})(?!\d)`, read: (g, t) => dayOf(Number(g[3]), Number(g[2]), g[1], t) },
  {
    source: String.raw`(early|beginning of|start of|start|mid|middle of|late|end of|end|anfang|mitte|ende)[\s-]+(${MONTH})(?:\s+(\d{4}))?`,
    read: (g, t) => partOf(g[1] ?? "", monthOf(g[2]), g[3], t),
  },
  {
    // “by the second week of May”: from its first day, or up to its last?
    source: String.raw`(first|second|third|fourth|last|1st|2nd|3rd|4th|ersten?|zweiten?|dritten?|vierten?|letzten?)\s+(?:week\s+(?:of|in)|woche\s+(?:im|des))\s+(?:the\s+)?(${MONTH})(?:,?\s+(\d{4}))?(?!\d)`,
    read: (g, t) => weekIn(g[1] ?? "", monthOf(g[2]), g[3], t),
  },
  {
    // “the first Saturday in April”
    source: String.raw`(first|second|third|fourth|last|1st|2nd|3rd|4th|ersten?|zweiten?|dritten?|vierten?|letzten?)\s+(${WEEKDAY})\s+(?:of|in|im)\s+(?:the\s+)?(${MONTH})(?:,?\s+(\d{4}))?(?!\p{L}|\s*\d|\.\d)`,
    read: (g, t) => weekdayIn(g[1] ?? "", g[2] ?? "", monthOf(g[3]), g[4], t),
  },
  {
    // “sometime in June”: from its first day, or up to its last?
    source: String.raw`(?:(?:some\s?time|any\s?time|irgendwann)\s+(?:in|im|during)|during|in|im(?:\s+laufe\s+des)?)\s+(${MONTH})(?:,?\s+(\d{4}))?(?!\p{L}|\s*\d|\.\d)`,
    read: (g, t) => monthIn(monthOf(g[1]), g[2], t),
  },
  {
    source: String.raw`(${ORDINAL})\s+(?:of\s+)?(${MONTH})(?:,?\s+(\d{4}))?(?!\d)`,
    read: (g, t) => dayOf(ordinals[(g[1] ?? "").toLowerCase()] ?? 0, monthOf(g[2]), g[3], t),
  },
  {
    source: String.raw`(good friday|karfreitag|easter|ostern|whitsun|pentecost|pfingsten|christmas|weihnachten)(?:\s+(\d{4}))?(?!\p{L})`,
    read: (g, t) => feast(g[1] ?? "", g[2], t),
  },
  {
    source: String.raw`(\d{1,2})(?:st|nd|rd|th|\.)?\s*(?:of\s+)?(${MONTH})(?:,?\s+(\d{4}))?(?!\d|\.\d)`,
    read: (g, t) => dayOf(Number(g[1]), monthOf(g[2]), g[3], t),
  },
  {
    source: String.raw`(${MONTH})\s+(?:the\s+)?(\d{1,2})(?:st|nd|rd|th)?(?:,?\s+(\d{4}))?(?!\d|[.:/]\d|\s*(?:dz|doz|flies|pcs))`,
    read: (g, t) => dayOf(Number(g[2]), monthOf(g[1]), g[3], t),
  },
  {
    source: String.raw`(\d{1,2})\.\s?(\d{1,2})\.\s?(\d{4}|\d{2}(?!\d))?`,
    read: (g, t) => dayOf(Number(g[1]), Number(g[2]), g[3], t),
  },
  // “by 30/4”, and “30/4” alone: no hook has such a size.
  {
    source: String.raw`(2[5-9]|3[01])\s?/\s?(0?[1-9]|1[0-2])(?![\d/])`,
    read: (g, t) => dayOf(Number(g[1]), Number(g[2]), undefined, t),
  },
  {
    source: String.raw`(?<=(?:by|due|before|until|bis|vor)\s+(?:the\s+|zum\s+)?)(\d{1,2})\/(\d{1,2})(?![\d/])`,
    read: (g, t) => slashed(g[1] ?? "", g[2] ?? "", undefined, t),
  },
  {
    source: String.raw`(\d{1,2})\/(\d{1,2})\/(\d{4})`,
    read: (g, t) => slashed(g[1] ?? "", g[2] ?? "", g[3], t),
  },
  {
    source: String.raw`(\d{1,2})\/(\d{1,2})\/(2[6-9]|3\d)(?![\d/])`,
    read: (g, t) => slashed(g[1] ?? "", g[2] ?? "", g[3], t),
  },
  {
    source: String.raw`(early|beginning of|start of|mid|middle of|late|end of|anfang|mitte|ende)\s+(this|next|the|diese[ns]|nächste[ns])\s+(?:month|monats?)(?!\p{L})`,
    read: (g, t) => {
      const in0 = addMonths(noon(t), /next|nächst/i.test(g[2] ?? "") ? 1 : 0);
      return partOf(g[1] ?? "", in0.getMonth() + 1, String(in0.getFullYear()), t);
    },
  },
  {
    source: String.raw`in\s+(${COUNT})\s+(days?|weeks?|months?|tag(?:en)?|wochen?|monat(?:en)?)(?!\p{L})`,
    read: (g, t) => ahead(count(g[1] ?? ""), g[2] ?? "", noon(t)),
  },
  {
    source: String.raw`(${WEEKDAY})\s+fortnight(?!\p{L})|(?:a\s+)?fortnight\s+(?:on|from)\s+(${WEEKDAY})(?!\p{L})`,
    read: (g, t) => ({ day: isoDate(addDays(weekday(g[1] ?? g[2] ?? "", t), 14)) }),
  },
  {
    source: String.raw`in\s+(?:a|one)\s+fortnight(?:'s\s+time)?(?!\p{L})`,
    read: (_g, t) => ahead(14, "d", noon(t)),
  },
  {
    source: String.raw`(${WEEKDAY})\s+week(?!\p{L})`,
    read: (g, t) => ({ day: isoDate(addDays(weekday(g[1] ?? "", t), 7)) }),
  },
  {
    source: String.raw`(?:next|nächsten?)\s+(${WEEKDAY})`,
    read: (g, t) => {
      const day = weekday(g[1] ?? "", t);
      return { either: [isoDate(day), isoDate(addDays(day, 7))] };
    },
  },
  {
    source: String.raw`(?:this\s+|diesen\s+)?(${WEEKDAY})`,
    read: (g, t) => ({ day: isoDate(weekday(g[1] ?? "", t)) }),
  },
  { source: String.raw`(?:tomorrow|morgen)(?!\p{L})`, read: (_g, t) => ahead(1, "d", noon(t)) },
  {
    source: String.raw`(?:(?:in|during)\s+)?(?:kw|(?:calendar\s+)?week(?:\s+no\.?)?)\s*(\d{1,2})(?!\d|\s*(?:dz|doz|dtz|flies|x\s))`,
    read: (g, t) => weekOf(Number(g[1]), t),
  },
];

const weeks = [
  ["first", "1", "erst"],
  ["second", "2", "zweit"],
  ["third", "3", "dritt"],
  ["fourth", "4", "viert"],
];
/** The first and the last day of a month. */
function monthIn(m: number, y: string | undefined, today: string): DayRead | undefined {
  const end = partOf("end", m, y, today);
  return end && "day" in end ? { either: [`${end.day.slice(0, 8)}01`, end.day] } : undefined;
}
/** The first and the last day of a week of a month; the first week begins with the month. */
function weekIn(which: string, m: number, y: string | undefined, today: string): DayRead | undefined {
  const n = weeks.findIndex((words) => words.some((w) => which.toLowerCase().startsWith(w)));
  const ends = n < 0 ? partOf("end", m, y, today) : dayOf((n + 1) * 7, m, y, today);
  if (!ends || !("day" in ends)) return undefined;
  return { either: [isoDate(addDays(noon(ends.day), -6)), ends.day] };
}

/** The first, second … or last of such a weekday in a month. */
function weekdayIn(which: string, name: string, m: number, y: string | undefined, today: string): DayRead | undefined {
  const n = weeks.findIndex((words) => words.some((w) => which.toLowerCase().startsWith(w)));
  const ends = partOf("end", m, y, today);
  if (!ends || !("day" in ends)) return undefined;
  const last = noon(ends.day);
  const begins = n < 0 ? addDays(last, -6) : addDays(noon(`${ends.day.slice(0, 8)}01`), 7 * n);
  return { day: isoDate(addDays(begins, ((days[name.toLowerCase()] ?? 0) - begins.getDay() + 7) % 7)) };
}

/** The Friday of a numbered week. */
function weekOf(n: number, today: string): DayRead | undefined {
  if (n < 1 || n > 53) return undefined;
  const friday = (from: Date): string => isoDate(addDays(setISOWeek(from, n), 5 - (setISOWeek(from, n).getDay() || 7)));
  const now = friday(noon(`${today.slice(0, 4)}-07-01`));
  return { day: now >= today ? now : friday(noon(`${Number(today.slice(0, 4)) + 1}-07-01`)) };
}

const BEFORE = String.raw`(?:(?:preferably|hopefully|ideally|if\s+possible|möglichst)\s+(?=(?:by|before|on|bis|for)(?!\p{L}))|(?:they(?:'re|\s+are)|it(?:'s|\s+is)|(?:we|i)\s+(?:need|want)\s+(?:this\s+lot|all\s+of\s+(?:it|this|these)|the\s+lot))\s+(?=(?:needed|wanted|due|required|by|before|bis)(?!\p{L})))?(?:(?:all|both|everything|alles?|beide[sn]?)\s+(?=(?:to\s+be|needed|wanted|due|required|ready|by|for|bis)(?!\p{L})))?(?:(?:(?:(?:(?:they|it|these|those|all)\s+)?(?:must|should|need\s+to|have\s+to)\s+be\s+|(?:in|on)\s+(?:our|my)\s+(?:hands|shelf|shelves|counter)\s+|here\s+)(?=(?:by|before|no\s+later|not\s+later|on|bis)(?!\p{L}))|(?:(?:they|it|these|those|all)\s+)?(?:must|should|need\s+to|have\s+to)\s+be\s+(?:here|ready|with\s+us|in\s+(?:our|my)\s+hands)(?=\s+(?:by|before|no\s+later|not\s+later|on|bis)(?!\p{L}))|deadline(?:\s+is)?|the\s+(?:date|day|deadline)\s+is|to\s+be\s+(?:ready|here|shipped|sent|delivered|posted|with\s+(?:us|me))|to\s+(?:arrive(?:\s+(?:with|at)\s+(?:us|me))?|reach\s+(?:us|me))|(?:ship(?:ped)?|send|sent|post(?:ed)?|dispatch(?:ed)?|deliver(?:ed)?)(?=\s+(?:by|before|no\s+later|not\s+later|bis)(?!\p{L}))|ship(?:ping|s)?(?=\s+(?:on\s+)?\d{1,2}(?:\.|st|nd|rd|th)?\s+\p{L})|ready|req(?:'?d)?\.?|(?:delivery|due|ship(?:ping)?|required|needed|wanted|liefer)[\s-]*(?:date|day|datum|termin)|date\s+(?:required|wanted|due)|date|datum|when|wann|arrival|arrives?|required|wanted\s+here|arriving|(?:date\s+)?needed|wanted|due|delivered|delivery|lieferung|liefertermin|termin)\s*:?\s*)?(?:(?:on or before|by or before|no later than|not later than|at\s+the\s+(?:very\s+)?latest|by|due|before|for|on|until|around|about|roughly|latest|not after|bis|vor|am|zum|um|gegen|etwa|ca\.?|spätestens)\s*:?\s+)*(?:the\s+|zum\s+|dem\s+)?(?:(?:${WEEKDAY}),?\s+(?:the\s+)?(?=\d|${MONTH}))?`;
/** What every way to say a day has: figures with a sign between, or the name of a month, a day, a feast or a span. */
const mayBeDay = new RegExp(
  String.raw`\d\s?[./-]\s?\d|${longest(months)}|${longest(days)}|easter|ostern|friday|freitag|whit|pentecost|pfingst|christmas|weihnacht|tomorrow|morgen|day|week|fortnight|month|tag|woche|monat|kw`,
  "i",
);
/** Only where it stands alone: “3 weeks”. */
const alone: Way[] = [
  {
    source: String.raw`(${COUNT})\s+(days?|weeks?|months?|tage?|wochen?|monate?)(?:\s+(?:from (?:now|today)|time))?$`,
    read: (g, t) => ahead(count(g[1] ?? ""), g[2] ?? "", noon(t)),
  },
];
/** “12 March at the latest” */
const AFTER = String.raw`(?:\s+(?:at\s+the\s+(?:very\s+)?latest|latest|spätestens)(?!\p{L}))?`;
const whole = [...ways, ...alone].map((w) => ({ ...w, pattern: new RegExp(`^${BEFORE}${w.source}${AFTER}$`, "iu") }));
const anywhere = ways.map((w) => ({
  ...w,
  pattern: new RegExp(`(?<![\\p{L}\\d#./-])${BEFORE}${w.source}${AFTER}`, "giu"),
}));

/**
 * A day as people write it: "12 Mar", "2027-03-12", "12.3.2027", "mid May", "Friday week", "in 3 weeks", "KW 12".
 * Without a year, the next such day.
 * @param today ISO date
 * @returns the day, or the two that it could be; undefined when the text is not a day
 */
export function readDay(text: string, today: string): DayRead | undefined {
  if (!mayBeDay.test(text)) return undefined;
  const clean = text.trim().replace(/\s+/g, " ");
  for (const { pattern, read } of whole) {
    const m = pattern.exec(clean);
    const day = m && read([...m], today);
    if (day) return day;
  }
  return undefined;
}

const commaAhead = new RegExp(
  String.raw`(?<=(?<!\p{L})(?:${MONTH})\s+(?:the\s+)?\d{1,2}(?:st|nd|rd|th)?),(?=\s+20\d\d(?!\d))`,
  "giu",
);
/** “March 12th, 2027”: its comma parts nothing. @returns as long as it was */
export const daysInOne = (text: string): string => text.replace(commaAhead, " ");

/** A day within a longer text, and where it stands there. */
export interface DayFound {
  at: [number, number];
  read: DayRead;
}
/** The days within a longer text, those that are said most plainly first; none lies within another. */
export function* daysIn(text: string, today: string): Generator<DayFound> {
  if (!mayBeDay.test(text)) return;
  let left = text;
  for (const { pattern, read } of anywhere)
    for (const m of allOf(pattern, left)) {
      const day = read([...m], today);
      if (!day) continue;
      const [from, to] = [m.index, m.index + m[0].length];
      left = left.slice(0, from) + TAKEN.repeat(to - from) + left.slice(to);
      yield { at: [from, to], read: day };
    }
}
/** The first of them. */
export const findDay = (text: string, today: string): DayFound | undefined =>
  daysIn(text, today).next().value ?? undefined;

/** The day that is meant, where there is no other; ISO date. */
export function readDate(text: string, today: string): string | undefined {
  const read = readDay(text, today);
  return read && "day" in read ? read.day : undefined;
}
