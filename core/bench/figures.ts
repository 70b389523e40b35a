import { placeAt } from "../hooks";
import { shareOut, shareWords, type Act, type Attitude, type LayAmount, type RecipeStep } from "../recipe";
import type { ComposedFly, FlyStep } from "../fly";
import type { StepResult } from "../tying";
import { stanceWords } from "../words";
import { directionWords, roundPostWords } from "./direction";

/** What the figures of a step are made from: the fly, the step on it, and the tier's side. */
interface Facts {
  fly: ComposedFly;
  s: FlyStep;
  r: StepResult | undefined;
  handed: "left" | "right";
  say: (mm: number) => string;
}
type Of<K extends RecipeStep["do"]> = Extract<RecipeStep, { do: K }>;

/** Lengths, counts, turns and everything else that a step says, for the size in hand: whatever is said is read here. */
export function figuresOf(
  fly: ComposedFly,
  s: FlyStep,
  handed: "left" | "right",
  say: (mm: number) => string,
): string[] {
  const facts: Facts = { fly, s, r: fly.tied.steps.find((x) => x.id === s.id), handed, say };
  return [...ofKind(facts), ...tieInOf(facts)].filter((words): words is string => Boolean(words));
}
type Words = (string | false | undefined)[];

function ofKind(f: Facts): Words {
  const { step } = f.s;
  switch (step.do) {
    case "seat":
      return ofSeat(step);
    case "wind":
      return ofWind(f, step);
    case "lay":
      return ofLay(f, step);
    case "dress":
      return ofDress(f, step);
    case "glue":
      return ofGlue(step);
    case "act":
      return ofAct(f, step);
    case "whip":
      return ofWhip(f, step);
    case "thread":
      return [];
  }
}

const isMm = (value: number | undefined): value is number => value !== undefined && value > 0;
const plural = (n: number, noun: string): string => `${Number(n.toFixed(2))} ${noun}${n === 1 ? "" : "s"}`;

function ofSeat(step: Of<"seat">): Words {
  return [
    (step.count ?? 1) > 1 && `${step.count ?? 1} of them`,
    step.lashed === "on top" && "lashed on top: it swims point up",
    step.lashed === "underneath" && "lashed underneath",
  ];
}

function ofWind(f: Facts, step: Of<"wind">): Words {
  const { s, r, say, handed } = f;
  const isThread = s.material?.form === "thread";
  const turns = r?.turns;
  return [
    (step.rope ?? 1) > 1 && `${step.rope ?? 1} ${step.ribbon ? "side by side" : "twisted to a rope"}`,
    s.barbMm && `barbs ${[...new Set(s.barbMm.map(say))].join(" to ")}`,
    isMm(turns) &&
      (!isThread || step.rule.turns !== undefined) &&
      `${Number(turns.toFixed(1))} turns${r?.pitch && s.role === "rib" ? `, ${say(r.pitch)} apart` : ""}`,
    step.atMost !== undefined && `${plural(step.atMost, "turn")} at most`,
    step.passes === 2 ? "there and back" : (step.passes ?? 1) > 2 && `${step.passes ?? 1} layers, there and back`,
    step.rule.overlap !== undefined && `each turn over ${Math.round(step.rule.overlap * 100)} % of the one before`,
    step.roundPost && "round the post, each turn under the one before",
    step.intoBead && "pushed up into the bead",
    saysDirection(s, step) &&
      s.clockwise !== undefined &&
      (step.roundPost ? roundPostWords(s.clockwise) : directionWords(s.clockwise, handed)),
    step.sweep && { back: "swept back", square: "square to the hook", forward: "swept forward" }[step.sweep],
    s.fillMm &&
      (turns
        ? `${say(s.fillMm[0])} full to ${say(s.fillMm[1])}, about ${Math.ceil(turns)} turns`
        : "full enough already: nothing to wind"),
    step.shows && `${step.shows} face showing`,
    (step.stretch ?? 1) > 1 && `stretched ${Number((step.stretch ?? 1).toFixed(2))} times`,
    step.take?.from === "leftover" &&
      r?.stretch !== undefined &&
      `stretched ${Number(r.stretch.toFixed(2))} times: begin with ${say(step.take.startMm)}, ${say(step.take.leftMm)} are left`,
    step.take?.from === "pieces" && `from pieces of ${say(step.take.pieceMm)}`,
    faceWords(step.face ?? faceOf(s)),
  ];
}

/** A direction is told where it is a rib's, or where the recipe said one. */
const saysDirection = (s: FlyStep, step: Of<"wind">): boolean =>
  s.role === "rib" || step.counter !== undefined || step.clockwise !== undefined;

/** The face that somebody chose; the usual one goes without saying. */
function faceOf(s: FlyStep): "in" | "out" | undefined {
  const way = s.methods.find((m) => m.question === "feather face")?.school;
  return way === "out" ? "out" : undefined;
}
const faceWords = (face: "in" | "out" | undefined): string | undefined =>
  face && `hollow side ${face === "in" ? "to the hook" : "away from the hook"}`;

