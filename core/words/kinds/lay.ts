import { attitudes, featherParts, sectors, stances, type FeatherPart, type LayAmount, type Stance } from "../../recipe";
import {
  clause,
  lengthIn,
  numberIn,
  put,
  putIf,
  rangeIn,
  wholeIn,
  wordIn,
  type Clause,
  type Said,
  type StepOf,
} from "../said";
import { LENGTH, NUMBER, sayLength, sayNumber } from "../text";
import { counted, spanWords, tiedIn, wraps, zone } from "./common";
import { faceClause } from "./wind";

/** A matchstick is a measure that can be laid beside the clump; a pinch is not. */
const MATCHSTICK_MM = 2;
/** How far a hedged count may be off: “about 8” is 6 to 10. */
const HEDGE = 0.25;
const SECTOR = `(?:${sectors.join("|")})`;
const FOLDED = "(\\s+(?:folded|doubled))?";

const amount = (said: Said, value: LayAmount | undefined): boolean => putIf(said, value && { amount: value });
const ifPositive = (text: string | undefined, make: (n: number) => LayAmount): LayAmount | undefined => {
  const n = numberIn(text);
  return n !== undefined && n > 0 ? make(n) : undefined;
};
const ifWhole = (text: string | undefined, make: (n: number) => LayAmount): LayAmount | undefined => {
  const n = wholeIn(text);
  return n === undefined ? undefined : make(n);
};

/** A count given as a range: its middle is computed with, and both ends are kept. */
function spread(said: Said, range: [number, number] | undefined, noun = "", folded?: string): boolean {
  if (!range || !range.every(Number.isInteger)) return false;
  const middle = Math.round((range[0] + range[1]) / 2);
  said.spread = range;
  return amount(
    said,
    noun.startsWith("strand") ? { strands: middle, folded: folded !== undefined } : { fibres: middle },
  );
}

/** What of the feathers goes on; one feather where nobody says how many. */
function partOfFeather(said: Said, part: FeatherPart): boolean {
  const feathers = said.amount && "feathers" in said.amount ? said.amount.feathers : 1;
  return amount(said, { feathers, part });
}

const byNumber: Clause[] = [
  clause(`(${NUMBER})\\s*mm\\s+of\\s+(?:fibres?|stem)`, "3 mm of fibres", (s, [n]) =>
    amount(
      s,
      ifPositive(n, (spanMm) => ({ spanMm })),
    ),
  ),
  clause(
    `(${NUMBER})\\s*(?:to|–|-)\\s*(${NUMBER})\\s+(fibres?|herls?|barbs?|strands?)${FOLDED}`,
    "6 to 8 fibres",
    (s, [a, b, noun, folded]) => spread(s, rangeIn(a, b), noun, folded),
  ),
  clause(`about\\s+(${NUMBER})\\s+(fibres?|herls?|barbs?|strands?)${FOLDED}`, "about 8 fibres", (s, [n, noun, f]) => {
    const middle = numberIn(n);
    if (middle === undefined) return false;
    return spread(s, [Math.max(1, Math.floor(middle * (1 - HEDGE))), Math.ceil(middle * (1 + HEDGE))], noun, f);
  }),
  clause(`(${NUMBER})\\s+(?:fibres?|herls?|barbs?)`, "10 fibres", (s, [n]) =>
    amount(
      s,
      ifWhole(n, (fibres) => ({ fibres })),
    ),
  ),
  clause(`(${NUMBER})\\s+strands?${FOLDED}`, "2 strands folded", (s, [n, folded]) =>
    amount(
      s,
      ifWhole(n, (strands) => ({ strands, folded: folded !== undefined })),
    ),
  ),
];

const bySize: Clause[] = [
  clause(
    "clump\\s+as\\s+thick\\s+as\\s+a\\s+matchstick|as\\s+thick\\s+as\\s+a\\s+matchstick",
    "clump as thick as a matchstick",
    put({ amount: { clump: { mm: MATCHSTICK_MM } } }),
  ),
  clause(`(?:a\\s+)?clump\\s+(?:of\\s+)?(${LENGTH})(?:\\s+thick)?`, "clump of 1.5 mm", (s, [l]) => {
    const clump = lengthIn(l);
    return amount(s, clump && { clump });
  }),
  clause(`(?:a\\s+pair\\s+of\\s+)?(?:matched\\s+)?slips?\\s+(${LENGTH})(?:\\s+wide)?`, "slips 2 mm wide", (s, [l]) => {
    const slipWidth = lengthIn(l);
    return amount(s, slipWidth && { slipWidth });
  }),
  clause(`(?:a\\s+)?patch\\s+of\\s+(${NUMBER})\\s*mm(?:²|2)`, "patch of 12 mm²", (s, [n]) =>
    amount(
      s,
      ifPositive(n, (patchMm2) => ({ patchMm2 })),
    ),
  ),
];

