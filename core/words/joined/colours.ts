import { deepCopy } from "../copy";
import { isColour } from "../../materials";
import type { Description } from "../description";
import { isShadedColour, stuffOf } from "../named";
import { NUMBER_WORD, readNumber } from "../text/number";
import type { Span, Told } from "../told";

const MANY = `(\\d+|${NUMBER_WORD})\\s+(?:hairs|fibres|fibers|strands|barbs)`;

const manyOf = new RegExp(`\\b(?:over|under|and|with)\\s+${MANY}\\s+of\\s+$`);

const firstOf = new RegExp(`(?:^|\\s)${MANY}\\s+of\\s`);

/** “20 hairs of black bucktail over 10 hairs of yellow”: each colour has its own number. */
function ofEachColour(t: Told, description: Description, at: Span, text: string): Told[] {
  const words = text.slice(at.at, at.end).trim();
  const [one, two] = [firstOf.exec(text.slice(t.at, description.at)), manyOf.exec(text.slice(0, at.at))].map((m) =>
    readNumber(m?.[1] ?? ""),
  );
  const stuff = stuffOf(description.text);
  const form = description.means?.form ?? description.exact?.form;
  const isColours = words.split(/\s+/).every((w) => isColour(w));
  if (one === undefined || two === undefined || !isColours || stuff === "" || !form) return [t];
  const amount = (n: number): Told["said"]["amount"] =>
    t.said.amount && "strands" in t.said.amount ? { ...t.said.amount, strands: n } : { fibres: n };
  const own: Told = { ...t, said: { ...t.said, amount: amount(one) }, rest: t.rest.filter((r) => r !== at) };
  const other: Told = {
    ...t,
    description: { ...at, text: `${words} ${stuff}`, means: { form } },
    said: { ...t.said, amount: amount(two) },
    understood: [at],
    kept: [],
    loose: [],
    rest: [],
  };
  return /\bover\s/.test(text.slice(description.end, at.at)) ? [other, own] : [own, other];
}

const furtherOnes = new RegExp(`^(\\d+|${NUMBER_WORD})\\s+(?:of\\s+)?([a-z][a-z -]*)$`);

const ones = new RegExp(`^(\\d+|${NUMBER_WORD})\\s+([a-z][a-z -]*?)(?:\\s+ones)?$`);

/** So many more of the same stuff in another colour, said alike in all else. */
function ofThatColour(t: Told, at: Span, n: number | undefined, colour: string): Told[] {
  const { amount } = t.said;
  const stuff = stuffOf(t.description?.text ?? "");
  const form = t.description?.means?.form ?? t.description?.exact?.form;
  if (n === undefined || !amount || stuff === "" || !form || !("fibres" in amount || "strands" in amount)) return [t];
  const own = { ...t, rest: t.rest.filter((r) => r.at < at.at) };
  const more: Told = {
    ...deepCopy(t),
    description: { ...at, text: `${colour} ${stuff}`, means: { form } },
    said: { ...deepCopy(t.said), amount: "fibres" in amount ? { fibres: n } : { ...amount, strands: n } },
    understood: [at],
    kept: [],
    loose: [],
    rest: t.rest.filter((r) => r.end > at.end),
  };
  return [own, more];
}

/** “…, then 15 red, then 20 brown on top”: and so on, in the order of the line. */
function goesOn([own, more]: Told[], text: string): Told[] {
  if (!own) return [];
  return more && more.rest.length > 0 ? [own, ...withOnes([more], text)] : [own, ...(more ? [more] : [])];
}

