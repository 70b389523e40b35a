import type { Place } from "../../hooks";
import { isColour } from "../../materials";
import type { Said } from "../said";
import { formTold, type Told } from "../told";
import type { Telling } from "../bench";
import { anyOf } from "../parse";
import { alongShank } from "../settle";
import { readNumber } from "../text/number";
import { keepInSight } from "./keepInSight";
import { make, windBack } from "./making";
import { objectOf } from "./object";
import { hangsOverWeight, windsOverWeight } from "./overWeight";
import { bindsUnder, isGoneOver } from "./underThread";
import { verb } from "./verb";

/** The thread on the hook: the one that is named, else the one that is there. */
function threadOf(t: Telling) {
  // “Wind to two beads from the eye”: what is no thread is not wound as one.
  const form = formTold(t.told);
  const isOther = form === "bead" || form === "eyes";
  const isOver = form !== "thread" && isGoneOver(t);
  const own = isOther || isOver ? { ...t.told, description: undefined } : t.told;
  if (isOther && t.told.description) t.told.rest.push({ at: t.told.description.at, end: t.told.description.end });
  const object = objectOf({ ...t, told: { ...own, role: "thread" } });
  const component = object.component ?? t.bench.componentFor("thread", undefined, undefined);
  t.bench.thread ??= component.id;
  return { component, role: "thread" as const, form: t.bench.formOf(component) ?? ("thread" as const) };
}

/** “Three turns behind the eye, then down to the bend”: the turns only start it. */
const isOnlyStart =
  /\bturns?\b[^,.;]*,?\s*(?:and\s+)?then\s+(?:\w+\s+)?(?:down|back|on|along|(?:in\s+)?(?:open|touching|close)\s+turns\s+(?:to|down|back|over|as\s+far\s+as))\b/;

function keepTurns({ told, text }: Telling): void {
  const isCount = (words: string): boolean =>
    /\bturns?\b/.test(words) && !/\b(?:touching|open|close|back)\b/.test(words);
  keepInSight(told, text, isCount);
  delete told.said.rule;
}

const overLead =
  /\bover\s+(?:the\s+|all\s+)*(?:lead|weight|wire|underbody)\s+(?:and\s+)?(?:down\s+|back\s+|on\s+)?(?:to|into|as)\b/;
/** “Work back over the lead to the bend”: from where it hangs, and not only from where the lead ends. */
function passesWeight(said: Said, { told, text }: Telling): void {
  const { from, to } = said;
  if (told.verb !== "move" || !from || !to || !("part" in from) || from.part !== "weight") return;
  if (!overLead.test(text.slice(told.at, told.end))) return;
  said.end = to;
  delete said.from;
  delete said.to;
}

/** “Run the thread over the wire to the bend”, where the wire is that of a rib: it is no place. */
function placesNoWeight({ bench, text, told: { said, at, end } }: Telling): void {
  if (bench.ofRole("weight") || !/\bover\b/.test(text.slice(at, end))) return;
  const isOfWeight = (p: Place | undefined): boolean => p !== undefined && "part" in p && p.part === "weight";
  if (isOfWeight(said.from) && said.to) {
    said.end ??= said.to;
    delete said.from;
    delete said.to;
  }
  for (const key of ["from", "to", "begin", "there", "end"] as const) if (isOfWeight(said[key])) delete said[key];
}

