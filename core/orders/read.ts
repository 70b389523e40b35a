import { DomainError, sentenceOf } from "../errors";
import { normalSize, sizeWithin } from "../hooks";
import { readDate } from "./dates";
import { fold, nearest } from "./nearest";

/** What the reader may recognise: patterns with their variants and forms, customers, seasons. */
export interface Catalogue {
  today: string;
  patterns: {
    id: string;
    name: string;
    sizes: { from: string; to: string };
    variants: { id: string; name: string }[];
    forms: { id: string; name: string }[];
  }[];
  customers: { id: string; name: string }[];
  /** Days that work is promised against: a run, a hatch, the opening of a season. */
  seasons: { name: string; date: string }[];
  /** What the person at the keyboard means by a loose number word, as they have said: { couple: 2 }. */
  numberWords: Record<string, number>;
}

export type Policy = "original" | "alternates" | "tier";

export type Field = "quantity" | "pattern" | "size" | "variant" | "form" | "customer" | "due" | "rest";

/** Something that was not understood, where it stands in the text, and what could stand there instead. */
export interface Doubt {
  field: Field;
  sentence: string;
  /** Range of the text that a candidate replaces. */
  at: [number, number];
  candidates: { label: string; text: string }[];
}

/** A part that was understood: where, and as what. */
export interface Understood {
  field: Field;
  at: [number, number];
  label: string;
}

export interface ReadLine {
  text: string;
  at: [number, number];
  flies?: number;
  pattern?: string;
  size?: string;
  variant?: string;
  form?: string;
  policy?: Policy;
  understood: Understood[];
  doubts: Doubt[];
}

export interface ReadOrder {
  lines: ReadLine[];
  customer?: string;
  due?: string;
  dueReason?: string;
  understood: Understood[];
  doubts: Doubt[];
}

export const MOST_DOZENS = 500;

interface Span {
  text: string;
  start: number;
  end: number;
}

const trimSpan = (text: string, start: number, end: number): Span => {
  while (start < end && /\s/.test(text[start] ?? "")) start++;
  while (end > start && /\s/.test(text[end - 1] ?? "")) end--;
  return { text: text.slice(start, end), start, end };
};

/** Chunks between commas, semicolons and line ends; a row of cells (tabs) stays together. */
function chunksOf(text: string): Span[] {
  const chunks: Span[] = [];
  let start = 0;
  for (let i = 0; i <= text.length; i++) {
    const c = text[i];
    const isThousands = c === "," && /\d$/.test(text.slice(0, i)) && /^\d{3}(?!\d)/.test(text.slice(i + 1));
    if (isThousands) continue;
    const rowHasTabs = c === "," && (text.slice(text.lastIndexOf("\n", i) + 1).split("\n")[0] ?? "").includes("\t");
    if (i === text.length || c === ";" || c === "\n" || (c === "," && !rowHasTabs)) {
      const span = trimSpan(text, start, i);
      if (span.text) chunks.push(span);
      start = i + 1;
    }
  }
  return chunks;
}

const wordsOf = (chunk: Span): Span[] =>
  [...chunk.text.matchAll(/[^\s]+/g)].map((m) => ({
    text: m[0],
    start: chunk.start + m.index,
    end: chunk.start + m.index + m[0].length,
  }));

const dozenWord = "(?:dozens?|doz|dzn|dz)";
const quantityPattern = new RegExp(
  `(-?\\d[\\d.,]*)\\s*${dozenWord}\\b\\.?(?:\\s*\\+\\s*(\\d+))?|(-?\\d[\\d.,]*)\\s*(?:flies|fly|pcs|pieces|singles|ea)\\b|\\b(?:an?\\s+)?(couple|few|several|handful|half|some)(?:\\s+(?:of|an?))*\\s+${dozenWord}\\b`,
  "i",
);

interface Quantity {
  at: [number, number];
  flies?: number;
  doubt?: Doubt;
}

