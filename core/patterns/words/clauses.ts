import type { Place } from "../../hooks";
import { acts, sectors, type LengthRule, type RecipeStep, type Stance } from "../recipe";
import { LENGTH, NUMBER, PLACE, readLength, readNumber, readPlace, sayLength, sayNumber, sayPlace } from "./text";

type Kind = RecipeStep["do"];
/** A step as far as it has been said. */
export type Said = Record<string, unknown> & { methods?: Record<string, string> };

/** One thing that can be said of a step: how it is recognised, and what it sets. */
export interface Clause {
  kinds: Kind[] | "any";
  pattern: RegExp;
  /** Sets what was said; false when the words fit but the value cannot be. */
  set: (said: Said, groups: (string | undefined)[]) => boolean;
  /** What it would look like, for the question when nothing was understood. */
  example: string;
}

const clause = (kinds: Clause["kinds"], source: string, example: string, set: Clause["set"]): Clause => ({
  kinds,
  pattern: new RegExp(source, "iy"),
  example,
  set,
});

const number = (said: Said, key: string, text: string | undefined, least = 0): boolean => {
  const n = text === undefined ? undefined : readNumber(text);
  if (n === undefined || n < least) return false;
  said[key] = n;
  return true;
};
const whole = (n: number | undefined): n is number => n !== undefined && Number.isInteger(n) && n > 0;

const place = (said: Said, key: string, text: string | undefined): boolean => {
  const p: Place | undefined = text === undefined ? undefined : readPlace(text);
  if (p) said[key] = p;
  return p !== undefined;
};
const length = (said: Said, key: string, text: string | undefined): boolean => {
  const l: LengthRule | undefined = text === undefined ? undefined : readLength(text);
  if (l) said[key] = l;
  return l !== undefined;
};
const pair = (said: Said, key: string, a: string | undefined, b: string | undefined): boolean => {
  const second = b === undefined ? undefined : readLength(b);
  // “1.2 to 1.7 gape”: the first number borrows the measure of the second.
  const first =
    a === undefined
      ? undefined
      : (readLength(a) ??
        (second && "of" in second
          ? withTimes(second, readNumber(a))
          : second && "mm" in second
            ? withMm(readNumber(a))
            : undefined));
  if (!first || !second) return false;
  said[key] = [first, second];
  return true;
};
const withTimes = (rule: Extract<LengthRule, { times: number }>, n: number | undefined): LengthRule | undefined =>
  n === undefined ? undefined : { of: rule.of, times: n };
const withMm = (n: number | undefined): LengthRule | undefined => (n === undefined ? undefined : { mm: n });
const rule = (said: Said, more: Record<string, unknown>): true => {
  said.rule = { ...(said.rule as object | undefined), ...more };
  return true;
};
const way = (said: Said, question: string, school: string): true => {
  said.methods = { ...said.methods, [question]: school };
  return true;
};
const flag =
  (key: string, value: unknown = true) =>
  (said: Said): true => {
    said[key] = value;
    return true;
  };

/** A matchstick is a measure that can be laid beside the clump; a pinch is not. */
const MATCHSTICK_MM = 2;

const SECTOR = `(?:${sectors.join("|")})`;

