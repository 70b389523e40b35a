import { MOST_STEPS, type HookEye, type HookSteps, type HookWanted } from "../hooks";
import { remembered } from "./remembered";
import { readNumber } from "./text/number";

/** What a text says of a hook beside its model and its sizes, and where it says so. */
export interface WantedSaid {
  wanted: HookWanted;
  at: [from: number, to: number][];
}

const exactly = (steps: number): HookSteps => ({ from: steps, to: steps });
const MORE: HookSteps = { from: 1, to: MOST_STEPS };
const LESS: HookSteps = { from: -MOST_STEPS, to: -1 };
const steps = (n: string | undefined): number => readNumber(n ?? "") ?? 0;

const N = "(\\d|one|two|three|four|five|six)";
const KINDS =
  "wets?|dry|dries|nymphs?|streamers?|jigs?|grubs?|scuds?|curved|pupae?|emergers?|caddis|double|salmon|saltwater|hooks?|long|short|standard|barbless";
/** Where a word of its own stands: nothing but the hook lies behind it. */
const ALONE = `(?=\\s*(?:$|[,.;:()]|and\\b)|\\s+(?:(?:${KINDS}|in)\\b|\\d|#))`;
const BEGUN = "(?<![\\p{L}\\d/.])";

type Row = [source: string, of: (m: RegExpExecArray) => HookWanted];
/** One row a way in which something of a hook is said; the first that fits a place holds. */
const rows: readonly Row[] = [
  [
    `${N}\\s*x?\\s*-?\\s*(?:xl|x?[\\s-]*extra[\\s-]long|x[\\s-]*long(?:er)?)\\b`,
    (m) => ({ shank: exactly(steps(m[1])) }),
  ],
  [`${N}\\s+extra\\s+long\\b`, (m) => ({ shank: exactly(steps(m[1])) })],
  [`${N}\\s*x?\\s*-?\\s*(?:xs|x[\\s-]*short(?:er)?)\\b`, (m) => ({ shank: exactly(-steps(m[1])) })],
  [`${N}\\s*x[\\s-]*(?:strong|stout|heavy|thick)(?:\\s+wire)?\\b`, (m) => ({ wire: exactly(steps(m[1])) })],
  [`${N}\\s*x[\\s-]*(?:fine|light|thin)(?:\\s+wire)?\\b`, (m) => ({ wire: exactly(-steps(m[1])) })],
  [`${N}\\s*x[\\s-]*wide(?:\\s+gapp?e?)?\\b`, (m) => ({ gape: exactly(steps(m[1])) })],
  ["(?:extra[\\s-]+)?wide[\\s-]+gapp?e?\\b", () => ({ gape: MORE })],
  ["narrow[\\s-]+gapp?e?\\b", () => ({ gape: LESS })],
  ["(?:extra[\\s-]+|x-?)?long[\\s-]*shank(?:ed)?\\b", () => ({ shank: MORE })],
  ["(?:extra[\\s-]+)?short[\\s-]*shank(?:ed)?\\b", () => ({ shank: LESS })],
  ["(?:standard|std|regular|normal|medium)\\.?[\\s-]+(?:shank|length)(?:ed)?\\b", () => ({ shank: exactly(0) })],
  ["(?:extra[\\s-]*)?(?:heavy|strong|stout|thick)[\\s-]+(?:wire|gauge)(?:d)?\\b", () => ({ wire: MORE })],
  ["(?:extra[\\s-]*)?(?:fine|light|thin)[\\s-]+(?:wire|gauge)(?:d)?\\b", () => ({ wire: LESS })],
  ["(?:standard|std|regular|medium|normal)\\.?[\\s-]+(?:wire|gauge)\\b", () => ({ wire: exactly(0) })],
  [`(?:xl|extra\\s+long|long)${ALONE}`, () => ({ shank: MORE })],
  [`short${ALONE}`, () => ({ shank: LESS })],
  [`(?:extra[\\s-]*)?(?:heavy|strong|stout)${ALONE}`, () => ({ wire: MORE })],
  [`(?:extra[\\s-]*)?(?:fine|light)${ALONE}`, () => ({ wire: LESS })],
  ["barbless\\b|de-?barb(?:ed)?\\b", () => ({ barbless: true })],
  [
    "(?:with\\s+)?(?:the\\s+|a\\s+)?barb\\s+(?:is\\s+)?(?:pinched|flattened|crushed|mashed|squashed|bent|down)(?:\\s+down)?\\b",
    () => ({ barbless: true }),
  ],
  ["(?:with\\s+)?(?:a\\s+)?(?:pinched|flattened|crushed)[\\s-]+barb\\b", () => ({ barbless: true })],
  ["barbed\\b", () => ({ barbless: false })],
  ["curved(?:[\\s-]+shank(?:ed)?)?\\b", () => ({ bend: "curved" })],
  ["round[\\s-]+(?:the\\s+)?bend\\b", () => ({ bend: "round" })],
  ["doubles?\\b", () => ({ points: 2 })],
  ["(?:ring(?:ed)?|straight)[\\s-]*eyed?\\b", eye("straight")],
  ["(?:turned[\\s-]*)?down(?:[\\s-]*turned)?[\\s-]*eyed?\\b|\\btde\\b", eye("turned down")],
  ["(?:turned[\\s-]*)?up(?:[\\s-]*turned)?[\\s-]*eyed?\\b|\\btue\\b", eye("turned up")],
  ["(?:returned|looped?)[\\s-]*eyed?\\b", eye("returned along the shank")],
];
function eye(form: HookEye): () => HookWanted {
  return () => ({ eye: form });
}
const compiled = rows.map(([source, of]) => [new RegExp(`${BEGUN}(?:${source})`, "gu"), of] as const);

/** “Size 6 streamer hook, 3XL, silver”, “a gold hook”: a colour alone between signs, or right before the hook. */
const colour =
  /(?:(?<=(?:^|[,;()/])\s*)(black|silver|gold|red|blue|green)(?=\s*(?:$|[,;.)]))|(?<![\p{L}\d])(black|silver|gold|red|blue|green)(?:\s+(?:finish|coloured|plated))(?![\p{L}])|(?<![\p{L}\d])(black|silver|gold|red|blue|green)(?=\s+hooks?\b))/gu;
/** These are said of hooks only. */
const finish =
  /(?<![\p{L}\d])(black\s+nickel|nickel|bronze|tinned|stainless|japanned)d?(?:\s+(?:steel|plated))?(?:\s+finish)?(?![\p{L}])/gu;

/**
 * What is said of a hook in the words that tell which it is.
 * @param text those words only, in small letters
 */
export const readWanted: (text: string) => Readonly<WantedSaid> = remembered(wantedIn);
function wantedIn(text: string): WantedSaid {
  let wanted: HookWanted = {};
  const at: WantedSaid["at"] = [];
  let left = text;
  const take = (from: number, to: number, said: HookWanted): void => {
    at.push([from, to]);
    // What is said first holds.
    wanted = { ...said, ...wanted };
    left = left.slice(0, from) + " ".repeat(to - from) + left.slice(to);
  };
  for (const [pattern, of] of compiled)
    for (const m of left.matchAll(pattern)) take(m.index, m.index + m[0].length, of(m));
  for (const pattern of [finish, colour])
    for (const m of left.matchAll(pattern))
      take(m.index, m.index + m[0].length, { finish: m.slice(1).find((w) => w !== undefined) ?? "" });
  return { wanted, at };
}