function readQuantity(chunk: Span, catalogue: Catalogue): Quantity | undefined {
  const m = quantityPattern.exec(chunk.text);
  if (!m) return undefined;
  const at: [number, number] = [chunk.start + m.index, chunk.start + m.index + m[0].length];
  const refuse = (sentence: string, candidates: Doubt["candidates"] = []): Quantity => ({
    at,
    doubt: { field: "quantity", sentence, at, candidates },
  });
  const word = m[4]?.toLowerCase();
  if (word) {
    const own = word === "half" ? undefined : catalogue.numberWords[word];
    if (word === "half")
      return refuse(`Half a dozen is 6 flies: write 6 flies.`, [{ label: "6 flies", text: "6 flies" }]);
    return refuse(
      `“${m[0].trim()}” means a different number to each person. Write the number of dozens.`,
      own ? [{ label: `${own} dz, as you use the word`, text: `${own}dz` }] : [],
    );
  }
  const dozens = m[1] === undefined ? undefined : Number(m[1].replace(",", m[1].match(/,\d{3}\b/) ? "" : "."));
  const singles = Number((m[3] ?? m[2] ?? "0").replace(",", ""));
  const flies = (dozens ?? 0) * 12 + singles;
  if (!Number.isFinite(flies)) return refuse(`“${m[0]}” is not a number of dozens.`);
  if (flies <= 0)
    return refuse(
      `An order line has at least one fly; “${m[0].trim()}” is ${flies === 0 ? "none" : "less than none"}.`,
    );
  if (!Number.isInteger(dozens ?? 0) || !Number.isInteger(flies)) {
    const whole = Math.floor(flies / 12);
    const rest = Math.round(flies - whole * 12);
    const text = whole > 0 ? `${whole}dz + ${rest}` : `${rest} flies`;
    return refuse(
      `${m[1] ?? m[3]} is not a whole number of dozens. Write dozens and singles.`,
      rest > 0 ? [{ label: text, text }] : [],
    );
  }
  if (flies > MOST_DOZENS * 12)
    return refuse(
      `${Math.round(flies / 12).toLocaleString("en")} dozen is more than one line can hold: ${MOST_DOZENS} dozen is the most. Did you mean fewer?`,
    );
  return { at, flies };
}

export const dozensText = (flies: number): string => {
  const [dozens, singles] = [Math.floor(flies / 12), flies % 12];
  if (dozens === 0) return `${singles} flies`;
  return singles === 0 ? `${dozens} dz` : `${dozens} dz + ${singles}`;
};

/** The longest run of words that is (nearly) one of the names; undefined when nothing comes close. */
function findName<T>(
  words: Span[],
  all: readonly T[],
  nameOf: (t: T) => string,
  least: number,
): { item: T; from: number; to: number; like: number } | undefined {
  let best: { item: T; from: number; to: number; like: number } | undefined;
  for (let from = 0; from < words.length; from++)
    for (let to = Math.min(words.length, from + 5); to > from; to--) {
      const text = words
        .slice(from, to)
        .map((w) => w.text)
        .join(" ");
      const [hit] = nearest(text, all, nameOf, { most: 1, least });
      if (hit && (!best || hit.like > best.like + 1e-9 || (hit.like === best.like && to - from > best.to - best.from)))
        best = { ...hit, from, to };
    }
  return best;
}

const SURE = 0.84;

const policyWords: [RegExp, Policy][] = [
  [/\boriginals? only\b/i, "original"],
  [/\balternates? (?:ok|allowed|accepted)\b/i, "alternates"],
  [/\btier decides\b/i, "tier"],
];

class OrderReader {
  readonly order: ReadOrder = { lines: [], understood: [], doubts: [] };
  private lastPattern?: string;

  constructor(
    readonly text: string,
    readonly catalogue: Catalogue,
  ) {}

  read(): ReadOrder {
    for (const chunk of chunksOf(this.text)) this.readChunk(chunk);
    const end: [number, number] = [this.text.length, this.text.length];
    if (this.order.lines.length > 0 && !this.order.customer && !this.order.doubts.some((d) => d.field === "customer"))
      this.order.doubts.push({
        field: "customer",
        sentence: "Who is it for? Add a semicolon and the customer’s name.",
        at: end,
        candidates: [],
      });
    if (this.order.lines.length > 0 && !this.order.due && !this.order.doubts.some((d) => d.field === "due"))
      this.order.doubts.push({
        field: "due",
        sentence: "When is it promised for? Add a day, such as 12 Mar, or a season.",
        at: end,
        candidates: this.catalogue.seasons
          .filter((s) => s.date > this.catalogue.today)
          .slice(0, 2)
          .map((s) => ({ label: s.name, text: `, ${s.name}` })),
      });
    return this.order;
  }

