import { isColour, type Material, type MaterialForm } from "../materials";
import type { Bench } from "./bench";
import type { Reading, RecipeLine } from "./reading";
import { askUnheld, isOwnWords, knownWords, stepsNear, type KnownWords } from "./unheld";

/**
 * Stuff that was read in a line and that nothing of it holds in the end: “brush resin on the thread” that became a
 * stroke of a brush, a wing that was taken for a hackle. It is asked about, as a count is.
 *
 * A stuff is held where any part that the line's steps are of, or go by, is of it or is called so: it is better to
 * miss one than to ask about what is there.
 */
export function askLostStuff({ bench, out }: Pick<Reading, "bench" | "out">): void {
  for (const line of out) {
    // Where something else is asked, its answer may take it up; what the program has said itself is held.
    if (line.kind !== "steps" || line.asks.length > 0 || isOwnWords(line)) continue;
    for (const s of threadSaid(line)) if (!isOfThread(s.means, bench)) askUnheld(line, s.at, s.end, s.mark);
    const said = stuffSaid(line);
    if (said.length === 0) continue;
    const held = heldBy([...stepsNear(line, bench), bench.finish], bench);
    for (const s of said) if (!isHeld(s.means, held)) askUnheld(line, s.at, s.end, s.mark);
  }
}

/** Stuffs by the words for them, with the forms that a part of them may have. */
const stuffs: readonly (readonly [source: string, forms: readonly MaterialForm[]])[] = [
  ["resin|uv", ["liquid"]],
  ["varnish|lacquer|cement|head\\s+cement", ["liquid"]],
  ["(?:super\\s*)?glue|superglue", ["liquid"]],
  ["(?<!(?:light|heavy|standard|stout|fine)\\s+)wire", ["wire", "weight wire"]],
  ["tinsel", ["tinsel"]],
  ["floss", ["floss", "thread"]],
  ["chenille", ["chenille"]],
  ["yarn|wool", ["yarn", "dubbing", "blend"]],
  ["herls?", ["herl"]],
  ["hackles?", ["hackle", "feather fibre"]],
  ["marabou", ["feather fibre", "hackle", "herl"]],
  ["biots?", ["feather fibre", "quill"]],
  ["fur|dubbing", ["dubbing", "blend", "hair", "yarn", "chenille"]],
  ["hair|bucktail|squirrel", ["hair", "dubbing", "blend", "yarn", "chenille"]],
  ["foam", ["stretch body", "extended body", "quill"]],
  ["flash", ["flash", "tinsel", "dubbing", "blend"]],
  ["beads?", ["bead", "eyes"]],
  ["lead", ["weight wire"]],
];
const anyStuff = new RegExp(
  `(?<![\\p{L}\\d-])(?:${stuffs.map(([source]) => `(${source})`).join("|")})(?![\\p{L}-])`,
  "giu",
);

/** What is gone by, or said not to be there: “behind the bead”, “over the lead”, “no varnish”. */
const goneBy =
  /\b(?:behind|to|towards?|over|past|from|under|beneath|beside|before|after|than|off|through|against|along|up|down|between|round|around|of|in|front|until|till|beyond|where|as|on|onto|reach(?:es|ing)?|at|clear|touch(?:es|ing)?|like|near|by|into|inside|for|with|without|no|not|never|don'?t|any|meets?)\s+(?:(?:the|its|that|your|each|both|any|an?|two)\s+)*(?:[\p{L}'’-]+\s+)?$/iu;
/** What is cut off or tied off of it, or that there is none. */
const ofItsEnds = /^\s*(?:tips?|butts?|ends?|stems?|stalks?|off\b|[:=-]?\s*none|:\s*no\b)/iu;

const colouredThread =
  /(?<=\b(?:with|in|by|under)\s+(?:the\s+|some\s+|your\s+)?)(\p{L}+)\s+(?:tying\s+)?(?:thread|silk)(?!\p{L})/giu;
/** “Tied off with red thread”: the colour of a thread that somebody has to take. */
const threadSaid = (line: RecipeLine): KnownWords<string>[] =>
  knownWords(line, colouredThread, ([, word = ""]) => (isColour(word.toLowerCase()) ? word.toLowerCase() : undefined));
/** Whether any thread of the recipe has that colour. */
const isOfThread = (colour: string, bench: Bench): boolean =>
  bench.components.some((c) => {
    const of = bench.materialOf(c);
    return of?.form === "thread" && of.name.toLowerCase().includes(colour);
  });

interface Stuff {
  words: string;
  forms: readonly MaterialForm[];
}
const stuffSaid = (line: RecipeLine): KnownWords<Stuff>[] =>
  knownWords(line, anyStuff, (m) => {
    const [words, ...which] = m;
    const isOther = goneBy.test(m.input.slice(0, m.index)) || ofItsEnds.test(m.input.slice(m.index + words.length));
    const forms = stuffs[which.findIndex((w) => w !== undefined)]?.[1];
    return isOther || forms === undefined ? undefined : { words: words.toLowerCase(), forms };
  });

interface Held {
  words: string;
  forms: ReadonlySet<MaterialForm>;
}
/** The words and the forms of all that steps name: parts, those that they go by, and what either is of. */
function heldBy(steps: readonly unknown[], bench: Bench): Held {
  const words = stringsIn(steps);
  const named = new Set(words);
  const parts = bench.components.filter((c) => named.has(c.id) || named.has(c.role));
  const codes = new Set([...words, ...parts.flatMap((p) => p.material.map(({ value }) => value))]);
  const materials = [...codes].flatMap((code): Material[] => {
    const found = bench.materials.get(code) ?? bench.newMaterials.find((m) => m.code === code);
    return found ? [found] : [];
  });
  return {
    words: [...words, ...parts.map((p) => JSON.stringify(p)), ...materials.map((m) => m.name)].join(" ").toLowerCase(),
    forms: new Set(materials.map((m) => m.form)),
  };
}
const isHeld = ({ words, forms }: Stuff, held: Held): boolean =>
  forms.some((f) => held.forms.has(f)) || held.words.includes(words.replace(/s$/, ""));

function stringsIn(of: unknown, found: string[] = []): string[] {
  if (typeof of === "string") found.push(of);
  else if (typeof of === "object" && of !== null)
    // What was typed is kept with a step, and holds nothing.
    for (const [key, more] of Object.entries(of)) if (key !== "stated") stringsIn(more, found);
  return found;
}
