import type { Place } from "../../hooks";
import type { Component } from "../../recipe";
import type { Bench, Telling } from "../bench";
import type { Said } from "../said";
import { alongShank } from "../settle";
import { formTold } from "../told";
import { make } from "./making";
import { objectOf } from "./object";

/** About as much of the shank a weight takes whose turns are counted. */
const USUAL_LENGTH = 0.4;
const weight = "(?:lead|wire|weight|weighting|turns\\s+of\\s+lead)";
const BINDS = "\\b(?:cover|lock|secure|bind|fix|hold|tack|lash)(?:s|ing|ed)?\\s+";
const itself = new RegExp(`${BINDS}(?:it|this|that|them|these)\\b`);
/** “Thread over.”, “Cover with thread.” */
const isOver = new RegExp(
  `^\\W*(?:and\\s+)?(?:(?:tying\\s+)?(?:thread|silk)\\s+)?(?:back\\s+)?over\\W*$|^\\W*${BINDS}(?:over\\s+|down\\s+)?with\\s+(?:the\\s+|your\\s+)?(?:tying\\s+)?(?:thread|silk)\\W*$`,
);
const overIt = new RegExp(
  `${BINDS}(?:up\\s+|down\\s+)?(?:the\\s+|all\\s+)*(?:\\w+\\s+)?${weight}\\b|\\b(?:over|through)\\s+(?:the\\s+)?${weight}(?!\\s+(?:to|up|down|back\\s+to)\\b)\\b`,
);
const ofThread =
  /\b(?:thread|silk|criss-?\s?cross\w*|crossing|cross(?:ed)?\s+(?:turns|wraps)|cover\w*|zig-?\s?zag\w*)\b/;
const headOfThread = /^\W*(?:tying\s+)?(?:thread|silk)\b/;
const bothWays =
  /\b(?:criss-?\s?cross\w*|cross(?:ed|ing)?|zig-?\s?zag\w*|back\s+and\s+forth|there\s+and\s+back|to\s+and\s+fro|twice|two\s+(?:layers|passes)|and\s+back(?!\s+(?:to|down)))\b/;

/** “Cover the lead and go to the bend”: first over it, and then on. */
const goesFurther =
  /\band\s+(?:then\s+)?(?:go|run|work|wind|wrap|come|head|carry\s+on|carry|take|bring)(?:ing)?\b[^,.;]*\b(?:to|into|round|down|back|up)\b/;
const onlyLayers =
  /^\W*(?:(?:with|in|of|and|using)\s+)*(?:two|2|double)\s+layers\s+of\s+(?:the\s+|tying\s+)*(?:thread|silk)\W*$/;
/** “Cover the lead with two layers of thread”: the second goes back. */
function goesBack({ bench, told, text, line }: Telling): boolean {
  const last = bench.made.at(-1);
  if (!last || last.line !== line.number || last.step.do !== "wind" || !onlyLayers.test(text.slice(told.at, told.end)))
    return false;
  const { from } = last.step;
  const isOver = "part" in from && bench.component(from.part)?.role === "weight";
  if (!isOver || bench.component(last.step.component)?.role !== "thread") return false;
  last.step = { ...last.step, passes: 2 };
  return true;
}

/**
 * The end of the weight that thread was wound over last: there it goes on from. Until it is moved, what is tied in
 * next lies where it would without: nobody builds a tail on the weight.
 */
export function hangsOverWeight(bench: Bench): Place | undefined {
  const step = bench.made.at(-1)?.step;
  if (step?.do !== "wind" || bench.component(step.component)?.role !== "thread" || !("part" in step.from))
    return undefined;
  if (bench.component(step.from.part)?.role !== "weight") return undefined;
  return (step.passes ?? 1) % 2 === 0 ? step.from : step.to;
}

/** The thread that a line names, else the one on the hook. */
function threadOf(t: Telling): Component | undefined {
  const { bench, told } = t;
  const own = told.description && formTold(told) === "thread";
  return own
    ? objectOf({ ...t, told: { ...told, role: "thread" } }).component
    : (bench.component(bench.thread) ?? bench.ofRole("thread"));
}

