import { isColour } from "../materials";
import type { Place } from "../hooks";
import type { Role } from "../recipe";
import type { CabinetIndex } from "./cabinet";
import { at as placeSaid, end as endSaid, endForward, endOfShare, zone } from "./clauses/common";
import { loopLoad } from "./clauses/dress";
import { formSaid, descriptionAt, inShares, type Description } from "./description";
import { stuffOf } from "./named";
import { match, oneOf, map, opt, seq, skipBlanks, words, type Reader } from "./parse";
import type { Clause } from "./said";
import { NUMBER_WORD } from "./text/number";
import { absolute, shifted } from "./text/place";
import { sharesInFigures } from "./text/shares";
import type { Span, Told } from "./told";

/**
 * A dubbing loop as it is told in one go or over several lines: made, filled with fibre, spun, and wound. It is one
 * thing that is dubbed; how long its fibres are and how it is spun are kept with it.
 */
const WHICH = "(?:(?:an?|another|the|your|second|third|new|next|first|front|rear|composite|simple|large|small)\\s+)*";
const MAKES = "(?:make|form|set\\s+up|create|spin|pull\\s+(?:down|out)|draw\\s+(?:down|out)|open|start\\s+with|use)";
const LOOP = "(?:composite\\s+)?(?:dub(?:bing)?[- ])?loop";
/** A thread that was split holds what is spun in it as a loop does. */
const SPLIT_THREAD = "split\\s+(?:the\\s+|your\\s+)?(?:tying\\s+)?(?:thread|silk)(?:\\s+loop)?";
/** “a dubbing loop of 8 cm”, “an 8 cm loop”, “loop, 8 cm long”: how long it is, 0 where that is not said. */
const opened: Reader<number> = oneOf<number>(
  map(seq(words(`(?:${MAKES}\\s+)?${WHICH}`), absolute, words(`(?:long\\s+)?${LOOP}(?:\\s+of)?`)), ([, mm]) => mm),
  map(seq(absolute, words(`(?:long\\s+)?${LOOP}(?:\\s+of)?`)), ([mm]) => mm),
  map(seq(words("an?"), absolute, words(`(?:long\\s+)?${SPLIT_THREAD}`)), ([, mm]) => mm),
  map(
    seq(
      words(`(?:${MAKES}\\s+)?${WHICH}${LOOP}|${LOOP}`),
      opt(match("of\\b|,|about\\b|roughly\\b|\\(|\\.{3}|…")),
      opt(words("of|about|roughly")),
      absolute,
      opt(words("long|in\\s+length")),
    ),
    ([, , , mm]) => mm,
  ),
  map(words(`${SPLIT_THREAD}(?:\\s+(?:with|using)\\s+(?:a|the)\\s+(?:needle|bodkin))?`), () => 0),
  // “Loop of black dubbing and flash, 15 cm”: what it is of comes first, and how long it is behind that.
  map(
    words(
      `(?:an?\\s+)?${LOOP}\\s+of(?=\\s+(?:[a-z'-]+\\s+){0,4}?(?:dubbing|(?:under)?fur|seal|hare|fox|squirrel|rabbit|marabou|wool|mask)\\b(?!\\s+brush))`,
    ),
    () => 0,
  ),
  map(
    seq(words(`${MAKES}\\s+${WHICH}${LOOP}|(?:an?\\s+)?(?:second|another|front|rear|composite)\\s+${LOOP}`)),
    () => 0,
  ),
);
const put = words("(?:spin|twist|trap|catch|put|lay|place|set)(?:\\s+(?:up|in))?");
const within = /\bin(?:to)?\s+(?:an?|the)\s+(?:[\d.,]+\s*(?:mm|cm|in(?:ch)?)\s+)?(?:dubbing\s+)?loop\b/;
/** “Spin marabou tips in a 5 cm loop”. */
const spunIn: Reader<number> = (text, at) => {
  const found = within.test(text) ? put(text, at) : undefined;
  return found && { value: 0, end: found.end };
};
const fills = words(
  "(?:insert|put\\s+in|lay\\s+in|place\\s+in|add|trap|feed\\s+in|spread|load(?:ed|ing)?(?:\\s+(?:it|the\\s+loop))?(?:\\s+with)?|fill(?:ed|ing)?(?:\\s+(?:it|the\\s+loop))?\\s+with|(?:well\\s+)?(?:mixed|blended)\\s+(?:together\\s+)?with|with|of|put|place|lay)",
);
const LONG = "(?:\\s+(?:long|staple|lengths?|in\\s+length))?";
const figure = "\\d+(?:[.,]\\d+)?(?:\\s*(?:-|to)\\s*\\d+(?:[.,]\\d+)?)?\\s*(?:mm|cm|inch(?:es)?|in(?!\\s+(?:the|a)))";
const staple = match(
  `(?:with\\s+)?(?:the\\s+)?(?:fibres?|hairs?|staple)?\\s*(?:of\\s+|is\\s+|are\\s+|(?:cut|trimmed)\\s+(?:to|at)\\s+)?(?:about\\s+)?${figure}${LONG}(?:\\s+(?:fibres?|of))?(?!\\s*(?:dubbing\\s+)?loop)`,
);
/** How a layer lies, and what is only done with the hands. */
const asides = words(
  "(?:mixed|blended|worked)\\s+in(?=\\s*(?:[,.;]|$|and\\b))|and\\s+all(?=\\s*[,.;])|(?:of|from)\\s+(?:an?|one|two|three|four|\\d)\\s+(?:whole\\s+)?(?:feathers?|plumes?)|over\\s+(?:it|them|that)|under(?:neath)?(?:\\s+(?:it|them))?|on\\s+top|over\\s+its?\\s+(?:whole|full)\\s+length|along\\s+(?:it|its\\s+whole\\s+length)|evenly|sparsely|(?:hair|fibres?)\\s+(?:across|square)\\s+(?:it|to\\s+it)|(?:close|slip)\\s+the\\s+loop|(?:and\\s+)?(?:spin(?:ning)?|twist)(?:\\s+(?:it|the\\s+loop|them|everything))?(?:\\s+(?:up|tight(?:ly)?|well|hard|clockwise|into\\s+a\\s+(?:tight\\s+)?(?:rope|brush)))*|spun(?:\\s+(?:tight(?:ly)?|hard|well|up))*|in(?:to)?\\s+(?:the|this|a)\\s+(?:dubbing\\s+)?loop|in(?:to)?\\s+it(?=\\s+(?:and|then)\\b|\\s*[,.;])|(?:of|with|from)\\s+(?:the\\s+)?(?:tying\\s+)?(?:thread|silk)|(?:and\\s+)?(?:then\\s+)?wax(?:ing)?\\s+(?:it|the\\s+loop|the\\s+thread|both\\s+sides)(?:\\s+well)?|between\\s+the\\s+(?:two\\s+)?(?:threads|strands)|in\\s+(?:close\\s+|touching\\s+|tight\\s+)*turns",
);
const winds = words(
  "(?:wind|wrap|wound|wrapped)(?:\\s+(?:it|this|the\\s+(?:rope|brush|loop|fibres?)))?(?:\\s+(?:on|forwards?|up|back))?",
);
/** How often the loop goes round: its length says how far it reaches. */
const turnsOfIt = words(
  `(?:(?:in|with|for|take|make|give(?:\\s+it)?)\\s+)?(?:(?:about|only|just)\\s+)?(?:\\d|${NUMBER_WORD})\\s+(?:(?:close|open|touching|tight)\\s+)*turns?`,
);
/** “into a loop 5 cm long”, behind what is put into it. */
const intoSuchALoop = seq(words("in(?:to)?"), opened);
/** “fibres as long as the shank”, “barbs to mid-body”: how long they are by something of the fly. */
const stapleByRule = match(
  "(?:with\\s+)?(?:the\\s+)?(?:fibres?|barbs?|hairs?)\\s+(?:(?:about\\s+)?(?:as\\s+long\\s+as|to(?!\\s+(?:the\\s+)?(?:front|rear|back|side))|reaching|half|twice|the\\s+length\\s+of)\\b[^,;.]*|(?:an?|one|two|three)\\b[^,;.]*\\blong\\b|(?:an?|one|two|three)\\s+(?:gape|gap|shank)s?(?:\\s+and\\s+a\\s+half)?(?=\\s*(?:[,;.]|$)))",
);
/** “layer 2:”, “first layer:”, and how a layer lies, or how much of it there is. */
const layerSaid = words(
  "(?:first|second|third|fourth|next|last|bottom|top|middle|lower|upper|one|an?(?:other)?)\\s+layer\\s*:?|layer\\s+(?:\\d|one|two|three|four)\\s*:?|sparse|(?:on|in|over)\\s+(?:the|its)\\s+(?:front|rear|back|first|last|upper|lower)\\s+(?:half|third|part)|over\\s+the\\s+(?:whole|full|entire)\\s+(?:length|loop)|(?:(?:about\\s+)?\\d+|an?\\s+few|some|a\\s+couple\\s+of)\\s+(?:strands|fibres|fibers|hairs)(?:\\s+of)?",
);
const small = words("in(?:to)?(?=\\s+an?\\s+[\\d.])|and|then|,|;|\\.(?=\\s|$)|:|\\)|a|the|some|it|now|next");
const brushedOut = words("(?:then\\s+)?brushed\\s+out(?:\\s+(?:well|back))?");
const asPart = match("(?:as|for)\\s+(?:a|the)\\s+(collar|body|head|thorax)");
const strokes = match(
  "(?:and\\s+)?(?:brush|strok|comb|sweep)(?:ing|e|es)?\\s+(?:(?:the\\s+)?(?:fibres?|hairs?)\\s+|it\\s+|them\\s+)?back",
);