const feathers = (n: number): LayAmount => ({ feathers: n });
const byFeather: Clause[] = [
  clause(`(${NUMBER})\\s+(?:matched\\s+)?pairs?(?:\\s+of\\s+feathers)?`, "1 pair of feathers", (s, [n]) =>
    amount(
      s,
      ifWhole(n, (pairs) => ({ feathers: 2 * pairs, paired: true })),
    ),
  ),
  clause(
    `(${NUMBER})\\s+(?:feather\\s+)?tips?`,
    "2 tips",
    (s, [n]) => amount(s, ifPositive(n, feathers)) && partOfFeather(s, "tip"),
  ),
  clause(
    `(${NUMBER})\\s+flanks?|(one)\\s+flank`,
    "one flank",
    (s, [n, one]) => amount(s, ifPositive(n ?? one, feathers)) && partOfFeather(s, "one flank"),
  ),
  clause("centre\\s+(?:cut\\s+)?out", "centre out", (s) => partOfFeather(s, "centre out")),
  clause(`(${NUMBER})\\s+(?:whole\\s+)?feathers?`, "half a feather", (s, [n]) => amount(s, ifPositive(n, feathers))),
  clause(`(${NUMBER})\\s+pieces?`, "1 piece", (s, [n]) =>
    amount(
      s,
      ifWhole(n, (pieces) => ({ pieces })),
    ),
  ),
];

const shown = (source: string, example: string): Clause =>
  clause(source, example, (s, [l]) => {
    const length = lengthIn(l);
    return putIf(s, length && { shown: length });
  });
const howLong: Clause[] = [
  shown(`(?:tail|wing|throat|legs|topping|flash)?\\s*(?:=|as\\s+long\\s+as|length)\\s*(${LENGTH})`, "= half shank"),
  shown(`(${LENGTH})\\s+long`, "12 mm long"),
  shown(
    "((?:[^,;]*?mm\\s+|just\\s+)past\\s+(?:the\\s+)?[a-z -]+|(?:as\\s+far\\s+as|level\\s+with|to)\\s+(?:the\\s+)?(?:point|barb|bend|mid-tail|tail\\s+tip|wing\\s+tip))",
    "to the point",
  ),
];

const whichSide: Clause[] = [
  clause(
    `shared\\s+(\\d+\\s+${SECTOR}(?:\\s*(?:,|and)\\s*\\d+\\s+${SECTOR})*)`,
    "shared 1 near and 1 far",
    (s, [parts]) => {
      const named = [...(parts ?? "").matchAll(new RegExp(`(\\d+)\\s+(${SECTOR})`, "gi"))];
      s.round = Object.fromEntries(named.map((m) => [wordIn(sectors, m[2]) ?? "", Number(m[1])]));
      return Object.values(s.round).every((n) => n > 0);
    },
  ),
  clause(`on\\s+(?:the\\s+)?(${SECTOR})(?:\\s+side)?`, "on the near side", (s, [side]) => {
    const sector = wordIn(sectors, side);
    return putIf(s, sector && { round: { [sector]: 1 } });
  }),
  clause("half\\s+(?:to\\s+)?(?:a|each)\\s+side", "half to each side", put({ round: { near: 1, far: 1 } })),
  clause(
    "(?:(?:as|in)\\s+an?\\s+(V|U|tent)|lying\\s+(flat)|(flat)\\s+over\\s+the\\s+back|(splayed)|(full\\s+round))(?:\\s+set\\s+by\\s+([^,;]+))?",
    "as a tent set by wraps at the root",
    (s, [a, b, c, d, e, by]) => {
      const stance = wordIn(stances, a ?? b ?? c ?? d ?? e);
      return putIf(s, stance && { stance, ...(by && { setBy: by.trim() }) });
    },
  ),
  clause("to\\s+both\\s+sides", "to both sides", put({ attitude: "sides" })),
  clause("over\\s+the\\s+back", "over the back", put({ attitude: "over" })),
  clause("pointing\\s+(back|forward|down|up)", "pointing back", (s, [word]) => {
    const attitude = wordIn(attitudes, word);
    return putIf(s, attitude && { attitude });
  }),
];

