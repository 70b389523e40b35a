import { ownFigure } from "../finish";
import type { Told } from "../told";
import type { Place } from "../../hooks";
import { bindAlong, boundAlong, isBoundThere } from "./boundAlong";
import { withoutPlural } from "../../numeric";
import { formSaid } from "../description";
import type { Material, MaterialForm } from "../../materials";
import {
  furtherBy,
  timesAsMuch,
  type LayAmount,
  type LengthRule,
  type Reach,
  type RecipeStep,
  type Role,
} from "../../recipe";
import type { Bench, MadeStep, Telling, Waiting } from "../bench";
import type { Said } from "../said";
import { anyOf } from "../parse";
import { roleOfWord } from "../lexicon/parts";
import { alongShank } from "../settle";
import { cutForms, strandForms } from "./usual";
import { make, partName, withDeclared } from "./making";
import { objectOf, type Meant, isUnplaced } from "./object";
import { tellFinish } from "./finish";
import { placeOf, settleParts } from "./places";
import { tellSeat } from "./seat";
import { windsOverWeight } from "./overWeight";
import { tellThread } from "./thread";
import { LONGER, SHORTER } from "../text/length";
import { verb } from "./verb";

const woundForms = new Set(strandForms);
const woundRoles = new Set<Role>(["rib", "body", "thorax", "tag", "butt", "hackle", "collar", "head", "weight"]);

/** Whether what is tied in only waits: a strand or a hackle to be wound. */
export const waitsToBeWound = (role: Role | undefined, form: MaterialForm | undefined): boolean =>
  (form === undefined && role === "rib") ||
  (form !== undefined &&
    ((woundForms.has(form) && (role === undefined || woundRoles.has(role))) ||
      (form === "flash" && (role === "rib" || role === "body")) ||
      (form === "rubber" && role === "rib") ||
      ((form === "hackle" || form === "quill" || form === "feather fibre") &&
        (role === "hackle" || role === "collar" || role === "body" || role === "thorax")) ||
      (form === "feather fibre" && role === "rib")));

const ofHook: ReadonlySet<string> = new Set(["point", "barb", "bend"]);
const isOfHook = (reach: Reach): reach is "point" | "barb" | "bend" => ofHook.has(reach);

/** Ties something in where it is said, or where the thread hangs: it stays as it lies, or waits for a later line. */
export function tellTieIn(t: Telling): void {
  const { told, bench } = t;
  if (told.kind === "seat") return tellSeat(t);
  if (told.kind === "glue") return tellFinish(t);
  // “Bind thread to bend”: that is how far it goes.
  const { shown } = told.said;
  if (told.role === "thread" && !told.description && shown && "reach" in shown && isOfHook(shown.reach)) {
    const { shown: _shown, ...more } = told.said;
    return tellThread({ ...t, told: { ...told, kind: "wind", said: { ...more, end: { landmark: shown.reach } } } });
  }
  if (saysWhere(t) || saysOfBarbs(t) || windsOverWeight(t)) return;
  // “A strip of latex, hanging back”: it waits to be pulled over.
  const isBand = formSaid(told.description) === "stretch body" && !/\bfoam\b/i.test(told.description?.text ?? "");
  if (isBand && hangsBack.test(t.text.slice(told.at, told.end))) {
    delete told.said.attitude;
    told.said.hanging = true;
  }
  // “Top with six herls”
  if (
    told.role === undefined &&
    /^\W*(?:then\s+|and\s+)?(?:top|finish|cap|crown)/.test(t.text.slice(told.at, told.end))
  )
    told.said.attitude ??= "over";
  if (bindsItDown(t)) return;
  trappedOnTheWay(t);
  tiedInThere(t);
  const object = withPart(t, objectOf);
  if (!object.component && !object.role) return startsThread(t) || tiesTheSame(t) ? undefined : askPart(t);
  // “Three fibres for the tail”: how many, and not of what.
  const isCounted = (told.said.amount ?? told.said.count) !== undefined && !told.description;
  // “A ball of fur, and three fibres each side of it”: fur comes in no fibres.
  const isOfFur = isCounted && told.verb === "tie in" && (object.form === "dubbing" || object.form === "blend");
  if (isCounted && (!object.component || isOfFur))
    t.line.asks.push({
      at: [told.at, t.text.slice(0, told.end).trimEnd().length],
      sentence: `Of what is the ${(isOfFur ? undefined : object.role) ?? "part"} tied? Name the material.`,
      answers: [],
    });
  if (isOfFur) return;
  tieIn(t, object, withDeclared(t, object.component, told.said));
  if (object.component) bench.last.component = object.component.id;
}

const onTheWayDown = /\b(?:on|along)\s+the\s+way\s+(?:down|back)\b/;
/** “On the way down trap a length of wire”: it was bound in as far as the thread went, which has come forward since. */
function trappedOnTheWay({ told, text, bench }: Telling): void {
  const { said } = told;
  if (!onTheWayDown.test(text.slice(told.at, told.end)) || (said.tieIn?.at ?? said.there ?? said.begin ?? said.from))
    return;
  const ends = bench.made.flatMap(({ step }) =>
    step.do === "wind" && bench.component(step.component)?.role === "thread" ? [step.from, step.to ?? step.from] : [],
  );
  const [rearmost = { landmark: "bend" } as const] = ends.sort((a, b) => alongShank(b) - alongShank(a));
  said.tieIn = { ...said.tieIn, at: alongShank(rearmost) < REAR ? { landmark: "bend" } : rearmost };
}

