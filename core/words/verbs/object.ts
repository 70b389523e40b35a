import { withoutPlural } from "../../numeric";
import type { Component, Role, LengthRule } from "../../recipe";
import type { Material, MaterialForm } from "../../materials";
import { type Telling, type Bench, isNounAlone } from "../bench";
import { usualRole } from "../usualRole";
import { isOfLittle, type Description } from "../description";
import { takeSizes } from "./sized";
import type { Said } from "../said";
import type { Told } from "../told";
import { lastBody } from "./lastBody";
import { PARTS, roleOfWord } from "../lexicon/parts";
import { alongShank } from "../settle";
import { FRONT } from "./shares";
import { isForTag } from "./forTag";
import { asStiffAsUsed } from "./stiffness";

/** Parts that are of feathers with barbs. */
export const barbed = new Set<Role>(["hackle", "collar", "throat"]);

/** The part and the material that a clause is about, as far as it says them. */
export interface Meant {
  component?: Component;
  role?: Role;
  form?: MaterialForm;
}

/** What a clause is about: the part that it names, the material that it describes, or what was told of last. */
export function objectOf(telling: Telling): Meant {
  const t = withWeight(telling);
  const { told, bench } = t;
  woundRoundPost(told);
  const found = told.description && (sameAsPart(t) ?? asStiffAsUsed(t, bench.resolve(told.description)));
  const material = found?.material;
  if (found && told.description) noteFound(t, told.description, found);
  const role =
    ribsIt(t, material?.form ?? told.description?.means?.form) ??
    told.role ??
    roleFrom(
      told.said,
      material?.form ?? told.description?.means?.form,
      bench,
      isAnother(t) ? undefined : material?.code,
      material?.name ?? told.description?.text ?? "",
    );
  if (role === undefined) {
    const last = told.refers ? bench.component(bench.last.component) : undefined;
    return last ? { component: last, role: last.role, form: bench.formOf(last) } : { form: material?.form };
  }
  if (told.description && !material && told.description.text.trim() !== "") {
    const component = bench.componentFor(role, undefined, told.description.text.trim());
    return { component, role, form: bench.formOf(component) };
  }
  const before = material === undefined && bench.ofRole(role) === undefined ? stuffBefore(t, role) : undefined;
  if (before) {
    const component = bench.componentFor(role, before, told.part);
    return { component, role, form: bench.formOf(component) };
  }
  const named = material && told.role !== undefined ? namedElsewhere(bench, material.code, role) : undefined;
  // “Tie in the partridge as a beard”, of what the list called legs: it is the legs that are tied so.
  if (named && told.role === "throat") told.said.attitude ??= "down";
  const component =
    named ??
    (material === undefined
      ? (bench.ofRole(role) ?? bench.before(role) ?? componentLike(told.role, bench))
      : bench.componentFor(role, material, told.part));
  if (component?.role === "wing" && /\bpost\b/.test(told.part ?? "")) bench.hasPost = true;
  if (component) takeAlternates(t, component);
  if (component && material) takeSizes(t, component, material);
  if (component && told.said.optional) component.optional = true;
  if (component && told.said.area !== undefined) component.area = told.said.area;
  return { component, role: component?.role ?? role, form: bench.formOf(component) };
}

const MOST_COLLAR_TURNS = 4;
const plume = /\b(?:feathers?|puffs?|plumes?)\b/;
/** “Two cdc puffs, wound two turns”: a whole feather in a few turns, with the body there, is a collar. */
export function isPlumeAsCollar(said: Said, form: MaterialForm | undefined, name: string, bench: Bench): boolean {
  // “… and wind them together two turns”
  const turns = said.rule?.turns ?? (isWoundNext(bench) ? bench.toldLater()[0]?.said.rule?.turns : undefined);
  if (form !== "feather fibre" || turns === undefined || turns > MOST_COLLAR_TURNS) return false;
  // “Then 4 turns of marabou, tied in by the tip”, in front of a collar: one soft feather before another.
  const isBeforeCollar = said.methods?.["hackle tied in"] === "tip" && bench.ofRole("collar") !== undefined;
  return isBeforeCollar || (plume.test(name) && lastBody(bench) !== undefined);
}