const howTied: Clause[] = [
  clause("counted\\s+when\\s+wound|bound\\s+in", "bound in", put({ countedWhenWound: true })),
  clause("left\\s+hanging", "left hanging", put({ hanging: true })),
  clause(`(?:take\\s+)?(${NUMBER})\\s+times\\s+as\\s+much(?:\\s+taken)?`, "2 times as much taken", (s, [n]) => {
    const overTake = numberIn(n, 1);
    return putIf(s, overTake === undefined ? undefined : { overTake });
  }),
  clause(`butts\\s+trimmed\\s+by\\s+(${NUMBER})\\s*mm`, "butts trimmed by 12 mm", (s, [n]) => {
    const trimMm = numberIn(n);
    return putIf(s, trimMm === undefined ? undefined : { trimMm });
  }),
];

/** What can be said of a part that is laid, in the order in which it is tried: the longer forms first. */
export const layClauses: Clause[] = [
  zone,
  tiedIn,
  ...faceClause,
  ...byNumber,
  ...bySize,
  ...byFeather,
  ...howLong,
  ...whichSide,
  ...howTied,
  wraps,
];

type LayStep = StepOf<"lay">;

const partNouns: Record<(typeof featherParts)[number], (n: number) => string> = {
  tip: (n) => counted(sayNumber(n), "tip"),
  "one flank": (n) => counted(sayNumber(n), "flank"),
  "centre out": (n) => `${counted(sayNumber(n), "feather")}, centre out`,
};

function amountWords(a: LayAmount): string {
  if ("fibres" in a) return counted(a.fibres, "fibre");
  if ("spanMm" in a) return `${sayNumber(a.spanMm)} mm of fibres`;
  if ("clump" in a) return `clump of ${sayLength(a.clump)}`;
  if ("slipWidth" in a) return `slips ${sayLength(a.slipWidth)} wide`;
  if ("strands" in a) return `${counted(a.strands, "strand")}${a.folded ? " folded" : ""}`;
  if ("patchMm2" in a) return `patch of ${sayNumber(a.patchMm2)} mm²`;
  if (!("feathers" in a)) return counted(a.pieces, "piece");
  if (a.part) return partNouns[a.part](a.feathers);
  return a.paired
    ? `${counted(sayNumber(a.feathers / 2), "pair")} of feathers`
    : counted(sayNumber(a.feathers), "feather");
}

/** How a stance is said. */
export const stanceWords: Record<Stance, string> = {
  V: "as a V",
  U: "as a U",
  tent: "as a tent",
  flat: "lying flat",
  splayed: "splayed",
  "full round": "full round",
};

const spreadWords = (a: LayAmount, [low, high]: [number, number]): string =>
  `${sayNumber(low)} to ${sayNumber(high)} ${"strands" in a ? `strands${a.folded ? " folded" : ""}` : "fibres"}`;

function attitudeWords(attitude: LayStep["attitude"]): string {
  if (attitude === "sides") return "to both sides";
  if (attitude === "over") return "over the back";
  return attitude ? `pointing ${attitude}` : "";
}

const roundWords = (round: NonNullable<LayStep["round"]>): string =>
  `shared ${Object.entries(round)
    .map(([sector, n]) => `${n} ${sector}`)
    .join(" and ")}`;

/** A laid part in the words that read back to it. */
export function sayLay(step: LayStep): string[] {
  return [
    step.spread ? spreadWords(step.amount, step.spread) : amountWords(step.amount),
    step.face ? `hollow side ${step.face}` : "",
    step.shown ? `= ${sayLength(step.shown)}`.replace("= to", "to").replace(/= (.* past )/, "$1") : "",
    attitudeWords(step.attitude),
    step.stance ? `${stanceWords[step.stance]}${step.setBy ? ` set by ${step.setBy}` : ""}` : "",
    step.round ? roundWords(step.round) : "",
    step.countedWhenWound ? "counted when wound" : "",
    step.hanging ? "left hanging" : "",
    step.overTake === undefined ? "" : `${sayNumber(step.overTake)} times as much taken`,
    step.trimMm === undefined ? "" : `butts trimmed by ${sayNumber(step.trimMm)} mm`,
    spanWords(step),
  ];
}
