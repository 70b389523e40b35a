import { placeAt } from "../hooks";
import { directionWords } from "./direction";
import { type Attitude, type LayAmount, shareOut, shareWords } from "../recipe";
import type { ComposedFly, FlyStep } from "../fly";
import { questions } from "../methods";
import { sayStep } from "../words";
import { stanceWords } from "../words";

/** A step as it is read at the bench: in mm for the size in hand, in the chosen way, from the tier's side. */
export interface BenchStep {
  id: string;
  name: string;
  material: string;
  /** Where, in mm behind the eye. */
  where: string;
  /** Lengths, fullness, turns: the figures of this size. */
  figures: string[];
  /** Ways that differ from the usual, or that the pattern names. */
  ways: string[];
  instruction?: string;
  /** As it is said, without the size. */
  words: string;
}

const inMm = (value: number): string => `${value.toFixed(1)} mm`;

export function benchStepOf(
  fly: ComposedFly,
  s: FlyStep,
  handed: "left" | "right",
  say: (mm: number) => string = inMm,
): BenchStep {
  const r = fly.tied.steps.find((x) => x.id === s.id);
  const where = !r || r.do === "thread" ? "" : r.to > r.from ? `${say(r.from)} to ${say(r.to)}` : `at ${say(r.from)}`;
  return {
    id: s.id,
    name: s.name,
    material: s.material?.name ?? "",
    where,
    figures: figuresOf(fly, s, handed, say),
    ways: waysOf(fly, s),
    instruction: s.step.instruction,
    words: sayStep(s.step),
  };
}

function figuresOf(fly: ComposedFly, s: FlyStep, handed: "left" | "right", say: (mm: number) => string): string[] {
  const r = fly.tied.steps.find((x) => x.id === s.id);
  const figures: string[] = [];
  const { step } = s;
  if (s.fibres && step.do === "lay")
    figures.push(
      step.spread ? `${step.spread[0]} to ${counted(step.spread[1], step.amount)}` : counted(s.fibres, step.amount),
    );
  if (s.fibres && step.do === "lay" && step.round) figures.push(shareWords(shareOut(s.fibres, step.round)));
  if (step.do === "lay" && step.stance)
    figures.push(`${stanceWords[step.stance]}${step.setBy ? `, set by ${step.setBy}` : ""}`);
  const side = fly.ridesPointUp && step.do === "lay" ? sidesOfPointUp[step.attitude ?? "back"] : undefined;
  if (side) figures.push(side);
  if (s.widthMm) figures.push(`${say(s.widthMm)} ${step.do === "lay" && "clump" in step.amount ? "squeezed" : "wide"}`);
  if (s.shownMm) figures.push(`${say(s.shownMm)} showing${s.grossMm ? `, ${say(s.grossMm)} in all` : ""}`);
  if (s.barbMm) figures.push(`barbs ${[...new Set(s.barbMm.map(say))].join(" to ")}`);
  if (step.do === "wind" && r?.turns && s.material?.form !== "thread")
    figures.push(`${Number(r.turns.toFixed(1))} turns${r.pitch && s.role === "rib" ? `, ${say(r.pitch)} apart` : ""}`);
  if (step.do === "wind" && s.clockwise !== undefined && s.role === "rib")
    figures.push(directionWords(s.clockwise, handed));
  if (s.fillMm)
    figures.push(
      r?.turns
        ? `${say(s.fillMm[0])} full to ${say(s.fillMm[1])}, about ${Math.ceil(r.turns)} turns`
        : "full enough already: nothing to wind",
    );
  if (step.do === "dress" && step.trace && s.material?.fliesPerPacket)
    figures.push(`a trace: a packet ties ${s.material.fliesPerPacket}`);
  if (step.do === "wind" && step.shows) figures.push(`${step.shows} face showing`);
  if (step.do === "wind" && step.take?.from === "leftover" && r?.stretch)
    figures.push(
      `stretched ${Number(r.stretch.toFixed(2))} times: begin with ${say(step.take.startMm)}, ${say(step.take.leftMm)} are left`,
    );
  if (r?.endDiameters)
    figures.push(
      `${say(r.endDiameters[0])} full in front, ${say(r.endDiameters[1])} at the rear; or ${say(r.noodle ?? 0)} of noodle`,
    );
  if ((step.do === "wind" || step.do === "lay") && step.face)
    figures.push(`hollow side ${step.face === "in" ? "to the hook" : "away from the hook"}`);
  if (step.tieIn) figures.push(`${s.wraps ?? 0} wraps at ${say(placeAt(step.tieIn.at, fly.hook, fly.tied.beadMm))}`);
  return figures;
}

/** On a fly that swims point up, what is under the shank in the vise is its back in the water. */
const sidesOfPointUp: Partial<Record<Attitude, string>> = {
  down: "under the shank in the vise, on top as it swims",
  over: "on top in the vise, below as it swims",
  up: "on top in the vise, below as it swims",
};

const noun = (amount: LayAmount): string =>
  "strands" in amount ? "strand" : "pieces" in amount ? "piece" : "feathers" in amount ? "feather" : "fibre";
const counted = (n: number, amount: LayAmount): string => `${n} ${noun(amount)}${n === 1 ? "" : "s"}`;

/** The chosen way of each question, but for those where every pattern goes the same usual way. */
function waysOf(fly: ComposedFly, s: FlyStep): string[] {
  return s.methods.flatMap((m) => {
    const question = questions.find((q) => q.id === m.question);
    const named =
      s.step.methods?.[m.question] !== undefined || fly.choice.methods?.[`${s.id}/${m.question}`] !== undefined;
    return question && (named || m.inBulk) ? [m.words] : [];
  });
}
