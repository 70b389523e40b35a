import type { Clause } from "../said";
import { byEnd, hackleClauses, clausesOf, boundInClauses, beginningAt } from "../clauses";
import type { Here } from "./here";
import type { MaterialForm } from "../../materials";
import { asDubbing } from "../named";
import { formTold, type Next, type Told } from "../told";
import { correction, correct } from "./corrections";
import { participleAt } from "../verbs";

const tiedInByEnd: readonly Clause[] = [...byEnd, ...clausesOf.lay];
const hackleTiedIn: readonly Clause[] = [...hackleClauses, ...clausesOf.lay];

/** Herl that is as long as something lies there; it does not wait to be wound. */
const hasLength =
  /^[^.;]*\b(?:as\s+long\s+as|on\s+top|(?:longer|shorter)\s+than|(?:slightly|little|bit|touch)\s+(?:longer|shorter)|same\s+length|level\s+with)\b/;

/** Tied in by one end or the other: a hackle, or what was told of just before. */
const saysByWhichEnd = ({ role, verb, description }: Told, form: MaterialForm | undefined): boolean => {
  const isWound = form === "hackle" || form === "herl" || form === "quill";
  const isHackle = role === "hackle" || role === "collar" || (role === undefined && isWound);
  return isHackle || (verb === "tie in" && role === undefined && description === undefined);
};

export function sayingAt({ told, text, at, context }: Here): Next | undefined {
  const form = formTold(told);
  // A hackle that is tied in for no part will be wound.
  const isHackle = told.verb === "tie in" && told.kind === "lay" && told.role === undefined && form === "hackle";
  const isBoundIn = context.waits(told.role, form) && !(form === "herl" && hasLength.test(text.slice(told.at)));
  const ofEnd = form === "hackle" && told.role === undefined ? hackleTiedIn : tiedInByEnd;
  const ofLaid = isBoundIn ? boundInClauses : saysByWhichEnd(told, form) ? ofEnd : clausesOf.lay;
  const clauses: readonly Clause[] = isHackle ? hackleTiedIn : told.kind === "lay" ? ofLaid : clausesOf[told.kind];
  const corrected = correction(text, at);
  if (corrected) return correct(told, text, at, corrected.end, clauses);
  for (const c of beginningAt(clauses, text, at)) {
    const end = c.take(told.said, text, at);
    if (end !== undefined && end > at) {
      told.understood.push({ at, end });
      return { told, end };
    }
  }
  const done = participleAt(text, at);
  // Hair that is spun flares all round the hook; nothing is dubbed of it.
  if (done?.value === "dub" && form === "hair") {
    told.said.stance ??= "full round";
    told.understood.push({ at, end: done.end });
    return { told, end: done.end };
  }
  if (done) {
    // “tan feltlight, dubbed slim”: whatever it is called, it is no strand that is wound.
    const canBeDubbed = form === undefined || form === "dubbing" || form === "blend";
    if (done.value === "dub" && told.kind === "wind" && told.role !== "thread" && canBeDubbed) told.kind = "dress";
    // “Yellow wool, teased out and dubbed”: then it is no yarn that is wound.
    const isDubbed = told.kind === "wind" && /\bdubbed\b/.test(text.slice(at, done.end));
    const dubbed = isDubbed ? asDubbing(told.description, "dub") : told.description;
    if (dubbed !== told.description) Object.assign(told, { description: dubbed, kind: "dress" });
    if (told.verb === undefined && done.value !== "tie in") told.verb = done.value;
    if (/palmered|spiral/.test(text.slice(at, done.end))) told.said.palmered = true;
    told.understood.push({ at, end: done.end });
    return { told, end: done.end };
  }
  return undefined;
}
