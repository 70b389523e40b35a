import type { Place } from "../../hooks";
import {
  clause,
  numberIn,
  pairIn,
  placeIn,
  put,
  putIf,
  putRule,
  putWay,
  rangeIn,
  wholeIn,
  wordIn,
  zoneIn,
  type Clause,
  type StepOf,
} from "../said";
import { LENGTH, NUMBER, PLACE, sayLength, sayNumber, sayPlace } from "../text";
import { counted, from, spanWords, tiedIn, wraps, zone } from "./common";

/** “5 turns”, of a winding or of the knot. */
const turns = clause(`(${NUMBER})\\s+turns?`, "5 turns", (s, [text]) => {
  const n = numberIn(text, 0.1);
  return n !== undefined && putRule(s, { turns: n });
});

const everyMm = (source: string, example: string): Clause =>
  clause(source, example, (s, [text]) => {
    const pitch = numberIn(text, 0.001);
    return pitch !== undefined && putRule(s, { pitch });
  });

const where: Clause[] = [
  clause(`laid\\s+from\\s+(${PLACE})\\s+to\\s+(${PLACE})`, "laid from mid-shank to bend", (s, [a, b]) => {
    const laid = zoneIn(a, b);
    return putIf(s, laid && { laid });
  }),
  zone,
  tiedIn,
  clause(
    `(?:ramp(?:ed)?|filled)\\s+(?:up\\s+)?(?:from\\s+)?(${LENGTH}|${NUMBER})\\s*(?:to|–|-)\\s*(${LENGTH})`,
    "ramp 0.4 to 0.1 gape",
    (s, [a, b]) => {
      const fill = pairIn(a, b);
      return putIf(s, fill && { fill }) && putRule(s, { touching: true });
    },
  ),
  clause(`(?:ramp(?:ed)?|filled)\\s+(?:up\\s+)?(?:to\\s+)?(${LENGTH})`, "filled to 0.3 gape", (s, [a]) => {
    const fill = pairIn(a, a);
    return putIf(s, fill && { fill }) && putRule(s, { touching: true });
  }),
  from,
  clause(`at\\s+(${PLACE})`, "at 1.2 eyes", (s, [place]) => {
    const at = placeIn(place);
    return putIf(s, at && { from: at, to: at });
  }),
];

const howOften: Clause[] = [
  clause(`at\\s+most\\s+(${NUMBER})\\s+turns?`, "at most 4 turns", (s, [text]) => {
    const atMost = numberIn(text, 0.5);
    return putIf(s, atMost === undefined ? undefined : { atMost });
  }),
  clause(`(${NUMBER})\\s*(?:to|–|-)\\s*(${NUMBER})\\s+turns?`, "3 to 4 turns", (s, [a, b]) => {
    const spread = rangeIn(a, b);
    return putIf(s, spread && { spread }) && spread !== undefined && putRule(s, { turns: (spread[0] + spread[1]) / 2 });
  }),
  clause(
    "(?:hollow\\s+side\\s+(in|out)|(?:shiny|good)\\s+side\\s+(in|out))",
    "hollow side in",
    (s, [hollow, shiny]) => {
      const side = wordIn(["in", "out"], hollow ?? shiny);
      const other = side === "in" ? "out" : "in";
      return putIf(s, side && { face: hollow === undefined ? other : side });
    },
  ),
  clause(`(${NUMBER})\\s+touching\\s+turns?`, "6 touching turns", (s, [text]) => {
    const n = numberIn(text, 0.1);
    return n !== undefined && putRule(s, { touching: true, turns: n });
  }),
  turns,
  clause("(?:in\\s+)?touching(?:\\s+turns)?", "touching", (s) => putRule(s, { touching: true })),
  clause(`overlapp?(?:ed|ing)?\\s+(?:by\\s+)?(${NUMBER})`, "overlapping by half", (s, [text]) => {
    const overlap = numberIn(text);
    return overlap !== undefined && overlap < 1 && putRule(s, { overlap });
  }),
  everyMm(`(?:every\\s+|pitch\\s+)(${NUMBER})\\s*mm`, "every 1.1 mm"),
  everyMm(`(${NUMBER})\\s*mm\\s+apart`, "1.1 mm apart"),
  clause("zig-?\\s?zag(?:ged)?", "zigzag", put({ passes: 2 })),
  clause("(?:in\\s+an?\\s+)?open\\s+spiral", "open spiral", () => true),
  clause("stacked", "stacked", put({ stacked: true })),
];