const asParachute = /\bparachute\s+(?=hackles?\b)/;
/** “Grizzly parachute hackle”: how it is wound, and no kind of it. */
function woundRoundPost(told: Told): void {
  const { description, kind } = told;
  if (!description || description.exact || !asParachute.test(description.text)) return;
  told.description = { ...description, text: description.text.replace(asParachute, "") };
  if (kind === "wind") told.said.roundPost = true;
}

const overAll =
  /\b(?:up|along)\s+the\s+body(?=\s*(?:[,.;]|$)|\s+(?:in|with)\b|\s+\w+\s+times\b)|\b(?:over|across|through)\s+(?:the\s+(?:lot|whole(?:\s+(?:lot|body|thing|of\s+it))?|(?:whole\s+)?body)|all(?:\s+of\s+(?:it|that|them))?|both(?:\s+halves)?|everything|it|that|them)(?=\s*(?:[,.;]|$)|\s+(?:in|with|for)\b|\s+x?\s?\d)/;
/** “… front half seal, oval silver over the lot, 5 turns”: a wire or tinsel over a body is its rib. */
export function isOverBody({ role, said, at, end }: Told, text: string, form: MaterialForm | undefined): boolean {
  const isOfBody = role === undefined || role === "body";
  const isThin = form === "wire" || form === "tinsel";
  return isOfBody && isThin && said.rule?.turns !== undefined && overAll.test(text.slice(at, end));
}
const ribsIt = ({ told, text, bench }: Telling, form: MaterialForm | undefined): Role | undefined =>
  isOverBody(told, text, form) && lastBody(bench) ? "rib" : undefined;

/** “Two strips of lead wire”, “cover the shank with lead wire”: the part is called by what it is of. */
function withWeight(t: Telling): Telling {
  const { role, description, part = "" } = t.told;
  const isNamed = role === "weight" && !description && /\b(?:lead|wire)\b/.test(part) && !t.bench.ofRole("weight");
  if (!isNamed) return t;
  const of: Description = { at: t.told.at, end: t.told.at, text: part, means: { form: "weight wire" } };
  return { ...t, told: { ...t.told, description: of } };
}

const ofPart =
  /^(body|abdomen|thorax|tail|wing)\s+(?:dubbing|fur|material|stuff|herl|yarn|floss|marabou|wool|chenille)$/;
const sameAs = new RegExp(`\\bsame\\s+([a-z]+)\\s+as\\s+(?:(?:in|on|for)\\s+)?(?:the\\s+)?(${PARTS})(?![\\p{L}])`, "u");
const ofTheSame =
  /\b(?:of|from)\s+the\s+same(?:\s+(?:feather|stuff|material))?(?=\s*(?:[,.;)]|$|(?:in|for|behind|at)\b))/u;
/** “A hackle of the same”: of what came last that it can be of. */
const stuffAlike = (bench: Bench, form: MaterialForm | undefined): Material | undefined =>
  bench.materialOf(bench.components.findLast((c) => c.role !== "hook" && bench.formOf(c) === form));

