import type { AddedLength, LengthRule, Measure, PlainLength, Reach } from "../../recipe";
import { sayNumber, shareName } from "./number";
import { sayPlace } from "./place";

function sayPlain(rule: PlainLength): string {
  if ("mm" in rule) return `${sayNumber(rule.mm)} mm`;
  if ("of" in rule) return `${sayTimes(rule.of, rule.times)}${rule.plus ? sayAdded(rule.plus) : ""}`;
  const target = "to" in rule ? sayPlace(rule.to) : reachNames[rule.reach];
  if (rule.share !== undefined) return `${sayShareOfWay(rule.share)} to ${target}`;
  if (rule.pastMm === undefined) return `to ${target}`;
  return `${sayNumber(Math.abs(rule.pastMm))} mm ${rule.pastMm < 0 ? "short of" : "past"} ${target}`;
}

function sayShareOfWay(share: number): string {
  const name = shareName(share);
  return name === "half" ? "half way" : `${name ?? sayNumber(share)} of the way`;
}

const reachNames: Record<Reach, string> = {
  point: "the point",
  barb: "the barb",
  bend: "the bend",
  "mid-tail": "the middle of the tail",
  tail: "the tail tip",
  wing: "the wing tip",
};

function sayTimes(of: Measure, times: number): string {
  if (times === 1) return `the ${of} length`;
  const share = shareName(times);
  if (share === "half") return `half the ${of}`;
  return share ? `${share} of the ${of}` : `${sayNumber(times)} × the ${of}`;
}

/** “plus half the gape”, “less 2 mm”. */
function sayAdded(plus: AddedLength): string {
  const much = "mm" in plus ? plus.mm : plus.times;
  const words = "mm" in plus ? `${sayNumber(Math.abs(plus.mm))} mm` : sayTimes(plus.of, Math.abs(plus.times));
  return ` ${much < 0 ? "less" : "plus"} ${words}`;
}

/** A length in the words that read back to it. */
export function sayLength(rule: LengthRule): string {
  if (!("between" in rule)) return sayPlain(rule);
  const [a, b] = rule.between.map(targetOf);
  if (a !== undefined && b !== undefined) return `between ${a} and ${b}`;
  return `between ${sayPlain(rule.between[0])} and ${sayPlain(rule.between[1])}`;
}
const targetOf = (rule: PlainLength): string | undefined =>
  "reach" in rule ? reachNames[rule.reach] : "to" in rule ? sayPlace(rule.to) : undefined;
