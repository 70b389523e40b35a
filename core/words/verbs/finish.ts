import type { Description } from "../description";
import { formTold } from "../told";
import type { Place } from "../../hooks";
import type { LiquidKind } from "../../tying";
import { DEFAULT_DRY } from "../finish";
import type { Component, RecipeStep, Role } from "../../recipe";
import { alongShank } from "../settle";
import type { Telling } from "../bench";
import { make, withDeclared } from "./making";
import { objectOf, type Meant } from "./object";
import { verb } from "./verb";

/** The product that a clause names; “varnish it” names it by its verb. */
function productOf(t: Telling): Component {
  const { told, bench, text } = t;
  // “Finish, thread tan …”, “glued in sockets burnt into the hair”: neither of them is a product that is put on.
  if (told.description && formTold(told) !== "thread" && !isTiedIn(t, told.description)) {
    const object = objectOf({ ...t, told: { ...told, role: "finish" } });
    if (object.component) return object.component;
  }
  const verbs = text.slice(told.at, told.end);
  const word: LiquidKind | undefined = /resin|epoxy/.exec(verbs)
    ? "resin"
    : /super-?\s?glue|glue/.exec(verbs)
      ? "glue"
      : /varnish|lacquer|cement|coat|seal/.exec(verbs)
        ? "lacquer"
        : undefined;
  const there = bench.components.findLast(
    (c) => c.role === "finish" && (word === undefined || bench.materialOf(c)?.liquid?.kind === word),
  );
  if (there) return there;
  const means = { form: "liquid" as const, figures: { liquid: { kind: word ?? "lacquer" } } };
  const { material } = bench.resolve({ at: 0, end: 0, text: word ?? "lacquer", means });
  const called = calledLiquid.exec(verbs)?.[0];
  if (called !== undefined && material && !material.name.includes(called))
    t.line.notes.push(`“${called}” taken as ${material.name}`);
  return bench.componentFor("finish", material, word);
}

/** A liquid that is named by its kind alone. */
const calledLiquid = /\b(?:resin|epoxy|super-?\s?glue|glue|varnish|lacquer|cement)\b/;

/** “The hair”, of a fly whose legs are of it. */
function isTiedIn({ bench, told }: Telling, description: Description): boolean {
  const form = formTold(told);
  // What is put on, or known to nobody, is looked for by who takes it: that it is new is told once.
  if (form === undefined || form === "liquid") return false;
  const { material } = bench.resolve(description);
  return bench.components.some((c) => c.role !== "finish" && bench.materialOf(c) === material);
}

/** Where a coat or a drop goes, when it is not the head: along a part that is there, or at a place. */
function placeOf(t: Telling): { along?: { from: Place; to: Place }; at?: Place } | undefined {
  const { told, bench } = t;
  const { said } = told;
  if (said.from && said.to) return { along: { from: said.from, to: said.to } };
  const part =
    told.role !== undefined && told.role !== "head" && told.role !== "finish" && told.role !== "thread"
      ? bench.ofRole(told.role)
      : undefined;
  if (part) return { along: { from: { part: part.id, end: "front" }, to: { part: part.id, end: "rear" } } };
  const at = said.there ?? said.begin ?? said.end;
  // “one coat of varnish on the body” goes along it, a drop on it is one.
  if (at && "part" in at && said.coats !== undefined && said.drops === undefined) {
    const of = { part: at.part };
    return { along: { from: { ...of, end: "front" }, to: { ...of, end: "rear" } } };
  }
  return at && { at };
}

/** “Varnish the quill”: what is named is what the coat goes on. */
function onPart(t: Telling): Telling {
  const { told, bench } = t;
  if (told.onto) {
    const onIt = onPart({ ...t, told: { ...told, onto: undefined, description: told.onto } });
    return { ...onIt, told: { ...onIt.told, description: told.description } };
  }
  const form = formTold(told);
  // “Coat it with superglue”: the body that was just wound.
  const last = bench.component(bench.last.component)?.role;
  const isOverThat = overThat.test(t.text.slice(told.at, told.end));
  const isBare = bareCoat.test(t.text.slice(told.at, told.end)) && goesOn(bench);
  const isOnIt = told.said.coats !== undefined && onIt.test(t.text.slice(told.at, told.end));
  const isNamed = (told.refers === "it" && told.verb === "finish") || isOverThat || isBare || isOnIt;
  const isIt = isNamed && told.role === undefined && told.said.drops === undefined;
  if (isIt && last && coatedParts.has(last) && !isAfterKnot(bench.made))
    return { ...t, told: { ...told, role: last, said: { coats: 1, ...told.said } } };
  if (told.role !== undefined || !told.description || form === undefined || form === "liquid" || form === "thread")
    return t;
  const code = bench.resolve(told.description).material?.code;
  const part = bench.components.findLast((c) => c.material.some((m) => m.value === code));
  return part ? { ...t, told: { ...told, role: part.role, description: undefined } } : t;
}

