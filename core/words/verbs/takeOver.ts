import { isSame } from "../../numeric";
import type { Place } from "../../hooks";
import type { MaterialForm } from "../../materials";
import type { Role } from "../../recipe";
import type { Bench, Telling, Waiting } from "../bench";
import { bodyEnds } from "./lastBody";
import { anyOf } from "../parse";
import type { Said } from "../said";
import type { Told } from "../told";
import { alongShank, THORAX_REAR } from "../settle";
import { goesOver, isBareBundle, NEARBY, takeOver } from "./across";
import { make, partName } from "./making";
import { objectOf, type Meant } from "./object";
import { coversWithRest, partOfRest } from "./restOfBundle";
import { tieIn } from "./tieIn";
import { HACKLE_IN_TURNS } from "./hackleInTurns";
import { verb } from "./verb";

/**
 * One operation on a bundle, strand, feather or wing: taken over to a place, so much left free, held with wraps;
 * forward or back, as often as told.
 */
export function tellTakeOver(telling: Telling): void {
  if (splits(telling) || slidesUp(telling)) return;
  const hackle = woundJustNow(telling);
  if (hackle) return stroke(telling, hackle);
  const { told: all, text } = telling;
  const goes = goesOver(text.slice(all.at, all.end)) || all.role === "wing case";
  if (goes && coversWithRest(telling)) return;
  const t = asCover(telling);
  const { told, bench } = t;
  const called = bandCalled(t);
  if (called) return takeOver(t, called, told.said);
  const waiting = hanging(t);
  if (waiting) return takeOver(t, waiting, told.said);
  const found = told.role === undefined && told.description ? bench.resolve(told.description).material : undefined;
  const strand = found && bench.waits((w) => !w.hangs && isOf(bench, w, found.code) && liesFlat.has(w.form));
  const flat = strand && stripOf(t, strand.component);
  if (flat) return takeOver(t, flat, told.said);
  const object = partOfRest(t) ?? objectOf(t);
  const declared = object.component && bench.declared.get(object.component.id);
  if (declared && object.role === "wing case") return tieDeclared(t, object, declared.said);
  const strip = object.component && stripOf(t, object.component.id);
  if (strip) return takeOver(t, strip, told.said);
  // “a strip tied down in front of the body and folded back over it”: tied in and taken over in one breath.
  const isNew = object.component && !bench.made.some((m) => m.step.component === object.component?.id);
  if (isNew && told.description && told.said.tieIn?.at === undefined && told.said.there && bandForms.has(object.form))
    told.said.tieIn = { at: told.said.there };
  if (isNew && told.description && told.said.tieIn?.at && bandForms.has(object.form)) {
    const as: Telling = { ...t, told: { ...told, role: told.role ?? "wing case" } };
    return tieAndTakeOver(as, objectOf(as), told.said);
  }
  // “pearl tinsel back folded over”: named with its part, it is tied in behind and goes over what is there.
  if (isNew && told.description && object.role === "wing case") return listedCover(t, object, told.said);
  const tail = object.component && tailStrip(t, object.component.id);
  if (tail) return takeOver(t, tail, told.said);
  const bundle = tailBundle(t);
  if (bundle) {
    const { there, ...said } = told.said;
    // “Over the body”: not only as far as where it begins.
    const isFar = there !== undefined && alongShank(bundle.at) - alongShank(there) > NEARBY;
    return takeOver(t, bundle, isFar ? told.said : said);
  }
  const cheeks = object.component && cheeksLeft(t, object.component.id);
  if (cheeks) return takeOver(t, cheeks, told.said);
  foldsBack(t, object);
  // What is wound or spread already is only stroked into its place.
  const isThere = object.component !== undefined && (!isNew || object.role === "thread") && object.role !== "wing case";
  if (isThere && !pullsWhatIsDubbed(t, object)) return stroke(t, object);
  // “Pull the shellback forward”, where a band waits that no line has called so.
  const band = told.role === "wing case" ? bench.waits((w) => !w.hangs && w.form === "stretch body") : undefined;
  const shell = band && stripOf(t, band.component);
  if (shell) return takeOver(t, shell, told.said);
  t.line.asks.push({
    at: [told.at, told.end],
    sentence: "What is taken over? Nothing hangs there to be pulled over; tie it in first.",
    answers: [],
  });
}