const howItLies: Clause[] = [
  clause("(\\w+)\\s+face\\s+(?:showing|out)", "gold face showing", (s, [face]) =>
    putIf(s, face === undefined ? undefined : { shows: face.toLowerCase() }),
  ),
  clause(
    `begun\\s+with\\s+(${NUMBER})\\s*mm,?\\s+(${NUMBER})\\s*mm\\s+left`,
    "begun with 120 mm, 45 mm left",
    (s, [a, b]) => {
      const [startMm, leftMm] = [numberIn(a), numberIn(b)];
      if (startMm === undefined || leftMm === undefined || !(startMm > leftMm)) return false;
      return putIf(s, { take: { from: "leftover", startMm, leftMm } });
    },
  ),
  clause("there\\s+and\\s+back", "there and back", put({ passes: 2 })),
  clause(`(${NUMBER})\\s+layers?`, "3 layers", (s, [text]) => {
    const passes = wholeIn(text);
    return putIf(s, passes === undefined ? undefined : { passes });
  }),
  clause(`stretch(?:ed)?\\s+(${NUMBER})(?:\\s+times)?`, "stretched 2 times", (s, [text]) => {
    const stretch = numberIn(text, 1);
    return putIf(s, stretch === undefined ? undefined : { stretch });
  }),
  clause(`(${NUMBER})\\s+side\\s+by\\s+side`, "8 side by side", (s, [text]) => {
    const rope = wholeIn(text);
    return putIf(s, rope === undefined ? undefined : { rope, ribbon: true });
  }),
  clause(`(?:a\\s+)?rope\\s+of\\s+(${NUMBER})`, "rope of 3", (s, [text]) => {
    const rope = wholeIn(text);
    return putIf(s, rope === undefined ? undefined : { rope });
  }),
  clause("counter(?:-?\\s?wound)?|against\\s+the\\s+body", "counter", put({ counter: true })),
  clause("with\\s+the\\s+body", "with the body", put({ counter: false })),
  clause(`barbs?\\s+(${LENGTH}|${NUMBER})\\s*(?:to|–|-)\\s*(${LENGTH})`, "barbs 1.2 to 1.7 gape", (s, [a, b]) => {
    const barb = pairIn(a, b);
    return putIf(s, barb && { barb });
  }),
  clause(`barbs?\\s+(${LENGTH})`, "barbs 1.5 gape", (s, [a]) => {
    const barb = pairIn(a, a);
    return putIf(s, barb && { barb });
  }),
  clause("swept\\s+(back|forward|square)|(square)", "swept back", (s, [a, b]) => {
    const sweep = wordIn(["back", "forward", "square"], a ?? b);
    return putIf(s, sweep && { sweep });
  }),
  clause("by\\s+the\\s+(tip|butt)", "by the tip", (s, [end]) => putWay(s, "hackle tied in", (end ?? "").toLowerCase())),
  clause("(?:the\\s+)?whole\\s+feather", "the whole feather", (s) => {
    putRule(s, { turns: s.rule?.turns ?? 3 });
    return putWay(s, "hackle turns", "whole feather");
  }),
];