/** “Coat the back with resin”: the cover that lies there, or else the body. */
function onBack(t: Telling): Telling {
  const { told, bench, text } = t;
  const back = told.rest.find((r) => /^(?:the\s+)?backs?$/.test(text.slice(r.at, r.end).trim()));
  const role = (["wing case", "body"] as const).find((r) => bench.ofRole(r) !== undefined);
  if (!back || told.role !== undefined || role === undefined) return t;
  const rest = told.rest.filter((r) => r !== back);
  Object.assign(told, { rest, understood: [...told.understood, back] });
  return { ...t, told: { ...told, role, said: { coats: 1, ...told.said } } };
}

/** “Two coats of resin over body and thorax”: on each of them. */
function onBoth(t: Telling): boolean {
  const { told, bench } = t;
  const { from, to, ...said } = told.said;
  const first = from && "part" in from && to && "part" in to && from.part === to.part ? from.part : undefined;
  const isOther = told.role !== undefined && first !== undefined && told.role !== first;
  if (!isOther || !coatedParts.has(told.role ?? "head") || !bench.ofRole(told.role)) return false;
  tellFinish({ ...t, told: { ...told, role: undefined, part: undefined } });
  tellFinish({ ...t, told: { ...told, said } });
  return true;
}

/** “Coat with thin resin and cure”: of nothing that is named. */
const bareCoat = /^(?:varnish|lacquer|coat|seal|cement)(?:ed)?(?:\s+over)?\s+(?:with|in)\b/;
/** Whether anything else is tied before the head: then it is no coat of that. */
const goesOn = (bench: Telling["bench"]): boolean =>
  bench
    .toldLater()
    .some(({ role, description }) => description !== undefined && role !== undefined && !isOfHead.has(role));
const isOfHead = new Set<Role>(["head", "finish", "thread", "hook"]);

/** “Wind the quill. Put a coat of varnish on it.” */
const onIt = /\bcoats?\b[^.;]*\bon(?:to)?\s+it\b/;
/** “Put a thin coat of varnish over that”. */
const overThat = /\b(?:coat|film|layer)\b[^.;]*\bover\s+(?:it|that|this|them)\b/;
/** “Head: thread, one drop of varnish”. */
const ofHead = /^\s*(?:(?:small|neat)\s+)?head\s*[:=,-]/;

/** “Head: thread, then resin all over it”: over all of the head. */
const allOver = /\b(?:all|right)\s+over(?:\s+(?:it|that|the\s+head)\b|\s+with\b|\s*(?:[.,;]|$))/;

const REACH = 12;
/** “Glue a foam head on”: what is stuck on is another thing, and the glue is no finish of the fly. */
const gluesOn = /^\W*(?:(?:and|then|now)\s+)*(?:super-?\s?)?glue\s+(?:on\s+)?(?:an?|two|three|four|\d)\s+\p{L}/u;

const withThread = /\bwith\s+(?:the\s+|tying\s+)*(?:thread|silk)\b/u;

const toTheHead = /\b(?:coats?|layers?)\b[^.;]*\bto\s+the\s+head\b(?!\s+(?:end|of)\b)/u;
/** “Put on two coats of varnish”, and nowhere else: what is laid on in coats is a finish, where it is no glue. */
const isInCoats = ({ told: { said }, bench }: Telling, component: Component | undefined): boolean =>
  said.coats !== undefined && said.drops === undefined && bench.materialOf(component)?.liquid?.kind !== "glue";