const foldsDown = /^\W*(?:(?:then|and|now)\s+)*(?:fold|stroke|sweep|draw|pull)\s+(?:it|them)\s+(?:down|back)\b/;
/** “Two turns of the hackle, fold it down”: the hackle that was just wound, whatever else waits to be pulled over. */
function woundJustNow({ told, text, bench }: Telling): Meant | undefined {
  if (told.description || !foldsDown.test(text.slice(told.at, told.end))) return undefined;
  const role = /\b(hackle|collar)\b/.exec(text.slice(0, told.at))?.[1];
  const component = role === "hackle" || role === "collar" ? bench.ofRole(role) : undefined;
  if (!component || !bench.made.some((m) => m.step.do === "wind" && m.step.component === component.id))
    return undefined;
  return { component, role: component.role, form: bench.formOf(component) };
}

const slides = /^\W*(?:(?:then|and|now)\s+)*(?:push|slide|shove|slip)\b/;
/** “Push them up to the eye”, of the weight that was wound last: it begins there. */
function slidesUp({ told, text, bench }: Telling): boolean {
  const last = bench.made.at(-1);
  const isWeight = bench.component(last?.step.component)?.role === "weight";
  const { end, to, there, shown } = told.said;
  const place = end ?? to ?? there ?? (shown && "to" in shown ? shown.to : undefined);
  if (!isWeight || last?.step.do !== "wind" || last.step.to || !place || told.description) return false;
  if (!slides.test(text.slice(told.at, told.end))) return false;
  last.step = { ...last.step, from: place };
  return true;
}

const pullsOver = /^\W*(?:(?:then|and|now)\s+)*(?:pull|draw|fold|stretch)\s+(?:it\s+)?(?:over|forwards?)\b/;
/** “Pull it over”, where all that was told of last is dubbed: that is not what is meant. */
function pullsWhatIsDubbed({ told, text, bench }: Telling, { component }: Meant): boolean {
  const last = bench.made.findLast((m) => m.step.component === component?.id)?.step;
  return told.description === undefined && last?.do === "dress" && pullsOver.test(text.slice(told.at, told.end));
}

const isSplit = /^\W*(?:(?:i|we|you|then|and|now)\s+)*(?:split|divide|separate)\b/;
const canSplit = new Set<Role | undefined>(["tail", "wing"]);
/** “Split them with two turns of thread”: what was laid stands apart from then on, and the turns hold it. */
function splits({ told, text, bench }: Telling): boolean {
  const { said, description, role, refers } = told;
  const component = role ? bench.ofRole(role) : refers === "it" ? bench.component(bench.last.component) : undefined;
  const last = bench.made.findLast((m) => m.step.do === "lay" && m.step.component === component?.id);
  if (last?.step.do !== "lay" || !canSplit.has(component?.role) || description) return false;
  if (said.wraps === undefined || !isSplit.test(text.slice(told.at, told.end))) return false;
  const at = last.step.tieIn?.at ?? last.step.to ?? last.step.from;
  last.step = { ...last.step, stance: "V", setBy: "thread", tieIn: { ...last.step.tieIn, at, wraps: said.wraps } };
  return true;
}

/** Parts of which no slip or bunch is pulled over: a line about them speaks of another thing then. */
const isWound = new Set<Role | undefined>(["body", "thorax", "hackle", "collar", "rib", "head"]);
/** The part that a pull is about; “Thorax: hare. Pull the slip over” is not about the thorax. */
export const pulledRole = ({ role, isInherited, description }: Told): Role | undefined =>
  isInherited && isWound.has(role) && description && isBareBundle(description.text) ? undefined : role;
/** “Pull it over”, where nothing else is named: that of which a list says that it covers something. */
export const pullsItOver = (t: Told, text: string): boolean =>
  t.verb === "take over" &&
  t.description === undefined &&
  t.role === undefined &&
  goesOver(text.slice(t.at, t.end)) &&
  /^\W*(?:(?:then|and|now)\s+)*\p{L}+\s+(?:it|them|this|that)\b/u.test(text.slice(t.at, t.end));
