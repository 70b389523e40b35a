import {
  colourIn,
  gaugeOf,
  isColour,
  plainColour,
  threadNumberOf,
  type Material,
  type MaterialForm,
} from "../materials";
import { isAsLeaded } from "./lead";
import { after } from "./lexicon/nouns";
import { remembered } from "./remembered";

/** “2mm” and “2 mm” are one. */
const apart = (text: string): string => text.replace(/(\d)mm(?!\p{L})/giu, "$1 mm");
const letters = (text: string): string[] =>
  apart(text)
    .toLowerCase()
    .normalize("NFKD")
    .replace(/\p{M}/gu, "")
    .replace(/[^a-z0-9./]+/g, " ")
    .trim()
    .split(" ")
    .filter(Boolean);

/** Words that tell nothing of which material it is. */
const idle = new Set(
  "fibre fibres fiber fibers barb barbs strand strands feather feathers piece pieces strip strips slip slips of the in a an some any good nice mm denier den d dt hook size sizes turns natural long short".split(
    " ",
  ),
);

/** What else a word may be called in the cabinet. */
const alike: Record<string, string[]> = {
  silk: ["thread", "floss"],
  cock: ["stiff", "dry"],
  rooster: ["stiff", "dry"],
  hen: ["soft"],
  fur: ["dubbing"],
  dub: ["dubbing"],
  lead: ["weight"],
  varnish: ["lacquer"],
  cement: ["lacquer"],
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

/** The words of a description by which a material is known. */
const wantedOf = remembered((words) =>
  letters(words)
    .map((w) => plainColour(singular(w)))
    .filter((w) => !idle.has(w)),
);
interface Described {
  words: string;
  form?: MaterialForm;
  isBegun: boolean;
}

interface Indexed {
  material: Material;
  words: string[];
}

/** What a material is called, in small letters; `isOwn` where the cabinet calls it just so. */
interface Called {
  name: string;
  material: Material;
  isOwn: boolean;
}

/**
 * The cabinet as the reader looks it up: by name at a place, and by the words of a description. Made once for a
 * cabinet.
 */
export class CabinetIndex {
  private readonly byFirstWord = new Map<string, Called[]>();
  private readonly all: Indexed[];
  /** What a description fits, whatever the pattern is tied of. */
  private readonly fitting = remembered((key) => {
    const { words, form, isBegun } = JSON.parse(key) as Described;
    const wanted = wantedOf(words);
    return this.all.filter(
      (i) =>
        (form === undefined || sameForm(i.material.form, form)) &&
        wanted.every((w) => has(i, w) || (isBegun && i.words.some((h) => h.startsWith(w)))) &&
        isAsLeaded(i.material, words),
    );
  });

  constructor(materials: Iterable<Material>) {
    const list = [...materials];
    this.all = list.map((material) => ({ material, words: wordsOf(material) }));
    for (const material of list) {
      if (material.form === "hook") continue;
      const called = material.name.toLowerCase();
      const own = [called, apart(called), material.code.toLowerCase()];
      for (const name of [...own, ...waysToSay(apart(called))]) {
        const first = /^[\p{L}\p{N}]+/u.exec(name)?.[0] ?? "";
        const list = this.byFirstWord.get(first) ?? [];
        list.push({ name, material, isOwn: own.includes(name) });
        this.byFirstWord.set(first, list);
      }
    }
    // What is called just so goes before what is called so in another order.
    for (const list of this.byFirstWord.values())
      list.sort((a, b) => b.name.length - a.name.length || Number(b.isOwn) - Number(a.isOwn));
  }

  /** The longest name of the cabinet, or code, that stands at a place; its words may stand in another order. */
  nameAt(text: string, at: number): { material: Material; end: number; isOwn: boolean } | undefined {
    const first = /^[\p{L}\p{N}]+/u.exec(text.slice(at, at + 40))?.[0];
    const found = (first === undefined ? undefined : this.byFirstWord.get(first))?.find(
      ({ name }) => text.startsWith(name, at) && !/[\p{L}\p{N}]/u.test(text[at + name.length] ?? " "),
    );
    return found && { material: found.material, end: at + found.name.length, isOwn: found.isOwn };
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
    if (wantedOf(words).length === 0) return [];
    const score = (i: Indexed): number => i.words.length - (used.has(i.material.code) ? 20 : 0);
    const described: Described = { words, form, isBegun };
    return this.fitting(JSON.stringify(described))
      .filter((i) => !isVague || used.has(i.material.code))
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

/** “Seal-like synthetic, claret” is “claret seal-like synthetic” and “seal-like synthetic (claret)” as well. */
function waysToSay(name: string): string[] {
  const [noun = name, ...more] = name.split(/,\s*/);
  if (more.length === 0 || more.length > 2) return [];
  const [first = "", last = ""] = more;
  const both = last === "" ? [] : [`${last} ${noun}, ${first}`, `${first} ${noun}, ${last}`];
  return [
    [...more, noun].join(" "),
    [...[...more].reverse(), noun].join(" "),
    [noun, ...more].join(" "),
    `${noun} (${more.join(", ")})`,
    ...both,
  ];
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

/** “Brass wire” is of that metal, and no copper of the size “brassie”. */
const metals = new Set("brass copper gold silver tungsten steel nickel lead tin".split(" "));

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
        h === w ||
        (!metals.has(w) && w.length > 3 && h.startsWith(w)) ||
        (h.length > 3 && w.startsWith(h) && w.length - h.length < 3),
    ),
  );
}
