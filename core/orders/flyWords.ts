import { groupBy } from "../numeric";
import { plainColour } from "./names";
import { rememberedOf } from "./remembered";
import { fold } from "./nearest";
import type { Catalogue } from "./types";

interface FlyWords {
  /** Whether a word is a colour that any of them comes in, in whatever language. */
  isColour: (word?: string) => boolean;
  /** Whether a word stands in the name of a weight. */
  isForm: (word: string) => boolean;
  byNoun: Map<string, Catalogue["patterns"]>;
}
/** Colours and nouns of a book's flies, gathered once. */
const flyWords = new WeakMap<Catalogue["patterns"], FlyWords>();
export function wordsOfFlies(patterns: Catalogue["patterns"]): FlyWords {
  const known = flyWords.get(patterns);
  if (known) return known;
  const colours = new Set(patterns.flatMap((p) => p.variants.map((v) => fold(v.name))));
  const forms = new Set(patterns.flatMap((p) => p.forms.flatMap((f) => fold(f.name).split(" "))));
  const made: FlyWords = {
    isColour: (word = "") => colours.has(fold(plainColour(word))),
    isForm: (word) => forms.has(fold(plainColour(word))),
    byNoun: groupBy(patterns, (p) => fold(p.name).split(" ").at(-1) ?? ""),
  };
  flyWords.set(patterns, made);
  return made;
}

/** The flies that are called by a noun within a text. */
export const fliesOfNouns = rememberedOf((text: string, patterns: Catalogue["patterns"]): Catalogue["patterns"] => {
  const { byNoun } = wordsOfFlies(patterns);
  return fold(text)
    .split(" ")
    .flatMap((w) => byNoun.get(w) ?? byNoun.get(w.replace(/s$/, "")) ?? []);
});