const inThere =
  /\b(?:tied?|bind|bound|catch|caught|lash(?:ed)?)\s+(?:(?:it|them)\s+)?in\s+(?:just\s+|right\s+)?(?:there|here)\b|^\W*(?:(?:and|then|now|right|just)\s+)*(?:there|here),?\s+(?:you\s+|we\s+|i\s+)?(?:tie|bind|catch|lash)\b/;
/** “Tie in there six fibres for the tail”: where the thread hangs, whatever the place of such a part is. */
function tiedInThere({ told, text, bench }: Telling): void {
  const { said } = told;
  if (!bench.isBased || !bench.hangs || !inThere.test(text.slice(told.at, told.end))) return;
  if (said.tieIn?.at ?? said.there ?? said.begin ?? said.from) return;
  said.tieIn = { ...said.tieIn, at: bench.hangs };
}

const itDown = /\bbind\s+(?:it|them)\s+(?:all\s+the\s+way\s+)?(?:down|back|along)\b/;
/** “Catch it in on the far side and bind it all the way down”: it is tied in once, and lies along the shank. */
function bindsItDown(t: Telling): boolean {
  const { told, text, bench, line } = t;
  const { said } = told;
  if (told.description || said.begin || !itDown.test(text.slice(told.at, told.end))) return false;
  const waiting = bench.waits((w) => (!w.hangs || w.form === "stretch body") && w.line === line.number);
  const to = said.end ?? said.to ?? said.there ?? (said.shown && placeOf(said.shown));
  if (to) settleParts(to, t, undefined);
  // “… and bind it all the way down to the bend”: there it waits from then on.
  if (waiting && to) bindAlong(bench, waiting, to);
  return waiting !== undefined;
}

/** “Tie in behind the eye and run the silk to the bend”: before anything is on the hook, it is the thread. */
function startsThread({ told, bench }: Telling): boolean {
  const at = told.said.tieIn?.at ?? told.said.there ?? told.said.begin;
  if (!at || told.description || told.refers || bench.isBased || bench.made.some((m) => m.step.do !== "seat"))
    return false;
  bench.hangs = at;
  return true;
}

const hangsBack = /\b(?:hanging|left|lying)\s+(?:out\s+)?(?:back|behind|off|rearward)/;
const REAR = 0.85;
const rearRoles = new Set<Role | undefined>(["tail", "flash"]);
const isStood =
  /\b(?:stood|stand(?:ing)?|propped|set|held|pulled)\s+(?:it\s+|them\s+|straight\s+)?(?:up(?:right)?|erect)\b/;
/** Slips, and feathers of which there are so many on each side, are a wing where nothing else is said. */
function withPart(t: Telling, meant: (t: Telling) => Meant): Meant {
  const { bench } = t;
  const { said, description, kind, role } = t.told;
  if (role !== undefined || !description || kind !== "lay") return meant(t);
  const form = formSaid(description);
  const isOnBothSides = said.round?.near !== undefined && said.round.far !== undefined;
  // Slips or biots that a list named as wing pads, and no line has tied in yet.
  const isOfPads = form === "quill" || (form === "feather fibre" && isOnBothSides);
  const code = isOfPads && bench.declared.size > 0 ? bench.resolve(description).material?.code : undefined;
  const named = bench.components.find(
    (c) => bench.declared.get(c.id)?.used === false && c.material.some((m) => m.value === code),
  );
  if (named) return meant({ ...t, told: { ...t.told, role: named.role } });
  // “two feathers, tied in and stood up”: what stands is a wing.
  const canStand = form === "feather fibre" || form === "hair" || form === "yarn";
  if (canStand && (said.attitude === "up" || isStood.test(t.text.slice(t.told.at, t.told.end)))) {
    said.attitude ??= "up";
    return meant({ ...t, told: { ...t.told, role: "wing" } });
  }
  // “Tie in a slip at the middle, dub a thorax, pull it over”: it hangs there till then.
  if (bench.pulledLater.own && (said.shown === undefined || said.isSlips || form === "stretch body")) {
    hangsTillPulled(said, form, bench);
    return meant({ ...t, told: { ...t.told, role: "wing case" } });
  }
  // “On each side a strip of biot”, which a later line folds forward: it hangs there till then.
  const isBand = form === "feather fibre" || form === "stretch body" || form === "tinsel" || form === "floss";
  const hangsAtSides = isOnBothSides && isBand;
  if (hangsAtSides && said.shown === undefined && isNamedIn(bench.pulledLater.stuff, description.text)) {
    said.hanging = true;
    delete said.attitude;
    if (said.isSlips && form === "feather fibre" && /\bbiots?$/.test(description.text.trim()))
      said.amount ??= { fibres: 2 };
    return meant({ ...t, told: { ...t.told, role: "cheeks", part: t.told.part ?? "cheeks" } });
  }
  // “Two pairs of badger saddles, as long as the underwing”: what is paired and has a length is not wound.
  const hasLength = said.shown !== undefined || said.sameLength !== undefined;
  const isPair = said.amount && "feathers" in said.amount && said.amount.paired && hasLength;
  const isPaired = form === "hackle" && (isOnBothSides || isPair === true);
  // “a strip of rabbit, leaving 3 cm past the bend”: what is left behind is the tail.
  if (form === "yarn" && said.shown) return meant({ ...t, told: { ...t.told, role: "tail" } });
  // “Tie in a rabbit strip, 12 cm long, at the bend”, which no line winds: it hangs off behind.
  if (isStripLeft(t)) {
    said.shown = { mm: said.pieceMm ?? 0 };
    delete said.pieceMm;
    return meant({ ...t, told: { ...t.told, role: "tail" } });
  }
  // “8 saddles at the bend, four a side”: what is tied in behind the body is the tail.
  const tiedAt = said.tieIn?.at ?? said.there ?? bench.hangs;
  const last = bench.made.findLast((m) => m.step.do !== "act")?.step;
  const isBesideTail = last?.do === "lay" && rearRoles.has(bench.component(last.component)?.role);
  const isBehind =
    tiedAt !== undefined && alongShank(tiedAt) > REAR && (bench.ofRole("tail") === undefined || isBesideTail);
  if (isPaired && isBehind) return meant({ ...t, told: { ...t.told, role: "tail" } });
  const isWing =
    form === "quill" ||
    isPaired ||
    (form !== "stretch body" && said.amount !== undefined && "slipWidth" in said.amount);
  // “A strip of turkey tail”, where a later line pulls the wing case over, or the turkey: that is what it is for.
  const isSlipPulled = bench.pulledLater.stuff.some((w) => /^(?:the\s+)?slips?$/.test(w.trim()));
  const isPulled = bench.ahead.has("wing case") || isSlipPulled || isNamedIn(bench.pulledLater.stuff, description.text);
  const isCase = isWing && !isPaired && isPulled && bench.ofRole("wing case") === undefined;
  // “A 4 mm slip of turkey”: of a slip that is how wide it is.
  const isWidth = said.isSlips && said.shown !== undefined && "mm" in said.shown;
  if (isCase && (said.shown === undefined || isWidth)) return meant({ ...t, told: { ...t.told, role: "wing case" } });
  return meant(isWing ? { ...t, told: { ...t.told, role: "wing" } } : t);
}

