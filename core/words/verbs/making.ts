import type { Place } from "../../hooks";
import type { MaterialForm } from "../../materials";
import { proportionsOfFamily, type Component, type LengthRule, type RecipeStep, type Role } from "../../recipe";
import { isNounAlone, unique, usualRole, type Bench, type Telling, type Waiting } from "../bench";
import { build, missingQuantity } from "../build";
import { spanOf } from "../clauses/common";
import { isOfLittle, type Description } from "../description";
import { finishSaid } from "../finish";
import type { Kind, Said } from "../said";
import { alongShank, settle } from "../settle";
import { isSame } from "../say/common";
import { sayLength } from "../say/length";
import { HERE, OF_STUFF } from "../text/place";
import { takeSizes } from "./sized";

/** The part and the material that a clause is about, as far as it says them. */
export interface Meant {
  component?: Component;
  role?: Role;
  form?: MaterialForm;
}

/** What a clause is about: the part that it names, the material that it describes, or what was told of last. */
export function objectOf(t: Telling): Meant {
  const { told, bench, line } = t;
  const found = told.description && bench.resolve(told.description);
  const material = found?.material;
  if (told.description && found?.isNew)
    line.notes.push(
      `“${told.description.text.trim()}” is new: taken as ${material?.form ?? "unknown"} with the usual figures`,
    );
  if (told.description && isOfLittle(told.description)) line.notes.push("“a little” is taken as one part in ten");
  if (found && !found.isNew && found.others.length > 0 && told.description && !told.description.exact && material)
    line.notes.push(`“${told.description.text.trim()}” taken as ${material.name}`);
  if (found && told.description) askWhich(t, told.description, found);
  const role =
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
  const sameAsLast = material === undefined && told.refers === "the same" && bench.ofRole(role) === undefined;
  if (sameAsLast) {
    // “antennae: same fibres”: of what was tied in last.
    const laid = bench.made.findLast((m) => m.step.do === "lay" && m.step.component !== undefined);
    const last = bench.materialOf(bench.component(laid?.step.component));
    if (last) {
      const component = bench.componentFor(role, last, told.part);
      return { component, role, form: bench.formOf(component) };
    }
  }
  const isFresh = told.said.amount !== undefined && ("fibres" in told.said.amount || "strands" in told.said.amount);
  if (material === undefined && bench.ofRole(role) === undefined && isFresh && role !== "flash") {
    // “another 8 fibres for the wing case”: of what was tied in before.
    const same = bench.materialOf(
      bench.components.findLast((c) => bench.formOf(c) === "feather fibre" || bench.formOf(c) === "herl"),
    );
    if (same) {
      const component = bench.componentFor(role, same, told.part);
      return { component, role, form: bench.formOf(component) };
    }
  }
  const named = material && told.role !== undefined ? namedElsewhere(bench, material.code, role) : undefined;
  // “Tie in the partridge as a beard”, of what the list called legs: it is the legs that are tied so.
  if (named && told.role === "throat") told.said.attitude ??= "down";
  const component =
    named ??
    (material === undefined
      ? (bench.ofRole(role) ?? bench.before(role) ?? componentLike(told.role, bench))
      : bench.componentFor(role, material, told.part));
  if (component) takeAlternates(t, component);
  if (component && material) takeSizes(t, component, material);
  if (component && told.said.optional) component.optional = true;
  if (component && told.said.area !== undefined) component.area = told.said.area;
  return { component, role: component?.role ?? role, form: bench.formOf(component) };
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
  if (exact || !material || found.isNew || others.length === 0 || !isNounAlone.test(text.trim())) return;
  const sentence = `Which ${text.trim()} is it? The recipe has named none before.`;
  if (line.asks.some((a) => a.at[0] === at && a.sentence === sentence)) return;
  line.asks.push({
    at: [at, end],
    sentence,
    answers: [material, ...others].slice(0, 6).map((m) => ({ label: m.name, text: m.name })),
  });
}

/** The body as far as it is there: where it was wound or dubbed last. */
export function lastBody(bench: Bench): { from: Place; to?: Place } | undefined {
  const roles = new Map(bench.components.map((c) => [c.id, c.role]));
  const body = bench.made.findLast(
    (m) =>
      (m.step.do === "wind" || m.step.do === "dress") &&
      (roles.get(m.step.component ?? "") === "body" || m.step.name === "body"),
  )?.step;
  return body && (body.do === "wind" || body.do === "dress") ? body : undefined;
}