function ofLay(f: Facts, step: Of<"lay">): Words {
  const { fly, s, say } = f;
  const side = fly.ridesPointUp ? sidesOfPointUp[step.attitude ?? "back"] : undefined;
  const isOver = step.tiedIn !== undefined && step.attitude === "over";
  return [
    s.fibres !== undefined &&
      s.fibres > 0 &&
      (step.spread ? `${step.spread[0]} to ${counted(step.spread[1], step.amount)}` : amountWords(s, step)),
    s.fibres !== undefined && step.round && shareWords(shareOut(s.fibres, step.round)),
    step.stance && `${stanceWords[step.stance]}${step.setBy ? `, set by ${step.setBy}` : ""}`,
    side,
    isMm(s.widthMm) && `${say(s.widthMm)} ${"clump" in step.amount ? "squeezed" : "wide"}`,
    isMm(s.reachMm)
      ? `${say(s.grossMm ?? s.reachMm)} in all, to reach over`
      : isMm(s.shownMm) && `${say(s.shownMm)} showing${isMm(s.grossMm) ? `, ${say(s.grossMm)} in all` : ""}`,
    step.hanging && "left hanging",
    isOver && "taken over",
    isMm(s.freeMm) && `${say(s.freeMm)} left free`,
    (step.stretch ?? 1) > 1 && `stretched ${Number((step.stretch ?? 1).toFixed(2))} times`,
    isMm(step.overTake) && `${Number(step.overTake.toFixed(2))} times as much taken, the rest culled`,
    isMm(step.trimMm) && `butts trimmed by ${say(step.trimMm)}`,
    faceWords(step.face),
  ];
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

/** What is laid as it is taken up: a whole feather by the feather, whatever fibres it has. */
function amountWords(s: FlyStep, { amount }: Of<"lay">): string {
  if ("feathers" in amount) {
    const each = plural(amount.feathers, amount.part === "tip" ? "tip" : "feather");
    const part = amount.part === undefined || amount.part === "tip" ? "" : `, ${amount.part}`;
    return amount.paired ? `${plural(amount.feathers / 2, "pair")} of feathers` : `${each}${part}`;
  }
  if ("slipWidth" in amount) {
    const layers = amount.layers ?? 1;
    return `${layers === 1 ? "one slip" : `${layers} slips`} on either side`;
  }
  const words = counted(s.fibres ?? 0, amount);
  return "strands" in amount && amount.folded ? `${words}, folded double` : words;
}

function ofDress({ s, r, say }: Facts, step: Of<"dress">): Words {
  const ends = r?.endDiameters;
  return [
    step.trace && `a trace${s.material?.fliesPerPacket ? `: a packet ties ${s.material.fliesPerPacket}` : ""}`,
    step.loopMm !== undefined && `a loop of ${say(step.loopMm)}`,
    (step.loopLayers ?? 1) > 1 && plural(step.loopLayers ?? 1, "layer"),
    step.taper && `the noodle ${step.taper[0]} to ${step.taper[1]} thick`,
    ends && `${say(ends[0])} full in front, ${say(ends[1])} at the rear; or ${say(r.noodle ?? 0)} of noodle`,
    step.brushed && "brushed out",
  ];
}

function ofGlue(step: Of<"glue">): Words {
  return [
    step.along ? `${plural(step.along.coats, "coat")} brushed along it` : plural(step.drops, "drop"),
    step.openMinutes !== undefined &&
      `open for ${plural(step.openMinutes, "minute")}: set what follows before it grabs`,
  ];
}

const wayOf: Partial<Record<Act, string>> = { brush: "brush", stroke: "stroke", "pick out": "pick" };

function ofAct({ fly, say }: Facts, step: Of<"act">): Words {
  const leave = step.leave && "mm" in step.leave ? say(step.leave.mm) : undefined;
  return [
    step.direction && `${wayOf[step.act] ?? "towards the"} ${step.direction}`.replace("towards the ", ""),
    step.at && `at ${say(placeAt(step.at, fly.hook, fly.tied.beadMm))}`,
    leave && `leave ${leave}`,
  ];
}

function ofWhip({ fly }: Facts, step: Of<"whip">): Words {
  const turns = fly.tied.steps.find((x) => x.id === step.id)?.turns ?? step.turns;
  const times = Math.round(turns / step.turns);
  return [`${plural(step.turns, "turn")}${times > 1 ? `, made ${times === 2 ? "twice" : `${times} times`}` : ""}`];
}

function tieInOf({ fly, s, say }: Facts): Words {
  const at = s.step.tieIn?.at;
  if (at !== undefined) return [`${s.wraps ?? 0} wraps at ${say(placeAt(at, fly.hook, fly.tied.beadMm))}`];
  return [s.wraps !== undefined && `${s.wraps} wraps`];
}
