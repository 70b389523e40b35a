import { isColour, type MaterialForm } from "../materials";
import type { Role } from "../recipe";
import type { CabinetIndex } from "./cabinet";
import { formSaid, descriptionAt, type Description } from "./description";
import { isStop } from "./lexicon/stops";
import { match } from "./parse";
import type { Told } from "./told";

const label = /^[a-z][a-z'-]*(?:\s+[a-z][a-z'-]*)?(?:\s+\d[\w/]*)?(?=\s*(?:[,.;]|$))/;
/** “Thread: primrose”: whatever its maker calls it, the word alone names it. */
export function labelOf(text: string, at: number): Description | undefined {
  const words = label.exec(text.slice(at, at + 60))?.[0];
  if (words === undefined || isStop(text, at) || /^(?:any|your|own|to|as|matching|optional)\b/.test(words))
    return undefined;
  return { at, end: at + words.length, text: `${words} thread`, means: { form: "thread" } };
}
const numbered =
  /^((?:[a-z]+\s+){1,2})(?:\d{1,2}\/0|(?:[5-9]\d|[1-4]\d\d)(?:\s*den(?:ier)?\b\.?)?(?=\s*(?:[,.;]|$)))(?=\s*(?:[,.;]|$|(?:from|to|on|at|started|down)\b))/;
/** “Brown 8/0, cover the lead …”: a colour and the number of a thread name one. */
export function colourAndNumber(text: string, at: number): Description | undefined {
  const found = numbered.exec(text.slice(at, at + 40));
  const colours = found?.[1]?.trim().split(/\s+/) ?? [];
  if (!found || !isColour(colours.join(" "))) return undefined;
  return { at, end: at + found[0].length, text: `${found[0]} thread`, means: { form: "thread" } };
}
const colourThere = /^(?:[a-z]+\s+){0,1}[a-z]+(?=\s*(?:[,.;]|$|(?:and|for|at|to|behind|in|before)\b))/;
/** “Change to black and build a head”: of what is changed to, the colour says enough. */
export function colourOfThread(text: string, at: number): Description | undefined {
  const words = colourThere.exec(text.slice(at, at + 40))?.[0];
  return words === undefined || !isShadedColour(words)
    ? undefined
    : { at, end: at + words.length, text: `${words} thread`, means: { form: "thread" } };
}
const shade =
  /^(?:golden|dark|light|pale|bright|hot|fiery|dyed|natural|blue|grizzl[ye]|badger|furnace|barred|cree|medium)$/;
/** Whether words say a colour and nothing else: “dark olive”, “hot orange”. */
export const isShadedColour = (words: string): boolean =>
  words !== "" && words.split(/\s+/).every((w) => isColour(w) || shade.test(w));