/** “Same dubbing as the abdomen”: the stuff of that part, whatever was tied in since. */
function sameAsPart({ told, text, bench, line }: Telling): ReturnType<Bench["resolve"]> | undefined {
  const named = ofPart.exec(told.description?.text.trim().toLowerCase() ?? "")?.[1];
  const own = named && bench.materialOf(bench.ofRole(roleOfWord(named)));
  // “Head: body dubbing”: what the body is of.
  const isIts =
    own && own.name.toLowerCase().endsWith(/\S+$/.exec(told.description?.text.trim().toLowerCase() ?? "")?.[0] ?? "?");
  if (own && (own.form === told.description?.means?.form || own.form === "blend" || isIts))
    return { material: own, others: [], isNew: false };
  const called = told.description?.text.trim() ?? "";
  const isPart = roleOfWord(withoutPlural(called)) !== undefined;
  if (told.description && isPart && ofTheSame.test(text.slice(told.at, told.end))) {
    // “Of the same” says nothing of the part; what it is called does.
    told.role ??= roleOfWord(withoutPlural(called));
    const last = stuffAlike(bench, told.description.means?.form);
    if (last) return { material: last, others: [], isNew: false };
    line.asks.push({ at: [told.at, told.end], sentence: `Of what is the ${called}? Name its material.`, answers: [] });
  }
  const [, noun, part = ""] = sameAs.exec(text.slice(told.at, told.end)) ?? [];
  // “Olive hair, the same length as the tail” is of no other stuff.
  if (noun === undefined || noun !== told.description?.text.trim()) return undefined;
  const role = roleOfWord(part);
  const material = bench.materialOf(bench.ofRole(role));
  const isOfForm = material !== undefined && material.form === told.description.means?.form;
  const isBlend = material?.form === "blend" && told.description.means?.form === "dubbing";
  return material && (isOfForm || isBlend) ? { material, others: [], isNew: false } : undefined;
}

/** What the line tells of the material that was found for its words. */
function noteFound(t: Telling, description: Description, found: ReturnType<Bench["resolve"]>): void {
  const { notes } = t.line;
  const words = description.text.trim().replace(/\s+/g, " ");
  const { material } = found;
  if (found.isNew) notes.push(`“${words}” is new: taken as ${material?.form ?? "unknown"} with the usual figures`);
  if (isOfLittle(description)) notes.push("“a little” is taken as one part in ten");
  if (!found.isNew && found.others.length > 0 && !description.exact && material)
    notes.push(`“${words}” taken as ${material.name}`);
  askWhich(t, description, found);
}

/** The material of what was tied in before, where a part that names none is of that. */
function stuffBefore({ told, bench }: Telling, role: Role): Material | undefined {
  // “antennae: same fibres”: of what was tied in last.
  if (told.refers === "the same") {
    const laid = bench.made.findLast((m) => m.step.do === "lay" && m.step.component !== undefined);
    const last = bench.materialOf(bench.component(laid?.step.component));
    if (last) return last;
  }
  // “another 8 fibres for the wing case”
  const { amount } = told.said;
  const isFresh = amount !== undefined && ("fibres" in amount || "strands" in amount) && role !== "flash";
  const isFibre = (c: Component): boolean => bench.formOf(c) === "feather fibre" || bench.formOf(c) === "herl";
  return isFresh ? bench.materialOf(bench.components.findLast(isFibre)) : undefined;
}

/** A part that hangs off the fly, which a list named of this material and called otherwise; no line has tied it in. */
function namedElsewhere(bench: Bench, code: string, role: Role): Component | undefined {
  const hangs = new Set<Role>(["legs", "throat", "cheeks"]);
  if (!hangs.has(role) || bench.components.some((c) => c.role === role)) return undefined;
  return bench.components.find(
    (c) => hangs.has(c.role) && bench.declared.get(c.id)?.used === false && c.material.some((m) => m.value === code),
  );
}

const secondOf = /\b(?:second|another|new|third|further)\s+$/;

/** “tie in a second strip”: the same stuff for another part. */
const isAnother = ({ told, text }: Telling): boolean =>
  told.description !== undefined &&
  secondOf.test(text.slice(Math.max(0, told.description.at - 12), told.description.at));

/** “wind the herl on”, where the fly has none and the cabinet several: which of them is asked, not guessed. */
function askWhich({ line }: Telling, { at, end, text, exact }: Description, found: ReturnType<Bench["resolve"]>): void {
  const { material, others } = found;
  if (exact || !material || found.isNew || found.isListed || others.length === 0 || !isNounAlone.test(text.trim()))
    return;
  const sentence = `Which ${text.trim().replace(/\s+strands?$/i, "")} is it? The recipe has named none before.`;
  if (line.asks.some((a) => a.at[0] === at && a.sentence === sentence)) return;
  line.asks.push({
    at: [at, end],
    sentence,
    answers: [material, ...others].slice(0, 6).map((m) => ({ label: m.name, text: m.name })),
  });
}