/** Thread is wound along the shank: a base, a layer, a head. */
export function tellThread(t: Telling): void {
  const { bench, told } = t;
  placesNoWeight(t);
  const object = threadOf(t);
  const { said } = told;
  asFullAs(said, told);
  if (said.rule === undefined && said.wraps !== undefined) {
    said.rule = { turns: said.wraps };
    delete said.wraps;
  }
  passesWeight(said, t);
  for (const settle of ways) settle(said, t);
  const isHead = isFilledHead(said, told);
  if (isHead) Object.assign(said, { from: HEAD, to: { eyeLengths: 1.1 } });
  thirdWay(said);
  const from = said.begin ?? said.there;
  const to = said.end ?? said.to;
  // “Start the thread behind the eye”: it hangs there, and nothing is wound yet.
  const isWound = said.rule ?? said.from ?? said.passes ?? said.fill;
  if (to === undefined && isWound === undefined) {
    // Where the lead lies is no place of the thread.
    const isCover = from === undefined && /\bcover/.test(t.text.slice(told.at, told.end));
    const goesAhead = /\bto\s+the\s+(?:front|head)\b/.test(t.text.slice(told.at, told.end));
    if (!isCover) bench.hangs = from ?? (goesAhead ? undefined : bench.hangs) ?? { landmark: "eye" };
    return;
  }
  const turnsAtOneSpot = said.rule?.turns !== undefined && to === undefined;
  const hangs = hangsOverWeight(bench) ?? bench.hangs;
  if (to && !said.from && !from && hangs && isApart(hangs, to)) said.begin = hangs;
  // A thread that is not on the hook yet is started at its front.
  const isUnstarted = !hangs && !bench.isBased && said.way !== "forward";
  if (to && !said.from && !from && isUnstarted && alongShank(to) > AT_FRONT) said.begin = BEHIND_EYE;
  if (isOnlyStart.test(t.text.slice(told.at, told.end))) keepTurns(t);
  said.rule ??= { touching: true };
  const step = make(
    t,
    "wind",
    said,
    { ...object, role: turnsAtOneSpot || isHead ? "head" : "thread" },
    {
      name: told.part ?? (bench.isBased || turnsAtOneSpot ? "thread" : "thread base"),
      // Behind a list of parts the steps begin anew: the base lies beneath what the list has named.
      before:
        !bench.isBased && startsThread.test(t.text.slice(0, told.end))
          ? bench.made.find((m) => m.step.do !== "seat")?.step.id
          : undefined,
    },
  );
  if (step?.do !== "wind") return;
  bench.isBased = true;
  const end = (step.passes ?? 1) % 2 === 0 ? step.from : (step.to ?? step.from);
  bindsUnder(t, step.from, step.to ?? end);
  bench.hangs = end;
  windBack(t, { ...object, role: "thread" }, said, end);
}
/** “From the eye to the point and back again, then down to the bend”: it goes on from where it came back to. */
function thirdWay(said: Said): void {
  if (said.passes !== 2 || said.backTo !== undefined) return;
  if (said.from && said.to && said.end) {
    said.backTo = said.end;
    delete said.end;
  } else if (said.end && said.there && !said.from && (!said.begin || alongShank(said.begin) < AT_FRONT)) {
    said.backTo = said.there;
    delete said.there;
  }
}
const AT_FRONT = 0.3;
const BEHIND_EYE: Place = { eyeLengths: 0.5 };
const LEAST_APART = 0.03;
const isApart = (a: Place, b: Place): boolean => Math.abs(alongShank(a) - alongShank(b)) > LEAST_APART;

/** “Fill the gap with thread, 0.3 gape down to 0.15 gape”: sizes of a thread are how full it fills. */
function asFullAs(said: Said, told: Told): void {
  if (!said.size) return;
  const [long] = said.size;
  // “Build a head 4 mm long”: so far it is wound.
  if (said.isLong && told.role === "head" && "mm" in long && !said.from && !said.end && !said.to)
    Object.assign(said, { from: HEAD, to: { landmark: "eye", plus: { mm: long.mm } } });
  else said.fill = said.size;
  delete said.size;
}
const isFilledHead = (said: Said, { role }: Told): boolean =>
  role === "head" && said.fill !== undefined && !(said.from ?? said.to ?? said.end ?? said.begin ?? said.there);

/** From where and to where the thread goes, where a line says it otherwise; one builds on the other. */
const ways: readonly ((said: Said, t: Telling) => void)[] = [
  intoBend,
  toThere,
  startsThere,
  leavesFreeFirst,
  baseAlone,
  layer,
];
/** “Run the thread on into the bend”, “cover the wire and go round the bend”: it does not start there. */
const goesThere =
  /\b(?:run|take|wind|wrap|taken|carried|brought|go(?:ing)?|lay|all\s+the\s+way|right\s+down)\b[^.;]*\b(?:(?:into|round|around|down)\s+the\s+bend|(?:back|down)\s+the\s+(?:hook\s+)?shank)\b/;