const twoColours = match(
  "(?:one\\s+)?(\\p{L}+)(?:\\s+and\\s+|,?\\s+(?:and\\s+)?then\\s+|(?=[\\s,]+one\\s)[\\s,]+)(?:one\\s+)?(\\p{L}+)(?:\\s+(?:mixed|together|wound\\s+together))?(?=\\s*(?:[,;.]|$))",
);
export const isHackleRole = (role: Role | undefined): boolean => role === "hackle" || role === "collar";
/** “Front hackle: brown and grizzle mixed”: one of each. */
export function bothHackles(text: string, at: number): Description | undefined {
  const found = twoColours(text, at);
  const [one = "", two = ""] = found?.value ?? [];
  return found && isShadedColour(one) && isShadedColour(two)
    ? { at, end: found.end, text: `${one} and ${two} hackles`, means: { form: "hackle" } }
    : undefined;
}
const coloursMixed = match(
  "([a-z]+)\\s+(?:and|&)\\s+([a-z]+)(?=\\s*(?:[,;.]|$|(?:mix(?:ed|ture)?|blend(?:ed)?|together|half|in)\\b))(?:\\s+(?:together|mix(?:ture)?|blend)(?=\\s|[,;.]|$))?",
);
/** “Dub tan and orange, mixed 3 to 1”: of what is dubbed the colours are enough. */
export function coloursDubbed(text: string, at: number): Description | undefined {
  const found = coloursMixed(text, at);
  const colours = (found?.value ?? []).map((w = "") => w);
  if (!found || colours.some((w) => !isColour(w))) return undefined;
  const parts = colours.map((w): Description => ({
    at,
    end: found.end,
    text: `${w} dubbing`,
    means: { form: "dubbing" },
  }));
  return { at, end: found.end, text: `${colours.join(" and ")} dubbing`, means: { form: "dubbing" }, parts };
}
const untilDubbed = /^((?:[\p{L}'-]+\s+){0,4}[\p{L}'-]+)\s+(?:touch-)?dubbed\b/u;
/** “dark brown yak dubbed fat”: what is dubbed is dubbing, whatever it is called. */
export function dubbedOf(text: string, at: number): Description | undefined {
  const words = untilDubbed.exec(text.slice(at, at + 80))?.[1];
  return words === undefined || /\b(?:and|with|the|of)\b/.test(words)
    ? undefined
    : { at, end: at + words.length, text: `${words} dubbing`, means: { form: "dubbing" } };
}
const marked = new Set(
  "grizzle grizzly badger barred furnace cree dun mottled speckled natural dark light pale".split(" "),
);
/** What something is of, without its colours: of “olive deer hair” deer hair. */
export const stuffOf = (words: string): string =>
  words
    .trim()
    .split(/\s+/)
    .filter((w) => !isColour(w))
    .join(" ");
const colourOver = match("([a-z]+)\\s+(?:over|and(?=\\s+(?:an?|one)\\s))\\s+(?:(?:an?|one)\\s+)?");
/** “brown over white bucktail”, “a brown and a grizzly hackle”: the first of two that are of the same stuff. */
export function upperOf(
  text: string,
  at: number,
  index: CabinetIndex,
  implied?: MaterialForm,
): Description | undefined {
  const over = colourOver(text, at);
  const colour = over?.value[0] ?? "";
  if (!over || !(isColour(colour) || marked.has(colour))) return undefined;
  const lower = descriptionAt(text, over.end, index, false, implied);
  const form = formSaid(lower);
  const words = lower?.text.trim().split(/\s+/) ?? [];
  const stuff = words.filter((w) => !isColour(w) && !marked.has(w));
  if (!lower || form === undefined || stuff.length === words.length || stuff.length === 0) return undefined;
  const and = /^\S+\s+and\s/.exec(text.slice(at))?.[0].length;
  return {
    at,
    end: and === undefined ? over.end : at + and,
    text: `${colour} ${stuff.join(" ")}`,
    means: lower.means ?? { form },
  };
}
const pieceOf = /\b(hairs|fibres|fibers|strands)\s+of\s+$/;
const bunchOf = /\b(?:bunch|clump|bundle|stack|tuft|pinch|wisp)\s+of\s+$/;
/** “Another bunch of white”: of the white that the recipe has, or of the same stuff in that colour. */
export function colourOfBunch(text: string, at: number): Description | undefined {
  const colour = /^[a-z]+(?=\s*(?:[,.;]|$|(?:and|on|over|underneath|below|at|as|the\s+same|in\s+front)\b))/.exec(
    text.slice(at, at + 30),
  )?.[0];
  return colour !== undefined && isColour(colour) && bunchOf.test(text.slice(Math.max(0, at - 14), at))
    ? { at, end: at + colour.length, text: colour, isReference: true, means: { form: "hair" } }
    : undefined;
}
/** “30 hairs of white”: of which colour is what is counted. */
export function colourOfPiece(text: string, at: number): Description | undefined {
  const piece = pieceOf.exec(text.slice(Math.max(0, at - 16), at))?.[1];
  const colour = /^[a-z]+(?=\s*(?:[,.;]|$))/.exec(text.slice(at, at + 30))?.[0];
  if (piece === undefined || colour === undefined || !isColour(colour)) return undefined;
  const form = piece === "hairs" ? "hair" : piece === "strands" ? "flash" : "feather fibre";
  const noun = piece === "hairs" ? "hair" : piece === "strands" ? "flash" : "fibres";
  return { at, end: at + colour.length, text: `${colour} ${noun}`, means: { form } };
}
const someColours =
  /^(?:mixed\s+|a\s+mix(?:ture)?\s+of\s+)?[a-z]+(?:\s*(?:,|\/|\+|&|\band\b)\s*(?:and\s+)?[a-z]+)+(?=\s*(?:[,.;]|$|mixed\b|together\b|over\b))/;
/** “20 strands of mixed silver and pearl”: of flash the colours alone name it. */
export function flashOf(text: string, at: number): Description | undefined {
  const words = someColours.exec(text.slice(at, at + 80))?.[0] ?? "";
  const named = words.replace(/^(?:mixed|a\s+mix(?:ture)?\s+of)\s+/, "");
  const colours = named.split(/[^a-z]+/).filter((w) => w !== "and");
  if (words === "" || !colours.every((w) => isColour(w))) return undefined;
  return { at, end: at + words.length, text: `${named} flash`, means: { form: "flash" } };
}
/** Parts that are tied of an animal’s hair, where a body is dubbed of its fur: “wing: black squirrel”. */
const ofHair = new Set<Role>(["wing", "underwing", "tail", "throat", "topping", "wing case"]);
const bundleOf = /\b(?:tuft|bunch|clump|bundle|stack)\s+of\s+(?:an?\s+|the\s+)?$/;
/** Hair that is wound, one at a time. */
const HORSEHAIR = {
  form: "wire" as const,
  figures: { strand: { section: "round" as const, width: 0.2, thickness: 0.2, density: 1.3 } },
};
const isWoundHair = (found: Description | undefined, role: Role | undefined): boolean =>
  found?.means?.form === "hair" && (role === "rib" || role === "body") && /horse-?\s?hair/.test(found.text);
/** “rabbit fur, grey, clump of 2 mm”. */
const asBundle = /^[^.;]*\b(?:clump|bunch|bundle|tuft)\b/;
export const asHair = (
  found: Description | undefined,
  role: Role | undefined,
  before = "",
  behind = "",
): Description | undefined =>
  found?.means?.form === "dubbing" &&
  role &&
  ofHair.has(role) &&
  (bundleOf.test(before) ||
    (asBundle.test(behind) && !/dub|blend|mix/.test(found.text)) ||
    !/dub|(?<!(?:craft|fake|fun|fox|squirrel|goat|yak)\s)fur|blend|mix|wool|mask/.test(found.text))
    ? { ...found, means: { form: "hair" } }
    : found && isWoundHair(found, role)
      ? { ...found, means: HORSEHAIR }
      : found?.means?.form === "wire" && role === "weight"
        ? { ...found, means: { form: "weight wire" } }
        : found?.means?.form === "wire" && role === "thread" && /mono|nylon/.test(found.text)
          ? { ...found, means: { form: "thread" } }
          : found;
/** “Dub claret wool”: what is dubbed is taken as dubbing, though it may also come as a yarn. */
export const asDubbing = (found: Description | undefined, verb: Told["verb"]): Description | undefined =>
  verb === "dub" &&
  found &&
  !found.exact &&
  found.means?.form === "yarn" &&
  /\b(?:wool|yarn|fleece|mohair)\b/.test(found.text)
    ? { ...found, means: { form: "dubbing" } }
    : found;
export const roleOfItsOwn: Partial<Record<MaterialForm, Role>> = {
  "weight wire": "weight",
  flash: "flash",
  liquid: "finish",
  eyes: "eyes",
  bead: "bead",
};
/** What a part is of where only its colour is said. */
export const impliedBy: Partial<Record<Role, MaterialForm>> = {
  thread: "thread",
  head: "thread",
  bead: "bead",
  hackle: "hackle",
  collar: "hackle",
  flash: "flash",
};
export const isAfterStart = ({ verb }: Told, found: Description): boolean =>
  verb === "start" && formSaid(found) !== "thread";
const aShape = /^(\d+(?:[.,]\d+)?\s*mm\s+(?:wide\s+)?)?(?:strips?|sheets?|bands?|pieces?)\s*(.*)$/;
const aSlip = /^(\d+(?:[.,]\d+)?)\s*mm\s+(?:slips?|sections?)$/;
/** “Olive turkey, 4 mm slip”: so wide is what is cut of the feather that was named before. */
export function slipOf(before: Description, { text, exact }: Description): number | undefined {
  const form = formSaid(before);
  const mm =
    exact || (form !== "quill" && form !== "feather fibre") ? undefined : aSlip.exec(text.trim().toLowerCase())?.[1];
  return mm === undefined ? undefined : Number(mm.replace(",", "."));
}
/** A strip or a sheet names no stuff of its own: so wide and thick is that of what was named before. */
export function shapeOf(before: Description, { text, end, exact }: Description): Description | undefined {
  const shape = exact ? undefined : aShape.exec(text.trim().toLowerCase());
  const measures = shape && [shape[1], shape[2]].join(" ").trim();
  const form = formSaid(before);
  // “Clear organza, a strip 4 mm wide”: cloth is cut like film.
  const isCloth = form === "flash" && /\b(?:organza|organdie|gauze|cloth)\b/.test(before.text.toLowerCase());
  if (measures == null || (form !== "stretch body" && !isCloth)) return undefined;
  const { exact: _exact, ...plain } = before;
  return { ...plain, end, text: `${before.text.trim()} ${measures}`.trim(), means: before.means ?? { form } };
}
