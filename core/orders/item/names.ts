import {
  type Named,
  type ItemState,
  type Draft,
  type Pattern,
  takeWords,
  rangeOf,
  plain,
  isName,
  FILLER,
  endOf,
  ask,
  isOpen,
} from "./draft";
import type { Stretch } from "../stretch";
import { fold } from "../nearest";
import { plainColour, findExactly, findName, SURE, isSure, findShort } from "../names";
import { takenBackAt } from "../takenBack";
import type { ReadLine } from "../types";
import { findWish } from "../wishes";

/** A fly that comes with and without weight, as it is asked for without. */
const WITHOUT_WEIGHT =
  /(?<!\p{L})(?<!(?:not?|nicht|kein\p{L}*)\s+(?:the\s+|die\s+)?)(?:(?:no|without|w\/o) (?:added )?weights?|light(?: version)?|un-weighted|leicht(?:e[nrms]?)?|ohne gewicht)(?!\p{L})(?!\s+(?:wire|hooks?|dressed|tied))/iu;

/** “The ones with lead”, of a fly that comes weighted and unweighted. */
const WITH_WEIGHT =
  /(?<!\p{L})(?:(?:the\s+)?ones?\s+)?(?:(?:weighted\s+)?with\s+(?:the\s+)?(?:lead|weights?)|leaded|mit\s+(?:blei|gewicht|beschwerung))(?!\p{L})(?!\s+(?:free|eyes?|head))/iu;
const isWeighted = ({ name }: Named): boolean => /^weighted$/i.test(name);

/** The same, of a fly whose weight is its bead. */
const WITHOUT_BEAD =
  /(?<!\p{L})(?:(?:no|without(?: an?)?|w\/o) beads?|beadless|ohne (?:perle|kopf|goldkopf))(?!\p{L})/iu;

const isUnweighted = ({ name }: Named): boolean => /^un-?weighted$/i.test(name);
const JOINS = /^(?:and|und|&|\+|with|mit)$/iu;

/** Weight forms and colours by their names; several colours of one quantity are several lines. */
export function takeNames(s: ItemState, stretch: Stretch, draft: Draft, pattern: Pattern): void {
  const form = draft.formSaid ? undefined : takeName(stretch, draft.line, "form", pattern.forms);
  if (form) {
    draft.line.form = form.id;
    draft.formSaid = true;
    const others = takeOtherForms(stretch, draft.line, form, pattern.forms);
    if (others.length > 0) draft.forms = [form, ...others];
  }
  const joint = takeJoint(s, stretch, draft.line, pattern.variants);
  if (joint) draft.colours.push(joint);
  for (;;) {
    takeSlashed(s, stretch, draft, pattern.variants);
    const colour = takeName(stretch, draft.line, "variant", pattern.variants);
    if (!colour) break;
    takeBack(stretch, draft);
    if (!draft.colours.includes(colour)) draft.colours.push(colour);
  }
  settleForm(s, draft, pattern);
}

const LISTED = /^\s*(?:,|and|und|&|\/|\+)\s*$/iu;
/** “Weighted & unweighted”: each by its full name, with nothing but a joint between them. */
function takeOtherForms(stretch: Stretch, line: ReadLine, form: Named, forms: readonly Named[]): Named[] {
  return forms.filter((other) => {
    const before = line.understood.findLast((u) => u.field === "form");
    if (other === form || !before) return false;
    const words = stretch.words().filter(isName);
    const found = findExactly(words, [other], (f) => f.name);
    if (!found) return false;
    const own = words.slice(found.from, found.to);
    const between = stretch.text.slice(before.at[1] - stretch.start, rangeOf(own)[0] - stretch.start);
    if (!LISTED.test(between)) return false;
    takeWords(stretch, own);
    line.understood.push({ field: "form", at: rangeOf(own), label: other.name });
    return true;
  });
}

/** “Red – sorry, black”: the colour that stands behind holds. */
function takeBack(stretch: Stretch, draft: Draft): void {
  const [before, last] = draft.line.understood.filter((u) => u.field === "variant").slice(-2);
  if (!before || !last) return;
  const between = stretch.text.slice(before.at[1] - stretch.start, last.at[0] - stretch.start);
  const at = takenBackAt(between);
  if (at === undefined || /[\p{L}\d]/u.test(between.slice(0, at))) return;
  stretch.takeOut([before.at[1] + at, last.at[0]]);
  draft.colours.pop();
  before.label = `${before.label}, taken back`;
}

