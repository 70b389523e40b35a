import type { LengthRule, RecipeStep, Role } from "../../recipe";
import { isSame } from "../../numeric";
import type { Bench, MadeStep, Telling } from "../bench";
import { roleOfWord } from "../lexicon/parts";
import type { Reading } from "../reading";
import { sayLength } from "../say/length";
import type { Said } from "../said";
import { scan } from "../scan";
import type { Told } from "../told";
import { lengthLike } from "../verbs/tieIn";

const leadOf =
  /^\W*(?:the\s+)?(?:length\s+of\s+(?:the\s+|a\s+)?(?<of>[\p{L}-]+)\s*(?::|,|is\b|=|should\s+be\b|must\s+be\b)?|(?<bare>[\p{L}-]+)\s+(?:should|must|ought\s+to|has\s+to|have\s+to|needs?\s+to|may|can)\s+be\b|length\s*(?::|,|=|is\b))\s*/u;

/** “Length of the wing: a shank”, “the wing should be as long as the hook”: which part, and its length. */
function lengthBehindLead(r: Reading, told: Told, text: string): Told | undefined {
  const lead = leadOf.exec(text.slice(told.at, told.end));
  const named = lead?.groups?.of ?? lead?.groups?.bare;
  const role = named === undefined ? told.role : roleOfWord(named);
  if (!lead || role === undefined || told.description) return undefined;
  const begin = told.at + lead[0].length;
  const kind = hackles.has(role) ? "wind" : "lay";
  const [again, ...others] = scan(text, begin, told.end, { role, part: role }, r.scanContext, kind);
  if (!again || others.length > 0) return undefined;
  return { ...again, understood: [{ at: told.at, end: begin }, ...again.understood] };
}

/** The length, where a clause says that of a part and nothing else: of what is laid, or of a hackle's barbs. */
function lengthAlone(told: Told): LengthRule | undefined {
  const { shown, size, ...more } = told.said;
  const isMore = told.verb !== undefined || told.description !== undefined || told.refers !== undefined;
  if (isMore || told.rest.length > 0 || told.loose.length > 0 || Object.keys(more).length > 0) return undefined;
  if (told.kind === "lay") return size === undefined ? shown : undefined;
  const isHackle = told.kind === "wind" && hackles.has(told.role) && shown === undefined;
  return isHackle && size && isSame(size[0], size[1]) ? size[0] : undefined;
}
const hackles = new Set<Role | undefined>(["hackle", "collar"]);

/** How long a step says what it lays, or the barbs of what it winds; undefined where it is no such step. */
function lengthOf({ step }: MadeStep): LengthRule | undefined {
  if (step.do === "lay") return step.shown;
  return step.do === "wind" ? step.barb?.[0] : undefined;
}

/** The step, as long as is said now. */
function withLength(step: RecipeStep, length: LengthRule): RecipeStep {
  if (step.do === "lay") return { ...step, shown: length };
  return step.do === "wind" ? { ...step, barb: [length, length] } : step;
}

/** What the lines before laid as that part, or wound as that hackle. */
function toldOf(role: Role, i: number, bench: Bench): MadeStep[] {
  const isOf = (of: (own: Role | undefined) => boolean) => (m: MadeStep) =>
    m.line < i && lengthOf(m) !== undefined && of(bench.component(m.step.component)?.role);
  if (!hackles.has(role)) return bench.made.filter(isOf((r) => r === role));
  // Of two hackles it is the one that was told last, or both feathers of its line.
  const own = bench.made.filter(isOf((r) => r === role));
  const wound = own.length > 0 ? own : bench.made.filter(isOf((r) => hackles.has(r)));
  return wound.filter((m) => m.line === wound.at(-1)?.line);
}

/**
 * “The wing is one and a half times the hook”, “tail: length half the shank”, “the hackle should be twice the gape”, of
 * a part that lines before it told of: how long that is, and no further one.
 */
export function saysHowLong(r: Reading, { told, text, bench, line }: Telling, i: number): boolean {
  const said = told.role !== undefined && lengthAlone(told) ? told : lengthBehindLead(r, told, text);
  const length = said && lengthAlone(said);
  const role = said?.role;
  if (!said || length === undefined || role === undefined) return false;
  const before = toldOf(role, i, bench);
  const declared = bench.declared.get(bench.ofRole(role)?.id ?? "");
  const asked = r.out.findLastIndex((l, n) => n < i && l.asks.length > 0 && r.heads[n]?.role === role);
  if (before.length === 0 && !declared && asked < 0) return false;
  Object.assign(told, { rest: [], loose: [], understood: said.understood, kept: said.kept, said: {} });
  if (declared && !declared.used) declareLength(declared.said, length, role);
  const open = before.filter((m) => bench.usualLengths.has(m.step.id));
  for (const m of open) {
    m.step = withLength(m.step, length);
    bench.usualLengths.delete(m.step.id);
  }
  const other = open.length > 0 ? undefined : before.find((m) => !isSame(lengthOf(m), length));
  const was = other && lengthOf(other);
  if (was !== undefined) {
    line.asks.push({
      at: [told.at, told.end],
      sentence: `Two lengths are said of the ${role}, ${sayLength(was)} and ${sayLength(length)}. Which of them is it? Take the other out.`,
      answers: [],
    });
    return true;
  }
  const lines = new Set([...open.map((m) => m.line), ...(open.length > 0 ? [] : [asked])].map((n) => n + 1));
  lines.delete(0);
  if (lines.size > 0) line.notes.push(`of the ${role} of ${sayLines([...lines])}`);
  return true;
}

/** What a list named, and no line has tied in yet, is as long when it is. */
function declareLength(said: Said, length: LengthRule, role: Role): void {
  if (hackles.has(role)) said.barb ??= [length, length];
  else said.shown ??= length;
}

const sayLines = (numbers: readonly number[]): string =>
  `${numbers.length > 1 ? "lines" : "line"} ${numbers.join(" and ")}`;

const namedAgain = /\bthe\s+$/;
/**
 * “Golden crest, then 4 grey saddles, the crest as long as the saddles”: how long that is which the line has just told
 * of, and no further one.
 */
export function saysHowLongAgain({ told, text, bench }: Telling, i: number): boolean {
  const { description, said } = told;
  const { shown, like, amount, ...more } = said;
  // One feather is only its noun: “the crest”.
  if (amount && !("feathers" in amount && amount.feathers === 1)) return false;
  const words = description?.text.trim().toLowerCase();
  if (told.verb !== undefined || !words || Object.keys(more).length > 0 || (shown ?? like) === undefined) return false;
  if (!namedAgain.test(text.slice(told.at, description?.at))) return false;
  const isOfIt = ({ step, line }: MadeStep): boolean =>
    line === i &&
    step.do === "lay" &&
    bench.usualLengths.has(step.id) &&
    words.split(/\s+/).every((w) => bench.materialOf(bench.component(step.component))?.name.toLowerCase().includes(w));
  const made = bench.made.findLast(isOfIt);
  const length = shown ?? (like === undefined ? undefined : lengthLike(bench, like));
  if (!made || length === undefined) return false;
  made.step = withLength(made.step, length);
  bench.usualLengths.delete(made.step.id);
  return true;
}