/** “40 blue hairs with 10 green ones on top”: ten more of the same stuff in another colour. */
export function withOnes(all: Told[], text: string): Told[] {
  return all.flatMap((t): Told[] => {
    const { description } = t;
    // “20 black and 10 yellow hairs”
    const isAhead = (r: Span): boolean => r.end <= (description?.at ?? 0) && /^\s+and\s/.test(text.slice(r.end));
    const further = t.rest.find((r) => r.at > (description?.end ?? Infinity) && manyOf.test(text.slice(0, r.at)));
    if (further && description) return ofEachColour(t, description, further, text);
    const at = t.rest.find((r) => isAhead(r) || /^\s*ones?\b/.test(text.slice(r.end)));
    // “15 fibres of white bucktail, then 15 of chartreuse”
    const then = t.rest.find(
      (r) => r.at > (description?.end ?? Infinity) && /\b(?:then|and|over|plus|with)\s+$/.test(text.slice(0, r.at)),
    );
    const behind = then && t.rest[t.rest.indexOf(then) + 1];
    const isOfIt = behind && /^\s*of\s+$/.test(text.slice(then.end, behind.at));
    const stretch = then && { at: then.at, end: isOfIt ? behind.end : then.end };
    const [, n2 = "", colour2 = ""] = (stretch && furtherOnes.exec(text.slice(stretch.at, stretch.end))) ?? [];
    if (!at && stretch && description && n2 !== "" && colour2.split(" ").every(isColour))
      return goesOn(ofThatColour(t, stretch, readNumber(n2), colour2), text);
    const [, count = "", colour = ""] = (at && ones.exec(text.slice(at.at, at.end))) ?? [];
    const n = readNumber(count);
    const { amount } = t.said;
    if (!at || !description || n === undefined || !colour.split(" ").every(isColour) || !amount) return [t];
    const stuff = stuffOf(description.text);
    const kind = "fibres" in amount ? { fibres: n } : "strands" in amount ? { ...amount, strands: n } : undefined;
    if (!kind || stuff === "") return [t];
    const { round: _round, ...said } = t.said;
    const form = description.means?.form ?? description.exact?.form;
    const other: Told = {
      ...t,
      description: { at: at.at, end: at.end, text: `${colour} ${stuff}`, ...(form && { means: { form } }) },
      said: { ...said, amount: kind },
      understood: [at],
      kept: [],
      loose: [],
      rest: [],
    };
    const own = { ...t, said, rest: t.rest.filter((r) => r !== at) };
    return isAhead(at) ? [other, own] : [own, other];
  });
}

const twoColours =
  /^((?:[a-z-]+ ){0,2}[a-z-]+) and ((?:[a-z-]+ ){0,2}[a-z-]+) ((?:cock|saddle|hen|rooster)?\s?hackles?|cocks?|saddles?|hens?|flash|bucktail|marabou|(?:ostrich\s)?herls?)$/;

const twoOf = /\b(?:two|2|an?\s+pair\s+of)(?=\s)/;

/** “Golden olive and claret cock palmered together”: two feathers, wound alike. */
export const withBothColours = (all: Told[], text: string): Told[] =>
  all.flatMap((t): Told[] => {
    const { description } = t;
    const [, one = "", two = "", stuff = ""] = twoColours.exec(description?.text.trim().toLowerCase() ?? "") ?? [];
    const areColours = [one, two].every(isShadedColour);
    const isTwo = /\btogether\b|\bboth\b|\beach\b/.test(text.slice(t.at, t.end)) || /s$/.test(stuff);
    // “Tie in two hackles, brown and grizzle”: one of each, to be wound.
    const { amount } = t.said;
    const isHackles = /^(?:(?:cock|saddle|hen|rooster)?\s?hackles?|cocks?|saddles?|hens?)$/.test(stuff);
    const isPair =
      t.kind === "lay" && /^hackles$/.test(stuff) && (!amount || ("feathers" in amount && amount.feathers === 2));
    const isEach = t.kind === "lay" && amount !== undefined && /\beach\b(?!\s+sides?\b)/.test(text.slice(t.at, t.end));
    const isOfBoth = isEach || (isHackles && (t.kind === "wind" || isPair));
    if (!description || !isOfBoth || description.exact || !areColours || !isTwo) return [t];
    const of = (colour: string): Told => {
      const own = deepCopy(t);
      if (isPair && amount) own.said.amount = { feathers: 1 };
      // “Two hackles, brown and grizzly”: of each there is one.
      if (t.kind === "wind" && own.said.count === 2) delete own.said.count;
      if (t.kind === "wind" && own.said.rope === 2) for (const of of ["rope", "ribbon"] as const) delete own.said[of];
      if (t.kind === "wind" && amount && "feathers" in amount && amount.feathers === 2) delete own.said.amount;
      return { ...own, description: { ...description, text: `${colour} ${stuff.replace(/s$/, "")}` } };
    };
    const first = of(one);
    const count = t.kind === "wind" ? twoOf.exec(text.slice(t.at, description.at)) : null;
    // How many there are is told by their being two.
    const words = count && { at: t.at + count.index, end: t.at + count.index + count[0].length };
    return [
      { ...first, kept: words ? [...first.kept, words] : first.kept },
      { ...of(two), understood: [], kept: [], loose: [], rest: [] },
    ];
  });