/** “Pull the slip over”: the wing case, where the fly has one. */
function asCover(telling: Telling): Telling {
  const { bench } = telling;
  const role = pulledRole(telling.told);
  const t = role === telling.told.role ? telling : { ...telling, told: { ...telling.told, role } };
  const { told } = t;
  const cover = bench.ofRole("wing case");
  const isListed = cover !== undefined && bench.declared.get(cover.id)?.used === false;
  const isCover =
    told.role === undefined &&
    (told.description ? isBareBundle(told.description.text) : isListed && pullsItOver(told, t.text));
  if (!isCover || !cover) return t;
  return { ...t, told: { ...told, role: "wing case", description: undefined } };
}

/** What is broad enough to cover something when it is folded over. */
const bandForms = new Set<MaterialForm | undefined>(["stretch body", "yarn", "quill", "flash", "floss"]);
/** Strands that can be laid over the back instead of being wound. */
const liesFlat = new Set(["stretch body", "yarn", "tinsel", "flash", "floss", "chenille"]);
/** So far from the eye, in shanks, a strip that is pulled over forward cannot have been bound in. */
const FRONT = 0.4;
/** A strip that was tied in for a body and is not wound yet: folded forward it lies over what is under it. */
function stripOf({ bench }: Pick<Telling, "bench">, component: string): Waiting | undefined {
  const strip = bench.waiting.findLast((w) => w.component === component && !w.used && liesFlat.has(w.form));
  if (!strip) return undefined;
  strip.hangs = true;
  // What lies over the body was bound in behind it, wherever the line that names it stands.
  const tied = bench.made.find((m) => m.step.id === strip.step);
  if (tied?.step.do === "lay" && strip.at && alongShank(strip.at) < FRONT) {
    const bend: Place = { landmark: "bend" };
    tied.step = {
      ...tied.step,
      from: { landmark: "bend", plus: { of: "eye", times: -1 } },
      to: bend,
      tieIn: { ...tied.step.tieIn, at: bend },
    };
    strip.at = bend;
  }
  return strip;
}

/** “Pull the film over”, “the skin”, of a strip of it that was tied in and is not wound yet. */
function bandCalled({ told, text, bench }: Telling): Waiting | undefined {
  if (told.description ?? told.role) return undefined;
  const rest = told.rest.find((r) => ofBand.test(text.slice(r.at, r.end)));
  const word = rest && text.slice(rest.at, rest.end);
  const strip = bench.waits((w) => {
    const name = bench.materialOf(bench.component(w.component))?.name.toLowerCase() ?? "";
    return liesFlat.has(w.form) && word !== undefined && name.split(/[^a-z]+/).includes(word);
  });
  if (!rest || !strip) return undefined;
  told.rest = told.rest.filter((r) => r !== rest);
  told.understood.push(rest);
  return stripOf({ bench }, strip.component);
}
export const ofBand = /^(?:film|skin|sheet|shell|plastic|foil|latex|raffia)$/;

/** “Pull the rabbit strip over the top”: what was tied in as a tail goes on over the back. */
function tailStrip({ bench }: Telling, component: string): Waiting | undefined {
  const tied = bench.made.findLast((m) => m.step.component === component);
  const part = bench.component(component);
  const form = bench.formOf(part);
  if (
    part?.role !== "tail" ||
    form !== "yarn" ||
    tied?.step.do !== "lay" ||
    !ofHide.test(bench.materialOf(part)?.name ?? "")
  )
    return undefined;
  const at = tied.step.tieIn?.at ?? tied.step.to;
  return { step: tied.step.id, component, role: "tail", form, at, hangs: true, said: {}, line: tied.line, used: false };
}
const ofHide = /strip|zonker|hide|leather|rabbit|mink|squirrel/i;