const onHide = /\b(?:strip|zonker)s?\b/;
const ofHide = /\b(?:strips?|zonkers?|hide|rabbit)\b/;
/** Whether a strip on the hide is tied in behind, so long, and nothing winds it or pulls it over. */
function isStripLeft({ told, bench }: Telling): boolean {
  const { said, description } = told;
  const at = said.tieIn?.at ?? said.there ?? bench.hangs;
  const isBehind = at !== undefined && alongShank(at) > REAR && bench.ofRole("tail") === undefined;
  if (!isBehind || said.pieceMm === undefined || !onHide.test(description?.text ?? "")) return false;
  const takesIt = ({ kind, verb, description: d, refers }: Told): boolean =>
    (kind === "wind" || verb === "take over") && (d ? ofHide.test(d.text) : refers === "it");
  return (
    !bench.pulledLater.own && !bench.pulledLater.stuff.some((w) => ofHide.test(w)) && !bench.toldLater().some(takesIt)
  );
}

/** What is cut so long is pulled as far as it reaches; what goes over all of the fly is bound in behind it. */
function hangsTillPulled(said: Said, form: MaterialForm | undefined, { pulledLater, hangs }: Bench): void {
  said.hanging = true;
  if (form !== "stretch body") return;
  if (said.shown && "mm" in said.shown) {
    said.pieceMm ??= said.shown.mm;
    delete said.shown;
  }
  const isPlaced = (said.tieIn?.at ?? said.there ?? said.begin ?? said.from) !== undefined;
  const isAtFront = hangs === undefined || alongShank(hangs) < REAR / 2;
  if (pulledLater.own?.isBack && !isPlaced && isAtFront) said.tieIn = { ...said.tieIn, at: { landmark: "bend" } };
}

/** Whether some words name nothing but what stuff is called. */
function isNamedIn(all: readonly string[], stuff: string): boolean {
  const own = stuff.toLowerCase().split(/\s+/).map(withoutPlural);
  return all.some((words) =>
    words
      .toLowerCase()
      .trim()
      .split(/\s+/)
      .every((w) => own.includes(withoutPlural(w))),
  );
}

/** “Take a hackle … Tie it in by the butt”: of what was taken and still waits, only the way is told. */
function tiesTheSame({ told, bench }: Telling): boolean {
  const waiting = bench.waits((w) => !w.hangs);
  const { methods, face, ...more } = told.said;
  if (!waiting || told.description || Object.keys(more).length > 0) return false;
  waiting.said = {
    ...waiting.said,
    ...(methods && { methods: { ...waiting.said.methods, ...methods } }),
    ...(face && { face }),
  };
  return true;
}

/** “Palmer a hackle over it, … tie it in at the front”: where what was just wound was tied in. */
function saysWhere({ told, bench, line }: Telling): boolean {
  const at = told.said.tieIn?.at ?? told.said.there ?? told.said.begin;
  const last = bench.made.findLast((m) => m.line === line.number);
  const role = bench.component(last?.step.component)?.role;
  if (told.description || last?.step.do !== "wind" || (told.role !== undefined && told.role !== role)) return false;
  if (bench.waits((w) => !w.hangs && w.line === line.number)) return false;
  // “Wind the rib forward and tie it in under the hook”: what had been tied in before is tied off.
  if (last.step.tiedIn !== undefined) return true;
  if (!at) return false;
  last.step = { ...last.step, tieIn: { ...last.step.tieIn, at } };
  return true;
}