/** “Two cdc feathers, the fibres spun in a 4 cm loop”: what it is of comes first. */
const counts = words(
  `(?:(?:\\d|${NUMBER_WORD})\\s+turns?(?:\\s+of)?\\s*)?(?:put|spin|twist|trap|place|lay)?\\s*(?:(?:all\\s+)?(?:the\\s+)?(?:fibres?|barbs?)\\s+(?:of|from)\\s+)?(?:some|a\\s+little|(?:an?|the)\\s+(?:(?:small|good|sparse|generous|little|tiny|big|large|decent)\\s+)?(?:pinch|bit|amount|wisp|tuft|bunch|clump|handful)(?:\\s+of)?|an?|one|\\d|${NUMBER_WORD})?(?=\\s)`,
);
const intoLoop = words(
  `[,:]?\\s*(?:(?:with\\s+)?(?:the|its|their)\\s+)?(?:(?:fibres?|barbs?)\\s*,?\\s*)?(?:spun|spin|put|twist(?:ed)?|caught|trapped|split|stripped)?\\s*(?:(?:the|its|their)\\s+(?:fibres?|barbs?)\\s+|it\\s+|them\\s+)?in(?:to)?(?=\\s+(?:an?|the|split)\\s)|,(?=\\s*split\\s)`,
);
const aLoop = words(`(?:an?|the)\\s+(?:small\\s+|short\\s+)?${LOOP}|(?:(?:an?|the)\\s+)?${SPLIT_THREAD}`);
const isOfLoop = new RegExp(`\\b(?:loop|${SPLIT_THREAD})\\b`);
interface Ahead {
  layers: Description[];
  counted: Span;
  mm: number;
  end: number;
}
/** What joins the layers of a loop that is told behind them. */
const joinsLayers = words(
  "(?:,?\\s*(?:and|with|plus|then|&|over(?:\\s+it)?)|,)(?:\\s+(?:an?|some|a\\s+(?:little|few\\s+strands\\s+of)))?(?=\\s)",
);
/** “Black marabou and purple flash”: all that lies in it, up to the words that say so. */
function layersAhead(text: string, at: number, index: CabinetIndex): Description[] {
  const layers: Description[] = [];
  for (let place = at; ;) {
    const layer = descriptionAt(text, place, index, true);
    if (!layer || isOther(layer)) return layers;
    layers.push(layer);
    const joint = joinsLayers(text, skipBlanks(text, layer.end));
    if (!joint) return layers;
    place = skipBlanks(text, joint.end);
  }
}
function describedFirst(text: string, begin: number, index: CabinetIndex): Ahead | undefined {
  if (!isOfLoop.test(text)) return undefined;
  const counted = counts(text, begin);
  const at = skipBlanks(text, counted?.end ?? begin);
  const layers = layersAhead(text, at, index);
  const last = layers.at(-1);
  const link = last ? intoLoop(text, skipBlanks(text, last.end)) : undefined;
  if (!link) return undefined;
  const place = skipBlanks(text, link.end);
  const loop = opened(text, place) ?? aLoop(text, place);
  return (
    loop && {
      layers,
      counted: { at: begin, end: at },
      mm: typeof loop.value === "number" ? loop.value : 0,
      end: loop.end,
    }
  );
}

