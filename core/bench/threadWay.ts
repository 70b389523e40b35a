import { placeAt, type Place } from "../hooks";
import { sayPlace } from "../words";
import type { ComposedFly, FlyStep } from "../fly";

/** Where the thread hangs when a step is done, and how far it has to be taken to where the next one needs it. */
export interface ThreadStop {
  step: string;
  /** mm behind the eye. */
  hangsAt: number;
  /** The nearest landmark, as it is said. */
  place: string;
  /** mm that the thread was taken along the shank before this step could begin; 0 where it hung there already. */
  travelled: number;
}

const landmarks: Place[] = [
  { landmark: "eye" },
  { eyeLengths: 1 },
  { eyeLengths: 2 },
  { fraction: 1 / 3 },
  { fraction: 0.5 },
  { fraction: 2 / 3 },
  { landmark: "point" },
  { landmark: "barb" },
  { landmark: "bend" },
  { landmark: "intoBend" },
];

/** Below this it hangs there already. */
const THERE_MM = 0.3;

/**
 * The thread's way along the shank. A winding of thread, a noodle and a part bound down leave it where they end; a
 * material that is wound has it waiting where it will be tied off; whatever needs no thread leaves it where it hung.
 * @returns one stop for each step, in working order
 */
export function threadWay(fly: ComposedFly): ThreadStop[] {
  const at = (place: Place): number => Math.max(fly.tied.beadMm, placeAt(place, fly.hook, fly.tied.beadMm));
  let hung = fly.tied.beadMm;
  return fly.steps.map((s) => {
    const [begins, ends] = endsOf(s, at) ?? [hung, hung];
    const travelled = Math.abs(begins - hung);
    hung = ends;
    return { step: s.id, hangsAt: ends, place: nearest(ends, at), travelled: travelled > THERE_MM ? travelled : 0 };
  });
}

function endsOf({ step, material, methods }: FlyStep, at: (place: Place) => number): [number, number] | undefined {
  switch (step.do) {
    case "wind": {
      // Weight is wound on while the thread hangs where it is.
      if (material?.form === "weight wire" && !step.tieIn) return undefined;
      if (methods.some((m) => m.question === "underbody" && m.school === "long butts")) return undefined;
      const [from, to] = [at(step.from), at(step.to ?? step.from)];
      return [step.tieIn ? at(step.tieIn.at) : from, (step.passes ?? 1) % 2 === 0 ? from : to];
    }
    case "dress":
      return [at(step.from), at(step.to)];
    case "lay": {
      const begins = at(step.tieIn?.at ?? step.to);
      return [begins, begins];
    }
    case "seat":
      return step.tieIn ? [at(step.tieIn.at), at(step.tieIn.at)] : undefined;
    case "whip":
      return [at(step.to), at(step.from)];
    case "thread":
    case "glue":
    case "act":
      return undefined;
  }
}

function nearest(mm: number, at: (place: Place) => number): string {
  const best = landmarks.reduce((near, place) =>
    Math.abs(at(place) - mm) < Math.abs(at(near) - mm) - 1e-9 ? place : near,
  );
  return "fraction" in best && best.fraction !== 0.5
    ? best.fraction < 0.5
      ? "a third of the shank"
      : "two thirds of the shank"
    : sayPlace(best);
}