/** A coat of the head is the finish; glue or a coat elsewhere is a step within the fly. */
export function tellFinish(telling: Telling): void {
  if (gluesOn.test(telling.text.slice(telling.told.at, telling.told.end + REACH))) return;
  const t = onPart(onBack(telling));
  const { told, bench } = t;
  // “Covered with thread and varnish”: the thread is no part that is coated as well.
  const isWithThread = withThread.test(t.text.slice(told.at, told.end));
  for (const role of (told.alsoOn ?? []).filter((r) => r !== "thread" || !isWithThread))
    tellFinish({
      ...t,
      told: { ...told, role, alsoOn: undefined, said: { ...told.said, from: undefined, to: undefined } },
    });
  if (onBoth(t)) return;
  const component = productOf(t);
  const said = withDeclared(t, component, told.said);
  const place = toTheHead.test(t.text.slice(told.at, told.end)) ? undefined : placeOf(t);
  // “six turns of lead, locked with superglue”: glue in a line about something else, long before the head.
  const isInner =
    place === undefined &&
    told.role !== "head" &&
    // What is laid on in coats covers, and locks nothing.
    said.coats === undefined &&
    bench.materialOf(component)?.liquid?.kind === "glue" &&
    !isAfterKnot(bench.made) &&
    isBesideAnother(t);
  const covered = isInner || told.role === "head" ? undefined : bodyBeside(t);
  if (covered && place === undefined && !isAfterKnot(bench.made) && said.drops === undefined)
    return tellFinish({ ...t, told: { ...told, role: covered, verb: "finish" } });
  // “finish: brush the fur down, drop of varnish”: a line about the finish is about the head.
  const isOverHead = ofHead.test(t.text) && allOver.test(t.text.slice(told.at, told.end));
  const isOfFinish =
    told.role === "finish" && (isOverHead || (place === undefined && (told.part !== undefined || ofHead.test(t.text))));
  const isTiedOff =
    place === undefined && bench.materialOf(component)?.liquid?.kind !== "glue" && isOnHitch(bench.made);
  if (isTiedOff && told.role === undefined) return coatHead(t, component, said.coats ?? 1);
  const isHead =
    !isInner &&
    (told.role === "head" ||
      isOfFinish ||
      (place === undefined &&
        (told.verb !== "glue" || isOnKnot(bench.made) || isInCoats(t, component)) &&
        !(said.drops !== undefined && !isAfterKnot(bench.made))));
  if (
    isHead &&
    (isAfterKnot(bench.made) ||
      told.role === "head" ||
      told.role === "finish" ||
      t.line.isListed ||
      said.drops === undefined)
  )
    return coatHead(t, component, said.coats ?? 1);
  const object: Meant = { component, role: "finish", form: "liquid" };
  const along = place?.along && said.drops === undefined ? { ...place.along, coats: said.coats ?? 1 } : undefined;
  const at = place?.at ?? place?.along?.from ?? lastPlace(t);
  make(
    t,
    "glue",
    {
      ...said,
      ...(along && { along }),
      ...(at && { at }),
      from: undefined,
      to: undefined,
      coats: undefined,
      ...(along && { drops: 1 }),
    },
    object,
    { name: along ? "coat" : "glue" },
  );
}

/** Thread that was wound along the shank: glue in the same line holds that, and no head. */
const isBase = (step: RecipeStep): boolean =>
  step.do === "wind" && step.to !== undefined && alongShank(step.to) - alongShank(step.from) > LEAST_BASE;
const LEAST_BASE = 0.3;
/** Whether the line has told of another part than the head before. */
function isBesideAnother({ bench, line }: Telling): boolean {
  const last = bench.made.findLast((m) => m.line === line.number);
  const role = bench.component(last?.step.component)?.role;
  return last !== undefined && role !== "head" && (role !== "thread" || isBase(last.step));
}
const coatedParts = new Set<Role>(["body", "thorax", "butt", "tag", "wing case"]);
/** “body: three quills, with a coat of resin”: the coat is the body's, not the head's; so is that of the weight. */
function bodyBeside({ bench, line, told }: Telling): Role | undefined {
  if (told.role !== undefined && told.role !== "finish") return undefined;
  const own = bench.made.filter((m) => m.line === line.number).map((m) => bench.component(m.step.component)?.role);
  // “10 turns of lead, covered with thread and varnish”
  const role = own.includes("weight") ? own.findLast((r) => r !== "thread" && r !== "finish") : own.at(-1);
  return role && (coatedParts.has(role) || role === "weight") ? role : undefined;
}
const isAfterKnot = (made: Telling["bench"]["made"]): boolean => made.some((m) => m.step.do === "whip");

/** “Whip finish and add a drop of cement”: what is dropped on the knot is the finish. */
const isOnKnot = (made: Telling["bench"]["made"]): boolean => made[made.length - 1]?.step.do === "whip";

/** “Two half hitches and a drop of cement”: they may end the fly as well. */
const isOnHitch = (made: Telling["bench"]["made"]): boolean => {
  const last = made[made.length - 1]?.step;
  return last?.do === "act" && last.act === "half hitch";
};

function lastPlace({ bench }: Telling): Place | undefined {
  const last = bench.made[bench.made.length - 1]?.step;
  return last && "from" in last ? (last.tieIn?.at ?? last.from) : bench.hangs;
}

function coatHead({ bench, told, line }: Telling, component: Component, coats: number): void {
  const kind = bench.materialOf(component)?.liquid?.kind ?? "lacquer";
  const dryMinutes = told.said.dryMinutes ?? DEFAULT_DRY[kind];
  const coat = { component: component.id, coats, dryMinutes };
  if (bench.finish.state !== "given") bench.finish = { state: "given", ...coat };
  else if (bench.finish.component === component.id)
    bench.finish = {
      ...bench.finish,
      coats: told.said.coats ?? bench.finish.coats,
      ...(told.said.dryMinutes !== undefined && { dryMinutes }),
    };
  else
    bench.finish = {
      ...bench.finish,
      then: [...(bench.finish.then ?? []).filter((c) => c.component !== component.id), coat],
    };
  if (told.said.dryMinutes === undefined) line.assumed.push(`dries ${dryMinutes} min`);
}

