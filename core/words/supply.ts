import { isColour } from "../materials";
import { formTold, type Span, type Told } from "./told";

/** What a part alone says of the words beside it: the thread of its bands, the wire of its gauge, its turns. */
export function supply(told: Told, text: string): void {
  eyesByTheirSize(told, text);
  bandsOfThread(told);
  gaugeOfWeight(told, text);
  turnsOfLead(told, text);
  wireAsWeight(told, text);
  threadOfRib(told, text);
  turnsOfRib(told, text);
  turnsOnEach(told, text);
  colourOfHead(told, text);
  colourAhead(told, text);
  herlsCounted(told, text);
  copperOfRib(told, text);
  widthOfPile(told, text);
}

const WIDEST_PILE_MM = 30;
const isPiece = /\b(?:long|piece|length|of|cut|takes?|uses?|needs?)\b/;
/** “Body: blob fritz, sunburst, 15 mm, 6 turns”: so wide is its pile; no body is wound of so short a piece. */
function widthOfPile(told: Told, text: string): void {
  const { description, said } = told;
  if (!description || description.exact || formTold(told) !== "chenille") return;
  if (said.pieceMm === undefined || said.pieceMm > WIDEST_PILE_MM || isPiece.test(text.slice(told.at, told.end)))
    return;
  told.description = {
    ...description,
    text: `${description.text.trim()}, ${said.pieceMm} mm`,
    means: description.means ?? { form: "chenille" },
  };
  delete said.pieceMm;
}

/** “Rib: copper, 7 turns”: copper is wire. */
function copperOfRib(told: Told, text: string): void {
  const at = told.rest.find((r) => /^(?:(?:fine|small|medium)\s+)?copper$/.test(text.slice(r.at, r.end).trim()));
  if (told.role !== "rib" || told.description || !at) return;
  told.rest = told.rest.filter((r) => r !== at);
  told.understood.push(at);
  told.description = { ...at, text: `${text.slice(at.at, at.end).trim()} wire`, means: { form: "wire" } };
}

/** “Tie in two herls”: the noun that is counted says what they are of. */
function herlsCounted(told: Told, text: string): void {
  const { amount } = told.said;
  const herl = /\bherls?\b/.exec(text.slice(told.at, told.end));
  const isCounted = amount && ("strands" in amount || "fibres" in amount);
  if (told.verb !== "tie in" || told.role || told.description || told.refers || !herl || !isCounted) return;
  const at = told.at + herl.index;
  told.description = { at, end: at + herl[0].length, text: "herl", means: { form: "herl" } };
  told.said.amount = { strands: "strands" in amount ? amount.strands : Number(amount.fibres), folded: false };
}

/** “Red throat, a few hairs of bucktail”: the colour before the part is that of what it is tied of. */
function colourAhead(told: Told, text: string): void {
  const [first] = told.rest;
  const colour = first && text.slice(first.at, first.end).trim();
  const { description } = told;
  if (!first || !description || colour === undefined || !isColour(colour) || told.role === undefined) return;
  if (first.end > description.at || /\S/.test(text.slice(0, first.at)) || !partBehind.test(text.slice(first.end)))
    return;
  if (description.text.split(/[^\p{L}]+/u).some((w) => isColour(w.toLowerCase()))) return;
  const { exact: _exact, ...plain } = description;
  const form = formTold(told);
  told.description = {
    ...plain,
    text: `${colour} ${description.text.trim()}`,
    ...(form && { means: description.means ?? { form } }),
  };
  told.rest = told.rest.filter((r) => r !== first);
  told.understood.push(first);
}
const partBehind = /^\s+(?:tail|tag|throat|butt|body|thorax|wings?|shellback|collar|hackle)\s*[,:]/;

const REACH = 12;
const isStuck = /\b(?:glued|stuck|set|epoxied|bedded|resined)\b/;
/** “Eyes 6 mm, glued to the sides of the head”: of eyes that are stuck on the size says which. */
function eyesByTheirSize(told: Told, text: string): void {
  const mm = told.rest.find((r) => /^\d+(?:[.,]\d+)?\s*mm$/.test(text.slice(r.at, r.end).trim()));
  const size = mm && text.slice(mm.at, mm.end).trim();
  const { shown, pieceMm, fullness } = told.said;
  const said = shown && "mm" in shown ? shown.mm : pieceMm;
  const name = size ?? (said === undefined ? undefined : `${said} mm`);
  // “10 mm, glued on with …”: the glue may be told behind them, as a coat of its own.
  const words = text.slice(told.at, told.end + REACH);
  if (told.role !== "eyes" || told.description || name === undefined || !isStuck.test(words)) return;
  if (fullness) return;
  const stuck = told.rest.filter((r) => isStuck.test(text.slice(r.at, r.end)));
  told.rest = told.rest.filter((r) => r !== mm && !stuck.includes(r));
  told.understood.push(...stuck);
  delete told.said.shown;
  delete told.said.pieceMm;
  told.kind = "seat";
  told.description = { at: told.at, end: told.at, text: `stick-on ${name} eyes`, means: { form: "eyes" } };
}

/** “Ribbed with 4 thread wraps”, “segmented with 4 bands of thread”: it is the thread that is wound as the rib. */
function bandsOfThread(told: Told): void {
  const { wraps, rule } = told.said;
  if (told.role !== "rib" || told.description || wraps === undefined || rule) return;
  told.description = { at: told.at, end: told.end, text: "thread", means: { form: "thread" } };
  told.said.rule = { turns: wraps };
  delete told.said.wraps;
}

