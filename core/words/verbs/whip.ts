import { make } from "./making";
import { verb } from "./verb";
import type { Telling } from "../bench";
import { anyOf } from "../parse";

const spelled =
  /^(?:(?:and|then|now|next|finally|lastly|just|only)\s+)*(?:an?\s+)?(?:(?:finish|tie)\s+(?:off\s+)?(?:(?:(?:under|beneath|behind|in\s+front\s+of)\s+(?:the\s+\w+|it|them|that)|in\s+front)\s+)?with\s+(?:a\s+)?|make\s+a\s+)?(\d+|two|three|four|five|six|seven|eight)[- ](?:turn|wrap)/;
/** “two whip finishes”: the knot made twice. */
const times = /^(?:a\s+)?(double|two|three|2|3)\s+whip\s+finish|\bfinish\s+([23])\s?x\b/;
const inLots = /\bin\s+\w+\s+(?:lots|goes|sets|stages|batches)\b/;
const numbers: Record<string, number> = { double: 2, two: 2, three: 3, four: 4, five: 5, six: 6, seven: 7, eight: 8 };

/** The knot. “A five-turn whip finish” says its turns in its own words. */
export function tellWhip(t: Telling): void {
  const { told, text } = t;
  const own = spelled.exec(text.slice(told.at, told.end).trim());
  const said = { ...told.said };
  const short = /^w\/?f(\d{1,2})/.exec(text.slice(told.at, told.end).trim());
  if (short && said.turns === undefined && said.times === undefined) said.turns = Number(short[1]);
  if (own && said.turns === undefined) {
    const all = numbers[own[1] ?? ""] ?? Number(own[1]);
    // “10 turns of whip finish in two lots”: so many in all.
    const lots = inLots.test(text.slice(told.at, told.end)) ? (said.times ?? 1) : 1;
    said.turns = all % lots === 0 ? all / lots : all;
  }
  const often = times.exec(text.slice(told.at, told.end).trim());
  if (often && said.times === undefined) said.times = numbers[often[1] ?? ""] ?? Number(often[1] ?? often[2]);
  make(t, "whip", said, {}, { name: "whip finish" });
}

export const whip = verb(
  "whip",
  anyOf(
    "(?:(?:and\\s+)?(?:give\\s+it|make|take|do)\\s+)?(?=(?:\\d+|two|three|four|five|six|seven|eight|ten)\\s+turns?\\s+(?:with|of)\\s+(?:the|a)\\s+whip)",
    "finish\\s+(?:off\\s+)?(?=(?:behind|in\\s+front\\s+of)\\s+the\\s+\\w+\\s+with\\s+(?:\\d+|two|three|four|five|six|seven|eight)\\s+turns?)",
    "(?:\\d+|two|three|four|five|six|seven|eight)\\s+(?:turns?|wraps?)\\s+of\\s+(?:the\\s+)?whip(?:[- ]?finish)?",
    // Where it is made stays to be read.
    "finish\\s+(?:off\\s+)?(?=(?:(?:close|just|right|immediately)\\s+)?(?:under|beneath|behind|in\\s+front\\s+of)\\s+the\\s+\\w+\\s+with\\s+(?:an?\\s+)?(?:(?:\\d+|[a-z]+)[\\s-]turn\\s+)?whip)",
    "finish\\s+(?:off\\s+)?(?:(?:under|beneath|behind|in\\s+front\\s+of)\\s+(?:it|them|that)|in\\s+front)\\s+with(?=\\s+(?:an?\\s+)?(?:(?:\\d+|[a-z]+)[\\s-]turn\\s+)?whip)",
    "finish(?:\\s+off)?\\s+with\\s+(?:\\d+|two|three|four|five|six|seven|eight)\\s+turns?\\s+of\\s+(?:the\\s+|a\\s+)?whip(?:[- ]?finish)?",
    "(?:\\d+|two|three|four|five|six|seven|eight)\\s+turns?\\s+whip(?:[- ]?finish)?",
    "(?:an?\\s+)?(?:\\d+|two|three|four|five|six|seven|eight)[- ](?:turn|wrap)\\s+(?:whip|finish|knot)(?=\\s*(?:[,.;]|$)|\\s+(?:and|behind|at|with)\\b)",
    "finish\\s+(?:off\\s+)?the\\s+head(?=\\s*(?:[,.;]|$))",
    "finish\\s+(?:the\\s+)?head\\s+with(?=\\s+(?:an?\\s+)?(?:\\w+[\\s-]+turns?|whip))",
    "finish(?:\\s+(?:it|the\\s+fly|off|neatly|up))*(?=\\s+(?:close\\s+|just\\s+|right\\s+)?(?:behind|in\\s+front\\s+of|at|near|by)\\s+the\\s+(?:(?:hook\\s+)?eyes?|head|bead|cone|collar|hackle)\\s*(?:[,.;]|$|and\\b))",
    "finish\\s+(?:it\\s+|the\\s+fly\\s+)?off(?=\\s*(?:[.;]|$))",
    "whip(?:ped)?(?:[- ]?finish)?\\s+[23]\\s?x(?=\\s*(?:[,.;]|$|and\\b))",
    "w\\/?f\\d{1,2}",
    "w\\/?f(?=\\s|$)",
    "finish(?:\\s+off)?\\s+with(?=\\s+(?:\\d+|two|three|four|five|six|seven|eight)\\s+turns?\\s*(?:[.,;]|$|(?:and|behind|in\\s+front|at|under)\\b))",
    "(?:a\\s+)?(?:double|two|three|2|3)\\s+whip\\s+finish(?:es)?",
    "(?:an?\\s+)?(?:\\d+|two|three|four|five|six|seven|eight)\\s+(?:turns?|wraps?)\\s+(?:of\\s+)?whip[- ]?finish",
    "(?:an?\\s+)?(?:\\d+|[a-z]+)[- ]turn\\s+whip(?:[- ]?finish(?:es)?)?",
    "(?:and\\s+)?(?:an?\\s+|finish\\s+(?:off\\s+)?with\\s+(?:a\\s+)?|tie\\s+off\\s+with\\s+(?:a\\s+)?|make\\s+a\\s+)?(?:(?:\\d+|two|three|four|five|six|seven|eight)[- ]turn\\s+)?whip(?:ped)?(?:[- ]?finish(?:es|ed)?)?(?:\\s+the\\s+head)?",
    "(?:and\\s+)?(?:knot\\s+it(?:\\s+off)?|tie\\s+(?:the|a)\\s+knot)(?=\\s*(?:[,.;]|$))",
    "(?:final\\s+)?knot(?!\\s+(?:level|at|in|half|halfway|about|each|them|it|the|an?|one|two|three|four|six|some|\\d+)\\b)",
  ),
  tellWhip,
);