const ofItsBarbs = /^(?:the\s+)?(?:fib(?:re|er)s|barbs)$/;
/** “Two turns, tie in by the butt, fibres as long as the shank”: of the hackle that the line has just wound. */
function saysOfBarbs({ told, bench, line }: Telling): boolean {
  const last = bench.made.findLast((m) => m.line === line.number);
  const role = bench.component(last?.step.component)?.role;
  const { shown, methods } = told.said;
  if (!shown || !ofItsBarbs.test(told.description?.text.trim() ?? "")) return false;
  // “Tie in a ginger cock; the fibres are one and a half gapes”: of what waits to be wound.
  const waiting = bench.waits((w) => w.step === last?.step.id && (w.form === "hackle" || w.form === "feather fibre"));
  if (waiting) {
    waiting.said.barb = "between" in shown ? [...shown.between] : [shown, shown];
    return true;
  }
  if (last?.step.do !== "wind" || (role !== "hackle" && role !== "collar")) return false;
  last.step = {
    ...last.step,
    barb: "between" in shown ? [...shown.between] : [shown, shown],
    ...(methods && { methods: { ...last.step.methods, ...methods } }),
  };
  return true;
}

export function tieIn(t: Telling, object: Meant, spoken: Said, before?: string): Waiting | undefined {
  const { bench, line } = t;
  const { role, form, component } = object;
  const isWound = waitsToBeWound(role, form) && !spoken.liesAlong;
  const said = { ...besideItsHost(t, object, spoken) };
  // “2 mm, the same length”: so thick is the bunch.
  if (said.sameLength !== undefined) ownFigure(said, role, form);
  asLongAsOthers(said, t);
  asLongAsUnder(said, t, object);
  if (isWound) boundWhereItWaits(said, t);
  // Pads that lie beside the body, so long, are not pulled over.
  const isBeside = said.shown !== undefined && said.round?.near !== undefined && said.round.far !== undefined;
  const hangs = !isWound && (said.hanging === true || (role === "wing case" && !isBeside));
  // A back covers the body as well: where no thread hangs anywhere, it is tied in at the bend.
  const isBack = hangs && /^(?:back|shell|carapace)/.test(t.told.part ?? "") && !bench.ahead.has("thorax");
  if (isBack && bench.hangs === undefined && isUnplaced(said)) said.tieIn = { at: { landmark: "bend" } };
  const own = { ...said };
  inItsPieces(own, object, bench.materialOf(component)?.name ?? "");
  if (isWound) forWinding(own, form);
  else {
    // “Two strands of yarn 6 mm long as a wing”: what is not wound is so long, and no piece of it.
    const isPiece = !hangs && !own.liesAlong && own.shown === undefined;
    if (isPiece && own.pieceMm !== undefined) own.shown = { mm: own.pieceMm };
    own.shown ??= own.barb?.[1];
    delete own.barb;
  }
  if (hangs) own.hanging = true;
  byPart(own, t, form);
  const step = make(t, "lay", own, object, {
    name: isWound || hangs ? `bind in the ${partName(t, object, "strand")}` : partName(t, object, "part"),
    before,
  });
  if (step?.do !== "lay") return undefined;
  const at = step.tieIn?.at ?? step.to;
  if (before === undefined) bench.hangs = at;
  if (!isWound && !hangs) return undefined;
  const waiting: Waiting = {
    step: step.id,
    component: component?.id ?? "",
    role: role ?? "body",
    form: form ?? "yarn",
    at,
    hangs,
    said: keptFor(said, form),
    line: line.number,
    used: false,
  };
  bench.waiting.push(waiting);
  return waiting;
}

const onTopOfIt = /\b(?:on\s+top\s+of|over)\s+(?:that|this|it|them|the\s+\p{L}+)(?!\p{L})/u;
/** “25 chartreuse hairs on top of that”: hair on the hair of a wing is as long, where nobody says how long it is. */
function asLongAsUnder(said: Said, { told, text, bench, line }: Telling, { role, form }: Meant): void {
  if (role !== "wing" || form !== "hair" || (said.shown ?? said.like ?? said.hanging) !== undefined) return;
  const under = bench.made.findLast((m) => m.step.do === "lay")?.step;
  const part = bench.component(under?.component);
  if (part?.role !== "wing" || bench.formOf(part) !== "hair" || !onTopOfIt.test(text.slice(told.at, told.end))) return;
  if (under?.do !== "lay" || under.shown === undefined) return;
  said.shown = under.shown;
  line.assumed.push("as long as what is under it");
}

/** “The same length”, “a shank longer than the white”: a length or a thickness by what was tied in before. */
function asLongAsOthers(said: Said, t: Telling): void {
  const { told, bench, line } = t;
  if (said.sameTips && said.shown === undefined) {
    const before = bench.made.findLast((m) => m.step.do === "lay" && m.step.shown !== undefined);
    const role = bench.component(before?.step.component)?.role;
    // Tied in at another place it is longer or shorter than that.
    if (role === "tail" || role === "wing") said.shown = { reach: role };
    else said.sameLength ??= 1;
  }
  if (said.sameLength !== undefined) {
    // “The same amount and length” is that of one bunch.
    const before = (said.thickLike === undefined ? undefined : bunchBefore(bench)?.shown) ?? lengthBefore(bench);
    said.shown ??= withMore(timesAsLong(before, said.sameLength) ?? aBitOn(before, said.sameLength), said.plusMm);
    if (said.shown === undefined) askHowLong(told, line);
  }
  if (said.disagree !== undefined) {
    const { all, each } = said.disagree;
    const sentence = `${all} in all and ${each} on each side cannot both be. Say which it is, and take the other out.`;
    line.asks.push({ at: [told.at, told.end], sentence, answers: [] });
  }
  if (said.amountOf !== undefined) said.amount ??= amountOf(bench, roleOfWord(said.amountOf));
  if (said.thickLike !== undefined) said.amount ??= thickBefore(bench, said.thickLike);
  if (said.muchLike !== undefined)
    said.amount ??= timesTheAmount(stepLike(bench, said.muchLike.of)?.amount, said.muchLike);
  if (said.like !== undefined && said.shown === undefined) {
    said.shown =
      said.likePlusMm === undefined
        ? (timesAsLong(lengthLike(bench, said.like), said.likeTimes ?? 1) ??
          timesThePart(bench, said.like, said.likeTimes))
        : longerBy(said.likePlusMm, said.like, bench);
    if (said.shown === undefined)
      line.asks.push({
        at: [told.at, told.end],
        sentence: `How long is the ${said.like.trim()}? Nothing of it is tied in with a length yet. Say one here, as “twice the shank”.`,
        answers: [],
      });
  }
  if (said.shown) said.shown = ofHackleWing(t, said.shown);
}

