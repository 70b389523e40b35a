import { withoutPlural } from "../../numeric";
import {
  type ItemState,
  type Draft,
  isName,
  FILLER,
  rangeOf,
  takeWords,
  ask,
  isOpen,
  plain,
  type Pattern,
  findClose,
} from "./draft";
import { type Stretch, runsOf } from "../stretch";
import { findName, isSure, SURE, type NameFound, findShort, isNoun, namedWith } from "../names";
import { type Span, wordsOf } from "../spans";
import { wordsOfFlies } from "../flyWords";
import { findWish } from "../wishes";
import type { ReadLine, Doubt } from "../types";
import { fold } from "../nearest";

const MOST_ANSWERS = 4;
/** A wish that stands ahead of a name has so many words at most. */
const MOST_WISHED = 3;
const HOW_SHARED = /^(?:each|apiece|shared|evenly|equally|split|je|jeweils)$/iu;

export function takePattern(s: ItemState, stretch: Stretch, draft: Draft): void {
  const words = stretch.words().filter((w) => isName(w) && !FILLER.test(w.text));
  const nearly = findName(words, s.catalogue.patterns, (p) => p.name, 0.62);
  const whole = nearly && isSure(nearly) ? withoutColour(s, words, nearly) : undefined;
  const found = whole ?? shortName(s, words) ?? turnedName(s, words) ?? nearly;
  if (found && isSure(found)) {
    const at = rangeOf(words.slice(found.from, found.to));
    takeWords(stretch, words.slice(found.from, found.to));
    draft.line.understood.push({ field: "pattern", at, label: found.item.name });
    draft.pattern = found.item;
    draft.isNamed = true;
  } else if (found && looksLikeName(s, words.slice(found.from, found.to), found.like)) {
    askPattern(s, stretch, words.slice(found.from, found.to), draft.line);
    return;
  } else {
    const named = strangeName(s, words);
    const strange = named.length > 0 ? named : words.some((w) => sharesNoun(s, w)) ? words : [];
    if (strange.length > 0) return askPattern(s, stretch, strange, draft.line);
    draft.pattern = s.catalogue.patterns.find((p) => p.id === s.lastPattern);
  }
  if (draft.pattern) {
    draft.line.pattern = draft.pattern.id;
    s.lastPattern = draft.pattern.id;
  } else if (words.length > 0) askPattern(s, stretch, words, draft.line);
  else ask(draft.line, "pattern", [stretch.end, stretch.end], { code: "WHICH_PATTERN", details: {} }, []);
}

/** “Wisp 16 slate”, of a Slate Wisp that comes in slate and amber: the word behind its noun is the colour. */
function withoutColour(s: ItemState, words: Span[], found: NameFound<Pattern>): NameFound<Pattern> {
  const run = words.slice(found.from, found.to);
  const said = fold(
    plain(run)
      .map((w) => w.text)
      .join(" "),
  );
  const last = said.split(" ").at(-1);
  const isTurned = said !== fold(found.item.name) && found.item.variants.some((v) => fold(v.name) === last);
  const short = isTurned ? findShort(run.slice(0, -1), s.catalogue.patterns, (p) => p.name, isNoun) : undefined;
  return short?.item === found.item ? { ...found, to: found.to - 1 } : found;
}

/**
 * “3dz Quay Sparrow 12” after flies that are known: two words beside each other that are written as names, and mean
 * nothing of the fly before, are another fly. It is asked about; nothing is carried on to it.
 */
function strangeName(s: ItemState, words: Span[]): Span[] {
  const before = s.catalogue.patterns.find((p) => p.id === s.lastPattern);
  const own = before ? [...before.variants, ...before.forms] : [];
  const isCapital = (w: Span | undefined): w is Span =>
    w !== undefined && /^\p{Lu}\p{Ll}{2,}$/u.test(w.text) && isOpen(w) && findWish(w.text, 0) === undefined;
  const isOwn = (w: Span): boolean => findName(plain([w]), own, (n) => n.name, SURE) !== undefined;
  const at = words.findIndex((w, i) => {
    const next = words[i + 1];
    // “Grey Quill”: a name may begin with a colour of the fly before it.
    return isCapital(w) && isCapital(next) && next.start === w.end + 1 && !isOwn(next);
  });
  const [first, second] = words.slice(at < 0 ? words.length : at);
  return first && second ? [first, second] : [];
}