/** Weight wire is at least so many inches thick: finer is a rib. */
const THINNEST_WEIGHT = 0.01;
/** “Weight: 10 turns .015”, “Wire: 10 turns .020”: a gauge alone is that of the wire. */
function gaugeOfWeight(told: Told, text: string): void {
  const gauge = told.rest.findIndex((r) => /^(?:0?\.\d{2,3}"?|\d{2}\s*thou)$/.test(text.slice(r.at, r.end).trim()));
  const at = told.rest[gauge];
  const isWire =
    told.role === undefined &&
    told.description?.text === "wire" &&
    at !== undefined &&
    parseFloat(text.slice(at.at, at.end)) >= THINNEST_WEIGHT;
  if (isWire) Object.assign(told, { role: "weight", part: "weight", description: undefined });
  // “A dozen turns of lead, .015”: so thick it is.
  if (
    told.role === "weight" &&
    told.description &&
    at &&
    /^(?:lead|weight)(?:\s+wire)?$/.test(told.description.text.trim())
  )
    told.description = undefined;
  if (told.role !== "weight" || told.description || !at) return;
  told.rest = told.rest.filter((r) => r !== at);
  told.understood.push(at);
  told.description = {
    ...at,
    text: `${/^lead/.test(told.part ?? "") ? "lead" : "weight"} wire ${text.slice(at.at, at.end)}`,
    means: { form: "weight wire" },
  };
}
const behindBead = /\b(?:behind|against|into|up\s+to)\s+(?:the\s+)?(?:bead|cone)\b|\bunder\s+the\s+thorax\b/;
/** Copper that is thicker than a rib, in mm. */
const THINNEST_COPPER_MM = 0.25;
/** “10 turns of 0.3 mm copper wire behind the bead”: wire so thick, and there, is weight. */
function wireAsWeight(told: Told, text: string): void {
  const form = formTold(told);
  if (told.role !== undefined || form !== "wire" || told.said.rule?.turns === undefined) return;
  const mm = Number(/(\d*[.,]?\d+)\s*mm/.exec(told.description?.text ?? "")?.[1]?.replace(",", "."));
  if (mm >= THINNEST_COPPER_MM && behindBead.test(text.slice(told.at, told.end)))
    Object.assign(told, { role: "weight", part: "weight" });
}
const leadTurns =
  /\b(?:turns?|wraps?|t)\s+(?:of\s+)?(?:the\s+)?(?:fine\s+|thin\s+|medium\s+|heavy\s+|thick\s+)?(lead(?:\s+wire)?)\b(?!\s+eyes)/;
/** “12 turns of lead wire”: the name of the part is what it is of. */
function turnsOfLead(told: Told, text: string): void {
  const found = leadTurns.exec(text.slice(told.at, told.end));
  if (told.role !== "weight" || told.description || !found) return;
  const [words, lead = ""] = found;
  const end = told.at + found.index + words.length;
  told.description = { at: end - lead.length, end, text: "lead wire", means: { form: "weight wire" } };
}
/** “Ribbed with brown 6/0”: a size of this kind is that of thread. */
function threadOfRib(told: Told, text: string): void {
  const at = told.rest.find((r) => /^(?:[a-z]+\s+){1,2}\d{1,2}\/0$/.test(text.slice(r.at, r.end).trim()));
  if (told.role !== "rib" || told.description || !at) return;
  told.rest = told.rest.filter((r) => r !== at);
  told.understood.push(at);
  told.description = { ...at, text: `${text.slice(at.at, at.end)} thread`, means: { form: "thread" } };
}
/** “Rib 8”, “thread, 5 segments”: of a rib a number alone is that of its turns. */
function turnsOfRib(told: Told, text: string): void {
  const [only, more] = told.rest;
  const n = only && /^(\d{1,2})\s?x?(?:\s+segments?)?$/.exec(text.slice(only.at, only.end).trim())?.[1];
  if (told.role !== "rib" || n === undefined || more || told.said.rule?.turns !== undefined) return;
  told.rest = [];
  told.understood.push(only as Span);
  told.said.rule = { ...told.said.rule, turns: Number(n) };
}
const onEach =
  /(?:^\s*|\b(?:rib|ribbing|over|on|along|across|through)\s+)both\b.*\b(?:turns?|wraps?)\s+(?:(?:on|over|for|in)\s+)?each\b(?!\s+(?:half|side))|\btwo\s+halves\b.*\b(?:turns?|wraps?)\s+(?:on|over|for|in)\s+each\b|\beach\s+(?:half|of\s+(?:the\s+two|them))\s+with\b.*\bturns?\b/;
/** “Over both halves, three turns on each”, “rib both, 3 turns each”: so many on either half. */
function turnsOnEach({ role, said, at, end }: Told, text: string): void {
  if (role === "rib" && said.rule?.turns !== undefined && onEach.test(text.slice(at, end)))
    said.rule = { ...said.rule, turns: said.rule.turns * 2 };
}
/** “Small black head”: how it is to look stays with the line. */
function colourOfHead(told: Told, text: string): void {
  const form = formTold(told);
  if (told.role !== "head" || (form !== undefined && form !== "liquid")) return;
  const colours = told.rest.filter((r) => isColour(text.slice(r.at, r.end).trim()));
  told.rest = told.rest.filter((r) => !colours.includes(r));
  told.kept.push(...colours);
}
/** Whether the name of a part says what it is of: lead, dumbbells. */
export const saysItsStuff = ({ role, part = "" }: Told): boolean =>
  (role === "weight" && /^lead\b/.test(part)) || (role === "eyes" && /^(?:dumb|bar-?bell|bead|chain)/.test(part));