const otherEnd = /\b(?:butts?|rest|remainder|remaining|stubs?)\b/;
const bundles = new Set<MaterialForm | undefined>(["hair", "feather fibre", "hackle", "herl"]);
/** “Bring the tail butts forward over the body”: one bundle, of which the tips are the tail and the butts a back. */
function tailBundle({ told, text, bench }: Telling): Waiting | undefined {
  const words = text.slice(told.at, told.end);
  const part = bench.ofRole("tail");
  const at = bench.made.findLastIndex((m) => m.step.do === "lay" && m.step.component === part?.id);
  const tied = bench.made[at];
  const form = bench.formOf(part);
  const isNamed = told.description && bench.resolve(told.description).material === bench.materialOf(part);
  const isMeant = told.role === "tail" || (told.role === undefined && (isNamed || otherEnd.test(words)));
  const isCovering = bench.made.slice(at + 1).some((m) => m.step.do === "dress" || m.step.do === "wind");
  if (!part || tied?.step.do !== "lay" || !form || !bundles.has(form) || !isMeant || !isCovering) return undefined;
  if (tied.step.countedWhenWound || !goesOver(words)) return undefined;
  tied.step = { ...tied.step, hanging: true };
  const from = tied.step.tieIn?.at ?? tied.step.to;
  return {
    ...{ step: tied.step.id, component: part.id, role: "tail", form, at: from, hangs: true },
    ...{ said: {}, line: tied.line, used: false },
  };
}

/** “Red floss for cheeks … pull it forward along each side”: cheeks of which no length was said hung till then. */
function cheeksLeft({ bench }: Telling, component: string): Waiting | undefined {
  const tied = bench.made.findLast((m) => m.step.component === component);
  const role = bench.component(component)?.role;
  const form = bench.formOf(bench.component(component));
  if (role !== "cheeks" || !form || tied?.step.do !== "lay" || tied.step.shown || tied.step.countedWhenWound)
    return undefined;
  tied.step = { ...tied.step, hanging: true };
  const at = tied.step.tieIn?.at ?? tied.step.from;
  return { step: tied.step.id, component, role, form, at, hangs: true, said: {}, line: tied.line, used: false };
}

const reversible = new Set<MaterialForm | undefined>(["hair", "feather fibre", "yarn", "flash"]);
const foldsIt = /^\W*(?:(?:and|then|now)\s+)*(?:fold|bend|double|flip|turn|push|bring)\b(?!.*\bloop\b)/u;
/** “Tips forward over the eye, then fold it back”: from then on it points back, over what holds it. */
function foldsBack({ told, bench, text }: Telling, { component, role, form }: Meant): void {
  const tied = bench.made.findLast((m) => m.step.component === component?.id && m.step.do === "lay");
  if (tied?.step.do !== "lay" || tied.step.attitude !== "forward" || role === "legs" || !reversible.has(form)) return;
  if (told.said.way !== "forward" && foldsIt.test(text.slice(told.at))) tied.step = { ...tied.step, attitude: "back" };
}

const isOf = (bench: Telling["bench"], w: Waiting, code: string): boolean =>
  bench.component(w.component)?.material.some((m) => m.value === code) === true;
function hanging({ told, bench }: Telling): Waiting | undefined {
  const found = told.description && bench.resolve(told.description).material;
  if (found) return bench.waiting.findLast((w) => w.hangs && isOf(bench, w, found.code));
  if (told.role !== undefined)
    return bench.waiting.findLast(
      (w) => w.hangs && (w.role === told.role || (told.role === "flash" && w.form === "flash")),
    );
  return bench.waiting.findLast((w) => w.hangs);
}

const isBackWord = /\b(?:back|shell)/;
/** A cover that a list named, and no line tied in, is bound in before what it covers. */
function tieDeclared(t: Telling, object: Meant, declared: Said): void {
  const { bench, line } = t;
  const roles = new Map(bench.components.map((c) => [c.id, c.role]));
  const first = bench.made.find(
    (m) => roles.get(m.step.component ?? "") === "thorax" && (m.step.do === "wind" || m.step.do === "dress"),
  )?.step;
  const body = bench.made.find(
    (m) => roles.get(m.step.component ?? "") === "body" && (m.step.do === "wind" || m.step.do === "dress"),
  )?.step;
  const isFullLength = isBackWord.test(t.text.slice(t.told.at, t.told.end)) || first === undefined;
  const coversBody = isFullLength && body !== undefined;
  // Where the list says the place of its tie-in, nothing is taken for granted.
  if (!declared.tieIn && !declared.there)
    line.notes.push(
      coversBody
        ? "it was never tied in: it is taken as bound in before the body, at the bend"
        : `it was never tied in: it is taken as bound in before the thorax, ${bodyEnds(bench) ? "where the body ends" : "where a thorax usually begins"}`,
    );
  const hung = bench.hangs;
  const { there } = declared;
  const waiting = tieIn(
    t,
    object,
    {
      ...declared,
      tieIn: declared.tieIn ??
        (there && { at: there }) ?? { at: coversBody ? { landmark: "bend" } : coverBegins(bench) },
      hanging: true,
    },
    (coversBody ? body : first)?.id,
  );
  bench.hangs = hung;
  const entry = object.component && bench.declared.get(object.component.id);
  if (entry) entry.used = true;
  if (waiting) takeOver(t, waiting, t.told.said);
}

