import { isSame } from "../../numeric";
import type { Place } from "../../hooks";
import type { Component, Role } from "../../recipe";
import type { Bench, Waiting } from "../bench";
import type { Said } from "../said";
import { alongShank, zoneOf } from "../settle";
import { lastBody } from "./lastBody";
import { frontOf } from "./places";

/**
 * What waits was bound in for the part that its stuff usually makes, where such a part usually is. The line that winds
 * it may tell otherwise: then it was bound in for that, and there.
 */
export function boundInFor(bench: Bench, w: Waiting, own: Said, role: Role | undefined): void {
  // “Tie in flat silver, wind it to the eye in touching turns”: that is the body, as no rib covers it.
  const isFlat = w.form === "tinsel" && own.rule?.touching === true && own.rule.turns === undefined;
  if (isFlat && !bench.ofRole("body") && !bench.ahead.has("body")) asPart(bench, w, "rib", "body");
  if (own.palmered || own.roundPost || isWoundBack(w, own)) asPart(bench, w, "collar", "hackle");
  const rear = role === "thorax" && asPart(bench, w, "body", "thorax") ? zoneOf("thorax")?.[1] : undefined;
  if (rear) bindInAt(bench, w, rear);
}

/**
 * “Tie in a strand of flash and wind it forward”: what was laid to stand off the shank was tied in to be wound, as the
 * body, or over one that is there; nothing where it is more than just tied in.
 */
export function laidToBeWound(bench: Bench, { id, role }: Component): Waiting | undefined {
  const [laid, more] = bench.made.filter((m) => m.step.component === id);
  if (!laid || more || laid.step.do !== "lay" || laid.step.countedWhenWound || laid.step.tiedIn) return undefined;
  const { shown: _shown, attitude: _attitude, round: _round, ...step } = laid.step;
  const at = step.tieIn?.at ?? step.to;
  const from: Place = at.plus ? step.from : { ...at, plus: { of: "eye", times: -1 } };
  laid.step = { ...step, from, to: at, tieIn: { ...step.tieIn, at }, countedWhenWound: true };
  const w: Waiting = {
    step: step.id,
    component: id,
    role,
    form: bench.formOf(bench.component(id)) ?? "flash",
    at,
    hangs: false,
    said: {},
    line: laid.line,
    used: false,
  };
  bench.waiting.push(w);
  asPart(bench, w, role, lastBody(bench) ? "rib" : "body");
  return w;
}

/** “Tied in at the eye, wound back to the bend”: over all of it, as no collar is. */
const FAR_BACK = 0.3;
function isWoundBack(w: Waiting, { end, to }: Said): boolean {
  const far = end ?? to;
  return far !== undefined && alongShank(far) - alongShank(w.at) > FAR_BACK;
}

/** A part that was tied in for this winding, and for nothing else, is another from then on. */
function asPart(bench: Bench, w: Waiting, from: Role, to: Role): boolean {
  const before = bench.component(w.component);
  const [tied, more] = bench.made.filter((m) => m.step.component === w.component);
  if (before?.role !== from || !tied || more) return false;
  bench.components.splice(bench.components.indexOf(before), 1);
  const { id: _id, role: _role, ...stuff } = before;
  const part = bench.componentFor(to, bench.materialOf(before), undefined);
  Object.assign(part, stuff);
  tied.step = { ...tied.step, component: part.id };
  Object.assign(w, { component: part.id, role: to });
  return true;
}

/** “Tie in a hackle”, and it is palmered over the body that comes then: where nobody says, it was bound in behind. */
export function boundBehind(bench: Bench, w: Waiting): void {
  const body = lastBody(bench);
  if (body && isAhead(w.at, frontOf(body.from, body.to))) bindInAt(bench, w, { landmark: "bend" });
}

function bindInAt(bench: Bench, w: Waiting, at: Place): void {
  const tied = bench.made.find((m) => m.step.id === w.step);
  const isPlaced = (w.said.there ?? w.said.begin) !== undefined;
  if (tied?.step.do !== "lay" || tied.step.tieIn?.at || isPlaced) return;
  const from: Place = { ...at, plus: { of: "eye", times: -1 } };
  tied.step = { ...tied.step, from, to: at, tieIn: { ...tied.step.tieIn, at } };
  if (bench.hangs && isSame(bench.hangs, w.at)) bench.hangs = at;
  w.at = at;
}

/** Whether a place lies in front of where a body ends. */
export const isAhead = (at: Place, front: Place): boolean => alongShank(at) < alongShank(front);
