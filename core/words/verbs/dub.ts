import type { Bench, Telling } from "../bench";
import type { MaterialForm } from "../../materials";
import type { Role } from "../../recipe";
import type { Said } from "../said";
import { frontOf } from "./places";
import { keepInSight } from "./keepInSight";
import { make, partName, withDeclared } from "./making";
import { objectOf, type Meant } from "./object";
import { askWhereTheyMeet } from "./whereTheyMeet";
import { alongShank, MOST_TURNS_THERE } from "../settle";
import { verb } from "./verb";

/** Dubbing goes on: twisted, in a loop or touched, by its noodle or by the finished shape. */
const turns = /^\W*(?:(?:in|with)\s+)?\S+\s+(?:\w+\s+)?(?:turns?|wraps?)\b/;
/** Turns of what is dubbed from here to there, or of more than a few, say nothing of how much it is: they are shown. */
function keepManyTurns({ told, text }: Telling): void {
  const { dubbedTurns, from, to, begin, end } = told.said;
  if (dubbedTurns === undefined) return;
  const isFromTo = (from ?? begin) !== undefined && (to ?? end) !== undefined;
  if (dubbedTurns <= MOST_TURNS_THERE && !isFromTo) return;
  keepInSight(told, text, (words) => turns.test(words));
}

export function tellDub(t: Telling): void {
  const { told, bench } = t;
  keepManyTurns(t);
  const found = told.refers === "the rest" ? restOfDubbing(t) : (ofTheOnlyFur(t) ?? objectOf(t));
  const object = found.component
    ? found
    : { ...found, component: bench.ofRole(told.role ?? "body") ?? bench.ofRole("thorax") ?? asBody(t) };
  // “Spun once and held”, behind a body of tinsel: of that nothing is dubbed.
  const isUndubbable =
    (told.said.loop !== true && noFur.has(bench.formOf(object.component))) ||
    (neverDubbed.has(object.component?.role) && !isFur.has(bench.formOf(object.component)));
  if (!object.component || isUndubbable) {
    t.line.asks.push({ at: [told.at, told.end], sentence: "With what is it dubbed? Name the dubbing.", answers: [] });
    return;
  }
  const said: Said = withDeclared(t, object.component, told.said);
  alongTheWay(t, said);
  inFrontOfIt(said);
  betweenEyes(said);
  clearOfEye(said, bench);
  const step = make(
    t,
    "dress",
    said,
    { ...object, form: "dubbing", role: object.role ?? object.component.role },
    { name: partName(t, object, "body") },
  );
  if (step?.do !== "dress") return;
  askWhereTheyMeet(t, step);
  bench.hangs = frontOf(step.from, step.to);
  bench.release(object.role ?? object.component.role);
}

const isFur = new Set<MaterialForm | undefined>(["dubbing", "blend", undefined]);
const neverDubbed = new Set<Role | undefined>(["tail", "wing", "underwing", "throat", "cheeks", "topping", "flash"]);
const noFur = new Set<MaterialForm | undefined>([
  "tinsel",
  "wire",
  "weight wire",
  "floss",
  "chenille",
  "bead",
  "eyes",
  "quill",
  "rubber",
  "stretch body",
]);

/** “Dub a ball at the bend”, of a fly whose body is of biot: of the one fur that the recipe has. */
function ofTheOnlyFur({ told, bench, line }: Telling): Meant | undefined {
  const own = bench.ofRole(told.role ?? "body");
  const isBare = told.description === undefined && told.said.loop !== true;
  const isOfFur = own !== undefined && isFur.has(bench.formOf(own)) && bench.formOf(own) !== undefined;
  if (!isBare || isOfFur || (!own && bench.named.length === 0)) return undefined;
  const listed = bench.named.flatMap((d) => bench.resolve(d).material ?? []);
  const there = bench.components.flatMap((c) => bench.materialOf(c) ?? []);
  const furs = new Set([...there, ...listed].filter((m) => isFur.has(m.form)));
  const [fur, other] = furs;
  if (!fur || other) return undefined;
  line.notes.push(`of ${fur.name}, the only dubbing of the recipe`);
  const role = told.said.shape === "ball" ? "butt" : (told.role ?? "body");
  return { component: bench.componentFor(role, fur, role), role, form: fur.form };
}

/** “… with the rest of the dubbing”: of what was dubbed last. */
function restOfDubbing(t: Telling): Meant {
  const { bench } = t;
  const last = bench.made.findLast((m) => m.step.do === "dress")?.step;
  const component = bench.component(last?.component);
  return component ? { component, role: component.role, form: bench.formOf(component) } : objectOf(t);
}

/** “Dub the thorax”, and not with what: with what the body was dubbed. */
function asBody(t: Telling): Meant["component"] {
  const { bench, told } = t;
  const body = bench.ofRole("body");
  const form = bench.formOf(body);
  const material = form === "dubbing" || form === "blend" ? bench.materialOf(body) : undefined;
  if (!material || told.role !== "thorax") return undefined;
  t.line.notes.push(`of ${material.name}, as the body is`);
  return bench.componentFor("thorax", material, "thorax");
}