/** “Wind white thread deep into the bend”: on a bare hook that is where it goes. */
function intoBend(said: Said, { told, text, bench }: Telling): void {
  const { there } = said;
  // “Take the thread round the bend”, of a thread that is on the hook: it goes there from where it hangs.
  if (told.verb === "move" && bench.isBased && there && !said.end && !said.begin && !said.rule) {
    said.end = there;
    delete said.there;
    return;
  }
  const goes = (told.verb === "start" || told.verb === undefined) && goesThere.test(text.slice(told.at, told.end));
  const isMove = told.verb === "move";
  if ((told.verb !== "wind" && !isMove && !goes) || bench.isBased || !there) return;
  if (alongShank(there) <= (told.verb === "wind" ? HALF : AT_FRONT)) return;
  if (said.begin || said.end || said.from || said.rule?.turns !== undefined) return;
  said.begin = bench.hangs ?? { eyeLengths: 0.5 };
  said.end = there;
  delete said.there;
}
/** “From half an eye behind the eye, touching turns into the bend”: that is where it goes. */
function toThere(said: Said): void {
  if (!said.there || !said.begin || said.end || said.to || said.rule?.turns !== undefined) return;
  said.end = said.there;
  delete said.there;
}
/** “Start the thread behind the eye, leave one eye free”: there it begins. */
function startsThere(said: Said, { told, text }: Telling): void {
  if (told.verb !== "start" || !said.there || !said.end || !leavesFree.test(text.slice(told.at, told.end))) return;
  said.there = said.end;
  delete said.end;
}
/** “Start behind the eye, leave one eye free, and go down into the bend”: what is left free is where it begins. */
function leavesFreeFirst(said: Said): void {
  const { there, begin, end } = said;
  if (!there || !begin || !end || said.rule || alongShank(there) <= alongShank(end)) return;
  said.begin = end;
  said.end = there;
  delete said.there;
}
/** “Lay a base of black thread”, and not from where: along the shank. */
function baseAlone(said: Said, { told, text, bench }: Telling): void {
  if (bench.isBased || said.rule !== undefined || !/\bbase\b/.test(text.slice(told.at, told.end))) return;
  if (bench.hangs && /\bshort\s+(?:thread\s+)?base\b/.test(text.slice(told.at, told.end))) return;
  if (said.begin ?? said.there ?? said.from ?? said.end) return;
  if (/\b(?:from|to|down|back)\b/.test(text.slice(told.end))) return;
  Object.assign(said, { begin: { eyeLengths: 0.5 }, end: { landmark: "bend" } });
}
function layer(said: Said, { told, text, bench }: Telling): void {
  const own = text.slice(told.at, told.end);
  if (!bench.isBased || !isLayer.test(own) || said.end || said.to || said.there) return;
  const [end, other] = isUp.test(own) ? [TO_EYE, TO_BEND] : [TO_BEND, TO_EYE];
  // “… and a third one from mid-shank”: the second goes all the way.
  Object.assign(said, { begin: said.begin && other, end });
}

const leavesFree = /\bleav(?:e|ing)\b/;
const HALF = 0.5;
const HEAD: Place = { eyeLengths: 0.2 };
const TO_EYE: Place = { eyeLengths: 0.5 };
const TO_BEND: Place = { landmark: "bend" };
/** “Run the thread back up in a second layer”: it is wound there, where else it would only go. */
const isLayer = /\b(?:in|as|for)\s+(?:another|an?\s+(?:second|third|new|further|next))\s+layer\b/;
/** “Start the thread …” */
export const startsThread =
  /\b(?:start|attach|begin|jam|tie\s+on|catch\s+on)\s+(?:the\s+|your\s+)?(?:[\w/]+\s+){0,3}?(?:thread|silk)\b/;

