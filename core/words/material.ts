import {
  codeFor,
  colourIn,
  denierOfNumber,
  gaugeOf,
  isColour,
  newMaterial,
  plainColour,
  threadNumberOf,
  widthOfGauge,
  withGauge,
  type Material,
  type MaterialForm,
} from "../materials";
import { beadMass } from "../tying";
import { mmOf } from "../units";
import { isStop } from "./lexicon/stops";
import { after, modifiers, nounSources, type NounForm } from "./lexicon/nouns";
import { match } from "./parse";
import { NUMBER_WORD } from "./text/number";

/** A description of a material in a text: the stretch, its words, and what its noun means. */
export interface Description {
  at: number;
  end: number;
  /** As typed. */
  text: string;
  /** Exact name of a material of the cabinet, where the text is one. */
  exact?: Material;
  /** What its noun means; undefined where no noun of it is known. */
  means?: NounForm;
  /** Of a blend: the descriptions of what it is mixed of. */
  parts?: Description[];
}

const nouns = nounSources.map(({ source, means }) => ({ reads: match(source), means }));
const token = /[\p{L}\p{N}.#][\p{L}\p{N}'./"-]*/uy;
const blank = /[ \t]+/y;

/** Whether any noun begins here: most words begin none, and are spared the list. */
const anyNoun = match(nounSources.map((n) => `(?:${n.source})`).join("|"));

/** The noun that begins here and goes furthest. */
function nounAt(text: string, at: number): { means: NounForm; end: number } | undefined {
  if (!anyNoun(text, at)) return undefined;
  let best: { means: NounForm; end: number } | undefined;
  for (const { reads, means } of nouns) {
    const found = reads(text, at);
    if (found && (!best || found.end > best.end)) best = { means, end: found.end };
  }
  return best;
}

const sized = /^(?:\d{2,3}d(?:en)?|#?\d+(?:[.,]\d+)?"?|\.\d+"?|\d+\/0|\d+\/\d+"?|\d+x|[xsml]{1,2})$/i;
const unitWord = /^(?:mm|denier|den|d|dt|in|inch|thou|ply)$/i;
/** Forms of which a size in mm is part of what they are, not a length that is taken. */
const bySize = new Set<MaterialForm>([
  "bead",
  "eyes",
  "stretch body",
  "rubber",
  "weight wire",
  "extended body",
  "tinsel",
  "yarn",
]);

interface Token {
  word: string;
  at: number;
  end: number;
}

function tokenAt(text: string, at: number): Token | undefined {
  token.lastIndex = at;
  const m = token.exec(text);
  if (!m) return undefined;
  const word = m[0].replace(/[.'-]+$/, "");
  return word === "" ? undefined : { word, at, end: at + word.length };
}

function afterBlank(text: string, at: number): number {
  blank.lastIndex = at;
  return blank.exec(text) ? blank.lastIndex : at;
}

const numberWord = match(NUMBER_WORD);
/** A number counts something; it is no part of a name. */
const isNumber = (text: string, at: number): boolean => /\d/.test(text[at] ?? "") || numberWord(text, at) !== undefined;

const isModifier = (word: string): boolean =>
  modifiers.has(word) || isColour(word) || word.split("-").every((w) => w !== "" && (modifiers.has(w) || isColour(w)));

/** Most words before a noun that nobody knows: a name may have a few, a sentence is none. */
const UNKNOWN_BEFORE = 2;
const UNKNOWN_AT_HEAD = 4;

/**
 * The description that begins here, if one does: modifiers, colours, sizes and a noun, then what is added behind a
 * comma.
 * @param atHead right after the name of a part: what stands there is the material, whatever it is called
 */
export function descriptionAt(
  text: string,
  at: number,
  index: CabinetIndex,
  atHead = false,
  implied?: MaterialForm,
): Description | undefined {
  const named = index.nameAt(text, at);
  if (named) return { at, end: named.end, text: text.slice(at, named.end), exact: named.material };
  const phrase = nounPhrase(text, at, atHead);
  if (phrase) return blended(text, phrase, index);
  return implied ? impliedPhrase(text, at, implied) : undefined;
}

const mixedWith = match(
  "(?:,\\s*)?(?:(?:well\\s+)?(?:mixed|blended)\\s+(?:together\\s+)?with|and|plus|with)\\s+(?:a\\s+(?:little|bit|touch|pinch)\\s+(?:of\\s+)?)?|\\s*[/&+]\\s*",
);
const blendOf = match("\\s*of\\s+");
/** “a blend of hare and olive dubbing”, “hare mixed with olive dubbing”: one material of several. */
function blended(text: string, first: Description, index: CabinetIndex): Description {
  if (first.means?.form !== "dubbing") return first;
  const isNamed = /(?:blends?|mix(?:ture)?)$/.test(first.text.trim());
  const of = isNamed ? blendOf(text, first.end) : undefined;
  const parts: Description[] = [];
  let at = of ? of.end : first.end;
  if (of) {
    const part = descriptionAt(text, afterBlank(text, at), index);
    if (!part || !isDubbing(part)) return first;
    // A blend within a blend is one already.
    if (part.parts) return { ...part, at: first.at, text: text.slice(first.at, part.end) };
    parts.push(part);
    at = part.end;
  } else parts.push(first);
  for (;;) {
    const link = mixedWith(text, afterBlank(text, at));
    const next = link ? afterBlank(text, link.end) : at;
    if (!link || next === at) break;
    const part = nounPhrase(text, next, false) ?? colourAlone(text, next);
    if (!part || part.means?.form !== "dubbing") break;
    parts.push(part);
    at = part.end;
  }
  if (parts.length < 2) return of && parts[0] ? { ...parts[0], at: first.at } : first;
  return { at: first.at, end: at, text: text.slice(first.at, at), means: first.means, parts };
}
/** “mixed with a pinch of orange”: a shade alone is of the same stuff. */
function colourAlone(text: string, at: number): Description | undefined {
  const t = tokenAt(text, at);
  if (!t || !isColour(t.word)) return undefined;
  return { at, end: t.end, text: `${t.word} dubbing`, means: { form: "dubbing" } };
}
const isDubbing = (d: Description): boolean =>
  d.means?.form === "dubbing" || d.exact?.form === "dubbing" || d.exact?.form === "blend";

/**
 * “Thread: black, 8/0”: where only colours and sizes stand behind the name of a part, the part says what they are of.
 */
function impliedPhrase(text: string, at: number, implied: MaterialForm): Description | undefined {
  let [end, place] = [at, at];
  for (;;) {
    const t = tokenAt(text, place);
    if (!t) break;
    const isSize =
      sized.test(t.word) &&
      (implied === "thread" ? /^\d{2,3}d?(?:en)?$|\/0$/.test(t.word) : implied === "bead" && /^\d/.test(t.word));
    const isUnit = unitWord.test(t.word) && end > at;
    if (!isSize && !isUnit && !isModifier(t.word)) break;
    if (isSize && /^\s*(?:turns?|wraps?|coats?|layers?)/.test(text.slice(t.end))) break;
    end = t.end;
    const next = afterBlank(text, t.end);
    const comma = /^\s*,\s*/.exec(text.slice(t.end))?.[0].length ?? 0;
    place = comma > 0 ? t.end + comma : next;
    if (comma > 0) {
      const ahead = tokenAt(text, place);
      if (
        !ahead ||
        !(
          isColour(ahead.word) ||
          after.has(ahead.word) ||
          (implied === "thread" && /\/0$|^\d{2,3}d?$/.test(ahead.word))
        )
      )
        break;
    }
  }
  if (end === at) return undefined;
  return { at, end, text: `${text.slice(at, end)} ${implied}`, means: { form: implied } };
}

function nounPhrase(text: string, at: number, atHead: boolean): Description | undefined {
  let [end, unknown, lastNoun] = [at, 0, -1];
  let means: NounForm | undefined;
  const words: Token[] = [];
  for (let place = at; words.length < 12;) {
    const noun = nounAt(text, place);
    // “slips of grey quill”: what is taken, not yet of what.
    if (
      noun &&
      lastNoun < 0 &&
      /^(?:matched\s+)?(?:slips?|strands?|fibres?|feathers?|strips?|plumes?|biots?)\s+(?:of|from)\b/.test(
        text.slice(place),
      )
    )
      break;
    if (noun) {
      means = noun.means;
      lastNoun = end = noun.end;
      place = afterBlank(text, noun.end);
      words.push({ word: text.slice(place, noun.end), at: place, end: noun.end });
      continue;
    }
    const t = tokenAt(text, place);
    if (!t) break;
    const isSize = sized.test(t.word) && sizeBelongs(text, t, lastNoun >= 0, means?.form);
    if (!isSize && isNumber(text, t.at)) break;
    if (isSize || (unitWord.test(t.word) && words.length > 0 && sized.test(words[words.length - 1]?.word ?? ""))) {
      if (lastNoun >= 0) end = t.end;
    } else if (lastNoun >= 0 ? isColour(t.word) || after.has(t.word) : isModifier(t.word)) {
      if (lastNoun >= 0) end = t.end;
    } else if (t.word === "and" && isBetweenColours(text, words, t)) {
      // “black and white hackle” is one feather.
    } else if (lastNoun < 0 && !isStop(text, t.at) && unknown < (atHead ? UNKNOWN_AT_HEAD : UNKNOWN_BEFORE)) {
      unknown++;
    } else break;
    words.push(t);
    place = afterBlank(text, t.end);
  }
  if (lastNoun < 0) return undefined;
  // Words after the noun that only lead to another count do not belong: “wire 5 turns”.
  const full = withAddition(text, end, means?.form);
  return { at, end: full, text: text.slice(at, full), means };
}

/** Whether a figure is part of the description: a gauge, a denier, the size of a bead; “wire 5 turns” has none. */
function sizeBelongs(text: string, t: Token, afterNoun: boolean, form: MaterialForm | undefined): boolean {
  const next = tokenAt(text, afterBlank(text, t.end))?.word ?? "";
  if (/^\d{2,3}d(?:en)?$/.test(t.word)) return true;
  if (/^0?\.\d+"?$|^\d+\/0$|^\d+x$|^#\d/.test(t.word)) return true;
  if (/^\d{2,3}$/.test(t.word) && /^(?:thread|silk)$/.test(next)) return true;
  if (/^(?:denier|den|dt|d|thou|ply)$/.test(next)) return true;
  const unitEnd = /^\s*(?:mm|in|inch)\s+(?:behind|in\s+front|ahead|before|from|back|short|past|long)\b/.test(
    text.slice(t.end),
  );
  if ((next === "mm" || next === "in" || next === "inch") && unitEnd) return false;
  if (next === "mm" || next === "in" || next === "inch")
    return afterNoun ? form !== undefined && bySize.has(form) : Number(t.word.replace(",", ".")) < 9;
  if (/^0?\.\d+$/.test(t.word)) return true;
  return false;
}

function isBetweenColours(text: string, before: Token[], t: Token): boolean {
  const last = before[before.length - 1]?.word ?? "";
  const next = tokenAt(text, afterBlank(text, t.end))?.word ?? "";
  return isColour(last) && isColour(next);
}

/** “, fine”, “, rust”, “(8/0)”: what only describes, up to the next comma, still belongs. */
function withAddition(text: string, end: number, form: MaterialForm | undefined): number {
  for (;;) {
    const opened = /^\s*([,(])\s*/.exec(text.slice(end, end + 8));
    if (!opened) return end;
    let [place, taken] = [end + opened[0].length, 0];
    for (;;) {
      const t = tokenAt(text, place);
      if (!t) break;
      const isSize = sized.test(t.word) && sizeBelongs(text, t, true, form);
      const isUnit = unitWord.test(t.word) && taken > 0;
      if (!isSize && !isUnit && !((isColour(t.word) || after.has(t.word)) && !nounOnly(text, place))) break;
      place = t.end;
      taken++;
      const next = afterBlank(text, place);
      if (next === place) break;
      place = next;
    }
    const close = /^\s*([,;:.)]|$)/.exec(text.slice(place));
    if (taken === 0 || !close) return end;
    if (opened[1] === "(" && close[1] !== ")") return end;
    const stop = place - (/\s*$/.exec(text.slice(end, place))?.[0].length ?? 0);
    end = opened[1] === "(" ? place + close[0].length : stop;
    if (opened[1] === "(") return end;
  }
}

/** A word that is a noun where it stands alone begins another description: “hackle”, “wing”, “flash”. */
const nounOnly = (text: string, at: number): boolean => {
  const t = tokenAt(text, at);
  return t !== undefined && !isColour(t.word) && nounAt(text, at)?.end === t.end;
};

const letters = (text: string): string[] =>
  text
    .toLowerCase()
    .normalize("NFKD")
    .replace(/\p{M}/gu, "")
    .replace(/[^a-z0-9./]+/g, " ")
    .trim()
    .split(" ")
    .filter(Boolean);

/** Words that tell nothing of which material it is. */
const idle = new Set(
  "fibre fibres fiber fibers barb barbs strand strands feather feathers piece pieces strip strips slip slips of the a an some any good nice mm denier den d dt hook size sizes turns natural long short".split(
    " ",
  ),
);
const leadFree = /\b(?:lead|unlead)(?:ed)?-?\s?free\b|\bnon-?\s?(?:lead|toxic)\b|\bunleaded\b/i;
/** Whether words say that something is of lead, or that it is not; undefined where they say neither. */
const leadSaid = (words: string): boolean | undefined =>
  leadFree.test(words) ? false : /\blead(?:ed)?\b/i.test(words) ? true : undefined;
/** Lead is never taken for what was said to be free of it, nor the other way round: some waters forbid it. */
function isAsLeaded(material: Material, words: string): boolean {
  if (material.form !== "weight wire") return true;
  const said = leadSaid(words);
  return said === undefined || said === material.lead;
}
const LEAD = 11.34;
const LEAD_FREE = 7.3;

/** What else a word may be called in the cabinet. */
const alike: Record<string, string[]> = {
  silk: ["thread", "floss"],
  cock: ["stiff", "dry"],
  rooster: ["stiff", "dry"],
  hen: ["soft"],
  fur: ["dubbing"],
  dub: ["dubbing"],
  lead: ["weight"],
  pt: ["pheasant"],
  med: ["medium"],
  lg: ["large"],
  sm: ["small"],
  leadfree: ["free"],
  nontoxic: ["free"],
  toxic: ["free"],
  cdc: ["gland"],
  bucktail: ["solid"],
  deer: ["hollow"],
  elk: ["hollow"],
  tungsten: ["tungsten"],
};
const singular = (word: string): string =>
  word.length > 3 && word.endsWith("s") && !word.endsWith("ss") ? word.slice(0, -1) : word;

interface Indexed {
  material: Material;
  words: string[];
}

/**
 * The cabinet as the reader looks it up: by name at a place, and by the words of a description. Made once for a
 * cabinet.
 */
export class CabinetIndex {
  private readonly byFirstWord = new Map<string, { name: string; material: Material }[]>();
  private readonly all: Indexed[];

  constructor(materials: Iterable<Material>) {
    const list = [...materials];
    this.all = list.map((material) => ({ material, words: wordsOf(material) }));
    for (const material of list) {
      if (material.form === "hook") continue;
      for (const name of [material.name.toLowerCase(), material.code.toLowerCase()]) {
        const first = /^[\p{L}\p{N}]+/u.exec(name)?.[0] ?? "";
        const list = this.byFirstWord.get(first) ?? [];
        list.push({ name, material });
        this.byFirstWord.set(first, list);
      }
    }
    for (const list of this.byFirstWord.values()) list.sort((a, b) => b.name.length - a.name.length);
  }

  /** The longest name of the cabinet, or code, that stands at a place. */
  nameAt(text: string, at: number): { material: Material; end: number } | undefined {
    const first = /^[\p{L}\p{N}]+/u.exec(text.slice(at, at + 40))?.[0];
    const found = (first === undefined ? undefined : this.byFirstWord.get(first))?.find(
      ({ name }) => text.startsWith(name, at) && !/[\p{L}\p{N}]/u.test(text[at + name.length] ?? " "),
    );
    return found && { material: found.material, end: at + found.name.length };
  }

  /**
   * Materials that have all the words of a description, best first: those of the pattern, then the fewest other words.
   * @param form only of this form, where the noun says it
   * @param isBegun words may be half typed
   */
  find(words: string, used: ReadonlySet<string> = new Set(), form?: MaterialForm, isBegun = false): Material[] {
    // “a barred feather” may be any: only one of the fly is meant by so little.
    const isVague =
      /(?:^|\s)(?:feathers?|strands?|fibres?|strips?|slips?|pieces?)\s*$/.test(words.toLowerCase()) &&
      letters(words).every((w) => idle.has(w) || isColour(w) || after.has(w)) &&
      !/hackle/.test(words);
    const wanted = letters(words)
      .map((w) => plainColour(singular(w)))
      .filter((w) => !idle.has(w));
    if (wanted.length === 0) return [];
    const score = (i: Indexed): number => i.words.length - (used.has(i.material.code) ? 20 : 0);
    return this.all
      .filter((i) => !isVague || used.has(i.material.code))
      .filter(
        (i) =>
          (form === undefined || sameForm(i.material.form, form)) &&
          isAsLeaded(i.material, words) &&
          wanted.every((w) => has(i, w) || (isBegun && i.words.some((h) => h.startsWith(w)))),
      )
      .sort((a, b) => score(a) - score(b) || (a.material.name < b.material.name ? -1 : 1))
      .map((i) => i.material);
  }

  /** Of the same form and, where one is said, the same colour: what may have been meant. */
  near(words: string, form: MaterialForm, most: number): Material[] {
    const colour = colourIn(words)?.name;
    return this.all
      .filter((i) => i.material.form === form && (colour === undefined || i.words.includes(colour)))
      .slice(0, most)
      .map((i) => i.material);
  }
}

const indexes = new WeakMap<readonly Material[], CabinetIndex>();
/** Materials of a list whose name has all the words, which may be half typed; best first. */
export function findMaterials(words: string, materials: readonly Material[]): Material[] {
  const known = indexes.get(materials) ?? new CabinetIndex(materials);
  indexes.set(materials, known);
  return known.find(words, undefined, undefined, true);
}

const families: MaterialForm[][] = [
  ["dubbing", "blend"],
  ["feather fibre", "hackle"],
  ["feather fibre", "quill"],
  ["stretch body", "yarn"],
];
const sameForm = (a: MaterialForm, b: MaterialForm): boolean =>
  a === b ||
  families.some((f) => f.includes(a) && f.includes(b) && f[0] !== "feather fibre") ||
  (a === "feather fibre" && b === "hackle" ? false : a === b);

function wordsOf(m: Material): string[] {
  const number = m.thread ? [threadNumberOf(m.thread.denier)] : [];
  const width =
    m.strand && m.form === "weight wire"
      ? [`.${String(Math.round((m.strand.width / 25.4) * 1000)).padStart(3, "0")}`]
      : [];
  return [
    ...new Set(
      [...letters(`${m.name} ${m.colourName ?? ""} ${m.form} ${m.code} ${gaugeOf(m) ?? ""}`), ...number, ...width].map(
        (w) => plainColour(singular(w)),
      ),
    ),
  ];
}

const NUMERIC = /^[\d.]+$/;
function has(i: Indexed, wanted: string): boolean {
  if (NUMERIC.test(wanted)) {
    const n = Number(wanted);
    return i.words.some((w) =>
      NUMERIC.test(w)
        ? Number(w) === n ||
          (i.material.form === "weight wire" && w.startsWith(".") && Math.abs(Number(w) - n) < 0.0006)
        : w === wanted,
    );
  }
  return [wanted, ...(alike[wanted] ?? [])].some((w) =>
    i.words.some(
      (h) =>
        h === w || (w.length > 3 && h.startsWith(w)) || (h.length > 3 && w.startsWith(h) && w.length - h.length < 3),
    ),
  );
}

const figure = (text: string, unit: RegExp): number | undefined => {
  const m = new RegExp(`(\\d+(?:[.,]\\d+)?|\\.\\d+)\\s*(?:${unit.source})`, "i").exec(text);
  return m ? Number((m[1] ?? "").replace(",", ".")) : undefined;
};
const GAUGES = /\b(extra fine|fine|small|medium|large|extra large)\b/i;
const BEAD_LENGTH = 0.85;
const metals: [RegExp, number][] = [
  [/tungsten/i, 17.5],
  [/glass/i, 2.5],
  [/plastic/i, 1.2],
];
const BRASS = 8.5;

/** A material that was only described, with the nominal figures of its form and what its words say of its size. */
export function described(text: string, means: NounForm, taken: (code: string) => boolean): Material {
  const name = text
    .replace(/\s+/g, " ")
    .replace(/^(?:the|a|an)\s+/i, "")
    .trim()
    .slice(0, 80);
  const colour = colourIn(name);
  const plain: Material = {
    ...newMaterial(codeFor(name, means.form, taken), name, means.form),
    ...structuredClone(means.figures ?? {}),
    ...(colour && { colour: colour.seen, colourName: colour.name }),
  };
  if (means.form === "weight wire") {
    const lead = leadSaid(name);
    plain.lead = lead ?? plain.lead;
    if (lead !== undefined && plain.strand) plain.strand.density = lead ? LEAD : LEAD_FREE;
  }
  const gauge = GAUGES.exec(name)?.[1]?.toLowerCase();
  return sizedAs(gauge === undefined ? plain : withGauge(plain, gauge), name);
}

function sizedAs(m: Material, name: string): Material {
  const mm = figure(name, /mm\b/) ?? inMm(figure(name, /in(?:ch)?\b|"/));
  switch (m.form) {
    case "bead":
    case "eyes": {
      if (!m.part || mm === undefined) return m;
      const density = metals.find(([metal]) => metal.test(name))?.[1] ?? BRASS;
      const mass = m.form === "bead" ? beadMass(mm, density) : 2 * beadMass(mm, density);
      return { ...m, part: { ...m.part, diameter: mm, length: mm * BEAD_LENGTH, mass: Number(mass.toFixed(1)) } };
    }
    case "thread": {
      const number = /\b(\d+\/0)\b/.exec(name)?.[1];
      const denier =
        figure(name, /den(?:ier)?\b|d\b|dt\b/) ?? (number === undefined ? undefined : denierOfNumber(number));
      return denier === undefined || !m.thread ? m : { ...m, thread: { ...m.thread, denier } };
    }
    case "weight wire":
    case "wire": {
      const inches = /(?:^|\s)0?(\.\d{2,3})\b/.exec(name)?.[1];
      const width = mm ?? (inches === undefined ? undefined : widthOfGauge(inches, m.form));
      return width === undefined || !m.strand
        ? m
        : { ...m, strand: { ...m.strand, width, ...(m.strand.section === "round" && { thickness: width }) } };
    }
    case "stretch body":
    case "tinsel":
    case "rubber":
    case "yarn":
      return mm === undefined || !m.strand
        ? m
        : { ...m, strand: { ...m.strand, width: mm, ...(m.strand.section === "round" && { thickness: mm }) } };
    default:
      return m;
  }
}
const inMm = (inches: number | undefined): number | undefined =>
  inches === undefined ? undefined : mmOf(inches, "in");