  private readChunk(chunk: Span): void {
    const quantity = readQuantity(chunk, this.catalogue);
    if (quantity) return this.readItem(chunk, quantity);
    if (chunk.text.includes("\t")) return this.readRow(chunk);
    if (this.readDay(chunk) || this.readCustomer(chunk)) return;
    this.readUnknown(chunk);
  }

  /** A spreadsheet row without the word "dozen": its last bare number that is no size is taken as dozens. */
  private readRow(chunk: Span): void {
    const cells = wordsOf(chunk);
    const numbers = cells.filter((w) => /^-?\d+([.,]\d+)?$/.test(w.text));
    const last = numbers[numbers.length - 1];
    if (numbers.length < 2 || !last) return this.readUnknown(chunk);
    const asDozens = readQuantity({ text: `${last.text}dz`, start: last.start, end: last.end }, this.catalogue);
    if (asDozens)
      this.readItem(chunk, {
        ...asDozens,
        at: [last.start, last.end],
        ...(asDozens.doubt && { doubt: { ...asDozens.doubt, at: [last.start, last.end] } }),
      });
  }

  private readDay(chunk: Span): boolean {
    const season = nearest(
      chunk.text.replace(/^(before|for|by)\s+(the\s+)?/i, ""),
      this.catalogue.seasons,
      (s) => s.name,
      { most: 1, least: SURE },
    )[0]?.item;
    const day = season?.date ?? readDate(chunk.text, this.catalogue.today);
    if (!day) return false;
    const at: [number, number] = [chunk.start, chunk.end];
    if (day < this.catalogue.today) {
      this.order.doubts.push({
        field: "due",
        sentence: `${day} has passed. Give a day from ${this.catalogue.today} on.`,
        at,
        candidates: this.nextYear(day),
      });
      return true;
    }
    this.order.due = day;
    if (season) this.order.dueReason = season.name;
    this.order.understood.push({ field: "due", at, label: season ? `${season.name}, ${day}` : day });
    return true;
  }

  private nextYear(day: string): Doubt["candidates"] {
    const next = `${Number(this.catalogue.today.slice(0, 4)) + 1}${day.slice(4)}`;
    return [{ label: next, text: next }];
  }

  private readCustomer(chunk: Span): boolean {
    if (this.order.customer) return false;
    const clean = chunk.text.replace(/^(for|customer:?)\s+/i, "");
    const close = nearest(clean, this.catalogue.customers, (c) => c.name);
    const [first, second] = close;
    if (!first || first.like < 0.6) return false;
    const at: [number, number] = [chunk.start, chunk.end];
    if (first.like >= SURE && (!second || first.like - second.like > 0.05)) {
      this.order.customer = first.item.id;
      this.order.understood.push({ field: "customer", at, label: first.item.name });
      return true;
    }
    this.askCustomer(chunk, close);
    return true;
  }

  private askCustomer(chunk: Span, close: { item: { name: string } }[]): void {
    this.order.doubts.push({
      field: "customer",
      sentence: `No customer is called “${chunk.text}”.`,
      at: [chunk.start, chunk.end],
      candidates: close.map((c) => ({ label: c.item.name, text: c.item.name })),
    });
  }

  /** Neither item, day nor customer: ask, with what it could be. Nothing typed is dropped. */
  private readUnknown(chunk: Span): void {
    const words = wordsOf(chunk);
    const item = findName(words, this.catalogue.patterns, (p) => p.name, 0.6);
    const isSizeOnly =
      words.length > 0 && this.lastPattern !== undefined && words.every((w) => this.sizeOf(w.text) !== undefined);
    if (item || isSizeOnly) {
      const at: [number, number] = [chunk.start, chunk.start];
      return this.readItem(chunk, {
        at,
        doubt: { field: "quantity", sentence: "How many? Write dozens before it, such as 6dz.", at, candidates: [] },
      });
    }
    if (!this.order.customer && this.order.lines.length > 0 && !/\d/.test(chunk.text))
      return this.askCustomer(
        chunk,
        nearest(chunk.text, this.catalogue.customers, (c) => c.name, { least: 0.2 }),
      );
    const looksLikeDay = /\d/.test(chunk.text) && this.order.lines.length > 0;
    this.order.doubts.push({
      field: looksLikeDay ? "due" : "rest",
      sentence: looksLikeDay
        ? `“${chunk.text}” is not a day that can be read. Write it like 12 Mar, or as year-month-day.`
        : `“${chunk.text}” was not understood.`,
      at: [chunk.start, chunk.end],
      candidates: [],
    });
  }