/** “the Lodgers”: the noun of one pattern only, and nothing unknown beside it that would make it another's. */
function shortName(s: ItemState, words: Span[]): NameFound<Pattern> | undefined {
  const found = findShort(words, s.catalogue.patterns, (p) => p.name, isNoun);
  if (!found) return undefined;
  const own = [...found.item.variants, ...found.item.forms];
  const isKnown = (w: Span | undefined): boolean => {
    if (!w || !isOpen(w)) return true;
    const name = findName(plain([w]), own, (n) => n.name, SURE);
    return (name !== undefined && isSure(name)) || findWish(w.text, 0) !== undefined || endsWish(w);
  };
  // “lead free lodgers”: a wish of several words.
  const endsWish = (w: Span): boolean => {
    const run = words.filter((o) => o.start <= w.start).slice(-MOST_WISHED);
    const said = run.map((o) => o.text).join(" ");
    return findWish(said, 0)?.at[1] === said.length;
  };
  const [before, first] = [words[found.from - 1], words[found.from]];
  const [last, after] = [words[found.to - 1], words[found.to]];
  const besideIt = (a: Span | undefined, b: Span | undefined): boolean => a !== undefined && b?.start === a.end + 1;
  if (besideIt(before, first) && !isKnown(before)) return undefined;
  if (besideIt(last, after) && !isKnown(after)) return undefined;
  return found;
}

/**
 * “Sedges (Dusk)”: the noun that several share, and beside it all else that one of them is called; or that alone, where
 * the fly before is called by the noun: “sedges: boathouse 14 3 dz, dusk 16 2 dz”.
 */
function turnedName(s: ItemState, words: Span[]): NameFound<Pattern> | undefined {
  const folded = words.map((w) => withoutPlural(fold(w.text)));
  const { byNoun } = wordsOfFlies(s.catalogue.patterns);
  const last = s.catalogue.patterns.find((p) => p.id === s.lastPattern);
  const own = [...(last?.variants ?? []), ...(last?.forms ?? [])].flatMap((n) => fold(n.name).split(" "));
  const nouns = new Set([...folded, ...(last ? [nounOf(last)] : [])]);
  const found = [...nouns].flatMap((noun) =>
    (byNoun.get(noun) ?? []).flatMap((item): NameFound<Pattern>[] => {
      const ahead = fold(item.name).split(" ").slice(0, -1);
      const first = folded.findIndex((_, i) => ahead.every((w, n) => folded[i + n] === w && !own.includes(w)));
      if (ahead.length === 0 || first < 0) return [];
      const isBehind = folded[first - 1] === noun;
      return isBehind || (last !== undefined && nounOf(last) === noun)
        ? [{ item, from: isBehind ? first - 1 : first, to: first + ahead.length, like: 1, isUnclear: false }]
        : [];
    }),
  );
  return found.length === 1 ? found[0] : undefined;
}
const nounOf = ({ name }: Pattern): string => fold(name).split(" ").at(-1) ?? "";

/** “Hoppers 8; two doz sedges 14”: a noun that flies share of which none is the one before. */
function sharesNoun(s: ItemState, word: Span): boolean {
  const noun = withoutPlural(fold(word.text));
  const called = namedWith(word.text, s.catalogue.patterns, (p) => p.name);
  const flies = called.filter((p) => isNoun(noun, fold(p.name).split(" ")));
  return flies.length > 1 && !flies.some((p) => p.id === s.lastPattern);
}

/** A word that is nearly a pattern's name, and no colour, weight or wish of the fly before it. */
function looksLikeName(s: ItemState, words: Span[], like: number): boolean {
  const before = s.catalogue.patterns.find((p) => p.id === s.lastPattern);
  if (!before) return true;
  const own = findName(plain(words), [...before.variants, ...before.forms], (n) => n.name, SURE);
  return own === undefined && like < 1;
}