/** “red/black/olive”: colours of the fly, each by itself. */
function takeSlashed(s: ItemState, stretch: Stretch, draft: Draft, variants: readonly Named[]): void {
  if (!stretch.left.includes("/")) return;
  // “14/16 amber/slate”: whether each goes with its own is not said.
  if (/\d\s*\/\s*#?\d/.test(stretch.text)) return;
  for (const word of stretch.words()) {
    const parts = word.text.split("/");
    const found = parts.map((p) => variants.find((v) => fold(v.name) === fold(plainColour(p))));
    const isOne = variants.some((v) => fold(v.name) === fold(plainColour(word.text)));
    if (parts.length < 2 || isOne || !found.every((v) => v !== undefined)) continue;
    takeWords(stretch, [word]);
    const label = found.map((v) => v.name).join(", ");
    draft.line.understood.push({ field: "variant", at: [word.start, word.end], label });
    draft.colours.push(...found.filter((v) => !draft.colours.includes(v)));
  }
}

/** “no bead”, of a fly that comes with one and without weight: the weight, not a wish beside it. */
export function takeBeadless(stretch: Stretch, draft: Draft, { forms }: Pattern): void {
  const light = forms.find(isUnweighted);
  if (!light || !forms.some((f) => /(?<!\p{L})bead/iu.test(f.name))) return;
  const said = stretch.take(WITHOUT_BEAD);
  if (!said) return;
  draft.line.form = light.id;
  draft.formSaid = true;
  draft.line.understood.push({ field: "form", at: said.at, label: light.name });
}

/** “white and red” for the colour “white/red”, where they are not two colours of the fly. */
function takeJoint(s: ItemState, stretch: Stretch, line: ReadLine, variants: readonly Named[]): Named | undefined {
  const known = new Set(variants.map((v) => fold(v.name)));
  for (const v of variants) {
    const parts = v.name.split(/\s*(?:\/|&|\+|(?<!\p{L})(?:and|with)(?!\p{L}))\s*/iu);
    if (parts.length !== 2 || parts.every((p) => known.has(fold(p)))) continue;
    const words = stretch.words();
    const at = words.findIndex(
      (w, i) =>
        fold(plainColour(w.text)) === fold(parts[0] ?? "") &&
        JOINS.test(words[i + 1]?.text ?? "") &&
        fold(plainColour(words[i + 2]?.text ?? "")) === fold(parts[1] ?? ""),
    );
    if (at < 0) continue;
    takeWords(stretch, words.slice(at, at + 3));
    line.understood.push({ field: "variant", at: rangeOf(words.slice(at, at + 3)), label: v.name });
    return v;
  }
  return undefined;
}

function takeName(stretch: Stretch, line: ReadLine, field: "variant" | "form", names: Named[]): Named | undefined {
  const light = field === "form" ? names.find(isUnweighted) : undefined;
  const said = light && stretch.take(WITHOUT_WEIGHT);
  if (light && said) {
    line.understood.push({ field, at: said.at, label: light.name });
    return light;
  }
  const heavy = light && names.find(isWeighted);
  const leaded = heavy && stretch.take(WITH_WEIGHT);
  if (heavy && leaded) {
    line.understood.push({ field, at: leaded.at, label: heavy.name });
    return heavy;
  }
  const words = plain(stretch.words().filter(isName));
  const nearly = findName(words, names, (n) => n.name, SURE);
  // “tungsten” for “tungsten bead”: a word that only one of them has.
  const found =
    nearly && isSure(nearly)
      ? nearly
      : findShort(
          words,
          names,
          (n) => n.name,
          (w) => !FILLER.test(w),
        );
  if (!found) return undefined;
  const at = rangeOf(words.slice(found.from, found.to));
  takeWords(stretch, words.slice(found.from, found.to));
  line.understood.push({ field, at, label: found.item.name });
  return found.item;
}

/** The weight that was said last of this fly; named anew without it, it is asked whether it still holds. */
function settleForm(s: ItemState, draft: Draft, pattern: Pattern): void {
  if (draft.formSaid) return;
  const usual = pattern.forms[0];
  const carried = s.before?.pattern === pattern.id ? s.before.form : undefined;
  draft.line.form = carried ?? usual?.id ?? "";
  if (carried === undefined || carried === usual?.id || !draft.isNamed || !usual) return;
  const names = [pattern.forms.find((f) => f.id === carried)?.name ?? carried, usual.name];
  const details = { pattern: pattern.name, before: names[0] ?? "", usual: usual.name };
  const end = endOf(draft.line);
  ask(
    draft.line,
    "form",
    [end, end],
    { code: "WHICH_FORM", details },
    names.map((n) => ({ label: n, text: ` ${n}` })),
  );
}

/** Where the name of the fly ends, or its size behind it; the end of the line where neither is told in it. */
function endOfFly(line: ReadLine): number {
  const ends = line.understood.flatMap(({ field, at }) => (field === "pattern" || field === "size" ? [at[1]] : []));
  return ends.length > 0 ? Math.max(...ends) : endOf(line);
}

/** The colour said, the only one, or that of the line before of the same fly; else it is asked. */
export function settleColour(s: ItemState, stretch: Stretch, { line, pattern, colours }: Draft): void {
  if (!pattern) return;
  const [first] = colours;
  const [only] = pattern.variants.length === 1 ? pattern.variants : [];
  const carried = s.before?.pattern === pattern.id ? s.before.variant : undefined;
  line.variant = first?.id ?? only?.id ?? carried;
  if (line.variant || stretch.words().some((w) => isOpen(w))) return;
  const answers = pattern.variants.slice(0, 4).map((v) => ({ label: v.name, text: ` ${v.name}` }));
  // Behind a wish it would be one of its words: “size 12, barbless hooks please”.
  const isWished = findWish(line.text, 0) !== undefined;
  const end = isWished ? endOfFly(line) : endOf(line);
  ask(line, "variant", [end, end], { code: "WHICH_COLOUR", details: { pattern: pattern.name } }, answers);
}