export const start = verb(
  "start",
  anyOf(
    "lay(?:ing)?\\s+down(?!\\s+an?\\s+(?:\\w+\\s+)?(?:base|bed|layer|foundation)\\b)(?=\\s+(?:the\\s+|your\\s+|some\\s+|an?\\s+)?(?:[\\w/-]+\\s+){0,3}(?:thread|silk)\\b)",
    "(?:start|begin|attach)\\s+it(?=\\s+(?:just\\s+|right\\s+|close\\s+|about\\s+|roughly\\s+)?(?:at|behind|near|in\\s+front|an?|one|two|half|\\d+(?:\\.\\d+)?)\\b)",
    "wax\\s+(?:an?|some)\\s+(?:length|piece|yard)\\s+of(?=\\s+(?:[\\w/]+\\s+){0,3}(?:thread|silk)\\b)",
    "get\\s+(?:the\\s+|your\\s+)?(?:thread|silk)\\s+(?:going|started|on)",
    "(?:start|begin)(?=\\s+(?:off\\s+)?(?:just\\s+|right\\s+|close\\s+|a\\s+little\\s+)?(?:at|behind|near|mid|half|(?:an?|one)\\s+(?:hook\\s+)?(?:eye|third|quarter)|(?:two|\\d(?:[.,]\\d)?)\\s+eyes?|\\d+(?:\\.\\d+)?\\s*mm)\\b)",
    "(?:run|wind|lay)(?=\\s+(?:[a-z]+\\s+){1,2}\\d{2,3}\\s*d(?:en(?:ier)?)?\\b)",
    "run(?!\\s+(?:\\w+\\s+){0,2}(?:bed|base|layer|foundation)\\b)(?=\\s+(?:the\\s+|your\\s+|a\\s+)?(?:[\\w/]+\\s+){1,3}(?:thread|silk)\\b)",
    "(?:start(?:ing)?|attach(?:ing)?|begin|fix|fasten\\s+on|tie\\s+on|jam|catch\\s+on)(?=\\s+(?:with\\s+)?(?:the\\s+|your\\s+|my\\s+|a\\s+)?(?:[\\w/]+\\s+){0,4}?(?:thread|silk)\\b)",
    "(?:start|tie\\s+on|run\\s+on|attach)(?:\\s+with)?(?=\\s+(?:the\\s+|your\\s+|with\\s+)?(?:[a-z]+\\s+){0,2}(?:\\d{1,2}\\/0|\\d{2,3}\\s*d(?:en(?:ier)?)?)\\b)",
    "(?!(?:wrap|wind)\\s+(?:the|its)\\s+base\\b(?!\\s+of\\s+thread))(?:lay|wind|wrap|run|make|build|put|take|carry)\\s+(?:down\\s+)?(?:a\\s+|the\\s+)?(?:[\\w-]+\\s+){0,2}?(?:thread\\s+base|base(?:\\s+of\\s+thread)?|foundation|bed(?:\\s+of\\s+(?:thread|silk))?|layer\\s+of\\s+(?:tying\\s+)?(?:thread|silk)(?=\\s+(?:all|as\\s+far|down|from|to|back|along|on|over|right|until|up)\\b))",
    "cover\\s+(?:the\\s+|it\\b\\s*)?(?:(?:hook\\s+)?shank|lead|wire|weight|it)?\\s*with\\s+(?:it(?=\\s*(?:[,.;]|$|and\\b|to\\b))|(?:the\\s+|tying\\s+)*(?:thread|silk)|(?=(?:[a-z]+\\s+)?(?:\\d{2,3}|\\d{1,2}\\/0)\\s+(?:[a-z]+\\s+)?(?:thread|silk)\\b))",
    "(?:secure|lock|bind|fix|hold)\\s+(?:it|that|them|this|the\\s+(?:lead|wire|weight))(?:\\s+(?:in|down))?\\s+with\\s+(?:an?\\s+)?(?:layers?|coat)\\s+of\\s+(?:the\\s+)?(?:tying\\s+)?(?:thread|silk)",
    'cover\\s+the\\s+(?:hook\\s+)?shank(?!\\s+(?:with|in)\\s+(?:(?!thread\\b|silk\\b)[\\w."-]+\\s+){0,3}(?:lead|wire|floss|tinsel|wool|yarn|foil)\\b)',
    "cover(?:ing)?\\s+(?:up\\s+)?(?:the\\s+)?(?:lead|wire|weight|shank|hook|turns|it)(?:\\s+with\\s+(?:the\\s+)?(?:tying\\s+)?(?:thread|silk))?,?\\s+(?:and\\s+)?(?:then\\s+)?(?:go(?:ing)?|work(?:ing)?|wind(?:ing)?|runn?(?:ing)?|com(?:e|ing)|head(?:ing)?)(?:\\s+(?:on|back|down|up|all\\s+the\\s+way))*(?=\\s+(?:to|into|round)\\s)",
    "dress\\s+(?:the\\s+)?(?:hook|shank|hook\\s+shank)(?:\\s+with(?:\\s+an?)?(?:\\s+(?:thin|flat|smooth|neat|even|light|single))*(?:\\s+(?:layer|bed|base|coat)\\s+of)?\\s+(?:the\\s+)?(?:tying\\s+)?(?:thread|silk))?(?=\\s+(?:down|back|to|from|as\\s+far|up)\\b|\\s*(?:[,.;]|$))",
    "(?:put\\s+(?:down|on)|take|run|lay|wind)\\s+an?\\s+(?:[a-z]+\\s+)?(?:layer|bed)(?=\\s+(?:down|from|to|back|along|on|over|up|as\\s+far)\\b)",
  ),
  tellStart,
);