/** In the order in which they are tried: the longer forms first. */
export const clauses: Clause[] = [
  clause(["wind"], `laid\\s+from\\s+(${PLACE})\\s+to\\s+(${PLACE})`, "laid from mid-shank to bend", (s, [a, b]) => {
    const z: Said = {};
    if (!place(z, "from", a) || !place(z, "to", b)) return false;
    s.laid = z;
    return true;
  }),
  clause(
    "any",
    `(?:from\\s+)?(${PLACE})\\s+to\\s+(${PLACE})(?!\\s+(?:full|wide|long))`,
    "from mid-shank to bend",
    (s, [a, b]) => place(s, "from", a) && place(s, "to", b),
  ),
  clause(
    "any",
    `tied\\s+in\\s+at\\s+(${PLACE})(?:\\s+as\\s+(?:a\\s+)?(loose\\s+hold|lock|final)(?:\\s+hold)?)?(?:\\s+(?:with|by)\\s+(${NUMBER})\\s+wraps?)?`,
    "tied in at bend with 5 wraps",
    (s, [at, hold, wraps]) => {
      const t: Said = {};
      if (!place(t, "at", at) || (wraps !== undefined && !number(t, "wraps", wraps, 1))) return false;
      if (hold) t.hold = hold.toLowerCase().replace(/\s+/g, " ");
      s.tieIn = t;
      return true;
    },
  ),
  clause(
    ["wind"],
    `(?:ramp(?:ed)?|filled)\\s+(?:up\\s+)?(?:from\\s+)?(${LENGTH}|${NUMBER})\\s*(?:to|–|-)\\s*(${LENGTH})`,
    "ramp 0.4 to 0.1 gape",
    (s, [a, b]) => pair(s, "fill", a, b) && rule(s, { touching: true }),
  ),
  clause(
    ["wind"],
    `(?:ramp(?:ed)?|filled)\\s+(?:up\\s+)?(?:to\\s+)?(${LENGTH})`,
    "filled to 0.3 gape",
    (s, [a]) => pair(s, "fill", a, a) && rule(s, { touching: true }),
  ),
  clause(["wind", "seat"], `from\\s+(${PLACE})`, "from the eye", (s, [at]) => place(s, "from", at)),
  clause(["wind"], `at\\s+(${PLACE})`, "at 1.2 eyes", (s, [at]) => place(s, "from", at) && place(s, "to", at)),
  clause(["seat"], `at\\s+(${PLACE})`, "at the eye", (s, [at]) => place(s, "from", at)),
  clause(["glue", "act"], `at\\s+(${PLACE})`, "at the bend", (s, [at]) => place(s, "at", at)),
  // Quantities of what is wound.
  clause(["wind"], `at\\s+most\\s+(${NUMBER})\\s+turns?`, "at most 4 turns", (s, [n]) => number(s, "atMost", n, 0.5)),
  clause(["wind"], `(${NUMBER})\\s*(?:to|–|-)\\s*(${NUMBER})\\s+turns?`, "3 to 4 turns", (s, [a, b]) => {
    const [low, high] = [readNumber(a ?? ""), readNumber(b ?? "")];
    if (low === undefined || high === undefined || !(low > 0) || high < low) return false;
    s.spread = [low, high];
    return rule(s, { turns: (low + high) / 2 });
  }),
  clause(
    ["wind", "lay"],
    "(?:hollow\\s+side\\s+(in|out)|(?:shiny|good)\\s+side\\s+(in|out))",
    "hollow side in",
    (s, [hollow, shiny]) =>
      flag("face", hollow ? hollow.toLowerCase() : shiny?.toLowerCase() === "out" ? "in" : "out")(s),
  ),
  clause(
    ["wind"],
    `(${NUMBER})\\s+touching\\s+turns?`,
    "6 touching turns",
    (s, [n]) => number(s, "turns", n, 0.1) && rule(s, { touching: true, turns: s.turns }),
  ),
  clause(
    ["wind", "whip"],
    `(${NUMBER})\\s+turns?`,
    "5 turns",
    (s, [n]) => number(s, "turns", n, 0.1) && rule(s, { turns: s.turns }),
  ),
  clause(["wind"], `(?:in\\s+)?touching(?:\\s+turns)?`, "touching", (s) => rule(s, { touching: true })),
  clause(["wind"], `overlapp?(?:ed|ing)?\\s+(?:by\\s+)?(${NUMBER})`, "overlapping by half", (s, [n]) => {
    const o = n === undefined ? undefined : readNumber(n);
    return o !== undefined && o >= 0 && o < 1 && rule(s, { overlap: o });
  }),
  clause(
    ["wind"],
    `(?:every\\s+|pitch\\s+)(${NUMBER})\\s*mm`,
    "every 1.1 mm",
    (s, [n]) => number(s, "pitch", n, 0.001) && rule(s, { pitch: s.pitch }),
  ),
  clause(
    ["wind"],
    `(${NUMBER})\\s*mm\\s+apart`,
    "1.1 mm apart",
    (s, [n]) => number(s, "pitch", n, 0.001) && rule(s, { pitch: s.pitch }),
  ),
  clause(["wind"], "zig-?\\s?zag(?:ged)?", "zigzag", flag("passes", 2)),
  clause(["wind"], "(?:in\\s+an?\\s+)?open\\s+spiral", "open spiral", () => true),
  clause(["wind"], "stacked", "stacked", flag("stacked")),
  clause(["wind"], "(\\w+)\\s+face\\s+(?:showing|out)", "gold face showing", (s, [face]) =>
    flag("shows", face?.toLowerCase())(s),
  ),
  clause(
    ["wind"],
    `begun\\s+with\\s+(${NUMBER})\\s*mm,?\\s+(${NUMBER})\\s*mm\\s+left`,
    "begun with 120 mm, 45 mm left",
    (s, [a, b]) => {
      const [startMm, leftMm] = [readNumber(a ?? ""), readNumber(b ?? "")];
      if (startMm === undefined || leftMm === undefined || !(startMm > leftMm) || leftMm < 0) return false;
      s.take = { from: "leftover", startMm, leftMm };
      return true;
    },
  ),
  clause(["wind"], "there\\s+and\\s+back", "there and back", flag("passes", 2)),
  clause(
    ["wind"],
    `(${NUMBER})\\s+layers?`,
    "3 layers",
    (s, [n]) => whole(n === undefined ? undefined : readNumber(n)) && number(s, "passes", n, 1),
  ),
  clause(["wind"], `stretch(?:ed)?\\s+(${NUMBER})(?:\\s+times)?`, "stretched 2 times", (s, [n]) =>
    number(s, "stretch", n, 1),
  ),
  clause(["wind"], `(${NUMBER})\\s+side\\s+by\\s+side`, "8 side by side", (s, [n]) => {
    if (!whole(n === undefined ? undefined : readNumber(n)) || !number(s, "rope", n, 1)) return false;
    s.ribbon = true;
    return true;
  }),
  clause(
    ["wind"],
    `(?:a\\s+)?rope\\s+of\\s+(${NUMBER})`,
    "rope of 3",
    (s, [n]) => whole(n === undefined ? undefined : readNumber(n)) && number(s, "rope", n, 1),
  ),
  clause(["wind"], "counter(?:-?\\s?wound)?|against\\s+the\\s+body", "counter", flag("counter")),
  clause(["wind"], "with\\s+the\\s+body", "with the body", flag("counter", false)),
  clause(
    ["wind"],
    `barbs?\\s+(${LENGTH}|${NUMBER})\\s*(?:to|–|-)\\s*(${LENGTH})`,
    "barbs 1.2 to 1.7 gape",
    (s, [a, b]) => pair(s, "barb", a, b),
  ),
  clause(["wind"], `barbs?\\s+(${LENGTH})`, "barbs 1.5 gape", (s, [a]) => pair(s, "barb", a, a)),
  clause(["wind"], "swept\\s+(back|forward|square)|(square)", "swept back", (s, [a, b]) =>
    flag("sweep", (a ?? b)?.toLowerCase())(s),
  ),
  clause(["wind"], "by\\s+the\\s+(tip|butt)", "by the tip", (s, [end]) =>
    way(s, "hackle tied in", end?.toLowerCase() ?? ""),
  ),
  clause(["wind"], "(?:the\\s+)?whole\\s+feather", "the whole feather", (s) => {
    rule(s, { turns: (s.rule as { turns?: number } | undefined)?.turns ?? 3 });
    return way(s, "hackle turns", "whole feather");
  }),
  clause(
    ["wind"],
    `(?:cut\\s+)?(?:in\\s+)?pieces?\\s+of\\s+(${NUMBER})\\s*mm(?:\\s+held\\s+by\\s+(${NUMBER})\\s*mm)?(?:\\s+trimm?(?:ed)?\\s+(?:by\\s+)?(${NUMBER})\\s*mm)?`,
    "pieces of 60 mm",
    (s, [p, g, t]) => {
      const [pieceMm, gripMm, trimMm] = [readNumber(p ?? ""), readNumber(g ?? "0"), readNumber(t ?? "0")];
      if (pieceMm === undefined || gripMm === undefined || trimMm === undefined) return false;
      s.take = { from: "pieces", pieceMm, gripMm, trimMm };
      return true;
    },
  ),
  clause(
    ["wind"],
    `(?:from\\s+the\\s+spool\\s+)?trimm?(?:ed)?\\s+(?:by\\s+)?(${NUMBER})\\s*mm`,
    "trimmed by 20 mm",
    (s, [n]) => {
      const trimMm = readNumber(n ?? "");
      if (trimMm === undefined) return false;
      s.take = { from: "spool", trimMm };
      return true;
    },
  ),
  clause(["wind"], "one\\s+feather\\s+at\\s+a\\s+time", "one feather at a time", flag("take", { from: "feather" })),
  // Quantities of what is laid.
  clause(["lay"], `(${NUMBER})\\s*mm\\s+of\\s+(?:fibres?|stem)`, "3 mm of fibres", (s, [n]) =>
    amountOf(s, "spanMm", n),
  ),
  clause(
    ["lay"],
    `(${NUMBER})\\s*(?:to|–|-)\\s*(${NUMBER})\\s+(fibres?|herls?|barbs?|strands?)(\\s+(?:folded|doubled))?`,
    "6 to 8 fibres",
    (s, [a, b, noun, f]) => spreadOf(s, a, b, noun, f),
  ),
  clause(
    ["lay"],
    `about\\s+(${NUMBER})\\s+(fibres?|herls?|barbs?|strands?)(\\s+(?:folded|doubled))?`,
    "about 8 fibres",
    (s, [n, noun, f]) => {
      const middle = readNumber(n ?? "");
      return (
        middle !== undefined &&
        spreadOf(
          s,
          sayNumber(Math.max(1, Math.floor(middle * (1 - HEDGE)))),
          sayNumber(Math.ceil(middle * (1 + HEDGE))),
          noun,
          f,
        )
      );
    },
  ),
  clause(
    ["lay"],
    `(${NUMBER})\\s+(?:fibres?|herls?|barbs?)`,
    "10 fibres",
    (s, [n]) => whole(readNumber(n ?? "")) && amountOf(s, "fibres", n),
  ),
  clause(["lay"], `(${NUMBER})\\s+strands?(\\s+(?:folded|doubled))?`, "2 strands folded", (s, [n, f]) => {
    const strands = readNumber(n ?? "");
    if (!whole(strands)) return false;
    s.amount = { strands, folded: f !== undefined };
    return true;
  }),
  clause(
    ["lay"],
    `clump\\s+as\\s+thick\\s+as\\s+a\\s+matchstick|as\\s+thick\\s+as\\s+a\\s+matchstick`,
    "clump as thick as a matchstick",
    flag("amount", { clump: { mm: MATCHSTICK_MM } }),
  ),
  clause(["lay"], `(?:a\\s+)?clump\\s+(?:of\\s+)?(${LENGTH})(?:\\s+thick)?`, "clump of 1.5 mm", (s, [l]) => {
    const clump = readLength(l ?? "");
    if (clump) s.amount = { clump };
    return clump !== undefined;
  }),
  clause(
    ["lay"],
    `(?:a\\s+pair\\s+of\\s+)?(?:matched\\s+)?slips?\\s+(${LENGTH})(?:\\s+wide)?`,
    "slips 2 mm wide",
    (s, [l]) => {
      const slipWidth = readLength(l ?? "");
      if (slipWidth) s.amount = { slipWidth };
      return slipWidth !== undefined;
    },
  ),
  clause(["lay"], `(?:a\\s+)?patch\\s+of\\s+(${NUMBER})\\s*mm(?:²|2)`, "patch of 12 mm²", (s, [n]) =>
    amountOf(s, "patchMm2", n),
  ),
  clause(["lay"], `(${NUMBER})\\s+(?:matched\\s+)?pairs?(?:\\s+of\\s+feathers)?`, "1 pair of feathers", (s, [n]) => {
    const pairs = readNumber(n ?? "");
    if (!whole(pairs)) return false;
    s.amount = { feathers: 2 * pairs, paired: true };
    return true;
  }),
  clause(
    ["lay"],
    `(${NUMBER})\\s+(?:feather\\s+)?tips?`,
    "2 tips",
    (s, [n]) => amountOf(s, "feathers", n) && featherPart(s, "tip"),
  ),
  clause(
    ["lay"],
    `(${NUMBER})\\s+flanks?|(one)\\s+flank`,
    "one flank",
    (s, [n, one]) => amountOf(s, "feathers", n ?? one) && featherPart(s, "one flank"),
  ),
  clause(["lay"], "centre\\s+(?:cut\\s+)?out", "centre out", (s) => featherPart(s, "centre out")),
  clause(["lay"], `(${NUMBER})\\s+(?:whole\\s+)?feathers?`, "half a feather", (s, [n]) => amountOf(s, "feathers", n)),
  clause(
    ["lay"],
    `(${NUMBER})\\s+pieces?`,
    "1 piece",
    (s, [n]) => whole(readNumber(n ?? "")) && amountOf(s, "pieces", n),
  ),
  clause(
    ["lay"],
    `(?:${"tail|wing|throat|legs|topping|flash"})?\\s*(?:=|as\\s+long\\s+as|length)\\s*(${LENGTH})`,
    "= half shank",
    (s, [l]) => length(s, "shown", l),
  ),
  clause(["lay"], `(${LENGTH})\\s+long`, "12 mm long", (s, [l]) => length(s, "shown", l)),
  clause(
    ["lay"],
    `((?:[^,;]*?mm\\s+|just\\s+)past\\s+(?:the\\s+)?[a-z -]+|(?:as\\s+far\\s+as|level\\s+with|to)\\s+(?:the\\s+)?(?:point|barb|bend|mid-tail|tail\\s+tip|wing\\s+tip))`,
    "to the point",
    (s, [l]) => length(s, "shown", l),
  ),
  clause(
    ["lay"],
    `shared\\s+(\\d+\\s+${SECTOR}(?:\\s*(?:,|and)\\s*\\d+\\s+${SECTOR})*)`,
    "shared 1 near and 1 far",
    (s, [parts]) => {
      s.round = Object.fromEntries(
        [...(parts ?? "").matchAll(new RegExp(`(\\d+)\\s+(${SECTOR})`, "gi"))].map((m) => [
          (m[2] ?? "").toLowerCase(),
          Number(m[1]),
        ]),
      );
      return Object.values(s.round as Record<string, number>).every((n) => n > 0);
    },
  ),
  clause(["lay"], `on\\s+(?:the\\s+)?(${SECTOR})(?:\\s+side)?`, "on the near side", (s, [side]) =>
    flag("round", { [(side ?? "").toLowerCase()]: 1 })(s),
  ),
  clause(["lay"], "half\\s+(?:to\\s+)?(?:a|each)\\s+side", "half to each side", flag("round", { near: 1, far: 1 })),
  clause(
    ["lay"],
    "(?:(?:as|in)\\s+an?\\s+(V|U|tent)|lying\\s+(flat)|(flat)\\s+over\\s+the\\s+back|(splayed)|(full\\s+round))(?:\\s+set\\s+by\\s+([^,;]+))?",
    "as a tent set by wraps at the root",
    (s, [a, b, c, d, e, by]) => {
      const word = (a ?? b ?? c ?? d ?? e ?? "").toLowerCase().replace(/\s+/g, " ");
      s.stance = word === "v" || word === "u" ? word.toUpperCase() : word;
      if (by) s.setBy = by.trim();
      return true;
    },
  ),
  clause(["lay"], "to\\s+both\\s+sides", "to both sides", flag("attitude", "sides")),
  clause(["lay"], "over\\s+the\\s+back", "over the back", flag("attitude", "over")),
  clause(["lay"], "pointing\\s+(back|forward|down|up)", "pointing back", (s, [a]) =>
    flag("attitude", a?.toLowerCase())(s),
  ),
  clause(["lay"], "counted\\s+when\\s+wound|bound\\s+in", "bound in", flag("countedWhenWound")),
  clause(["lay"], "left\\s+hanging", "left hanging", flag("hanging")),
  clause(["lay"], `(?:take\\s+)?(${NUMBER})\\s+times\\s+as\\s+much(?:\\s+taken)?`, "2 times as much taken", (s, [n]) =>
    number(s, "overTake", n, 1),
  ),
  clause(["lay"], `butts\\s+trimmed\\s+by\\s+(${NUMBER})\\s*mm`, "butts trimmed by 12 mm", (s, [n]) =>
    number(s, "trimMm", n),
  ),
  // Dubbing.
  clause(
    ["dress"],
    `noodle\\s+(?:of\\s+)?(${LENGTH})(?:\\s+(sparse|medium|full))?`,
    "noodle 90 mm sparse",
    (s, [l, t]) => {
      if (t) s.thickness = t.toLowerCase();
      return length(s, "noodle", l);
    },
  ),
  clause(
    ["dress"],
    `(?:full\\s+)?(${LENGTH}|${NUMBER})\\s*(?:to|–)\\s*(${LENGTH})(?:\\s+full)?`,
    "0.4 to 0.2 gape full",
    (s, [a, b]) => pair(s, "fullness", a, b),
  ),
  clause(["dress"], `(?:full\\s+(${LENGTH})|(${LENGTH})\\s+full)`, "0.5 gape full", (s, [a, b]) =>
    pair(s, "fullness", a ?? b, a ?? b),
  ),
  clause(["dress"], `(slim|tapered|cigar|ball)(?:\\s+(${LENGTH}))?`, "cigar 0.5 gape", (s, [shape, l]) => {
    s.shape = shape?.toLowerCase();
    return l === undefined || pair(s, "fullness", l, l);
  }),
  clause(["dress"], `(?:in\\s+a\\s+)?loop\\s+(?:of\\s+)?(${NUMBER})\\s*mm`, "loop of 40 mm", (s, [n]) =>
    number(s, "loopMm", n, 1),
  ),
  clause(
    ["dress"],
    `(${NUMBER})\\s+layers?`,
    "3 layers",
    (s, [n]) => whole(n === undefined ? undefined : readNumber(n)) && number(s, "loopLayers", n, 1),
  ),
  clause(["dress"], `(${NUMBER})\\s*mg\\s+(?:a|per|to\\s+the)\\s+mm`, "0.4 mg a mm", (s, [n]) =>
    number(s, "loopLoad", n, 0.0001),
  ),
  clause(["dress"], "(?:just\\s+)?an?\\s+trace|trace", "a trace", flag("trace")),
  clause(["dress"], "touched(?:\\s+on(?:\\s+waxed\\s+thread)?)?", "touched on waxed thread", (s) =>
    way(s, "dubbing way", "touched"),
  ),
  clause(["dress"], "brushed(?:\\s+out)?", "brushed out", flag("brushed")),
  // Hard parts, glue, and what adds no material.
  clause(["seat"], "(?:lashed\\s+)?(on\\s+top|underneath)", "on top", (s, [side]) =>
    flag("lashed", side?.toLowerCase().replace(/\s+/g, " "))(s),
  ),
  clause(
    ["seat"],
    `(?:×|x)?\\s*(${NUMBER})\\s+of\\s+them`,
    "2 of them",
    (s, [n]) => whole(readNumber(n ?? "")) && number(s, "count", n, 1),
  ),
  clause(["glue"], `(${NUMBER})\\s+drops?`, "1 drop", (s, [n]) => number(s, "drops", n, 0.1)),
  clause(["glue"], `open\\s+(${NUMBER})\\s*min(?:utes)?`, "open 5 min", (s, [n]) => number(s, "openMinutes", n)),
  clause(["act"], `(${acts.join("|")})(?:\\s+(back|forward))?`, "brush back", (s, [a, d]) => {
    s.act = a?.toLowerCase();
    if (d) s.direction = d.toLowerCase();
    return true;
  }),
  clause(["act"], `(${NUMBER})\\s*min(?:utes)?`, "0.5 min", (s, [n]) => number(s, "minutes", n)),
  clause("any", `(${NUMBER})\\s+wraps?`, "5 wraps", (s, [n]) => number(s, "wraps", n, 1)),
];

