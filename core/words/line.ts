import { gaugeOf, threadNumberOf, type Material } from "../materials";
import { roles, type Role } from "../recipe";
import { readStep } from "./read";
import type { StepContext, StepReading } from "./types";

const roleWords: Record<string, Role> = {
  ...Object.fromEntries(roles.map((r): [string, Role] => [r, r])),
  abdomen: "body",
  beard: "throat",
  shellback: "wing case",
  "wing cover": "wing case",
  case: "wing case",
  lead: "weight",
  tip: "tag",
  dubbing: "body",
  palmer: "hackle",
  whip: "thread",
  "thread base": "thread",
  base: "thread",
};
const rolePattern = new RegExp(
  `^\\s*(${Object.keys(roleWords)
    .sort((a, b) => b.length - a.length)
    .join("|")})\\b\\s*:?\\s*`,
  "i",
);

const letters = (text: string): string =>
  text
    .toLowerCase()
    .normalize("NFKD")
    .replace(/\p{M}/gu, "")
    .replace(/[^a-z0-9.]+/g, " ")
    .trim();

/**
 * Materials whose name has all the words, best first: fewest other words, then by name.
 * @param used codes that the pattern has already, which are preferred
 */
export function findMaterials(
  words: string,
  materials: Iterable<Material>,
  used: ReadonlySet<string> = new Set(),
): Material[] {
  const wanted = letters(words).split(" ").filter(Boolean);
  if (wanted.length === 0) return [];
  const score = (m: Material) => letters(m.name).split(" ").length - (used.has(m.code) ? 10 : 0);
  return [...materials]
    .filter((m) => {
      const number = m.thread ? threadNumberOf(m.thread.denier).replace("/", " ") : "";
      const have = letters(`${m.name} ${m.colourName ?? ""} ${m.form} ${m.code} ${number} ${gaugeOf(m) ?? ""}`).split(
        " ",
      );
      return wanted.every((w) =>
        have.some((h) => h.startsWith(w) || (w.length > 3 && w.startsWith(h) && h.length > 3)),
      );
    })
    .sort((a, b) => score(a) - score(b) || a.name.localeCompare(b.name));
}

export interface LineReading {
  role?: Role;
  material?: Material;
  /** Other materials that the words could mean. */
  others: Material[];
  reading: StepReading;
  /** The part of the line that says how it is done. */
  how: string;
}

/**
 * Read a whole new line: part, material and how it is done: “tail: olive pheasant tail, 6 fibres, = half shank”.
 * @param context.materials of the cabinet; `used` ones are taken first, so that “rib 5 turns” finds the pattern's own
 *   rib
 */
export function readLine(
  text: string,
  context: {
    materials: Iterable<Material>;
    ofRole: (role: Role) => Material | undefined;
    step: Omit<StepContext, "role" | "form">;
  },
): LineReading {
  const named = rolePattern.exec(text);
  const word = named?.[1]?.toLowerCase();
  const role = word === undefined ? undefined : roleWords[word];
  const rest = named && word !== "whip" ? text.slice(named[0].length) : text;
  const all = [...context.materials];
  const own = role === undefined ? undefined : context.ofRole(role);
  const read = (found: ReturnType<typeof materialIn>): LineReading => {
    const material = found.material ?? own;
    return {
      role,
      material,
      others: found.others,
      reading: readStep(found.how, { ...context.step, role, form: material?.form }),
      how: found.how,
    };
  };
  const first = materialIn(rest, all);
  const line = read(first);
  // “sea moss” is not the seal-like fur that “sea” begins: half a word counts only where all the rest is understood.
  return first.isGuess && line.reading.rest.length > 0 ? read({ others: [], how: rest, isGuess: false }) : line;
}

/** The longest run of words at the start that names a material; the rest says how. */
function materialIn(
  text: string,
  materials: Material[],
): {
  material?: Material;
  others: Material[];
  how: string;
  /** Some of its words were only begun. */ isGuess: boolean;
} {
  const head = /^[^,;]*/.exec(text)?.[0] ?? "";
  const words = head.split(/\s+/).filter(Boolean);
  // A number may begin a name (“70 denier olive”), but never is one alone (“6 fibres”, “5 turns”).
  const least = /^[\d½¼¾.,]+$/.test(words[0] ?? "") ? 2 : 1;
  for (let n = words.length; n >= least; n--) {
    const run = words.slice(0, n).join(" ");
    const found = findMaterials(run, materials);
    const best = found[0];
    if (!best) continue;
    const named = new Set(letters(`${best.name} ${best.colourName ?? ""} ${best.form} ${best.code}`).split(" "));
    const isGuess = letters(run)
      .split(" ")
      .some((w) => !named.has(w));
    return {
      material: best,
      others: found.slice(1, 8),
      how: [words.slice(n).join(" "), text.slice(head.length).replace(/^[,;]\s*/, "")].filter(Boolean).join(", "),
      isGuess,
    };
  }
  return { others: [], how: text, isGuess: false };
}