/** “Move the thread forward a third of the shank”: so much further than it hangs. */
const forwardBy =
  /\bforwards?\s+(?:by\s+)?(?:about\s+)?((?:an?|one|two|three)\s+\w+|half|\d\/\d)\s+(?:of\s+)?(?:the\s+|an?\s+)?shank/;

/** “Forward 5 mm”: how far is read as a place. */
const SO_FAR = "(?:(?:by|about|another)\\s+)*\\d+(?:[.,]\\d+)?\\s*(?:mm|cm)\\b";

/** The thread goes somewhere: the first way along the bare shank is its base, later it only moves. */
export const move = verb(
  "move",
  anyOf(
    "(?:run|lay|take|wind|work|make|wrap|put)\\s+(?:(?:close|tight|neat|flat)\\s+)*(?:touching|open|spiral(?:l?ing)?)\\s+turns(?=\\s+(?:back|down|up|forward|to|of\\s+(?:the\\s+)?(?:thread|silk)))(?:\\s+of\\s+(?:the\\s+)?(?:thread|silk))?",
    "return(?=\\s+(?:half-?\\s?way|(?:an?|one|two)\\s+(?:third|quarter)s?|to)\\b)",
    "(?:return|(?:come|go|work|wind(?<!\\bdub\\b[^.;]*))\\s+back)(?:\\s+(?:up|forward|down))?(?=\\s+(?:in|with|to|over)\\s)",
    "(?:come|go)\\s+(?:back|forwards?|up)(?=\\s+(?:about\\s+)?(?:half-?\\s?way|a\\s+(?:third|quarter)\\s+of\\s+the\\s+way|two\\s+thirds\\s+of\\s+the\\s+way|to\\s+the\\s+middle)\\b)",
    `(?:come|go|move|advance)(?=\\s+(?:forwards?|back)\\s+${SO_FAR})`,
    "(?:come|go|move|advance)(?=\\s+forwards?\\s+(?:by\\s+)?(?:an?|one|two|half)\\s+(?:third|quarter|half|thirds)?\\s*(?:of\\s+)?the\\s+shank\\b)",
    "(?:run|go|carry\\s+on)(?=\\s+(?:to|as\\s+far\\s+as|until)\\s+(?:(?:the|a|about|just|over|above)\\s+)*(?:hook\\s+)?(?:bend|barb|point|mid|half|rear|back|tail|thorax)\\b)",
    // “Start the thread, go over the lead and round the bend”
    "(?:go|come|work|run|carry\\s+on|continue)\\s+(?:back\\s+|down\\s+)?over\\s+the\\s+(?:lead|weight|wire)(?:\\s+(?:wraps|turns))?,?\\s+(?:(?:and|then|on|back|down)\\s+)*(?=(?:to|into|round|around)\\s)",
    "get\\s+(?:it|the\\s+(?:thread|silk))\\s+(?:down|back|up)(?=\\s+(?:to|past|over|just|a\\s+(?:little|bit)|well|into|round|around)\\b)",
    "(?:get|come|go|head)\\s+(?:down|back)(?=\\s+(?:well\\s+|right\\s+|deep\\s+)?(?:into|round|around)\\s+the\\s+bend)",
    "(?:go|carry\\s+on|continue|run)\\s+(?:down|back|along|forward|up)(?=\\s+(?:(?:in|with)\\s+(?:[a-z]+\\s+){1,2}turns\\b|to|as\\s+far|until|the\\s+shank|(?:half-?\\s?way\\s+|well\\s+|deep\\s+|some\\s+way\\s+)?(?:round|around|into|down)\\s+the\\s+bend)\\b)",
    "(?:bring|take|move|return|run|carry|advance|wind|wrap|spiral|work|lead|leave|let|park|lay)\\s+(?:the\\s+)?(?:thread|silk|bobbin)(?:\\s+hang(?:ing)?)?" +
      `(?:\\s+(?:forward|forwards|back|up|down)(?!\\s+${SO_FAR}))*`,
  ),
  (t) => {
    const { bench, told } = t;
    const { said } = told;
    placesNoWeight(t);
    const onward = forwardBy.exec(t.text.slice(told.at, told.end));
    const share = onward ? readNumber(onward[1] ?? "") : undefined;
    if (share !== undefined && share < 1 && bench.hangs) {
      const from = alongShank(bench.hangs);
      for (const at of ["from", "to", "begin", "there"] as const) delete said[at];
      said.end = { fraction: Number(Math.max(0, from - share).toPrecision(3)) };
    }
    if (!onward) countedFromBend(said, t);
    const isWound = said.rule !== undefined || said.passes !== undefined || said.fill !== undefined;
    // “Take the thread in touching turns round the bend”: that is where it goes.
    const isFirstWay =
      !bench.isBased && bench.hangs && said.there && Math.abs(alongShank(bench.hangs) - alongShank(said.there)) > 0.2;
    const isThere = said.there && !said.from && !said.begin && !said.end && said.rule?.turns === undefined;
    if ((isWound || isFirstWay) && isThere) {
      said.end = said.there;
      delete said.there;
    }
    // “Forward to the post and back”, where it hangs already.
    const goal = said.end ?? said.to ?? said.there;
    if (said.passes !== undefined && goal && bench.hangs && ("part" in goal || !isApart(bench.hangs, goal))) return;
    if (isBodyOfThread(t)) return windBody(t);
    if (isWound || !bench.isBased) return tellThread(t);
    const to =
      said.end ??
      said.to ??
      said.there ??
      said.begin ??
      (said.way === "back" ? ({ landmark: "bend" } as const) : ({ landmark: "eye" } as const));
    threadOf(t);
    bench.movedFrom = bench.hangs;
    const step = make(t, "act", { act: "move the thread", at: to, minutes: 0.05 }, {}, { name: "move the thread" });
    // “Forward 5 mm” is settled there.
    const gone = (step?.do === "act" ? step.at : undefined) ?? to;
    if (bench.movedFrom) bindsUnder(t, bench.movedFrom, gone);
    bench.hangs = gone;
  },
);

