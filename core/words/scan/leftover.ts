import { words, match, skipBlanks as skip } from "../parse";
import { FILLER } from "../lexicon/filler";
import { type Here, firstOf, type Step, asNext, noCabinet } from "./here";
import type { Next } from "../told";
import { isShadedColour, impliedBy } from "../named";
import { isColour, isSpooled } from "../../materials";
import { after } from "../lexicon/nouns";
import { manner } from "./bounds";
import { roleOfWord } from "../lexicon/parts";
import { alsoCalled, formSaid, descriptionAt, inShares } from "../description";
import { LONGER, SHORTER } from "../text/length";
import { sharesInFigures } from "../text/shares";

const filler = words(FILLER);

/** Of what is wound: how long its barbs are, in words that measure nothing. */
const loosely = words("taper(?:ed|ing)|(?:(?:long|short|soft|stiff|webby|dry)\\s*(?:,|and)?\\s*)+(?=[,.;]|$)");

const colourWords = /(?:[\p{L}-]+\s+){0,3}[\p{L}-]+(?=\s*(?:[,;.]|$))/uy;

/** Colours of a cock’s feathers, by how they are marked. */
const barring = /^(?:grizzl[ey]|badger|furnace|cree|barred|speckled)$/;

/** “rubber legs each side, barred olive”: colours that stand apart belong to what was named. */
function colours({ told, text, at }: Here): Next | undefined {
  const { description } = told;
  colourWords.lastIndex = at;
  const m = colourWords.exec(text);
  // “brass bead 2.8 mm gold”: behind a name with its size as well.
  const isBehindSize = /\d\s*mm\s+$/.test(text.slice(description?.at ?? at, at)) && description?.exact !== undefined;
  if (
    !description ||
    !m ||
    !(isBehindSize || /(?:[,(:]|\s-|\bin)\s*(?:(?:again|also|this\s+time)\s+)?$/.test(text.slice(0, at)))
  )
    return undefined;
  const words = m[0].split(/\s+/);
  // “two hackles, brown and grizzle”: one of each.
  const both = /^(\p{L}+)\s+and\s+(\p{L}+)$/u.exec(m[0]);
  if (
    both &&
    isShadedColour(both[1] ?? "") &&
    isShadedColour(both[2] ?? "") &&
    /^(?:two\s+)?hackles$/.test(description.text.trim())
  ) {
    const { exact: _one, ...plain } = description;
    told.description = { ...plain, text: `${m[0]} hackles`, means: description.means ?? { form: "hackle" } };
    told.understood.push({ at, end: colourWords.lastIndex });
    return { told, end: colourWords.lastIndex };
  }
  const isJoined = words.length === 3 && words[1] === "and";
  if (!words.every((w, n) => isColour(w) || after.has(w) || (isJoined && n === 1))) return undefined;
  const isGauge =
    words.length === 1 && /^(?:fine|medium|small|large|narrow|wide|micro|heavy|thin|thick|dyed)$/.test(m[0]);
  const isBarred = formSaid(description) === "hackle" && words.some((w) => barring.test(w));
  if (!words.some((w) => isColour(w)) && !isBarred && !(isGauge && isSpooled(formSaid(description) ?? "hook")))
    return undefined;
  if (words.every((w) => description.text.toLowerCase().includes(w))) return undefined;
  // “Black fur, last 3 mm in orange”: that is another body than the black one.
  if (ofItsEnd.test(text.slice(description.end, at)) && !ofItsEnd.test(text.slice(told.at, description.at)))
    return undefined;
  const form = formSaid(description);
  if (form === undefined) return undefined;
  told.description = alsoCalled(description, m[0], form);
  told.understood.push({ at, end: colourWords.lastIndex });
  return { told, end: colourWords.lastIndex };
}

const ofItsEnd =
  /,\s*(?:(?:and|with|but)\s+)*(?:the\s+)?(?:last|first|front|rear)\s+(?:\d|third|half|quarter|bit|part)[^,;.]*$/;

/** “8/0 tan, bonded”: the last word on a thread’s label belongs to its name. */
function labelled({ told, text, at }: Here): Next | undefined {
  if (told.role !== "thread" || told.verb !== undefined) return undefined;
  const [typed = ""] = wordsAt(text, at);
  const end = at + typed.replace(/[.:!?]+$/, "").length;
  const { description } = told;
  if (!description || description.exact || !/^[a-z][a-z-]+$/.test(text.slice(at, end))) return undefined;
  if (!/^\s*,?\s*$/.test(text.slice(description.end, at)) || !/^\s*(?:[,;.]|$)/.test(text.slice(end))) return undefined;
  told.description = { ...description, end, text: `${description.text}, ${text.slice(at, end)}` };
  told.understood.push({ at, end });
  return { told, end };
}

const likeColour = /\b(?:(?:longer|shorter)\s+than|as\s+long\s+as|same\s+length\s+as|level\s+with)\s+the\s+$/;

/** A word that no reader took: it may still say how, which or how much; else it is left for a question. */
export const leftover = (here: Here): Next => firstOf(leftovers, here) ?? notUnderstood(here);

const leftovers: readonly Step[] = [
  sharesHere,
  mannerHere,
  otherStuffBehindOr,
  partAgain,
  ({ told, text, at }) => asNext(told, filler(text, at)),
  ({ told, text, at }) => (told.verb === "take over" ? asNext(told, bandPulled(text, at)) : undefined),
  colours,
  labelled,
  likeThatColour,
  // “…” and dashes say nothing.
  ({ told, text, at }) => asNext(told, silent(text, at)),
];

/** “Bring film over”: what hangs there to be pulled over. */
const bandPulled = words(
  "(?<=\\b(?:pull|bring|draw|fold|stretch)\\s+)(?:film|foil|foam|skin|strip|sheet|plastic)(?=\\s+(?:over|forwards?|back)\\b)",
);

const silent = match("[.…-]+(?=[\\s,;()]|$)");

function mannerHere({ told, text, at }: Here): Next | undefined {
  const how = manner(text, at) ?? (told.kind === "wind" ? loosely(text, at) : undefined);
  if (how) told.kept.push({ at, end: how.end });
  return asNext(told, how);
}

const nameOfHackle = words("collar|hackle|throat(?:\\s+hackle)?|beard|head|spade|post");
/** “Schlappen collar, purple”, “Head: elk hair head”: the part stands behind what it is of, once more. */
function partAgain({ told, text, at }: Here): Next | undefined {
  const { description, role } = told;
  const found = nameOfHackle(text, at);
  if (!found || !description || !/^\s*$/.test(text.slice(description.end, at))) return undefined;
  const again = roleOfWord(text.slice(at, found.end).split(/\s/)[0] ?? "");
  const isHackle = role === "hackle" && (again === "collar" || again === "throat");
  if (again !== role && !isHackle) return undefined;
  if (isHackle) Object.assign(told, { role: again, part: again });
  told.understood.push({ at, end: found.end });
  return { told, end: found.end };
}

function otherStuffBehindOr({ told, text, at }: Here): Next | undefined {
  if (!told.description || !/^or\s/.test(text.slice(at, at + 3))) return undefined;
  const begin = skip(text, at + 2);
  if (descriptionAt(text, begin, noCabinet)) return { told, end: at + 2 };
  const implied = told.role && impliedBy[told.role];
  const other = implied && descriptionAt(text, begin, noCabinet, false, implied);
  if (!other) return undefined;
  told.alternates.push(other);
  told.understood.push({ at, end: other.end });
  return { told, end: other.end };
}

/** “slightly longer than the white”: than what is tied of that colour. */
function likeThatColour({ told, text, at }: Here): Next | undefined {
  const like = told.kind === "lay" ? likeColour.exec(text.slice(Math.max(0, at - 40), at))?.[0] : undefined;
  const [colour] = like === undefined ? [] : wordsAt(text, at);
  if (like === undefined || colour === undefined || !isColour(colour)) return undefined;
  told.said.like = colour;
  if (/longer/.test(like)) told.said.likeTimes ??= LONGER;
  if (/shorter/.test(like)) told.said.likeTimes ??= SHORTER;
  told.understood.push({ at, end: at + colour.length });
  return { told, end: at + colour.length };
}

/** “black and purple dubbing, 60/40”: how much of each. */
function sharesHere({ told, text, at }: Here): Next | undefined {
  const shares = told.kind === "dress" && told.description ? sharesInFigures(text, at) : undefined;
  const mixed = shares && told.description && inShares(told.description, shares.value);
  if (!shares || !mixed) return undefined;
  told.description = mixed;
  told.understood.push({ at, end: shares.end });
  return { told, end: shares.end };
}

export const word = /[^\s,;()]+/y;

function wordsAt(text: string, at: number): string[] {
  word.lastIndex = at;
  return word.exec(text) ?? [];
}

function notUnderstood({ told, text, at, to }: Here): Next {
  const [typed = ""] = wordsAt(text, at);
  const length = typed.replace(/[.:!?]+$/, "").length || 1;
  const stop = Math.max(Math.min(to, at + length), at + 1);
  const last = told.rest[told.rest.length - 1];
  if (last && /^\s*$/.test(text.slice(last.end, at))) last.end = stop;
  else told.rest.push({ at, end: stop });
  return { told, end: stop };
}