const sayable: readonly Clause[] = [...loopLoad, zone, endForward, endOfShare, endSaid, placeSaid];

const led = /^(?:(?:now|then|next|and)\s+)+/;
/**
 * Reads a line that tells of a dubbing loop.
 * @param open what an earlier line made and left unfilled: this line fills it
 * @returns what is told up to where something else begins; undefined where the line tells of no such loop
 */
export function loopAt(text: string, at: number, index: CabinetIndex, open?: Told): Told | undefined {
  const begin = skipBlanks(text, skipBlanks(text, at) + (led.exec(text.slice(skipBlanks(text, at)))?.[0].length ?? 0));
  const ahead = describedFirst(text, begin, index);
  const first = ahead ? { value: ahead.mm, end: ahead.end } : (opened(text, begin) ?? spunIn(text, begin));
  if (!first && !(open && isFilling(text.slice(begin)))) return undefined;
  const told: Told = {
    at: begin,
    end: begin,
    verb: "dub",
    kind: "dress",
    alternates: [],
    said: { ...open?.said, loop: true },
    understood: [],
    kept: [],
    loose: [],
    rest: [],
  };
  const layers: Description[] = [];
  let place = begin;
  if (first) {
    if (first.value > 0) told.said.loopMm = first.value;
    const known = ahead ? ahead.counted.end : begin;
    if (ahead && known > begin) told.kept.push(ahead.counted);
    if (ahead) layers.push(...ahead.layers.map(asFibre));
    told.understood.push({ at: known, end: first.end });
    place = first.end;
  }
  for (;;) {
    place = skipBlanks(text, place);
    const next = place < text.length ? step(told, layers, text, place, index) : undefined;
    if (next === undefined) break;
    place = next;
  }
  if (layers.some(isFeather)) woundAtHead(told);
  if (told.said.there && !told.said.begin && told.said.from === undefined) {
    told.said.begin = told.said.there;
    delete told.said.there;
  }
  told.end = place;
  told.description = mixed(layers);
  return told;
}
const isAtHead = (place: Place | undefined): place is Place =>
  place !== undefined && ("eyeLengths" in place || ("part" in place && place.part === "bead" && !place.plus));