/** How far a hedged count may be off: “about 8” is 6 to 10. */
const HEDGE = 0.25;

/** A count given as a range: its middle is computed with, and both ends are kept. */
function spreadOf(said: Said, a: string | undefined, b: string | undefined, noun = "fibres", folded?: string): boolean {
  const [low, high] = [readNumber(a ?? ""), readNumber(b ?? "")];
  if (low === undefined || high === undefined || !whole(low) || !whole(high) || high < low) return false;
  const middle = Math.round((low + high) / 2);
  said.spread = [low, high];
  said.amount = noun.startsWith("strand") ? { strands: middle, folded: folded !== undefined } : { fibres: middle };
  return true;
}

function featherPart(said: Said, part: string): boolean {
  const feathers = (said.amount as { feathers?: number } | undefined)?.feathers ?? 1;
  said.amount = { feathers, part };
  return true;
}

function amountOf(said: Said, key: string, text: string | undefined): boolean {
  const n = text === undefined ? undefined : readNumber(text);
  if (n === undefined || !(n > 0)) return false;
  said.amount = { [key]: n };
  return true;
}

const spanWords = (s: { from: Place; to: Place }): string => `from ${sayPlace(s.from)} to ${sayPlace(s.to)}`;
/** Only what is wound may be turns at one spot. */
const zoneWords = (s: { from: Place; to?: Place }): string =>
  s.to === undefined
    ? `from ${sayPlace(s.from)}`
    : JSON.stringify(s.from) === JSON.stringify(s.to)
      ? `at ${sayPlace(s.from)}`
      : spanWords({ from: s.from, to: s.to });