/** Of words in several places those are asked about that are most like a name; the others are left. */
function askPattern(s: ItemState, stretch: Stretch, words: Span[], line: ReadLine): void {
  const asked = runsOf(
    stretch,
    words.filter((w) => !HOW_SHARED.test(w.text)),
  ).map((run) => ({ run, close: closePatterns(s, run) }));
  const [best = { run: words[0], close: [] }] = asked.sort((a, b) => b.close.length - a.close.length);
  const { run, close } = best;
  if (!run) return;
  const why = { code: "PATTERN_UNKNOWN", details: { words: run.text } } as const;
  ask(line, "pattern", [run.start, run.end], why, close);
  stretch.takeOut([run.start, run.end]);
  s.lastPattern = undefined;
}

function closePatterns(s: ItemState, run: Span): Doubt["candidates"] {
  const all = [
    ...byInitials(run.text, s.catalogue.patterns),
    ...findClose(run.text, s.catalogue.patterns, 0.6),
    ...withWord(s, wordsOf(run)),
  ];
  // Of two answers with one name the one that keeps more of what was typed.
  const longest = [...all].sort((a, b) => b.text.length - a.text.length);
  return all.filter((a) => longest.find((b) => b.label === a.label) === a).slice(0, MOST_ANSWERS);
}

/** Names that share a word with what was said, put in the place of that word. */
function withWord(s: ItemState, words: Span[]): Doubt["candidates"] {
  const found = findShort(
    words,
    s.catalogue.patterns,
    (p) => p.name,
    () => true,
  );
  if (!found) return ofThatNoun(s, words);
  const said = words.map((w, i) => (i === found.from ? found.item.name : i > found.from && i < found.to ? "" : w.text));
  return [{ label: found.item.name, text: said.filter(Boolean).join(" ") }];
}

/** “Sedges, tan”, where several flies are called so: each of them, those first that come in the colour beside it. */
function ofThatNoun(s: ItemState, words: Span[]): Doubt["candidates"] {
  const at = words.findIndex((w) => namedWith(w.text, s.catalogue.patterns, (p) => p.name).length > 0);
  const [noun] = words.slice(at < 0 ? words.length : at);
  if (!noun) return [];
  const flies = namedWith(noun.text, s.catalogue.patterns, (p) => p.name);
  const others = words.filter((w) => w !== noun);
  const comesSo = ({ variants }: Pattern): boolean =>
    others.some((w) => findName(plain([w]), variants, (v) => v.name, SURE) !== undefined);
  const isSo = flies.filter(comesSo);
  return [...isSo, ...flies.filter((p) => !isSo.includes(p))].map((p) => ({
    label: p.name,
    text: words.map((w) => (w === noun ? p.name : w.text)).join(" "),
  }));
}

/** “Midges: Glass Midge olive …”: words of the name that stand beside it once more say nothing new. */
export function dropNameWords(stretch: Stretch, pattern: Pattern): void {
  const own = new Set(fold(pattern.name).split(" "));
  for (const w of stretch.words())
    if (own.has(fold(w.text)) || own.has(fold(w.text).replace(/s$/, ""))) {
      const isColour = [...pattern.variants, ...pattern.forms].some((n) =>
        fold(n.name).split(" ").includes(fold(w.text)),
      );
      if (!isColour) stretch.takeOut([w.start, w.end]);
    }
}

/** “CL 14 olive”: names that begin with those letters, in their order, with what was said beside. */
function byInitials(said: string, patterns: readonly Pattern[]): Doubt["candidates"] {
  const [, letters = "", rest = ""] = /^(\p{L}{2,4})(?:\s+(.*))?$/u.exec(said) ?? [];
  const initials = (name: string): string =>
    name
      .split(/\s+/)
      .map((w) => w.charAt(0))
      .join("")
      .toLowerCase();
  return patterns
    .filter((p) => initials(p.name) === letters.toLowerCase())
    .map((p) => ({ label: p.name, text: `${p.name} ${rest}`.trim() }));
}