/** A wing that was called a post, a hackle that was called a collar: the near role will do where it is the only one. */
function componentLike(role: Role | undefined, bench: Bench): Component | undefined {
  const near: Partial<Record<Role, Role>> = { collar: "hackle", hackle: "collar", rib: "tag", thorax: "body" };
  const other = role && near[role];
  return role === "collar" || role === "hackle" ? bench.ofRole(other) : undefined;
}

/** A soft feather is wound sparse; with more turns it is the hackle of a dry fly. */
const MOST_SPARSE = 3;
const softFeather =
  /\b(?:soft|partridge|hen|grouse|starling|snipe|woodcock|coot|jackdaw|moorhen|waterhen|plover|guinea)\b/;

function takeAlternates({ told, bench }: Telling, component: Component): void {
  for (const d of told.alternates) {
    const { material } = bench.resolve(d);
    if (!material || component.material.some((m) => m.value === material.code)) continue;
    if (component.alternates?.some((a) => a.material === material.code)) continue;
    component.alternates = [...(component.alternates ?? []), { material: material.code }];
  }
}

/** “Tie in six fibres at the bend”, and then “wind them to mid-shank”: nothing was said of a tail. */
function isWoundNext(bench: Bench): boolean {
  const [next] = bench.toldLater();
  if (next?.role !== undefined || next?.description) return false;
  // “…, and make two turns”: of what was tied in.
  const isOfIt = next?.verb === "wind" && next.refers === "it";
  return isOfIt || (next?.kind === "wind" && next.said.rule?.turns !== undefined);
}

/**
 * The part that a material is for, where nobody names it: one that the fly has of it, else what its form is used for.
 */