/** “… and wind 3 turns behind the eye”: what is wound there is the fly’s collar. */
function woundAtHead(told: Told): void {
  const { there, begin, end, from } = told.said;
  if (told.role !== undefined || !isAtHead(there) || begin || end || from) return;
  Object.assign(told, { role: "collar", part: "collar" });
  Object.assign(told.said, { from: there, to: shifted(there, { of: "eye", times: 1 }) });
  delete told.said.there;
}

const fewTurns = /\b(?:[1-4]|one|two|three|four)\s+turns?\b/u;
/** “CDC in a split thread, two turns”, of which nobody says what it is: no body is of so few. */
export function isLoopedCollar(told: Told, text: string): boolean {
  const { there, begin, end, from } = told.said;
  const isElsewhere = (there ?? end ?? from) !== undefined || (begin !== undefined && !isAtHead(begin));
  return told.role === undefined && !isElsewhere && fewTurns.test(text.slice(told.at, told.end));
}
/** Of a collar it is told where it begins; no more than one eye of the shank is under it. */
export function asCollar({ said, ...told }: Told): Told {
  const { begin, ...own } = said;
  const zone = begin && { from: begin, to: shifted(begin, { of: "eye", times: 1 }) };
  return { ...told, role: "collar", part: "collar", said: { ...own, ...zone } };
}