/** “Caught in at the eye and bound down round the bend”: there it waits to be wound. */
function boundWhereItWaits(said: Said, { told, text, bench }: Telling): void {
  const words = text.slice(told.at, told.end);
  const goal = allTheWay.test(words) ? (said.end ?? (said.shown && placeOf(said.shown))) : undefined;
  const isDown = isBoundDown.test(words);
  const bound = goal ?? (isDown ? (said.end ?? said.to ?? (said.tieIn?.at && said.there)) : undefined);
  const start: Place | undefined = goal && (bench.hangs ?? { landmark: "bend" });
  const first = said.tieIn?.at ?? said.begin ?? said.there ?? start;
  if (!bound || !first || isBoundThere(first, bound)) return;
  const lies = boundAlong(first, bound);
  Object.assign(said, lies, {
    tieIn: { ...said.tieIn, at: lies.to },
    end: undefined,
    there: undefined,
    laid: undefined,
    ...(goal && { shown: undefined }),
  });
}
/** “Bind it in all the way to the bead and back”: along the shank, from where the thread hangs. */
const allTheWay =
  /\b(?:all\s+the\s+way|along\s+the\s+(?:whole\s+)?(?:shank|hook))\s+(?:up\s+|forward\s+)?(?:to|as\s+far\s+as)\s+the\s+(?:hook\s+)?(?:eye|bead|cone|head|front)\b/;

/** The amount in what the stuff comes in: slips for a cover, strands of rubber. */
function inItsPieces(own: Said, { role, form, component }: Meant, name: string): void {
  const { amount } = own;
  // “Wing cases: turkey tail, two”: two slips, and no two fibres.
  const isCover = role === "wing case" && form === "feather fibre" && !/\bbiots?\b/i.test(component?.asStated ?? name);
  if (isCover && amount && "fibres" in amount && fewest(amount.fibres)) {
    own.count = Number(amount.fibres);
    delete own.amount;
  }
  if (amount && "feathers" in amount && amount.paired && (form === "rubber" || form === "flash"))
    own.amount = { strands: amount.feathers, folded: false };
}

/** What will be wound is bound in by one end: all that is said of its barbs belongs to the winding. */
function forWinding(own: Said, form: MaterialForm | undefined): void {
  const isFeather = form === "hackle" || form === "feather fibre" || form === "quill";
  own.countedWhenWound = true;
  // “Two peacock herls tied in at the bend”: so many are bound in, and wound together.
  const many = own.rope ?? own.count ?? 1;
  own.amount ??= isFeather ? { feathers: many } : { strands: many, folded: false };
  delete own.hanging;
  // What is said of a hackle's length is that of its barbs.
  delete own.shown;
  delete own.attitude;
  delete own.barb;
  delete own.face;
}

const isPost =
  /^\W*(?:an?\s+|the\s+)?(?:wing\s+|parachute\s+)?post\s+of\b|\b(?:as|for|to\s+(?:make|form))\s+an?\s+(?:wing\s+|parachute\s+)?post\b|(?<!\bthe\s+(?:wing\s+)?)\bpost(?=\s*(?:[,.;]|$))/;