/** How a step is done, in the words that read back to the same step. */
export function sayStep(step: RecipeStep): string {
  return [...quantityWords(step), ...(step.tieIn ? [tieInWords(step.tieIn)] : [])].filter(Boolean).join(", ");
}

const tieInWords = (t: NonNullable<RecipeStep["tieIn"]>): string =>
  `tied in at ${sayPlace(t.at)}${t.hold === undefined ? "" : ` as a ${t.hold === "final" ? "final hold" : t.hold}`}${t.wraps === undefined ? "" : ` with ${t.wraps} ${t.wraps === 1 ? "wrap" : "wraps"}`}`;

function quantityWords(step: RecipeStep): string[] {
  switch (step.do) {
    case "seat":
      return [
        `at ${sayPlace(step.from)}`,
        step.lashed ? `lashed ${step.lashed}` : "",
        step.count === undefined ? "" : `${step.count} of them`,
      ];
    case "wind":
      return windWords(step);
    case "lay":
      return layWords(step);
    case "dress":
      return dressWords(step);
    case "thread":
      return ["change to it"];
    case "glue":
      return [
        `${sayNumber(step.drops)} ${step.drops === 1 ? "drop" : "drops"}`,
        `at ${sayPlace(step.at)}`,
        step.openMinutes === undefined ? "" : `open ${sayNumber(step.openMinutes)} min`,
      ];
    case "act":
      return [
        `${step.act}${step.direction ? ` ${step.direction}` : ""}`,
        step.at ? `at ${sayPlace(step.at)}` : "",
        `${sayNumber(step.minutes)} min`,
      ];
    case "whip":
      return ["whip finish", `${step.turns} ${step.turns === 1 ? "turn" : "turns"}`, spanWords(step)];
  }
}

