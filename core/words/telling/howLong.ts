import type { LengthRule } from "../../recipe";
import { isSame } from "../../numeric";
import type { Telling } from "../bench";
import { roleOfWord } from "../lexicon/parts";
import type { Reading } from "../reading";
import { sayLength } from "../say/length";
import { scan } from "../scan";
import type { Told } from "../told";

const leadOf =
  /^\W*(?:the\s+)?(?:length\s+of\s+(?:the\s+|a\s+)?(?<of>[\p{L}-]+)\s*(?::|,|is\b|=|should\s+be\b|must\s+be\b)?|(?<bare>[\p{L}-]+)\s+(?:should|must|ought\s+to|has\s+to|have\s+to|needs?\s+to|may|can)\s+be\b)\s*/u;

/** “Length of the wing: a shank”, “the wing should be as long as the hook”: which part, and its length. */
function lengthBehindLead(r: Reading, told: Told, text: string): Told | undefined {
  const lead = leadOf.exec(text.slice(told.at, told.end));
  const role = roleOfWord(lead?.groups?.of ?? lead?.groups?.bare ?? "");
  if (!lead || role === undefined || told.description) return undefined;
  const begin = told.at + lead[0].length;
  const [again, ...others] = scan(text, begin, told.end, { role, part: role }, r.scanContext, "lay");
  if (!again || others.length > 0) return undefined;
  return { ...again, understood: [{ at: told.at, end: begin }, ...again.understood] };
}

/** The length, where a clause says that of a part and nothing else. */
function lengthAlone(told: Told): LengthRule | undefined {
  const { shown, ...more } = told.said;
  const isMore = told.verb !== undefined || told.description !== undefined || told.refers !== undefined;
  if (told.kind !== "lay" || isMore || told.rest.length > 0 || told.loose.length > 0) return undefined;
  return Object.keys(more).length === 0 ? shown : undefined;
}

/**
 * “The wing is one and a half times the hook”, “tail: length half the shank”, of a part that lines before it told of:
 * how long that is, and no further one.
 */
export function saysHowLong(r: Reading, { told, text, bench, line }: Telling, i: number): boolean {
  const said = told.role !== undefined && lengthAlone(told) ? told : lengthBehindLead(r, told, text);
  const length = said && lengthAlone(said);
  const role = said?.role;
  if (!said || length === undefined || role === undefined) return false;
  const laid = bench.made.filter(
    (m) => m.line < i && m.step.do === "lay" && bench.component(m.step.component)?.role === role,
  );
  const declared = bench.declared.get(bench.ofRole(role)?.id ?? "");
  const asked = r.out.findLastIndex((l, n) => n < i && l.asks.length > 0 && r.heads[n]?.role === role);
  if (laid.length === 0 && !declared && asked < 0) return false;
  Object.assign(told, { rest: [], loose: [], understood: said.understood, kept: said.kept, said: {} });
  if (declared && !declared.used) declared.said.shown ??= length;
  const open = laid.filter((m) => bench.usualLengths.has(m.step.id));
  for (const m of open) {
    if (m.step.do === "lay") m.step = { ...m.step, shown: length };
    bench.usualLengths.delete(m.step.id);
  }
  const other = open.length > 0 ? undefined : laid.find(({ step }) => step.do === "lay" && !isSame(step.shown, length));
  if (other?.step.do === "lay" && other.step.shown !== undefined) {
    line.asks.push({
      at: [told.at, told.end],
      sentence: `Two lengths are said of the ${role}, ${sayLength(other.step.shown)} and ${sayLength(length)}. Which of them is it? Take the other out.`,
      answers: [],
    });
    return true;
  }
  const lines = new Set([...open.map((m) => m.line), ...(open.length > 0 ? [] : [asked])].map((n) => n + 1));
  lines.delete(0);
  if (lines.size > 0) line.notes.push(`of the ${role} of ${sayLines([...lines])}`);
  return true;
}

const sayLines = (numbers: readonly number[]): string =>
  `${numbers.length > 1 ? "lines" : "line"} ${numbers.join(" and ")}`;