/** “A shank high”: what has a height stands. */
const isHigh = /(?:mm|cm|"|\b(?:shanks?|gapes?|hooks?|body|length|long))\s+(?:high|tall)\b/;

/** What a part is called says how it lies. */
function byPart(own: Said, { told, bench, line, text }: Telling, form: MaterialForm | undefined): void {
  const part = told.part ?? "";
  // A belly of hair lies along the hook; what hangs down is a beard.
  if (form === "hair" && /\bbelly\b/.test(part)) own.attitude ??= "back";
  // A post is a wing that stands.
  const words = text.slice(told.at, told.end);
  const isUpright = isPost.test(words) || (told.role === "wing" && own.setBy === undefined && isHigh.test(words));
  if (/\bpost\b/.test(part) || isUpright) own.attitude ??= "up";
  // What has claws is tied with its head at the bend.
  if (isClaw.test(part) && !(own.tieIn?.at ?? own.there ?? own.begin ?? own.from))
    Object.assign(own, { tieIn: { ...own.tieIn, at: { landmark: "bend" } }, attitude: own.attitude ?? "back" });
  if (/whisker/.test(part)) asWhiskers(own);
  if (!/antenna|feeler|horn/.test(part)) return;
  asFeelers(own, bench);
  // Of horns and feelers one lies on each side.
  if (own.amount !== undefined || form !== "feather fibre" || told.loose.length > 0) return;
  own.amount = { fibres: own.count ?? 2 };
  line.assumed.push("2 fibres");
}

const isClaw = /\b(?:claws?|pincers?)\b/;
const isBoundDown = /\b(?:bound|bind|lashed)\s+(?:it\s+|them\s+)?(?:down|back|along)\b/;
/** No cover is made of so few fibres. */
const fewest = (n: unknown): boolean => typeof n === "number" && n < 4;
const MIDDLE = 0.5;
/** What feels ahead points forward from the eye; a shrimp is tied with its head at the bend. */
function asFeelers(own: Telling["told"]["said"], bench: Telling["bench"]): void {
  const { name } = bench.facts;
  const eyes = bench.made.findLast((m) => bench.component(m.step.component)?.role === "eyes")?.step;
  const looksBack = eyes !== undefined && "from" in eyes && alongShank(eyes.from) > MIDDLE;
  const place = own.tieIn?.at ?? own.there ?? own.begin ?? own.from;
  const hasClaws = bench.made.some((m) => isClaw.test(m.step.name ?? ""));
  // “Pointing forward over the eye”: whatever the fly is called.
  const isAhead = (own.attitude ?? own.way) === "forward";
  const isReversed = place
    ? alongShank(place) > MIDDLE
    : !isAhead && (looksBack || hasClaws || /shrimp|prawn|cray|craw|crab|lobster/i.test(name ?? ""));
  own.attitude ??= own.way ?? (isReversed ? "back" : "forward");
  if (!place) own.tieIn = { at: isReversed ? { landmark: "bend" } : { eyeLengths: 1 } };
}

/** Whiskers stand out to either side of the head. */
function asWhiskers(own: Telling["told"]["said"]): void {
  const place = own.tieIn?.at ?? own.there ?? own.begin ?? own.from;
  own.attitude ??= own.way ?? "sides";
  if (!place) own.tieIn = { ...own.tieIn, at: { eyeLengths: 1 } };
}

/** “A bit longer” than what ends at a place is so much past it, in mm; shown with the step. */
const A_BIT_MM = 2;
function aBitOn(rule: LengthRule | undefined, times: number): LengthRule | undefined {
  if (rule === undefined || (times !== LONGER && times !== SHORTER)) return undefined;
  return furtherBy(rule, times === LONGER ? A_BIT_MM : -A_BIT_MM);
}

/** “A quarter shorter than it”: where a length ends at a place, nobody can say what share of it that is. */
function timesAsLong(rule: LengthRule | undefined, times: number): LengthRule | undefined {
  if (rule === undefined || times === 1) return rule;
  if ("of" in rule) return timesAsMuch(rule, times);
  return "mm" in rule ? { mm: Number((rule.mm * times).toPrecision(3)) } : undefined;
}

/** “A quarter shorter”, where nothing that lies there has a length. */
function askHowLong({ at, end }: Telling["told"], line: Telling["line"]): void {
  const sentence = "Than what? Nothing is tied in with a length yet. Say one here, as “twice the shank”.";
  line.asks.push({ at: [at, end], sentence, answers: [] });
}
/** A length and so many mm more. */
function withMore(rule: LengthRule | undefined, mm: number | undefined): LengthRule | undefined {
  if (rule === undefined || mm === undefined) return rule;
  if ("mm" in rule) return rule.mm + mm > 0 ? { mm: Number((rule.mm + mm).toFixed(2)) } : undefined;
  if ("of" in rule) return rule.plus === undefined ? { ...rule, plus: { mm } } : undefined;
  return furtherBy(rule, mm);
}

/** “As long as the hackles”, where they are no hackle but a wing or a tail: so long as that. */
function ofHackleWing({ bench, told, text }: Telling, rule: LengthRule): LengthRule {
  if (!("of" in rule) || rule.of !== "hackle" || bench.ofRole("hackle") || bench.ofRole("collar")) return rule;
  // “As high as the hackle”, of one that a later line tells: it has no others.
  const isOne = !/\bhackles\b/.test(text.slice(told.at, told.end));
  if (isOne && (bench.ahead.has("hackle") || bench.ahead.has("collar"))) return rule;
  const laid = bench.components.findLast(
    (c) => (c.role === "wing" || c.role === "tail") && bench.formOf(c) === "hackle",
  );
  return laid?.role === "wing" || laid?.role === "tail" ? { ...rule, of: laid.role } : rule;
}

/** As much as there is of a part. */
function amountOf(bench: Bench, role: Role | undefined): LayAmount | undefined {
  const of = bench.made.findLast(
    (m) => m.step.do === "lay" && role !== undefined && bench.component(m.step.component)?.role === role,
  )?.step;
  return of?.do === "lay" ? of.amount : undefined;
}
/** So many times an amount: a clump of twice the hair is √2 times as thick. */
function timesTheAmount(
  amount: LayAmount | undefined,
  { times, by }: NonNullable<Said["muchLike"]>,
): LayAmount | undefined {
  if (!amount) return undefined;
  if ("fibres" in amount) return { fibres: Math.max(1, Math.round(amount.fibres * times)) };
  if ("strands" in amount) return { ...amount, strands: Math.max(1, Math.round(amount.strands * times)) };
  if (!("clump" in amount) || "between" in amount.clump) return times === 1 ? amount : undefined;
  const wider = by === "thickness" ? times : Math.sqrt(times);
  const { clump } = amount;
  if ("mm" in clump) return { clump: { mm: Number((clump.mm * wider).toFixed(2)) } };
  return "of" in clump ? { clump: { ...clump, times: Number((clump.times * wider).toFixed(3)) } } : undefined;
}
/** The bunch that was laid before, as thick as it is or counted by its hairs. */
function bunchBefore(bench: Telling["bench"]) {
  const isBunch = ({ step }: Bench["made"][number]): boolean =>
    step.do === "lay" &&
    ("clump" in step.amount || ("fibres" in step.amount && bench.formOf(bench.component(step.component)) === "hair"));
  const last = bench.made.findLast(isBunch)?.step;
  return last?.do === "lay" ? last : undefined;
}
/** As much as the bunch that was laid before, so many times. */
function thickBefore(bench: Telling["bench"], times: number): LayAmount | undefined {
  const amount = bunchBefore(bench)?.amount;
  if (amount && "fibres" in amount) return { fibres: Math.max(1, Math.round(amount.fibres * times)) };
  const clump = amount && "clump" in amount ? amount.clump : undefined;
  if (!clump || "between" in clump) return undefined;
  if ("mm" in clump) return { clump: { mm: Number((clump.mm * times).toFixed(2)) } };
  return "of" in clump ? { clump: { ...clump, times: Number((clump.times * times).toFixed(3)) } } : undefined;
}
/** The length of what was laid before. */
function lengthBefore(bench: Telling["bench"]): LengthRule | undefined {
  const laid = bench.made.filter((m) => m.step.do === "lay" && m.step.shown !== undefined);
  // Flash whose length nobody said is not what others are as long as.
  const isMeant = ({ step }: MadeStep): boolean =>
    bench.component(step.component)?.role !== "flash" || !bench.usualLengths.has(step.id);
  const last = (laid.findLast(isMeant) ?? laid.at(-1))?.step;
  return last?.do === "lay" ? last.shown : undefined;
}
/** “An inch longer than the hackles”: past the tip of what they were tied in for. */
function longerBy(mm: number, words: string, bench: Telling["bench"]): LengthRule | undefined {
  const like = stepLike(bench, words);
  const role = bench.component(like?.component)?.role;
  if (role === "tail" || role === "wing") return { reach: role, ...(mm !== 0 && { pastMm: mm }) };
  const rule = like?.shown;
  if (mm === 0) return rule;
  return rule && "mm" in rule ? { mm: rule.mm + mm } : undefined;
}
/** “a touch longer than the bucktail”, where that reaches to a place: so many times the wing that it is. */
function timesThePart(bench: Bench, words: string, times = 1): LengthRule | undefined {
  const role = bench.component(stepLike(bench, words)?.component)?.role;
  return role === "tail" || role === "wing" ? { of: role, times } : undefined;
}
/** As long as the part that is tied of a material. */
export const lengthLike = (bench: Telling["bench"], words: string): LengthRule | undefined =>
  stepLike(bench, words)?.shown;
const partBehind = /\s(tail|wing|underwing|throat|beard)$/;
function stepLike(bench: Telling["bench"], words: string): Extract<RecipeStep, { do: "lay" }> | undefined {
  // “A touch longer than the fox tail”: that part, whatever it is of.
  const role = roleOfWord(partBehind.exec(words.toLowerCase().trim())?.[1] ?? "");
  const part = bench.made.findLast(
    ({ step }) => step.do === "lay" && step.shown !== undefined && bench.component(step.component)?.role === role,
  )?.step;
  if (role !== undefined && part?.do === "lay") return part;
  const form = bench.components.map((c) => ({ c, m: bench.materialOf(c) }));
  const wanted = words
    .toLowerCase()
    .split(/\s+/)
    .filter((w) => w.length > 2);
  const isIt = ({ name, form }: Material): boolean =>
    wanted.every((w) =>
      `${name} ${form}${form === "hackle" ? " feather" : ""}`.toLowerCase().includes(w.replace(/s$/, "")),
    );
  const of = form.findLast(({ m }) => m !== undefined && isIt(m))?.c;
  const step =
    of &&
    bench.made.findLast((m) => m.step.component === of.id && m.step.do === "lay" && m.step.shown !== undefined)?.step;
  return step?.do === "lay" ? step : undefined;
}

/** Flash in a line about the tail lies with the tail: its place and its length, where it says none of its own. */
function besideItsHost(
  { told, bench, line }: Telling,
  object: Meant,
  said: Telling["told"]["said"],
): Telling["told"]["said"] {
  const host = bench.made.findLast((m) => m.line === line.number)?.step;
  if (!told.isInherited || object.role !== "flash" || host?.do !== "lay") return said;
  const { from, to, shown, attitude, tieIn: at } = host;
  // “10 strands of flash, half an inch longer”: by what it lies on, and not as long.
  const isAsLong = shown !== undefined && said.sameLength === undefined;
  return { from, to, ...(isAsLong && { shown }), ...(attitude && { attitude }), ...(at && { tieIn: at }), ...said };
}

/** What is tied in by the length: “12 cm of black floss”. */
const isCut = (form: MaterialForm): boolean => cutForms.has(form) || form === "floss" || form === "stretch body";

/** What was said at the tie-in and counts when it is wound. */
function keptFor(said: Telling["told"]["said"], form: MaterialForm | undefined): Waiting["said"] {
  const kept: Waiting["said"] = {};
  if (said.pieceMm !== undefined) kept.pieceMm = said.pieceMm;
  // “Catch in 10 cm of fine gold wire”: what is wound is so long a piece.
  else if (form !== undefined && isCut(form) && said.shown && "mm" in said.shown) kept.pieceMm = said.shown.mm;
  if (said.methods) kept.methods = said.methods;
  if (said.face) kept.face = said.face;
  if (said.stretch !== undefined) kept.stretch = said.stretch;
  const many = said.rope ?? said.count;
  if (many !== undefined && many > 1) kept.rope = many;
  else if (said.amount && "feathers" in said.amount && said.amount.feathers > 1) kept.rope = said.amount.feathers;
  else if (said.amount && "strands" in said.amount && said.amount.strands > 1) kept.rope = said.amount.strands;
  else if (said.amount && "fibres" in said.amount && typeof said.amount.fibres === "number" && said.amount.fibres > 1)
    kept.rope = Math.round(said.amount.fibres);
  if (said.barbSteps !== undefined) kept.barbSteps = said.barbSteps;
  if (said.barb) kept.barb = said.barb;
  // “Grizzly saddle, half the gape, tied in at the bend”: so long are its barbs.
  else if (form === "hackle" && said.size) kept.barb = said.size;
  else if (form === "hackle" && said.shown)
    kept.barb = "between" in said.shown ? [said.shown.between[0], said.shown.between[1]] : [said.shown, said.shown];
  return kept;
}

function askPart(t: Telling): void {
  const { told, line } = t;
  const words = told.description?.text.trim();
  const parts = ["tail", "wing", "legs", "throat", "wing case"];
  // A noun may take up the blank behind it; the answer goes right behind the word.
  const end = t.text.slice(0, told.description?.end ?? told.end).trimEnd().length;
  const at: [number, number] = [end, end];
  line.asks.push({
    at,
    sentence: words ? `Which part is the ${words}?` : "What is tied in? Name the part or its material.",
    answers: words ? parts.map((p) => ({ label: `the ${p}`, text: ` for the ${p}` })) : [],
  });
}

export const tieInVerb = verb(
  "tie in",
  anyOf(
    "bring(?=\\s+(?:an?|one|two|three|\\d+|some)\\s[^.;]*\\b(?:with\\s+(?:it|you|the\\s+(?:thread|silk))|along|for\\s+the\\s+rib)\\b)",
    "tying(?=\\s+(?:in|on|down)\\b)(?:\\s+(?:in|on|down))?",
    "(?:finish|cap|crown)\\s+(?:off\\s+)?the\\s+(?:back|top|wing)\\s+(?:off\\s+)?with(?=\\s)",
    "(?:over|on)\\s+(?:the\\s+)?top(?:\\s+of\\s+(?:it|that|this))?\\s+(?:goes?|comes?|i\\s+(?:put|lay|add|tie))(?=\\s)",
    "(?:reverse|hollow)[-\\s]tie(?=\\s)",
    "offer\\s+up(?=\\s+(?:an?|the|two|three|four|five|six|seven|eight|ten|\\d+|some)\\s)",
    "top(?:ped)?\\s+(?:it\\s+|off\\s+|them\\s+)?with(?=\\s)",
    "(?:re-?)?(?:tie(?!\\s+(?:this|these|mine|it|(?:my|our|the)\\s+(?:[a-z]+\\s+){0,2}(?:fly|flies))(?:\\s+(?:one|fly))?\\s+(?:on\\s+(?:an?|size|the\\s+\\w+\\s+hook|#|\\d)|and\\b|[,.]))|bind|catch|secure|attach|fasten|fix|lash|mount|set(?=\\s+(?:in|on|the|a|two|one|it)\\b)|anchor|trap|knot)(?:\\s+(?:it|them|that(?=\\s+(?:in|on|down)\\b)))?\\s*(?:in|on(?!\\s+(?:top|the\\s+(?:top|near|far|underside))\\b)|down|back|to\\s+the\\s+shank)?",
    "(?:stick|press)(?=\\s+(?:an?|the|two|one|\\d)\\s)(?:\\s+on)?|pinch\\s+(?:in|on|down)(?=\\s+(?:an?|the|two|three|four|five|six|seven|eight|ten|\\d+|some)\\s)|(?:add|lay|place|position|insert|put)(?:\\s+(?:in|on|down|along))?",
    "(?!pick\\s+(?:[a-z]+\\s+){1,4}?out\\b|take\\s+the\\s+(?:[a-z]+\\s+){1,2}(?:down|off)\\b)(?:take|(?:grab|gather)(?!\\s+some\\b|\\s+[^,.;]*\\b(?:dubbing|fur|wool)\\b)|select|cut(?!\\s+the\\s+(?:[a-z]+\\s+)?(?:tails?|shuck|wings?|post|legs|throat|beard|hackles?|collar|antennae|butts?)\\s+(?:to|at|level|flat|square|short|close|off|back|down|straight|so|until)\\b)|measure|choose|pick|stack|prepare|clean|match|pluck|peel|strip|fold(?=\\s+an?\\s+(?:[a-z]+\\s+){0,3}(?:hackle|feather)\\b))(?!\\s+(?:an?\\s+(?:v|vee|notch|gap|slit)|one\\s+side|from\\s+(?:one|the\\s+\\w+)\\s+side)\\b)(?!\\s+(?:off\\s+)?(?:the|your)\\s+(?:[a-z]+\\s+){0,2}?(?:thread|silk)\\b)(?=\\s+(?:a|an|two|three|four|six|eight|some|the|about|\\d+(?:[mc]m)?|one|your|from|off|enough)\\b)",
  ),
  tellTieIn,
);
