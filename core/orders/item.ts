import { DomainError } from "../errors";
import { normalSize, sizeWithin } from "../hooks";
import { findName, SURE } from "./names";
import { fold, nearest } from "./nearest";
import { dozensText, type Quantity } from "./quantity";
import { wordsOf, type Span } from "./spans";
import type { Catalogue, Doubt, Policy, ReadLine } from "./types";

const policyWords: [RegExp, Policy][] = [
  [/\boriginals? only\b/i, "original"],
  [/\balternates? (?:ok|allowed|accepted)\b/i, "alternates"],
  [/\btier decides\b/i, "tier"],
];

/** A word as a hook size; undefined when it is none. */
export function sizeOf(word: string): string | undefined {
  try {
    return normalSize(word.replace(/^size/i, ""));
  } catch (error) {
    if (error instanceof DomainError) return undefined;
    throw error;
  }
}

/** Reads the lines of an order one after another; a line without a pattern takes the one before it. */
export class ItemReader {
  lastPattern?: string;

  constructor(private readonly catalogue: Catalogue) {}

  /**
   * One line: its quantity is read already; then how strict, which pattern, size, form and colour. What is left is
   * asked about.
   */
  read(chunk: Span, quantity: Quantity): ReadLine {
    const line: ReadLine = {
      text: chunk.text,
      at: [chunk.start, chunk.end],
      flies: quantity.flies,
      understood: [],
      doubts: [],
    };
    if (quantity.doubt) line.doubts.push(quantity.doubt);
    if (quantity.flies !== undefined)
      line.understood.push({ field: "quantity", at: quantity.at, label: dozensText(quantity.flies) });
    let words = wordsOf(chunk).filter((w) => w.end <= quantity.at[0] || w.start >= quantity.at[1]);
    words = this.takePolicy(chunk, words, line);
    words = this.takePattern(chunk, words, line);
    words = this.takeSize(chunk, words, line);
    words = this.takeVariantAndForm(chunk, words, line);
    const rest = words.filter((w) => !/^(of|the|in|size|x|and|@|-|#|pattern)$/i.test(w.text));
    const [first] = rest;
    const last = rest[rest.length - 1];
    if (first && last)
      line.doubts.push({
        field: "rest",
        code: "NOT_UNDERSTOOD",
        details: { words: rest.map((w) => w.text).join(" ") },
        at: [first.start, last.end],
        candidates: this.restCandidates(rest, line),
      });
    return line;
  }

  private restCandidates(rest: Span[], line: ReadLine): Doubt["candidates"] {
    const pattern = this.catalogue.patterns.find((p) => p.id === line.pattern);
    const text = rest.map((w) => w.text).join(" ");
    const names = [...(pattern?.variants ?? []), ...(pattern && pattern.forms.length > 1 ? pattern.forms : [])];
    const close = nearest(text, names, (n) => n.name, { most: 3, least: 0.2 }).map((c) => c.item);
    return [
      ...(close.length > 0 ? close : names.slice(0, 3)).map((n) => ({ label: n.name, text: n.name })),
      { label: "leave it out", text: "" },
    ];
  }

  private takePolicy(chunk: Span, words: Span[], line: ReadLine): Span[] {
    for (const [pattern, policy] of policyWords) {
      const m = pattern.exec(chunk.text);
      if (!m) continue;
      line.policy = policy;
      const [from, to] = [chunk.start + m.index, chunk.start + m.index + m[0].length];
      return words.filter((w) => w.end <= from || w.start >= to);
    }
    return words;
  }

  private takePattern(chunk: Span, words: Span[], line: ReadLine): Span[] {
    const named = words.filter((w) => sizeOf(w.text) === undefined && !/\d/.test(w.text));
    const found = findName(named, this.catalogue.patterns, (p) => p.name, 0.62);
    if (found && found.like >= SURE) {
      const used = named.slice(found.from, found.to);
      line.pattern = found.item.id;
      this.lastPattern = found.item.id;
      line.understood.push({
        field: "pattern",
        at: [used[0]?.start ?? 0, used[used.length - 1]?.end ?? 0],
        label: found.item.name,
      });
      return words.filter((w) => !used.includes(w));
    }
    if (found || (named.length > 0 && this.lastPattern === undefined)) {
      const used = found ? named.slice(found.from, found.to) : named;
      this.askPattern(used, line);
      return words.filter((w) => !used.includes(w));
    }
    if (this.lastPattern !== undefined) {
      line.pattern = this.lastPattern;
      return words;
    }
    line.doubts.push({
      field: "pattern",
      code: "WHICH_PATTERN",
      details: {},
      at: [chunk.end, chunk.end],
      candidates: [],
    });
    return words;
  }

  private askPattern(used: Span[], line: ReadLine): void {
    const text = used.map((w) => w.text).join(" ");
    const close = nearest(text, this.catalogue.patterns, (p) => p.name, { least: 0.2 });
    line.doubts.push({
      field: "pattern",
      code: "PATTERN_UNKNOWN",
      details: { words: text },
      at: [used[0]?.start ?? line.at[0], used[used.length - 1]?.end ?? line.at[1]],
      candidates: close.map((c) => ({ label: c.item.name, text: c.item.name })),
    });
    this.lastPattern = undefined;
  }

  private takeSize(chunk: Span, words: Span[], line: ReadLine): Span[] {
    const pattern = this.catalogue.patterns.find((p) => p.id === line.pattern);
    const word = words.find((w) => /\d/.test(w.text));
    if (!word) {
      line.doubts.push({
        field: "size",
        code: "WHICH_SIZE",
        details: pattern ? { pattern: pattern.name, ...pattern.sizes } : {},
        at: [chunk.end, chunk.end],
        candidates: pattern ? [pattern.sizes.from, pattern.sizes.to].map((s) => ({ label: s, text: ` ${s}` })) : [],
      });
      return words;
    }
    const rest = words.filter((w) => w !== word);
    const at: [number, number] = [word.start, word.end];
    const size = sizeOf(word.text);
    if (size === undefined)
      line.doubts.push({
        field: "size",
        code: "SIZE_UNREADABLE",
        details: { words: word.text.replace(/^size/i, "") },
        at,
        candidates: [],
      });
    else if (pattern && !sizeWithin(size, pattern.sizes))
      line.doubts.push({
        field: "size",
        code: "SIZE_OUTSIDE",
        details: { pattern: pattern.name, size, ...pattern.sizes },
        at,
        candidates: [pattern.sizes.from, pattern.sizes.to].map((s) => ({ label: s, text: s })),
      });
    else {
      line.size = size;
      line.understood.push({ field: "size", at, label: `size ${size}` });
    }
    return rest;
  }

  private takeVariantAndForm(chunk: Span, words: Span[], line: ReadLine): Span[] {
    const pattern = this.catalogue.patterns.find((p) => p.id === line.pattern);
    if (!pattern) return [];
    const take = (field: "variant" | "form", options: { id: string; name: string }[], rest: Span[]): Span[] => {
      const found = findName(rest, options, (o) => o.name, SURE);
      if (found) {
        const used = rest.slice(found.from, found.to);
        line[field] = found.item.id;
        line.understood.push({
          field,
          at: [used[0]?.start ?? 0, used[used.length - 1]?.end ?? 0],
          label: found.item.name,
        });
        return rest.filter((w) => !used.includes(w));
      }
      if (options.length === 1 || field === "form") line[field] = options[0]?.id ?? "";
      return rest;
    };
    const afterForm = take("form", pattern.forms, words);
    const rest = take("variant", pattern.variants, afterForm);
    if (!line.variant && !rest.some((w) => fold(w.text)))
      line.doubts.push({
        field: "variant",
        code: "WHICH_COLOUR",
        details: { pattern: pattern.name },
        at: [chunk.end, chunk.end],
        candidates: pattern.variants.slice(0, 4).map((v) => ({ label: v.name, text: ` ${v.name}` })),
      });
    return rest;
  }
}