/** “rear third yellow floss, rest black floss”: what the body before it leaves of the shank, in front or behind. */
function takeRest(said: Said, bench: Bench): void {
  if (!said.rest || said.from || said.begin || said.end || said.there) return;
  const before = lastBody(bench);
  if (!before) return;
  const [front, rear] = [before.from, before.to ?? before.from].sort((x, y) => alongShank(x) - alongShank(y));
  if (rear && alongShank(rear) < REAR) Object.assign(said, { from: rear, to: { landmark: "bend" } satisfies Place });
  else if (front && alongShank(front) > FRONT) Object.assign(said, { from: { fraction: FRONT }, to: front });
}
const SAME_SHARE = 1e-6;
const frontShare =
  /\b(?:front|fore|forward|last)\s+(?:half|third|quarter|two\s+thirds)\b(?!\s+(?:of\s+)?(?:the\s+)?(?:hook|shank))/;
/**
 * “Body: rear half yellow, front half black”: shares of the body, which leaves room for the head; what was told of its
 * rear ends there as well.
 */
function takeShare(said: Said, role: Role | undefined, { told, text, bench }: Telling): void {
  const { from, to } = said;
  if (role !== "body" || !from || !to || !frontShare.test(text.slice(told.at, told.end))) return;
  if (!isSame(from, { landmark: "eye" }) || !("fraction" in to) || to.plus) return;
  const meet: Place = { fraction: Number((FRONT + (1 - FRONT) * to.fraction).toPrecision(3)) };
  Object.assign(said, { from: { fraction: FRONT }, to: meet });
  const moved = <P extends Place | undefined>(p: P): P | Place =>
    p && "fraction" in p && Math.abs(p.fraction - to.fraction) < SAME_SHARE ? { ...p, ...meet } : p;
  for (const m of bench.made) {
    const { step } = m;
    // A tail is bound along the shank, whatever is wound over it.
    const isBound = step.do === "lay" && step.countedWhenWound;
    if (step.do !== "wind" && step.do !== "dress" && !isBound) continue;
    const tieIn = step.tieIn && { ...step.tieIn, at: moved(step.tieIn.at) };
    m.step = { ...step, from: moved(step.from), ...(step.to && { to: moved(step.to) }), ...(tieIn && { tieIn }) };
  }
}
/** Where a body ends, as usual. */
const FRONT = 0.3;
/** From here on a body reaches the bend. */
const REAR = 0.85;

/** A wing that was called a post, a hackle that was called a collar: the near role will do where it is the only one. */
function componentLike(role: Role | undefined, bench: Bench): Component | undefined {
  const near: Partial<Record<Role, Role>> = { collar: "hackle", hackle: "collar", rib: "tag", thorax: "body" };
  const other = role && near[role];
  return role === "collar" || role === "hackle" ? bench.ofRole(other) : undefined;
}