const filling =
  /^\s*(?:(?:then|now|next|and)\s+)*(?:(?:put|place|lay|insert|load|spread|trap|add|feed)\b.*\b(?:in(?:to)?|between|loop)\b|(?:fill|load)\b|insert\b)/;

/** “Put white fur in the loop”, “fill it with …”: what goes into a loop that is there. */
export const isFilling = (text: string): boolean => filling.test(text);
/** Whether a line begins with a loop of its own. */
export const startsLoop = (text: string): boolean => opened(text, skipBlanks(text, 0)) !== undefined;
const ofLoop = new RegExp(
  `\\b(?:loop|${SPLIT_THREAD}|spin|twist|insert|fill|load|put|place|lay|trap|feed|spread|add)\\b`,
);
const otherLoop = /\bwings?\b|\bguard\b(?!\s+hairs?\b)|\bmono\b|\bcase\b|\bpost\b|\bhook\s+loop\b/;
const loopRoles = new Set<Role | undefined>([undefined, "body", "thorax", "collar", "head", "hackle"]);
/** Whether a line can be about a dubbing loop: loops of other things, as for a wing or a weed guard, are none. */
export const mayTellLoop = (text: string, role: Role | undefined): boolean =>
  loopRoles.has(role) && ofLoop.test(text) && !otherLoop.test(text);

/** One thing said of the loop: where it ends, or undefined where something else begins. */
function step(told: Told, layers: Description[], text: string, at: number, index: CabinetIndex): number | undefined {
  const keep = (end: number): number => {
    told.kept.push({ at, end });
    return end;
  };
  const know = (end: number): number => {
    told.understood.push({ at, end });
    return end;
  };
  if (strokes(text, at)) return undefined;
  const isFilled = layers.length > 0;
  const under = isFilled ? underLayer(text, at) : undefined;
  const colour0 = under?.value[0] ?? "";
  if (under && isColour(colour0)) {
    layers.push(inColour(layers[0] as Description, colour0, { at, end: under.end }));
    return know(under.end);
  }
  // “wind it over the rear half”: where it goes on the hook, and not how a layer lies in the loop.
  const isWound = behindWinding.test(text.slice(told.at, at));
  const inIt = told.said.loopMm === undefined ? intoSuchALoop(text, at) : undefined;
  if (inIt && inIt.value[1] > 0) {
    told.said.loopMm = inIt.value[1];
    return know(inIt.end);
  }
  const length = told.said.loopMm === undefined && isFilled ? lengthBehind(text, at) : undefined;
  if (length) {
    told.said.loopMm = length.value;
    return know(length.end);
  }
  const aside = asides(text, at) ?? (isWound ? undefined : layerSaid(text, at));
  if (aside) return keep(aside.end);
  const shares = isFilled ? sharesInFigures(text, at) : undefined;
  const blend = shares && inShares(mixed(layers) as Description, shares.value);
  if (shares && blend) {
    layers.splice(0, layers.length, blend);
    return know(shares.end);
  }
  const brushed = brushedOut(text, at);
  if (brushed) {
    told.said.brushed = true;
    return know(brushed.end);
  }
  const part = asPart(text, at);
  if (part) {
    Object.assign(told, { role: part.value[0], part: part.value[0] });
    return know(part.end);
  }
  const wound = winds(text, at);
  if (wound) return know(wound.end);
  const turns = isFilled ? turnsOfIt(text, at) : undefined;
  if (turns) return keep(turns.end);
  for (const { take } of sayable) {
    const end = take(told.said, text, at);
    if (end !== undefined) return know(end);
  }
  const long = staple(text, at) ?? (isFilled ? stapleByRule(text, at) : undefined);
  if (long) return keep(long.end);
  const fill = fills(text, at);
  if (fill) return fill.end;
  const nothing = small(text, at);
  if (nothing) return nothing.end;
  const colour = isFilled ? colourApart(text, at) : undefined;
  if (colour) return coloured(layers, text.slice(at, colour.end)) ? know(colour.end) : undefined;
  const layer = descriptionAt(text, at, index, true);
  if (!layer || isOther(layer)) return undefined;
  layers.push(asFibre(layer));
  return know(layer.end);
}