function stroke(t: Telling, object: Meant): void {
  const { said } = t.told;
  const direction =
    said.way ?? (said.attitude === "forward" ? "forward" : said.attitude === "back" ? "back" : undefined);
  make(
    t,
    "act",
    {
      act: "stroke",
      ...(direction && { direction }),
      ...(said.there && { at: said.there }),
      ...(said.wraps !== undefined && { wraps: said.wraps }),
    },
    object,
    { name: `stroke the ${partName(t, object, "part")}` },
  );
}

const isBehind = (a: Place, b: Place): boolean => alongShank(a) > alongShank(b);
const tiedInThenDown = /\btied\s+in\b[^;]*\btied\s+(?:down|off)\b/;
function tieAndTakeOver(t: Telling, object: Meant, spoken: Said): void {
  const said = { ...spoken };
  const end = said.end ?? said.there;
  // “Tied in by its tips at the bend, tied down at two thirds”: the second place is where it goes.
  if (end && said.tieIn?.at && tiedInThenDown.test(t.text.slice(t.told.at, t.told.end)) && isBehind(end, said.tieIn.at))
    Object.assign(said, { end: said.tieIn.at, tieIn: { ...said.tieIn, at: end } });
  const tied: Said = { ...(said.amount && { amount: said.amount }), tieIn: { at: said.tieIn?.at }, hanging: true };
  const waiting = tieIn(t, object, tied);
  if (!waiting) return;
  takeOver(t, waiting, {
    ...((said.end ?? said.there) ? { end: said.end ?? said.there } : {}),
    ...(said.free && { free: said.free }),
    ...(said.wraps !== undefined && { wraps: said.wraps }),
    ...(said.stretch !== undefined && { stretch: said.stretch }),
  });
}

/** A cover of the thorax is tied in where the body ends, as far as that is said. */
const coverBegins = (bench: Bench): Place => bodyEnds(bench) ?? { fraction: THORAX_REAR };