function roleFrom(
  said: Said,
  form: MaterialForm | undefined,
  bench: Bench,
  code: string | undefined,
  name: string,
): Role | undefined {
  const own =
    code === undefined ? undefined : bench.components.findLast((c) => c.material.some((m) => m.value === code));
  // “Two turns of dubbing in front of that”: a collar, though the body is of the same.
  const isAhead = said.there && "part" in said.there && said.there.part === "it" && said.there.end === "front";
  // In front of a case that is to be pulled over, it is what that covers.
  const isUnderCase = bench.waits((w) => w.hangs && w.role === "wing case") !== undefined;
  if (isAhead && (form === "dubbing" || form === "blend") && lastBody(bench)) return isUnderCase ? "thorax" : "collar";
  // “two hackles with barbs of 1.5 gapes”, “dun hackle, 3 turns”: not what a tail was taken from before.
  const isWound = said.barb !== undefined || said.rule?.turns !== undefined;
  const isWhole =
    own?.role === "tail" && said.amount && "feathers" in said.amount && (said.shown ?? said.like) === undefined;
  const isOfAnother = own && form === "hackle" && (isWound || isWhole) && !barbed.has(own.role);
  // “3 bunches at the head”, of what the tail is: what is tied in there is no tail.
  const where = said.tieIn?.at ?? said.there;
  const isAtHead = own?.role === "tail" && where !== undefined && alongShank(where) < FRONT && said.like === undefined;
  const isOwn = own && !isAtHead && (!isOfAnother || bench.waits((w) => w.role === own.role) !== undefined);
  // “More dubbing in front”, of what the body is, where a cover waits to be pulled over it.
  const isUnder =
    own?.role === "body" &&
    (form === "dubbing" || form === "blend") &&
    lastBody(bench) !== undefined &&
    bench.waits((w) => w.role === "wing case" && w.hangs) !== undefined;
  if (isUnder) return "thorax";
  if (own && isOwn) return own.role;
  if (form === undefined) return undefined;
  if (isPlumeAsCollar(said, form, name, bench)) return "collar";
  const place = said.tieIn?.at ?? said.there ?? said.begin ?? said.end ?? bench.hangs;
  // In front of a ball at the bend the tails are tied in.
  const last = bench.component(bench.made.at(-1)?.step.component)?.role;
  const isRear = place !== undefined && alongShank(place) > (last === "butt" || last === "tag" ? 0.75 : 0.85);
  const isFront = place !== undefined && alongShank(place) < FRONT;
  const isFibre = form === "feather fibre" || form === "hair" || form === "hackle";
  if (isFibre && isPastBend(said.shown) && !lastBody(bench) && !isFront && said.attitude !== "over" && !said.hanging)
    return "tail";
  if (form === "feather fibre" || form === "hair" || form === "flash") {
    // What lies over the back is no tail, however far behind it is tied in.
    if (form === "hair" && said.attitude === "over") return "wing";
    // “4 strands down each side”, behind what was lashed along the shank: no tail is on its sides.
    const isOnSides = said.round?.near !== undefined && bench.ofRole("wing") !== undefined;
    // “… and wrap it up to the bead”: wherever it is tied in.
    const isToBeWound = isWoundNext(bench) && (isRear || bench.toldLater()[0]?.said.end !== undefined);
    if (form === "feather fibre" && isToBeWound && said.shown === undefined && said.like === undefined) return "body";
    // “Tie in a goose biot by its tip”, where the tail is there: one alone is wound.
    const isOne = (said.count ?? 1) === 1 && (!said.amount || ("fibres" in said.amount && said.amount.fibres === 1));
    const isBiot = isOne && said.shown === undefined && /\bbiot\b/i.test(name) && bench.ofRole("tail") !== undefined;
    if (isBiot && isRear && !said.hanging) return "body";
    // “Catch in a stripped quill and a strand of pearl”: one strand beside what is to be wound is to be wound as well.
    const isStrand = form === "flash" && said.amount && "strands" in said.amount && said.amount.strands === 1;
    if (isStrand && isRear && (said.shown ?? said.like) === undefined && bench.waits((w) => w.role === "body"))
      return "rib";
    // “Poly, 3 strands, upright”: what stands up is a post.
    if (form === "flash" && said.attitude === "up" && !isRear) return "wing";
    if (isRear && !said.hanging) return form === "flash" && (bench.ofRole("tail") ?? isOnSides) ? "flash" : "tail";
    // “Tied in so that the fibres slope back over the body”
    if (form === "feather fibre" && said.attitude === "over" && lastBody(bench)) return "wing";
    // “Two cdc feathers on top, the tips just past the bend”
    if (form === "feather fibre" && said.round?.top && said.shown && !isRear) return "wing";
    if (form === "feather fibre")
      return said.hanging ? "wing case" : isFront && said.attitude === "down" ? "throat" : undefined;
  }
  // “Dub it up to the thorax”: what ends there lies behind it.
  const isDubbed = form === "dubbing" || form === "blend";
  if (isDubbed && said.end && "part" in said.end && said.end.part === "thorax") return "body";
  // “Two turns of mole at the thorax” are that.
  if (isDubbed && said.there && "part" in said.there && said.there.part === "thorax") return "thorax";
  const isLoopAtFront = said.loop === true && place !== undefined && alongShank(place) < AT_THE_FRONT;
  if (isDubbed && lastBody(bench) && isLoopAtFront) return "collar";
  // A cover waits to be pulled over, and the body is there: what is dubbed now is under it.
  if (isDubbed && lastBody(bench) && bench.waits((w) => w.role === "wing case" && w.hangs)) return "thorax";
  // What is dubbed at the front when the body is there is no body.
  if (isDubbed && lastBody(bench) && bench.hangs && alongShank(bench.hangs) < 0.36) return "thorax";
  const told = (said.end ?? said.from) ? undefined : said.there;
  if (isDubbed && told && alongShank(told) < AT_THE_FRONT) return "thorax";
  // “Two hackles, as long as the tail”, tied in at the bend: they lie with it.
  if (form === "hackle" && isRear && !said.rule && (said.shown ?? said.like) !== undefined) return "tail";
  // “Under the hook, 8 fibres of blue hen, to the point”: what hangs beneath is counted in fibres, and not wound.
  if (form === "hackle" && said.round?.underside && said.amount && "fibres" in said.amount && !isWound && !isRear)
    return "throat";
  // “Four saddles on top, on edge”: what is tied in on top and not wound is a wing.
  if (form === "hackle" && said.round?.top && !isWound && !isRear) return "wing";
  const pair = form === "hackle" && isUnplaced(said) ? hackleBefore(bench) : undefined;
  if (pair) return pair;
  if (form === "hackle" && said.roundPost) return "hackle";
  const isInFrontOfIt = place && "part" in place && place.part === "it" && place.end === "front";
  if (form === "hackle" && !said.palmered && (isFront || isInFrontOfIt)) return "collar";
  // “One soft starling feather, a turn and a half”: a soft feather that nobody places is a collar.
  const isAlone = !said.palmered && isUnplaced(said);
  if (
    form === "hackle" &&
    isAlone &&
    (said.rule?.turns ?? MOST_SPARSE + 1) <= MOST_SPARSE &&
    softFeather.test(name.toLowerCase())
  )
    return "collar";
  // “Peacock herl, 8 strands on top”: what lies over all is no body.
  if (
    form === "herl" &&
    said.rule === undefined &&
    (said.round?.top || said.attitude === "over" || said.like || said.sameLength !== undefined)
  )
    return "topping";
  const isBehindEye = isFront && lastBody(bench) !== undefined;
  // “Vinyl rib, 6 turns”: what is called so and wound over a body is one.
  if (
    form === "stretch body" &&
    /\brib\b/.test(name.toLowerCase()) &&
    said.rule?.turns !== undefined &&
    lastBody(bench)
  )
    return "rib";
  if (form === "stretch body" && (said.hanging || isBehindEye)) return "wing case";
  if (isForTag(name, form, bench)) return "tag";
  // Oval waits for the rib already: what is tied in next is wound under it.
  // Braid and tubing are wound or slipped on as a body.
  if (form === "tinsel" && /\b(?:braid|tubing|piping)\b/.test(name.toLowerCase()) && !lastBody(bench)) return "body";
  // “Tinsel, wound back and forth”: over all of it, as no rib is.
  if (form === "tinsel" && (said.passes ?? 1) > 1 && !lastBody(bench)) return "body";
  if (form === "tinsel" && /\boval\b/.test(name.toLowerCase())) asRibOver(bench);
  const isForBody =
    form === "tinsel" &&
    (bench.waits((w) => w.role === "rib" && !w.hangs) !== undefined ||
      (!/\boval\b/.test(name.toLowerCase()) && bench.isTinselBody())) &&
    bench.ofRole("body") === undefined &&
    !bench.ahead.has("body");
  return isForBody ? "body" : usualRole(form);
}