const goesUp =
  /\b(?:(?:come|go|work|bring|take|run|move|wind)\s+(?:it\s+|the\s+(?:thread|silk)\s+)?(?:back|forwards?|up)|return|back\s+up)\b/;
const isFromEye = /\b(?:from|behind)\s+the\s+(?:hook\s+)?eye\b/;
/** “Lay a base to the bend and come back to 70 percent”: so much of the way it goes forward. */
function countedFromBend(said: Said, { bench, told, text }: Telling): void {
  const words = text.slice(told.at, told.end);
  const at = said.end !== undefined ? "end" : "there";
  const goal = said[at];
  const isAtBend = bench.hangs !== undefined && alongShank(bench.hangs) > AT_BEND;
  if (!isAtBend || !goal || !("fraction" in goal) || !(goal.fraction > HALF) || isFromEye.test(words)) return;
  if (goesUp.test(words)) said[at] = { fraction: Number((1 - goal.fraction).toPrecision(12)) };
}
const AT_BEND = 0.9;

const saysBody = /\b(?:taper(?:ed|ing)?|flat(?:tened)?|bod(?:y|ies)|abdomen|build(?:ing)?\s+up|carrot|cigar)\b/;
/** “Wind the flattened thread back up, tapered”: on the way forward, where there is no body yet, it becomes that. */
function isBodyOfThread({ bench, told, text }: Telling): boolean {
  const { hangs } = bench;
  if (!bench.isBased || !hangs || bench.ahead.has("body") || bench.ofRole("body")) return false;
  const to = told.said.end ?? told.said.to ?? told.said.there;
  const goesForward = to ? alongShank(to) < alongShank(hangs) - 0.2 : told.said.way !== "back" && isUp.test(text);
  return goesForward && (bench.bodyOfThread || saysBody.test(text.slice(told.at)));
}
const isUp = /\b(?:up|forwards?|eye|front)\b/;