/** A cover of a list is bound in before what it covers and taken over when that is there. */
export function listedCover(t: Telling, object: Meant, said: Said): void {
  const { bench } = t;
  // A strip that is tied in and bound down again in one line lies at once.
  if (t.told.verb === "take over" && said.tieIn?.at !== undefined && object.role !== "wing case")
    return tieAndTakeOver(t, object, said);
  const roles = new Map(bench.components.map((c) => [c.id, c.role]));
  const covers =
    object.role === "wing case" && t.told.part !== undefined && /back|shell|cara/.test(t.told.part)
      ? (["body", "thorax"] as const)
      : (["thorax", "body"] as const);
  const first = bench.made.find(
    (m) =>
      covers.some((r) => roles.get(m.step.component ?? "") === r) &&
      (m.step.do === "wind" || m.step.do === "dress") &&
      roles.get(m.step.component ?? "") === covers[0],
  )?.step;
  const words = t.text.slice(t.told.at, t.told.end);
  const stated: Place | undefined = said.tieIn?.at ?? said.there ?? said.begin;
  // “Pulled over the eyes and tied down at the hook eye”: that is where it ends.
  const isHeldThere =
    (/\btied\s+down\b/.test(words) && !/\btied\s+in\b/.test(words)) ||
    /\b(?:pulled|folded|brought|drawn|taken)\b[^.;]*\btied\s+(?:off\s+)?(?:at|behind|in\s+front\s+of)\b/.test(words);
  const at = isHeldThere ? undefined : stated;
  const rear: Place = at ?? (covers[0] === "body" ? { landmark: "bend" } : coverBegins(bench));
  const tied: Said = { ...said, tieIn: { at: rear }, hanging: true };
  // “pulled forward to the bead”: where it goes is no length of it.
  const reached = said.shown && "to" in said.shown ? said.shown.to : undefined;
  if (reached) delete tied.shown;
  delete tied.there;
  delete tied.begin;
  delete tied.end;
  delete tied.from;
  delete tied.to;
  delete tied.free;
  const hung = bench.hangs;
  const waiting = tieIn(t, object, tied, first?.id);
  bench.hangs = hung;
  if (!waiting) return;
  // “Tied in at the eye, folded back over the top”: it goes the other way.
  const goesBack = alongShank(rear) < FRONT && /(?<!\b(?:tips|butts|ends|pointing|hanging)\s+)\bback\b/.test(words);
  const farEnd: Place = goesBack ? { landmark: "bend" } : ((isHeldThere ? stated : undefined) ?? { eyeLengths: 1 });
  // “Tied in at the bend, pulled forward and tied down at a third of the shank”: there it ends.
  const heldAt = said.tieIn?.at && said.there && !isSame(said.tieIn.at, said.there) ? said.there : undefined;
  const own: Said = {
    end: said.end ?? reached ?? said.to ?? heldAt ?? farEnd,
    ...(said.free && { free: said.free }),
    ...(said.wraps !== undefined && { wraps: said.wraps }),
  };
  // Where nothing that it could cover is to come, it lies at once.
  const isCovering = first !== undefined || !(bench.ahead.has("thorax") || bench.ahead.has("body"));
  if (isCovering) return takeOver(t, waiting, own);
  // A line of its own may have told it by then.
  bench.later.push({ after: ["thorax"], make: () => (waiting.used ? undefined : takeOver(t, waiting, own)) });
}

export const takeOverVerb = verb(
  "take over",
  anyOf(
    "take\\s+over(?=\\s+the\\s)",
    "(?:pull|draw|bring|fold|lay)(?=\\s+(?:the\\s+)?tinsel\\s+(?:forwards?\\s+)?over\\s+the\\s+(?:back|top|body)\\b(?!.*\\bturns?\\b))",
    "(?:pull|draw|bring|fold|bend|stretch|lay)\\s+the\\s+cover(?=\\s+(?:over|forwards?|back)\\b)",
    "pull(?=\\s+(?:the\\s+)?(?:shell\\s?-?back|wing\\s?-?case|film|foam|raffia|strip)\\b)",
    "(?:the\\s+)?(?:wing\\s?-?cases?|wing\\s+(?:pads?|buds?|covers?)|shell\\s?-?backs?|back|cover|case|foam|(?:stretch\\s+)?(?:film|strip|skin))\\s+(?:over|forward)(?=\\s|,|\\.|$)",
    `(?:pull|draw|bring|fold|bend|stretch|pass|carry|lay(?!\\s+down\\b)|flip|turn|push|press)(?!\\s+${HACKLE_IN_TURNS})(?!(?:ed)?\\s+(?:over|a?round)\\s+the\\s+(?:tying\\s+)?(?:thread|silk)\\b)(?!\\s+(?:(?:the|its|all)\\s+)?(?:hackle\\s+)?(?:fibres|barbs)\\s+back)(?=\\s+(?:(?!thread|silk|wire|tinsel|rib\\b)[\\w-]+\\s+){0,6}?(?:over|forward|forwards|back|backwards|down|across|double|rearward|up)\\b)`,
    "fold\\s+(?:back|over(?!\\s+the\\s+(?:tying\\s+)?(?:thread|silk)\\b)|forward|double)",
    "pull\\s+(?:over|forward|back|down)",
    "split(?!\\s*,|\\s+(?:tails?|wings?|thread)\\b(?:\\s+(?:of|with|from)\\b|\\s*[:,]))",
    "divide",
    "separate",
  ),
  tellTakeOver,
);