  private sizeOf(word: string): string | undefined {
    try {
      return normalSize(word.replace(/^size/i, ""));
    } catch (error) {
      if (error instanceof DomainError) return undefined;
      throw error;
    }
  }

  private readItem(chunk: Span, quantity: Quantity): void {
    const line: ReadLine = {
      text: chunk.text,
      at: [chunk.start, chunk.end],
      flies: quantity.flies,
      understood: [],
      doubts: [],
    };
    this.order.lines.push(line);
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
        sentence: `“${rest.map((w) => w.text).join(" ")}” was not understood.`,
        at: [first.start, last.end],
        candidates: this.restCandidates(rest, line),
      });
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
    const named = words.filter((w) => this.sizeOf(w.text) === undefined && !/\d/.test(w.text));
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
    line.doubts.push({ field: "pattern", sentence: "Which pattern?", at: [chunk.end, chunk.end], candidates: [] });
    return words;
  }

  private askPattern(used: Span[], line: ReadLine): void {
    const text = used.map((w) => w.text).join(" ");
    const close = nearest(text, this.catalogue.patterns, (p) => p.name, { least: 0.2 });
    line.doubts.push({
      field: "pattern",
      sentence: `No pattern is called “${text}”.`,
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
        sentence: pattern
          ? `Which size? ${pattern.name} is tied in ${pattern.sizes.from} to ${pattern.sizes.to}.`
          : "Which size?",
        at: [chunk.end, chunk.end],
        candidates: pattern ? [pattern.sizes.from, pattern.sizes.to].map((s) => ({ label: s, text: ` ${s}` })) : [],
      });
      return words;
    }
    const rest = words.filter((w) => w !== word);
    const at: [number, number] = [word.start, word.end];
    try {
      const size = normalSize(word.text.replace(/^size/i, ""));
      if (pattern && !sizeWithin(size, pattern.sizes)) {
        const candidates = [pattern.sizes.from, pattern.sizes.to].map((s) => ({ label: s, text: s }));
        line.doubts.push({
          field: "size",
          sentence: `${pattern.name} is tied in sizes ${pattern.sizes.from} to ${pattern.sizes.to}, not in ${size}.`,
          at,
          candidates,
        });
      } else {
        line.size = size;
        line.understood.push({ field: "size", at, label: `size ${size}` });
      }
    } catch (error) {
      if (!(error instanceof DomainError)) throw error;
      line.doubts.push({ field: "size", sentence: sentenceOf(error), at, candidates: [] });
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
        sentence: `Which colour of ${pattern.name}?`,
        at: [chunk.end, chunk.end],
        candidates: pattern.variants.slice(0, 4).map((v) => ({ label: v.name, text: ` ${v.name}` })),
      });
    return rest;
  }
}

/**
 * Read an order as it is typed or pasted: `6dz Copper Lodger 14 olive, 4dz 16; Hollow Mere Lodge, 12 Mar`.
 * Understood parts and doubts carry their range in the text, so that a candidate can be put in their place;
 * nothing that was typed is thrown away.
 *
 * @param catalogue names to recognise, and today's date
 * @returns one line per item in the text's order; an item without a pattern takes the one before it,
 *   and without a colour the one before it when the pattern is the same
 */
export function readOrder(text: string, catalogue: Catalogue): ReadOrder {
  const order = new OrderReader(text, catalogue).read();
  order.lines.forEach((line, i) => {
    const before = order.lines[i - 1];
    if (!line.variant && before?.variant && before.pattern === line.pattern) {
      line.variant = before.variant;
      line.doubts = line.doubts.filter((d) => d.field !== "variant");
    }
  });
  return order;
}

/** Whether every line is whole and customer and day are known: then it can be saved. */
export const isWhole = (order: ReadOrder): boolean =>
  order.lines.length > 0 &&
  order.customer !== undefined &&
  order.due !== undefined &&
  order.doubts.length === 0 &&
  order.lines.every(
    (l) => l.doubts.length === 0 && l.flies && l.pattern && l.size && l.variant && l.form !== undefined,
  );
