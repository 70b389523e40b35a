import type { Place } from "../../hooks";
import type { Bench, Telling, Waiting } from "../bench";
import { isBareBundle, takeOver } from "./across";
import type { Meant } from "./object";
import { frontOf } from "./places";

const bareFibres =
  /^(?:the\s+)?(?:remaining\s+|same\s+|tail\s+)*(?:fib(?:re|er)s?|barbs?|butts?|herls?)(?:\s+(?:ends?|butts?))?$/;

/** “The butts of the turkey” are of another part. */
const ofOther = /\bof\s+(?:the\s+)?(?!(?:the|tail|same|fib(?:re|er)s?|barbs?|bundle|bunch|it|them|those|these)\b)[a-z]/;

/**
 * What is left of a bundle that was the tail, and mostly the body as well: it hangs where its winding ended. Nothing
 * where the fly has another bundle for a cover, or none that could go on.
 */
function restOfBundle(bench: Bench): Waiting | undefined {
  const tied = bench.made.findLast(
    ({ step }) => step.do === "lay" && !step.countedWhenWound && bench.component(step.component)?.role === "tail",
  );
  const part = bench.component(tied?.step.component);
  const form = bench.formOf(part);
  if (tied?.step.do !== "lay" || !part || !("fibres" in tied.step.amount)) return undefined;
  if (form !== "feather fibre" && form !== "herl" && form !== "hair") return undefined;
  const carried = bench.made.findLast(({ step }) => step.do === "wind" && step.carries === tied.step.id)?.step;
  const at: Place = carried?.do === "wind" ? frontOf(carried.from, carried.to) : (tied.step.tieIn?.at ?? tied.step.to);
  return {
    ...{ step: tied.step.id, component: part.id, role: "tail" as const, form, at, hangs: true },
    ...{ said: {}, line: tied.line, used: false },
  };
}

const strokesBack = /^\W*(?:(?:and|then|now)\s+)*(?:bend|fold|stroke|lay|pull|sweep|bring|push)\b[^.;]*\bback\b/;
/** “Bend the remaining fibres back”: the part of which they are. */
export function partOfRest(t: Telling): Meant | undefined {
  const words = t.text.slice(t.told.at, t.told.end);
  const isRest = t.told.refers === "the rest" && !t.told.description && strokesBack.test(words) && !ofOther.test(words);
  // “Two feathers, tips back; fold the butts back over”: those of what was tied in last.
  const laid = t.bench.made.findLast((m) => m.step.do === "lay" && !m.step.countedWhenWound);
  const isOfLast = /\bbutts?\b/.test(words) && t.bench.component(laid?.step.component)?.role !== "tail";
  const rest = isRest && !isOfLast ? restOfBundle(t.bench) : undefined;
  return rest && { component: t.bench.component(rest.component), role: rest.role, form: rest.form };
}

/**
 * “Wing case: the rest of the fibres”, “bring the fibres over the thorax as a wing case”: one bundle, counted once,
 * that was the tail and the body before.
 */
export function coversWithRest(t: Telling): boolean {
  const { told, bench } = t;
  const words = told.description?.text.toLowerCase().trim();
  const isOther = ofOther.test(t.text.slice(told.at, told.end)) || (words !== undefined && !bareFibres.test(words));
  const isRest = (told.refers === "the rest" || told.refers === "the same") && !isOther;
  const isBare = words !== undefined && bareFibres.test(words) && isBareBundle(words.replace(/^.*\s/, ""));
  if (!(isRest || isBare) || (told.role !== undefined && told.role !== "wing case" && told.role !== "tail"))
    return false;
  if (bench.ofRole("wing case") || bench.waiting.some((w) => w.hangs && !w.used && w.role !== "tail")) return false;
  const rest = restOfBundle(bench);
  if (!rest) return false;
  const { amount: _amount, hanging: _hanging, ...own } = told.said;
  const tied = bench.made.find((m) => m.step.id === rest.step);
  if (tied?.step.do === "lay") tied.step = { ...tied.step, hanging: true };
  const take = (): void => takeOver({ ...t, told: { ...told, description: undefined } }, rest, own);
  if (bench.ahead.has("thorax") && !bench.ofRole("thorax")) bench.later.push({ after: ["thorax"], make: take });
  else take();
  return true;
}