function windBody(t: Telling): void {
  const { bench, told } = t;
  const said = { ...told.said };
  const to = said.end ?? said.to ?? said.there ?? { eyeLengths: 1 };
  for (const at of ["there", "begin", "end", "way"] as const) delete said[at];
  const thread = bench.materialOf(bench.component(bench.thread));
  const component = bench.componentFor("body", thread, "body");
  const rule = said.rule ?? { touching: true };
  const step = make(
    t,
    "wind",
    { ...said, rule, from: to, to: bench.hangs },
    { component, role: "body", form: "thread" },
    {
      name: "body",
    },
  );
  if (!step) return;
  bench.hangs = to;
  bench.release("body");
}

/** Another thread takes its place. */
function tellChange(t: Telling): void {
  const description = t.told.description ?? t.bench.second;
  t.bench.second = undefined;
  const object = objectOf({ ...t, told: { ...t.told, role: "thread", description } });
  if (!object.component) {
    t.line.asks.push({
      at: [t.told.at, t.told.end],
      sentence: "To which thread? Say its colour and denier: “change to thread 140 denier, red”.",
      answers: [],
    });
    return;
  }
  make(
    t,
    "thread",
    t.told.said,
    { component: object.component, role: "thread", form: "thread" },
    { name: "change the thread" },
  );
  t.bench.thread = object.component.id;
}

const coloursIn = (words: string): string[] =>
  words
    .toLowerCase()
    .split(/[^a-z]+/)
    .filter(isColour);
/** “Start red thread behind the eye”, with black on the hook: what is there comes off. */
function isAnotherThread({ bench, told }: Telling): boolean {
  const own = told.description && formTold(told) === "thread" ? coloursIn(told.description.text) : [];
  const there = coloursIn(bench.materialOf(bench.component(bench.thread))?.name ?? "");
  const isTied = bench.made.some((m) => m.step.do !== "seat");
  return isTied && own.length > 0 && there.length > 0 && !own.some((c) => there.includes(c));
}

function tellStart(t: Telling): void {
  if (t.bench.thread !== undefined && windsOverWeight(t)) {
    const { there, end, ...said } = t.told.said;
    const goal = end ?? there;
    // “Cover the lead with it and go down into the bend”
    if (goal && !("part" in goal && goal.end === "middle"))
      tellThread({ ...t, told: { ...t.told, said: { ...said, end: goal } } });
    return;
  }
  if (!isAnotherThread(t)) return tellThread(t);
  const { there, begin, ...said } = t.told.said;
  tellChange({ ...t, told: { ...t.told, said } });
  t.bench.hangs = there ?? begin ?? t.bench.hangs;
}

export const change = verb(
  "change",
  "change\\s+(?:over\\s+)?to(?=\\s+(?:it|the|a|an|[\\w\\d]+))|(?:switch|swap)\\s+(?:over\\s+)?(?:the\\s+thread\\s+)?(?:to|for)|change\\s+(?:the\\s+)?thread(?:\\s+(?:to|for))?",
  tellChange,
);