/** Winds thread over the weight that lies there, from the end nearer to where it hangs; nothing where none lies. */
function windOver(t: Telling, isBothWays: boolean): boolean {
  const { bench, told } = t;
  const lies = bench.made.findLast((m) => bench.component(m.step.component)?.role === "weight")?.step;
  if (lies?.do !== "wind" || lies.component === undefined) return false;
  const component = threadOf(t);
  if (!component) return false;
  bench.thread ??= component.id;
  const front: Place = { part: lies.component, end: "front" };
  const rear: Place = { part: lies.component, end: "rear" };
  const rearmost = Math.max(alongShank(lies.from) + (lies.to ? 0 : USUAL_LENGTH), alongShank(lies.to ?? lies.from));
  const hangsBehind = bench.hangs !== undefined && alongShank(bench.hangs) > rearmost;
  const [from, to] = hangsBehind ? [rear, front] : [front, rear];
  const said: Said = { rule: { touching: true }, from, to, ...(isBothWays && { passes: 2 }) };
  const object = { component, role: "thread" as const, form: bench.formOf(component) ?? ("thread" as const) };
  if (!make({ ...t, told: { ...told, description: undefined } }, "wind", said, object, { name: "thread" }))
    return false;
  told.description = undefined;
  return true;
}

/**
 * “Cover the lead with thread”, “lock the wire down with crossing turns”: nothing where the words are of something
 * else, or say where to.
 */
export function windsOverWeight(t: Telling): boolean {
  const { bench, told } = t;
  if (goesBack(t)) return true;
  const words = t.text.slice(told.at, told.end);
  const { said } = told;
  const isLast = bench.component(bench.last.component)?.role === "weight";
  const isOverAlone = isOver.test(words);
  if (!overIt.test(words) && !(isLast && (itself.test(words) || isOverAlone))) return false;
  const isOfThread = ofThread.test(words) || headOfThread.test(t.text) || (told.role === "thread" && isOverAlone);
  if (!isOfThread || said.wraps !== undefined) return false;
  const further = goesFurther.test(words) ? undefined : said.end;
  if ((further ?? said.to ?? said.begin ?? said.from) !== undefined) return false;
  const goesOn: Place | undefined = backToBend.test(words) ? { landmark: "bend" } : undefined;
  if (!windOver(t, bothWays.test(words) || (said.passes === 2 && !goesOn))) return false;
  if (goesOn) windOnTo(t, goesOn);
  if (isOverAlone) told.understood.push({ at: told.at, end: told.end });
  return true;
}

/** “Weight: 8 turns of lead, thread over”, of which the list would make a further weight. */
export const saysThreadOver = (t: Telling): boolean =>
  isOver.test(t.text.slice(t.told.at, t.told.end)) && windsOverWeight(t);

const backToBend = /\band\s+(?:then\s+)?(?:back|down|on)\s+to\s+the\s+bend\b/;
/** “Over the lead and back to the bend”: from where the weight ends it goes on. */
function windOnTo(t: Telling, to: Place): void {
  const { bench } = t;
  const from = hangsOverWeight(bench);
  const component = bench.component(bench.thread);
  if (!from || !component) return;
  const object = { component, role: "thread" as const, form: bench.formOf(component) ?? ("thread" as const) };
  make(t, "wind", { rule: { touching: true }, from, to }, object, { name: "thread" });
}

const locked =
  /\b(?:locked|covered|secured|bound|held|fixed|tied)(?:\s+(?:down|in|over|in\s+place))?\s+(?:with|by|under|in)\s+[^,.;]*\b(?:thread|silk|criss-?\s?cross\w*|cross(?:ed|ing)\s+turns)\b(?![^,.;]*\bglue)/;
/** “Weight: 10 turns of lead, locked down with thread”: of a weight that was just wound. */
export function lockedWithThread(t: Telling): void {
  const { told } = t;
  const found = locked.exec(t.text.slice(told.at, told.end));
  if (!found || /\d/.test(found[0])) return;
  const [at, end] = [told.at + found.index, told.at + found.index + found[0].length];
  if (!windOver({ ...t, told: { ...told, description: undefined } }, bothWays.test(found[0]))) return;
  // What was kept of it has been acted on.
  told.understood.push({ at, end });
  told.kept = told.kept.filter((k) => k.at < at || k.at >= end);
}