function ruleWords(r: (RecipeStep & { do: "wind" })["rule"]): string {
  if (r.touching && r.turns !== undefined) return `${sayNumber(r.turns)} touching turns`;
  if (r.touching) return "touching";
  if (r.turns !== undefined) return `${sayNumber(r.turns)} ${r.turns === 1 ? "turn" : "turns"}`;
  if (r.overlap !== undefined) return `overlapping by ${sayNumber(r.overlap)}`;
  return r.pitch === undefined ? "" : `every ${sayNumber(r.pitch)} mm`;
}

function takeWords(take: (RecipeStep & { do: "wind" })["take"]): string {
  if (!take) return "";
  if (take.from === "spool") return `trimmed by ${sayNumber(take.trimMm)} mm`;
  if (take.from === "feather") return "one feather at a time";
  if (take.from === "leftover") return `begun with ${sayNumber(take.startMm)} mm, ${sayNumber(take.leftMm)} mm left`;
  return `pieces of ${sayNumber(take.pieceMm)} mm held by ${sayNumber(take.gripMm)} mm trimmed by ${sayNumber(take.trimMm)} mm`;
}

function windWords(step: RecipeStep & { do: "wind" }): string[] {
  return [
    step.rope === undefined ? "" : step.ribbon ? `${step.rope} side by side` : `rope of ${step.rope}`,
    step.fill
      ? `ramp ${sayLength(step.fill[0])} to ${sayLength(step.fill[1])}`
      : step.spread && step.rule.turns !== undefined
        ? `${sayNumber(step.spread[0])} to ${sayNumber(step.spread[1])} turns`
        : ruleWords(step.rule),
    step.atMost === undefined ? "" : `at most ${sayNumber(step.atMost)} turns`,
    step.face ? `hollow side ${step.face}` : "",
    step.shows ? `${step.shows} face showing` : "",
    step.passes === undefined
      ? ""
      : step.passes === 2
        ? "there and back"
        : `${step.passes} ${step.passes === 1 ? "layer" : "layers"}`,
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

function amountWords(amount: (RecipeStep & { do: "lay" })["amount"]): string {
  if ("fibres" in amount) return `${amount.fibres} ${amount.fibres === 1 ? "fibre" : "fibres"}`;
  if ("spanMm" in amount) return `${sayNumber(amount.spanMm)} mm of fibres`;
  if ("clump" in amount) return `clump of ${sayLength(amount.clump)}`;
  if ("slipWidth" in amount) return `slips ${sayLength(amount.slipWidth)} wide`;
  if ("strands" in amount)
    return `${amount.strands} ${amount.strands === 1 ? "strand" : "strands"}${amount.folded ? " folded" : ""}`;
  if ("patchMm2" in amount) return `patch of ${sayNumber(amount.patchMm2)} mm²`;
  if ("feathers" in amount && amount.part)
    return amount.part === "tip"
      ? `${sayNumber(amount.feathers)} ${amount.feathers === 1 ? "tip" : "tips"}`
      : amount.part === "one flank"
        ? `${sayNumber(amount.feathers)} ${amount.feathers === 1 ? "flank" : "flanks"}`
        : `${sayNumber(amount.feathers)} ${amount.feathers === 1 ? "feather" : "feathers"}, centre out`;
  if ("feathers" in amount)
    return amount.paired
      ? `${sayNumber(amount.feathers / 2)} ${amount.feathers === 2 ? "pair" : "pairs"} of feathers`
      : `${sayNumber(amount.feathers)} ${amount.feathers === 1 ? "feather" : "feathers"}`;
  return `${amount.pieces} ${amount.pieces === 1 ? "piece" : "pieces"}`;
}

export const stanceWords: Record<Stance, string> = {
  V: "as a V",
  U: "as a U",
  tent: "as a tent",
  flat: "lying flat",
  splayed: "splayed",
  "full round": "full round",
};

const spreadWords = (amount: (RecipeStep & { do: "lay" })["amount"], [low, high]: [number, number]): string =>
  `${sayNumber(low)} to ${sayNumber(high)} ${"strands" in amount ? `strands${amount.folded ? " folded" : ""}` : "fibres"}`;

function layWords(step: RecipeStep & { do: "lay" }): string[] {
  const attitude =
    step.attitude === "sides"
      ? "to both sides"
      : step.attitude === "over"
        ? "over the back"
        : step.attitude
          ? `pointing ${step.attitude}`
          : "";
  return [
    step.spread ? spreadWords(step.amount, step.spread) : amountWords(step.amount),
    step.face ? `hollow side ${step.face}` : "",
    step.shown ? `= ${sayLength(step.shown)}`.replace("= to", "to").replace(/= (.* past )/, "$1") : "",
    attitude,
    step.stance ? `${stanceWords[step.stance]}${step.setBy ? ` set by ${step.setBy}` : ""}` : "",
    step.round
      ? `shared ${Object.entries(step.round)
          .map(([sector, n]) => `${n} ${sector}`)
          .join(" and ")}`
      : "",
    step.countedWhenWound ? "counted when wound" : "",
    step.hanging ? "left hanging" : "",
    step.overTake === undefined ? "" : `${sayNumber(step.overTake)} times as much taken`,
    step.trimMm === undefined ? "" : `butts trimmed by ${sayNumber(step.trimMm)} mm`,
    spanWords(step),
  ];
}

function dressWords(step: RecipeStep & { do: "dress" }): string[] {
  return [
    step.noodle ? `noodle ${sayLength(step.noodle)}${step.thickness ? ` ${step.thickness}` : ""}` : "",
    step.fullness ? `${sayLength(step.fullness[0])} to ${sayLength(step.fullness[1])} full` : "",
    step.shape ?? "",
    step.trace ? "a trace" : "",
    step.loopMm === undefined ? "" : `loop of ${sayNumber(step.loopMm)} mm`,
    step.loopLayers === undefined ? "" : `${step.loopLayers} ${step.loopLayers === 1 ? "layer" : "layers"}`,
    step.loopLoad === undefined ? "" : `${sayNumber(step.loopLoad)} mg a mm`,
    step.methods?.["dubbing way"] === "touched" ? "touched on waxed thread" : "",
    step.brushed ? "brushed out" : "",
    spanWords(step),
  ];
}