/** “Tie in flat silver and oval silver”: the flat is the body, and the oval ribs it. */
function asRibOver(bench: Bench): void {
  const flat = bench.waits((w) => w.role === "rib" && !w.hangs && w.form === "tinsel");
  const component = bench.component(flat?.component);
  const isFlat = /\bflat\b/.test(bench.materialOf(component)?.name.toLowerCase() ?? "");
  if (!flat || !component || !isFlat || bench.ofRole("body") !== undefined || bench.ahead.has("body")) return;
  component.role = "body";
  flat.role = "body";
}

export const isUnplaced = (said: Said): boolean =>
  (said.end ?? said.from ?? said.there ?? said.begin ?? said.tieIn?.at) === undefined;
/** “A black and a blue hackle”: the second waits for what the first one waits for. */
function hackleBefore(bench: Bench): Role | undefined {
  const last = bench.made.at(-1)?.step;
  const waiting = bench.waits((w) => w.step === last?.id && w.form === "hackle");
  return waiting && barbed.has(waiting.role) ? waiting.role : undefined;
}

/** “The tips stick out a shank length past the bend.” */
function isPastBend(shown: LengthRule | undefined): boolean {
  if (!shown) return false;
  if ("reach" in shown) return shown.reach === "bend" && (shown.pastMm ?? 0) > 0;
  const to = "to" in shown && "landmark" in shown.to && shown.to.landmark === "bend" ? shown.to.plus : undefined;
  return to !== undefined && ("mm" in to ? to.mm : to.times) > 0;
}

/** What is dubbed so near the eye, in shanks, is no body. */
const AT_THE_FRONT = 0.15;