/** Fibres are shorter than this, in mm, and loops that are told behind what is in them are longer. */
const SHORTEST_LOOP = 30;
const lengthBehind: Reader<number> = oneOf<number>(
  map(seq(absolute, words(`(?:long\\s+)?${LOOP}`)), ([mm]) => mm),
  map(seq(absolute, opt(words("long|in\\s+length"))), ([mm]) => (mm < SHORTEST_LOOP ? undefined : mm)),
);

const behindWinding = /\b(?:wind|wrap|wound|wrapped)\b[^,;.]*$/;
const underLayer = match("(?:on\\s+top\\s+of|over)\\s+(?:the\\s+)?([a-z]+)(?=\\s*(?:[,.;]|$|and\\b))");
/** “olive fox on top of white”: the same stuff in another colour. */
const inColour = (of: Description, colour: string, { at, end }: Span): Description => ({
  at,
  end,
  text: `${colour} ${stuffOf(of.text)}`,
  means: { form: "dubbing" },
});

const colourRead = match("[a-z]+(?:\\s+[a-z]+)?(?=\\s*(?:[,.;]|$|and\\b))");
/** “cdc fibres in it, black”: a colour between commas is that of what was laid in. */
const colourApart: typeof colourRead = (text, at) => {
  const found = colourRead(text, at);
  return found &&
    text
      .slice(at, found.end)
      .split(/\s+/)
      .every((w) => isColour(w))
    ? found
    : undefined;
};
function coloured(layers: Description[], colour: string): boolean {
  const last = layers.pop();
  if (!last) return false;
  const { exact, ...plain } = last;
  const means = last.means ?? (exact && { form: exact.form });
  layers.push({ ...plain, text: `${last.text.trim()}, ${colour}`, ...(means && { means }) });
  return true;
}

const isOther = (d: Description): boolean => {
  const form = formSaid(d);
  return (
    form === "thread" || form === "wire" || form === "tinsel" || form === "bead" || form === "hook" || form === "liquid"
  );
};
/** A feather, of which it is known how many fibres it has. */
const isFeather = ({ exact, means }: Description): boolean =>
  exact ? exact.form === "feather fibre" : means?.figures?.feather !== undefined;
/** What is laid into a loop is dubbed, whatever it is cut from; feathers are taken from their drawer all the same. */
const asFibre = (d: Description): Description =>
  d.exact || d.parts || d.means?.form === "dubbing" || isFeather(d)
    ? d
    : { ...d, means: { ...d.means, form: "dubbing" } };

/** “white fox, flash and pink fox” */
const listOf = (names: readonly string[]): string =>
  [names.slice(0, -1).join(", "), names.at(-1) ?? ""].filter(Boolean).join(" and ");

function mixed(layers: readonly Description[]): Description | undefined {
  const [first] = layers;
  const last = layers[layers.length - 1];
  if (!first || !last) return first;
  if (first === last)
    return isFeather(first)
      ? { ...first, exact: undefined, text: `loop of ${first.text.trim()}`, parts: [first], laid: true }
      : first;
  return {
    at: first.at,
    end: last.end,
    text: listOf(layers.map((l) => l.text.trim())),
    means: { form: "dubbing" },
    parts: [...layers],
    laid: true,
  };
}

const spins =
  /^\s*(?:(?:then|now|next|and)\s+)*(?:spin|twist)(?:\s+(?:it|the\s+(?:loop|rope|fibres?)|them|everything))?(?:\s+(?:up|tight(?:ly)?|well|hard|clockwise|into\s+a\s+(?:tight\s+)?(?:rope|brush)))*(?:[.,;]?\s*$|\s*,?\s*(?:and|then)\s+)/;
/** “Spin it tight and …”, after a loop: how it is done. @returns where something else begins, or the end */
export const spinsAt = (text: string): number | undefined => spins.exec(text)?.[0].length;