const whatItTakes: Clause[] = [
  clause(
    `(?:cut\\s+)?(?:in\\s+)?pieces?\\s+of\\s+(${NUMBER})\\s*mm(?:\\s+held\\s+by\\s+(${NUMBER})\\s*mm)?(?:\\s+trimm?(?:ed)?\\s+(?:by\\s+)?(${NUMBER})\\s*mm)?`,
    "pieces of 60 mm",
    (s, [p, g, t]) => {
      const [pieceMm, gripMm, trimMm] = [numberIn(p), numberIn(g ?? "0"), numberIn(t ?? "0")];
      if (pieceMm === undefined || gripMm === undefined || trimMm === undefined) return false;
      return putIf(s, { take: { from: "pieces", pieceMm, gripMm, trimMm } });
    },
  ),
  clause(
    `(?:from\\s+the\\s+spool\\s+)?trimm?(?:ed)?\\s+(?:by\\s+)?(${NUMBER})\\s*mm`,
    "trimmed by 20 mm",
    (s, [text]) => {
      const trimMm = numberIn(text);
      return putIf(s, trimMm === undefined ? undefined : { take: { from: "spool", trimMm } });
    },
  ),
  clause("one\\s+feather\\s+at\\s+a\\s+time", "one feather at a time", put({ take: { from: "feather" } })),
];

/** What can be said of a winding, in the order in which it is tried: the longer forms first. */
export const windClauses: Clause[] = [...where, ...howOften, ...howItLies, ...whatItTakes, wraps];
/** “hollow side in” is said of what is laid as well. */
export const faceClause = howOften.filter((c) => c.example === "hollow side in");

type WindStep = StepOf<"wind">;

/** Only what is wound may be turns at one spot. */
const zoneWords = (s: { from: Place; to?: Place }): string =>
  s.to === undefined
    ? `from ${sayPlace(s.from)}`
    : JSON.stringify(s.from) === JSON.stringify(s.to)
      ? `at ${sayPlace(s.from)}`
      : spanWords({ from: s.from, to: s.to });

function ruleWords(r: WindStep["rule"]): string {
  if (r.touching && r.turns !== undefined) return `${sayNumber(r.turns)} touching turns`;
  if (r.touching) return "touching";
  if (r.turns !== undefined) return counted(sayNumber(r.turns), "turn");
  if (r.overlap !== undefined) return `overlapping by ${sayNumber(r.overlap)}`;
  return r.pitch === undefined ? "" : `every ${sayNumber(r.pitch)} mm`;
}

function takeWords(take: WindStep["take"]): string {
  if (!take) return "";
  if (take.from === "spool") return `trimmed by ${sayNumber(take.trimMm)} mm`;
  if (take.from === "feather") return "one feather at a time";
  if (take.from === "leftover") return `begun with ${sayNumber(take.startMm)} mm, ${sayNumber(take.leftMm)} mm left`;
  return `pieces of ${sayNumber(take.pieceMm)} mm held by ${sayNumber(take.gripMm)} mm trimmed by ${sayNumber(take.trimMm)} mm`;
}

function turnWords(step: WindStep): string {
  if (step.fill) return `ramp ${sayLength(step.fill[0])} to ${sayLength(step.fill[1])}`;
  return step.spread && step.rule.turns !== undefined
    ? `${sayNumber(step.spread[0])} to ${sayNumber(step.spread[1])} turns`
    : ruleWords(step.rule);
}

const passWords = (passes: number | undefined): string =>
  passes === undefined ? "" : passes === 2 ? "there and back" : counted(passes, "layer");

/** A winding in the words that read back to it. */
export function sayWind(step: WindStep): string[] {
  return [
    step.rope === undefined ? "" : step.ribbon ? `${step.rope} side by side` : `rope of ${step.rope}`,
    turnWords(step),
    step.atMost === undefined ? "" : `at most ${sayNumber(step.atMost)} turns`,
    step.face ? `hollow side ${step.face}` : "",
    step.shows ? `${step.shows} face showing` : "",
    passWords(step.passes),
    step.stretch === undefined ? "" : `stretched ${sayNumber(step.stretch)} times`,
    step.counter === undefined ? "" : step.counter ? "counter" : "with the body",
    step.barb ? `barbs ${sayLength(step.barb[0])} to ${sayLength(step.barb[1])}` : "",
    step.sweep ? `swept ${step.sweep}` : "",
    step.methods?.["hackle tied in"] ? `by the ${step.methods["hackle tied in"]}` : "",
    step.methods?.["hackle turns"] === "whole feather" ? "the whole feather" : "",
    zoneWords(step),
    step.laid ? `laid ${spanWords(step.laid)}` : "",
    takeWords(step.take),
  ];
}
