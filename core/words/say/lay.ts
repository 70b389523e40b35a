import { featherParts, type LayAmount, type Stance } from "../../recipe";
import type { StepOf } from "../said";
import { counted, spanWords } from "./common";
import { sayLength } from "./length";
import { sayNumber } from "./number";

type LayStep = StepOf<"lay">;

const partNouns: Record<(typeof featherParts)[number], (n: number) => string> = {
  tip: (n) => counted(sayNumber(n), "tip"),
  "one flank": (n) => counted(sayNumber(n), "flank"),
  "centre out": (n) => `${counted(sayNumber(n), "feather")}, centre out`,
};

const layersWords = (layers = 1): string =>
  layers === 1 ? "" : layers === 2 ? ", doubled" : `, ${layers} on each side`;

export function amountWords(a: LayAmount): string {
  if ("fibres" in a) return counted(a.fibres, "fibre");
  if ("spanMm" in a) return `${sayNumber(a.spanMm)} mm of fibres`;
  if ("clump" in a) return `clump of ${sayLength(a.clump)}`;
  if ("slipWidth" in a) return `slips ${sayLength(a.slipWidth)} wide${layersWords(a.layers)}`;
  if ("strands" in a) return `${counted(a.strands, "strand")}${a.folded ? " folded" : ""}`;
  if ("patchMm2" in a) return `patch of ${sayNumber(a.patchMm2)} mm²`;
  if (!("feathers" in a)) return counted(a.pieces, "piece");
  if (a.part) return partNouns[a.part](a.feathers);
  return a.paired
    ? `${counted(sayNumber(a.feathers / 2), "pair")} of feathers`
    : counted(sayNumber(a.feathers), "feather");
}

/** How a stance is said. */
export const stanceWords: Record<Stance, string> = {
  V: "as a V",
  U: "as a U",
  tent: "as a tent",
  flat: "lying flat",
  splayed: "splayed",
  "full round": "full round",
};

const spreadWords = (a: LayAmount, [low, high]: [number, number]): string =>
  `${sayNumber(low)} to ${sayNumber(high)} ${"strands" in a ? `strands${a.folded ? " folded" : ""}` : "fibres"}`;

export function attitudeWords(attitude: LayStep["attitude"]): string {
  if (attitude === "sides") return "to both sides";
  if (attitude === "over") return "over the back";
  return attitude ? `pointing ${attitude}` : "";
}

const roundWords = (round: NonNullable<LayStep["round"]>): string =>
  `shared ${Object.entries(round)
    .map(([sector, n]) => `${n} ${sector}`)
    .join(" and ")}`;

const shownWords = (rule: NonNullable<LayStep["shown"]>): string =>
  "reach" in rule || "to" in rule ? sayLength(rule) : `= ${sayLength(rule)}`;

/** A laid part in the words that read back to it. */
export function sayLay(step: LayStep): string[] {
  return [
    step.spread ? spreadWords(step.amount, step.spread) : amountWords(step.amount),
    step.face ? `hollow side ${step.face}` : "",
    step.shown ? shownWords(step.shown) : "",
    attitudeWords(step.attitude),
    step.stance ? `${stanceWords[step.stance]}${step.setBy ? ` set by ${step.setBy}` : ""}` : "",
    step.round ? roundWords(step.round) : "",
    step.countedWhenWound ? "counted when wound" : "",
    step.hanging ? "left hanging" : "",
    step.free ? `with ${sayLength(step.free)} free` : "",
    step.stretch === undefined ? "" : `stretched ${sayNumber(step.stretch)} times`,
    step.overTake === undefined ? "" : `${sayNumber(step.overTake)} times as much taken`,
    step.trimMm === undefined ? "" : `butts trimmed by ${sayNumber(step.trimMm)} mm`,
    // What is taken over goes from where it was tied in to where it is held.
    step.tiedIn === undefined ? spanWords(step) : spanWords({ from: step.to, to: step.from }),
  ];
}