function takeAlternates({ told, bench }: Telling, component: Component): void {
  for (const d of told.alternates) {
    const { material } = bench.resolve(d);
    if (!material || component.material.some((m) => m.value === material.code)) continue;
    if (component.alternates?.some((a) => a.material === material.code)) continue;
    component.alternates = [...(component.alternates ?? []), { material: material.code }];
  }
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
  if (isAhead && (form === "dubbing" || form === "blend") && lastBody(bench)) return "collar";
  // “two hackles with barbs of 1.5 gapes”: not what a tail was taken from before.
  const isOwn = own && !(form === "hackle" && said.barb && !barbed.has(own.role));
  if (own && isOwn) return own.role;
  if (form === undefined) return undefined;
  const place = said.tieIn?.at ?? said.there ?? said.begin ?? said.end ?? bench.hangs;
  const isRear = place !== undefined && alongShank(place) > 0.85;
  const isFront = place !== undefined && alongShank(place) < FRONT;
  const isFibre = form === "feather fibre" || form === "hair" || form === "hackle";
  if (isFibre && isPastBend(said.shown) && !lastBody(bench) && !isFront && said.attitude !== "over" && !said.hanging)
    return "tail";
  if (form === "feather fibre" || form === "hair" || form === "flash") {
    // What lies over the back is no tail, however far behind it is tied in.
    if (form === "hair" && said.attitude === "over") return "wing";
    if (isRear && !said.hanging) return form === "flash" && bench.ofRole("tail") ? "flash" : "tail";
    // “Two cdc feathers on top, the tips just past the bend”
    if (form === "feather fibre" && said.round?.top && said.shown && !isRear) return "wing";
    if (form === "feather fibre")
      return said.hanging ? "wing case" : isFront && said.attitude === "down" ? "throat" : undefined;
  }
  // “Dub it up to the thorax”: what ends there lies behind it.
  const isDubbed = form === "dubbing" || form === "blend";
  if (isDubbed && said.end && "part" in said.end && said.end.part === "thorax") return "body";
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
  const isInFrontOfIt = place && "part" in place && place.part === "it" && place.end === "front";
  if (form === "hackle" && (isFront || isInFrontOfIt)) return "collar";
  // “Peacock herl, 8 strands on top”: what lies over all is no body.
  if (form === "herl" && said.rule === undefined && (said.round?.top || said.attitude === "over" || said.like))
    return "topping";
  const isBehindEye = isFront && lastBody(bench) !== undefined;
  if (form === "stretch body" && (said.hanging || isBehindEye)) return "wing case";
  // Oval waits for the rib already: what is tied in next is wound under it.
  // Braid and tubing are wound or slipped on as a body.
  if (form === "tinsel" && /\b(?:braid|tubing)\b/.test(name.toLowerCase()) && !lastBody(bench)) return "body";
  const isForBody =
    form === "tinsel" &&
    bench.waits((w) => w.role === "rib" && !w.hangs) !== undefined &&
    bench.ofRole("body") === undefined &&
    !bench.ahead.has("body");
  return isForBody ? "body" : usualRole(form);
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
const stranded = new Set<MaterialForm | undefined>(["flash", "rubber", "yarn", "floss"]);
/** “Three nylon fibres”: of what comes in strands they are strands. */
function inStrands(said: Said, form: MaterialForm | undefined): void {
  if (said.amount && "fibres" in said.amount && typeof said.amount.fibres === "number" && stranded.has(form))
    said.amount = { strands: said.amount.fibres, folded: false };
}

/** A list tells no way of the thread; but where it was taken round the bend, what lies behind begins there. */
const isRoundBend = (role: Role | undefined, hangs: Place | undefined): boolean =>
  (role === "body" || role === "tail" || role === "tag") && hangs !== undefined && alongShank(hangs) > 1;
const atTheSides = /^(?:breathers?|gills?)$/;
/** Makes a step of what was said, with what is usual where nobody said it; asks where a quantity is missing. */
export function make(
  t: Telling,
  kind: Kind,
  spoken: Said,
  object: Meant,
  more: { name: string; tiedIn?: Waiting; before?: string; where?: [number, number] },
): RecipeStep | undefined {
  const { bench, line, told } = t;
  const { component, role, form } = object;
  // What was read is shared by all that read the same words: what is made of it is its own.
  const said = structuredClone(spoken);
  takeRest(said, bench);
  takeShare(said, role, t);
  inStrands(said, form);
  asManyTurns(said, component, bench);
  if (kind === "wind" && (role === "tag" || role === "butt" || said.isLong)) asLongAs(said, role);
  if (kind === "dress" && said.isLong) asLongAs(said, role);
  delete said.isLong;
  askWhatSize(said, kind, object, t, more.where);
  thickOrLong(said, kind, form, t, more.where);
  finishSaid(said, kind, { role, form });
  askHowFull(said, kind, t, more.where);
  // “Front station: a loop of olive fibre, wound to the eye”: it begins where the station before ended.
  const station = kind === "dress" && said.loop && role === "body" ? lastBody(bench) : undefined;
  if (station?.to && said.end && !said.begin && !said.from && !said.there) {
    const from = frontOf(station.from, station.to);
    if (alongShank(from) > alongShank(said.end) + LEAST_WAY) said.begin = from;
  }
  // “Golden crest over the wing”: it lies over it, and is tied in where its own part is.
  if (kind === "lay" && role === "topping" && said.there && "part" in said.there && said.there.part === "wing")
    delete said.there;
  // Breathers and gills stand out at the head, where a beard would hang.
  if (kind === "lay" && role === "throat" && atTheSides.test(told.part ?? "")) said.attitude ??= "sides";
  const isRuleSaid = said.rule !== undefined;
  usualAmounts(said, kind, object, t);
  const material = bench.materialOf(component);
  const context = {
    id: "",
    role,
    form,
    family: bench.facts.family,
    component: component?.id,
    // A list tells no way of the thread: its parts have their usual places. A tail is behind, wherever the thread is.
    hangs: (line.isListed && !isRoundBend(role, bench.hangs)) || isBehind(role, bench.hangs) ? undefined : bench.hangs,
    tiedInAt: more.tiedIn?.at,
    boundIn: more.tiedIn?.step,
    widthMm: material?.strand?.width,
    hasBead: bench.components.some((c) => c.role === "bead"),
  };
  settleParts(said, t, bench.last.component);
  settleBead(said, bench);
  const assumed = settle(said, kind, context);
  if (kind === "lay" && bench.wraps !== undefined && said.tieIn?.at && said.tieIn.wraps === undefined)
    said.tieIn.wraps = bench.wraps;
  line.assumed.push(...assumed);
  settleParts(said, t, bench.last.component);
  if (kind === "wind" && said.rule?.turns !== undefined && said.rule.pitch !== undefined) {
    line.asks.push({
      at: more.where ?? [told.at, told.end],
      sentence: `${said.rule.turns} turns, and ${said.rule.pitch} mm apart: the turns decide how far apart they lie. Take one of the two out.`,
      answers: [],
    });
    said.rule = { turns: said.rule.turns };
  }
  const missing = missingQuantity(said, kind);
  if (missing) {
    if (told.loose.length === 0)
      line.asks.push({ at: more.where ?? [told.at, told.end], sentence: missing, answers: [] });
    return undefined;
  }
  if (kind === "dress" && said.from !== undefined && isSame(said.from, said.to)) {
    line.asks.push({
      at: more.where ?? [told.at, told.end],
      sentence: "It begins where it ends. From where to where is it dubbed? Say “from the bend to mid-shank”.",
      answers: [],
    });
    return undefined;
  }
  const { id, was } = bench.nextId(line.number, more.name, kind);
  const step = build("", said, kind, { ...context, id, was });
  const named: RecipeStep = was ? step : { ...step, name: more.name };
  const sized = withSizes(named, said, bench);
  bench.push(sized, line.number, more.before);
  if (!isRuleSaid && said.rule?.turns !== undefined) bench.usualTurns.add(id);
  line.steps.push(id);
  return sized;
}

/** “The rib through it, same number of turns”: as many as what was wound last had. */
function asManyTurns(said: Said, component: Component | undefined, bench: Bench): void {
  const isSameNumber = said.sameTurns;
  delete said.sameTurns;
  if (!isSameNumber || said.rule) return;
  const last = bench.made.findLast(
    ({ step }) => step.do === "wind" && step.component !== component?.id && step.rule.turns !== undefined,
  )?.step;
  if (last?.do === "wind" && last.rule.turns !== undefined) said.rule = { turns: last.rule.turns };
}

/** “Butt: green floss, 3 mm”, “hot spot behind the bead, 1.5 mm”: of a tag or a butt that is how long it is. */
function asLongAs(said: Said, role: Role | undefined): void {
  const [mm] = (said.size ?? []).flatMap((l) => ("mm" in l ? [l.mm] : []));
  if (mm === undefined || said.from || said.to || (said.begin && said.end)) return;
  const usual: Place | undefined = role === "thorax" || role === "head" ? { eyeLengths: 1 } : undefined;
  const front = said.there ?? said.begin ?? usual;
  const moved = (p: Place, by: number): Place | undefined =>
    p.plus === undefined ? { ...p, plus: { mm: by } } : undefined;
  const other = front ? moved(front, mm) : moved({ landmark: "bend" }, -mm);
  if (!other) return;
  Object.assign(said, front ? { from: front, to: other } : { from: other, to: { landmark: "bend" } });
  delete said.there;
  delete said.begin;
  delete said.size;
  said.rule ??= { touching: true };
}

/** What is cut to length before it is wound. */
export const cutForms: ReadonlySet<MaterialForm> = new Set<MaterialForm>(["wire", "tinsel", "yarn", "chenille"]);
const SHORTEST_PIECE = 30;
const filling = new Set<MaterialForm>(["thread", "floss"]);
const barbed = new Set<Role>(["hackle", "collar", "throat"]);
/** No body is wound so full of thread or floss. */
const FULLEST_MM = 12;

/** A bare size of what is wound is how full thread and floss fill, and how long barbs are; of nothing else. */
function askWhatSize(
  said: Said,
  kind: Kind,
  { role, form }: Meant,
  { told, line }: Telling,
  where: [number, number] | undefined,
): void {
  if (kind !== "wind" || !said.size || form === undefined) return;
  // “about four inches” of a wire is the piece that is cut.
  const [only] = said.size;
  if (cutForms.has(form) && said.pieceMm === undefined && "mm" in only && only.mm >= SHORTEST_PIECE) {
    said.pieceMm = only.mm;
    delete said.size;
    return;
  }
  const isDeeperThanAnyFly = said.size.some((l) => "mm" in l && l.mm > FULLEST_MM);
  if (filling.has(form) && !isDeeperThanAnyFly) return;
  if (role !== undefined && barbed.has(role)) return;
  line.asks.push({
    at: where ?? [told.at, told.end],
    sentence: `A length stands here, but not what is so long: only thread and floss are wound until they are so full. Say its zone, “from the bend to mid-shank”, or take it out.`,
    answers: [],
  });
  delete said.size;
}

/** “craft fur, 40 mm”: no body is so full; it may be how long the fibre is. */
function askHowFull(said: Said, kind: Kind, { told, line }: Telling, where: [number, number] | undefined): void {
  const fullest = said.fullness?.find((l) => "mm" in l && l.mm > FULLEST_MM);
  if (kind !== "dress" || !fullest) return;
  line.asks.push({
    at: where ?? [told.at, told.end],
    sentence: `Nothing is dubbed ${sayLength(fullest)} full. Say how long the noodle is, “40 mm of noodle”, or take the length out.`,
    answers: [],
  });
  delete said.fullness;
}

/**
 * “2 mm, three times the shank”: of hair the first is how thick it is, of slips how wide; of all else it is asked which
 * length holds.
 */
function thickOrLong(
  said: Said,
  kind: Kind,
  form: MaterialForm | undefined,
  { told, line }: Telling,
  where: [number, number] | undefined,
): void {
  const { thick } = said;
  if (kind !== "lay" || !thick) return;
  delete said.thick;
  if (form === "hair") {
    said.amount ??= { clump: thick };
    return;
  }
  if (form === "quill" || said.isSlips) {
    said.amount ??= { slipWidth: thick };
    return;
  }
  line.asks.push({
    at: where ?? [told.at, told.end],
    sentence: `Two lengths are said, ${sayLength(thick)} and ${sayLength(said.shown ?? thick)}. Which of them is it?`,
    answers: [],
  });
}

const atTheRear = new Set<Role | undefined>(["tail", "tag", "butt"]);
/** So near the eye, in shanks, no tail is tied in. */
const NO_TAIL = 0.4;
const isBehind = (role: Role | undefined, hangs: Place | undefined): boolean =>
  atTheRear.has(role) && hangs !== undefined && alongShank(hangs) < NO_TAIL;

/** What is usually wound or dubbed where nobody says how much; told as supplied. */
function usualAmounts(said: Said, kind: Kind, { component, role, form }: Meant, { line, bench }: Telling): void {
  const isYarn = form === "flash" && /\b(?:yarn|poly)/i.test(bench.materialOf(component)?.name ?? "");
  const first = said.onSizes?.[0];
  if (kind === "wind" && said.rule === undefined && first)
    said.rule = { turns: first.count, ...(role === "weight" && { touching: true }) };
  if (kind === "wind" && said.rule === undefined && said.fill === undefined) {
    if (role === "rib") supply({ turns: 5 }, "5 turns");
    else if (role === "hackle" || role === "collar")
      supply({ turns: said.palmered ? 5 : 3 }, said.palmered ? "5 turns" : "3 turns");
    else supply({ touching: true }, "touching");
  }
  if (kind === "wind" && said.fill) said.fill = thickOf(said.fill);
  if (kind === "dress" && said.ofBody !== undefined && said.fullness === undefined) {
    const full = asThick(said.ofBody);
    said.fullness = [full, full];
  }
  if (
    kind === "dress" &&
    said.noodle === undefined &&
    said.fullness === undefined &&
    said.trace === undefined &&
    !(said.loopMm !== undefined && said.loopLoad !== undefined)
  ) {
    const full = proportionsOfFamily(bench.facts.family ?? "wet").body;
    said.fullness = [full, full];
    line.assumed.push(`${sayLength(full)} full`);
  }
  if (kind === "whip" && said.turns === undefined) {
    said.turns = 5;
    line.assumed.push("5 turns");
  }
  if (kind === "glue" && said.drops === undefined && said.along === undefined) {
    if (said.coats === undefined) line.assumed.push("1 drop");
    said.drops = said.coats ?? 1;
  }
  if (kind === "glue" && said.drops === undefined) said.drops = 1;
  const name = bench.materialOf(component)?.name ?? "";
  if (kind === "lay" && said.amount === undefined && form === "feather fibre" && /\b(?:topping|crest)$/i.test(name)) {
    said.amount = { feathers: 1 };
    line.assumed.push("1 feather");
  }
  if (kind === "lay" && said.amount === undefined && form !== undefined && (isYarn || oneOfIt.has(form))) {
    said.amount =
      form === "hackle"
        ? inPairs.has(role ?? "body")
          ? { feathers: 2, paired: true }
          : { feathers: 1 }
        : form === "extended body"
          ? { pieces: 1 }
          : said.folded
            ? { strands: 2, folded: true }
            : { strands: 1, folded: false };
    line.assumed.push(
      form === "hackle"
        ? inPairs.has(role ?? "body")
          ? "1 pair of feathers"
          : "1 feather"
        : form === "extended body"
          ? "1 piece"
          : "1 strand",
    );
  }
  /** So many times as full as the body; one that is wound is taken to be as full as bodies of such flies are. */
  function asThick(times: number): LengthRule {
    const known = likeBody(bench, times)?.[0];
    const body = bench.ofRole("body");
    const isThin =
      body === undefined || thinForms.has(bench.formOf(body)) || /\bquill\b/i.test(bench.materialOf(body)?.name ?? "");
    const usual = isThin ? THIN_BODY : proportionsOfFamily(bench.facts.family ?? "wet").body;
    const full = known ?? timesAs(usual, times);
    if (!known) line.assumed.push(`${sayLength(full)} full`);
    return full;
  }
  /** “Twice the width of the body”: how full a part is, not how long. */
  function thickOf(fill: NonNullable<Said["fill"]>): NonNullable<Said["fill"]> {
    const thick = (l: LengthRule): LengthRule =>
      "of" in l && (l.of === "body" || l.of === "thorax") ? asThick(l.times) : l;
    return [thick(fill[0]), thick(fill[1])];
  }
  function supply(rule: NonNullable<Said["rule"]>, words: string): void {
    said.rule = rule;
    line.assumed.push(words);
  }
}
/** A body of thread, floss or wire is little fuller than the hook itself. */
const THIN_BODY: LengthRule = { of: "gape", times: 0.18 };
const thinForms = new Set<MaterialForm | undefined>(["thread", "floss", "tinsel", "wire", "quill"]);
const timesAs = (l: LengthRule, times: number): LengthRule =>
  "of" in l ? { of: l.of, times: Number((l.times * times).toFixed(3)) } : l;
/** As full as the body's fuller end, times a factor. */
function likeBody(bench: Bench, times: number): Said["fullness"] {
  const roles = new Map(bench.components.map((c) => [c.id, c.role]));
  const body = bench.made.findLast((m) => m.step.do === "dress" && roles.get(m.step.component ?? "") === "body")?.step;
  const full = body?.do === "dress" ? body.fullness?.[0] : undefined;
  if (!full || !("of" in full)) return undefined;
  const scaled = { of: full.of, times: Number((full.times * times).toFixed(3)) };
  return [scaled, scaled];
}

/** Whole feathers of these stand on either side. */
const inPairs = new Set<Role>(["wing", "cheeks", "eyes"]);
/** Strands that wait to be wound when they are tied in. */
export const strandForms: readonly MaterialForm[] = [
  "wire",
  "tinsel",
  "yarn",
  "floss",
  "chenille",
  "stretch body",
  "herl",
  "thread",
];
/** Of these one is bound in where nobody says how many. */
const oneOfIt = new Set<MaterialForm>([...strandForms, "hackle", "weight wire", "extended body"]);

type PartPlace = Extract<Place, { part: string }>;
/**
 * The end of a body that is no part of its own: the fibres of the tail, or the thread itself, wound along the shank.
 */
function bodyPlace({ end, plus }: PartPlace, bench: Bench): Place | undefined {
  const roleOf = (s: RecipeStep): Role | undefined => bench.component(s.component)?.role;
  if (bench.made.some((m) => roleOf(m.step) === "body") || bench.ahead.has("body")) return undefined;
  const winds = bench.made.map((m) => m.step).filter((s) => s.do === "wind" && s.to !== undefined);
  const step =
    lastBody(bench) ?? winds.findLast((s) => roleOf(s) === "tail") ?? winds.findLast((s) => roleOf(s) === "thread");
  if (step === undefined || !("from" in step) || step.from === undefined) return undefined;
  const from = step.from;
  const to = ("to" in step ? step.to : undefined) ?? from;
  const [front, rear] = alongShank(from) <= alongShank(to) ? [from, to] : [to, from];
  const middle: Place = { fraction: Number(((alongShank(front) + alongShank(rear)) / 2).toFixed(3)) };
  const place = end === "rear" ? rear : end === "middle" ? middle : front;
  return { ...place, ...(plus && place.plus === undefined && { plus }) };
}

/** Places that were said by a part mean the component that has its role, or that is of the stuff. */
export const settlePlaces = (t: Telling): void => settleParts(t.told.said, t, t.bench.last.component);

/** Where a part is going to begin that is not there yet: “wound up to the thorax”. */
const placeToCome: Record<string, Record<PartPlace["end"], Place>> = {
  thorax: { rear: { fraction: 0.35 }, middle: { fraction: 0.2 }, front: { eyeLengths: 1.1 } },
};
/** In front of a tail is where it is tied in: its butts under the body are no place. */
function atItsTieIn(value: PartPlace, component: string, bench: Bench): void {
  const tail = bench.made.findLast((m) => m.step.do === "lay" && m.step.component === component)?.step;
  const at = tail?.do === "lay" ? (tail.tieIn?.at ?? tail.to) : undefined;
  if (!at) return;
  const { plus } = value;
  for (const key of ["part", "end", "plus"] as const) delete (value as Partial<PartPlace>)[key];
  Object.assign(value, at, plus && at.plus === undefined ? { plus } : {});
}
/** A place that nobody can find is asked about; until then it is one that is there. */
function askPlace(value: PartPlace, { line, told }: Telling, sentence: string, until?: Place): void {
  line.asks.push({ at: [told.at, told.end], sentence, answers: [] });
  for (const key of ["part", "end", "plus"] as const) delete (value as Partial<PartPlace>)[key];
  Object.assign(value, until ?? ({ landmark: "bend" } satisfies Place));
}
/** From where the thread hangs, so much further. */
function settleHere(value: PartPlace, t: Telling): void {
  const { bench } = t;
  const { plus } = value;
  const here = bench.hangs;
  if (!here || !plus || !("mm" in plus) || (here.plus && !("mm" in here.plus)))
    return askPlace(value, t, "From where is that measured? Say the place: “10 mm in front of the bend”.", here);
  for (const key of ["part", "end", "plus"] as const) delete (value as Partial<PartPlace>)[key];
  const mm = plus.mm + (here.plus && "mm" in here.plus ? here.plus.mm : 0);
  Object.assign(value, here, mm === 0 ? {} : { plus: { mm } });
}
function settleParts(value: unknown, t: Telling, before: string | undefined): void {
  const { bench, line } = t;
  if (value === null || typeof value !== "object") return;
  if ("part" in value && "end" in value && typeof value.part === "string") {
    if (value.part === HERE) return settleHere(value as PartPlace, t);
    const stuff = value.part.startsWith(OF_STUFF) ? value.part.slice(OF_STUFF.length) : undefined;
    const meant = stuff === undefined ? undefined : bench.componentOf(stuff);
    if (stuff !== undefined && !meant)
      return askPlace(
        value as PartPlace,
        t,
        `No part of this fly is of “${stuff}” yet. Say the place by a part: “in front of the tail”.`,
      );
    if (value.part === "it" && before === undefined)
      return askPlace(
        value as PartPlace,
        t,
        "Beside what is that? Name the part, “behind the bead”, or tie it in first.",
      );
    const part = value.part === "it" ? (before ?? value.part) : (meant?.id ?? value.part);
    const stands = part === "body" ? bodyPlace(value as PartPlace, bench) : undefined;
    if (stands) {
      for (const key of ["part", "end", "plus"] as const) delete (value as Partial<PartPlace>)[key];
      Object.assign(value, stands);
      return;
    }
    // “To where the hackles are”: what only waits to be wound is where it was tied in.
    const waiting = bench.waits((w) => !w.hangs && isHackleRole.has(w.role));
    if (waiting?.at && (part === waiting.component || part === "hackle" || part === "collar")) {
      for (const key of ["part", "end", "plus"] as const) delete (value as Partial<PartPlace>)[key];
      Object.assign(value, waiting.at);
      return;
    }
    const usual = bench.made.some((m) => bench.component(m.step.component)?.role === part || m.step.component === part)
      ? undefined
      : placeToCome[part]?.[(value as PartPlace).end];
    if (usual) {
      line.assumed.push(`the ${part} is not there yet: taken where one usually is`);
      delete (value as Partial<PartPlace>).part;
      delete (value as Partial<PartPlace>).end;
      Object.assign(value, usual);
      return;
    }
    const component = bench.component(part) ?? bench.components.find((c) => c.role === part);
    value.part = component?.id ?? part;
    if (component?.role === "tail" && value.end === "front") atItsTieIn(value as PartPlace, component.id, bench);
    return;
  }
  for (const v of Object.values(value)) settleParts(v, t, before);
}

const isHackleRole = new Set<Role | undefined>(["hackle", "collar"]);

/** Behind a bead is where the shank begins: so it is on a fly without the bead, too. */
function settleBead(said: Said, bench: Bench): void {
  for (const key of ["there", "begin", "end", "from", "to"] as const) {
    const place = said[key];
    if (place && "part" in place && place.plus === undefined && bench.component(place.part)?.role === "bead")
      said[key] = { landmark: "eye" };
  }
}

/** Counts that hold for some sizes only become rules of the step. */
function withSizes(step: RecipeStep, said: Said, bench: Bench): RecipeStep {
  const sizes = bench.facts.sizes;
  if (!said.onSizes || !sizes) return step;
  const rules = said.onSizes.flatMap(({ sizes: some, count }): NonNullable<RecipeStep["bySize"]> => {
    const span = spanOf(some, sizes);
    if (step.do === "wind") return [{ sizes: span, set: { rule: { ...step.rule, turns: count } } }];
    if (step.do !== "lay") return [];
    if ("fibres" in step.amount) return [{ sizes: span, set: { amount: { fibres: count } } }];
    if ("strands" in step.amount) return [{ sizes: span, set: { amount: { ...step.amount, strands: count } } }];
    return [];
  });
  return rules.length > 0 ? { ...step, bySize: rules } : step;
}

/** What a list named of a part before, under what the line itself says. */
export function withDeclared(t: Telling, component: Component | undefined, said: Said): Said {
  const declared = component && t.bench.declared.get(component.id);
  if (!declared) return said;
  declared.used = true;
  return { ...structuredClone(declared.said), ...said };
}

/** “Wind to the bend and back to the thorax”: a second layer, from the one end as far as there. */
export function windBack(t: Telling, object: Meant, { backTo, rule }: Said, end: Place): void {
  if (!backTo || Math.abs(alongShank(backTo) - alongShank(end)) < LEAST_WAY) return;
  const again: Said = { ...(rule?.touching && { rule }), from: end, to: backTo };
  const step = make(t, "wind", again, object, { name: partName(t, object, "winding") });
  if (step?.do === "wind") t.bench.hangs = step.to ?? step.from;
}
const LEAST_WAY = 0.03;

/** Names that steps go by, by the part. */
export const partName = (t: Telling, object: Meant, fallback: string): string => t.told.part ?? object.role ?? fallback;

/** The place at which a step ends towards the eye: where the thread then hangs. */
export const frontOf = (a: Place, b: Place | undefined): Place =>
  b === undefined || alongShank(a) <= alongShank(b) ? a : b;
export { unique };