export const finish = verb(
  "finish",
  "(?:touch|dab|brush|wipe|paint)(?:\\s+(?:up|over))?(?=\\s+(?:the\\s+\\w+|it|them)\\s+with\\s+(?:[\\w-]+\\s+){0,2}(?:varnish|lacquer|resin|cement|glue|super-?\\s?glue|epoxy)\\b)|(?:give|giving|gave)\\s+(?=(?:it|them|the\\s+(?:\\w+\\s+){1,2}?)\\s*(?:an?|one|two|three|\\d)\\s+(?:(?:thin|light|good|heavy|final|clear|single|more)\\s+)*(?:coats?|layers?|drops?|lick)\\b)|(?:lacquered|varnished|cemented|coated|epoxied|resined|(?:super-?\\s?|uv[-\\s])?glued|covered(?=\\s+(?:over\\s+)?(?:with|in)\\s+(?:\\w+\\s+){0,3}(?:resin|varnish|lacquer|cement|epoxy)))(?:\\s+(?:over|with|on|in\\s+with|in\\s+place\\s+with))?|(?:varnish|lacquer|coat|seal|resin|epoxy|cement|paint)(?=\\s+(?:(?:\\w+\\s+)?(?:quills?|floss|tinsel|butt|tag|case|shell-?back|back)\\s+(?:w\\/|with|in)\\s|the|it|that|this|over|on|with|in|everything|all|both|them|body|abdomen|thorax|head|back)\\b)|(?:give|finish|coat)\\s+(?:it|the\\s+head)(?:\\s+off)?\\s+(?:with|in)?(?=\\s*(?:a|an|one|two|three|\\d)?\\s*(?:\\w+\\s+)?(?:coats?|drops?|varnish|lacquer|resin))",
  tellFinish,
);
export const glue = verb(
  "glue",
  "put\\s+on(?=\\s)(?!\\s+(?:about\\s+|some\\s+)?(?:\\d+|[a-z]+)(?:\\s*(?:-|to|or)\\s*(?:\\d+|[a-z]+))?\\s+(?:[\\w-]+\\s+)?(?:turns?|wraps?)\\b)|(?:put|place|add|apply|run|touch|dab|brush|paint|wipe|smear|drip|dribble|spread|work|squeeze)(?:s|es|d|ed|ing)?\\s+(?!(?:on\\s+)?(?:an?\\s+)?(?:\\w+\\s+)?(?:dot|dab|spot|touch|bead)\\s+of\\s+(?:[\\w-]+\\s+){0,3}(?:yarn|wool|dubbing|fur|floss|hair|tinsel|foam|flash|marabou|chenille)\\b)(?=(?:on\\s+)?(?:(?:a|one|two|three|some|the|tiny|small|little|thin|good|bit|of|more|clear|uv|head|gel|flexible)\\s+)*(?:drops?|coats?\\s+of|drop|dab|dot|touch|bead|spot|coat|film|smear|glue|super|resin|varnish|cement|lacquer))|(?:glue|super-?\\s?glue|cement)(?=\\s+(?:the|it|them|down|in|under|on)\\b)",
  tellInTurn,
);
const isFirst = /\bfirst\b/;
/** “Wind the quill. Put some glue on the shank first”: ahead of what the line wound. */
function tellInTurn(t: Telling): void {
  const { bench, told, line, text } = t;
  const before = bench.made.length;
  tellFinish(t);
  const wound = bench.made.findIndex((m) => m.line === line.number && (m.step.do === "wind" || m.step.do === "dress"));
  if (wound < 0 || wound >= before || !isFirst.test(text.slice(told.at, told.end + REACH))) return;
  bench.made.splice(wound, 0, ...bench.made.splice(before));
}
/** Nothing on the head, on purpose. */
export const noFinish = verb(
  "no finish",
  "nothing\\s+(?:on|over)\\s+(?:(?:the\\s+)?head|it(?=\\s*(?:[.;,]|$)))|(?:no|never(?:\\s+any)?|do\\s+not|don't)\\s+(?:finish|cement|varnish|lacquer|head\\s+cement|glue)|(?:leave|left)\\s+(?:it|the\\s+head|the\\s+thread)?\\s*(?:bare|unvarnished|uncoated)|without\\s+(?:any\\s+)?(?:varnish|cement|lacquer|finish)",
  ({ bench }) => {
    if (bench.finish.state === "not stated") bench.finish = { state: "none" };
  },
);