const onTheWay =
  /\bdubbing\s+(?:it\s+|the\s+(?:silk|thread)\s+)?(?:[a-z]+ly\s+|very\s+)*(?:with\s+|on\s+)?(?:the\s+|an?\s+)?$/;
/** “Return the silk halfway, dubbing it with mole”: it is dubbed on the way that the thread went. */
function alongTheWay({ told, text, bench, line }: Telling, said: Said): void {
  const last = bench.made[bench.made.length - 1];
  const hasMoved = last?.line === line.number && last.step.do === "act" && last.step.act === "move the thread";
  if (!hasMoved || !bench.movedFrom || !bench.hangs || !onTheWay.test(text.slice(0, told.description?.at ?? told.at)))
    return;
  if (said.from ?? said.begin ?? said.end ?? said.there) return;
  Object.assign(said, { from: bench.hangs, to: bench.movedFrom });
}

/** “Two turns of dubbing in front of that”: what is left of the shank there. */
function inFrontOfIt(said: Said): void {
  const { there } = said;
  if (!there || !("part" in there) || there.part !== "it" || there.end !== "front") return;
  if (said.from ?? said.begin ?? said.end) return;
  Object.assign(said, { begin: there, end: { eyeLengths: 0.2 }, there: undefined });
}

/** “Dub between the eyes”: crossing there, from behind them to in front of them. */
function betweenEyes(said: Said): void {
  const { there } = said;
  if (!there || !("part" in there) || there.part !== "eyes" || there.end !== "middle") return;
  if (said.from ?? said.begin ?? said.end) return;
  said.from = { ...there, end: "front", plus: { of: "eye", times: -1 } };
  said.to = { ...there, end: "rear", plus: { of: "eye", times: 1 } };
  delete said.there;
}

/** So near the eye of the hook, in shanks, there is nothing in front of the eyes to dub on. */
const AT_THE_EYE = 0.2;
function clearOfEye({ from }: Said, bench: Bench): void {
  if (!from || !("part" in from) || from.part !== "eyes" || from.end !== "front" || !from.plus) return;
  const eyes = bench.made.findLast((m) => m.step.do === "seat" && bench.component(m.step.component)?.role === "eyes");
  if (eyes?.step.do === "seat" && alongShank(eyes.step.from) < AT_THE_EYE) delete from.plus;
}

export const dub = verb(
  "dub",
  "(?:spin|twist|roll|make|form)\\s+(?:up\\s+)?(?:an?|the)\\s+(?:(?:tight|loose|thin|fat|thick|soft|even)\\s+)*rope\\s+(?:of|from)(?=\\s+(?:[a-z'-]+\\s+){0,4}?(?:dubbing|(?:under)?fur|seal|hare|rabbit|wool|mask)\\b)|(?:spin|twist)\\s+on(?=\\s+(?:an?|some|the|about|your)\\s)|(?:spin|twist|put|roll)\\s+(?=[^.;,]{1,40}\\son(?:to)?\\s+(?:(?:the|your|waxed|well|tying)\\s+)*(?:silk|thread)\\b(?!\\s+(?:wraps|turns|head|collar|base)\\b))(?![^.;,]*\\b(?:glue|superglue|varnish|cement|lacquer|resin|drop)\\b)|(?:twist|spin|roll)\\s+(?:it|them|that)\\s+on(?:to)?(?=\\s+(?:to\\s+)?(?:the|an?|about|your|some|\\d))|(?:(?:make|form|build|dub)\\s+)?(?:another|a\\s+second)\\s+(?:(?:smaller|larger|bigger|small|round|slightly|little)\\s+)*(?=(?:ball|bump|hump)(?!\\s+of\\s+(?!the\\s+same|it)))|(?:(?:touch|criss-?cross|cross)[-\\s]?dub|dub|re-?dub)(?!bing)|dubbing(?=\\s+(?:an?|the|in|up|on)\\s+(?:\\w+\\s+){0,3}(?:body|abdomen|thorax|ball|butt|head)\\b)|(?:spin|twist|put|apply|load)\\s+(?=(?:(?:on|up|in|a|an|some|the|little|bit|of|thin|sparse|small|pinch)\\s+)*(?:[\\w'-]+\\s+){0,3}?(?:dubbing|fur|dubbing\\s+loop|loop|noodle)\\b)|(?:make|form|spin|set\\s+up)\\s+(?:a\\s+)?(?:[\\d.]+\\s*(?:mm|cm)\\s+)?(?:dubbing\\s+)?loop(?!\\s+of\\s+(?:[\\d.]+\\s*(?:lb|mm)?\\s*)?(?:mono|nylon|wire|thread|cdc|yarn|hackle|hair)\\b)",
  tellDub,
);
