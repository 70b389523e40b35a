import { toolsOfStep, type ComposedFly, type FlyStep } from "../fly";
import { questions } from "../methods";
import { sayStep } from "../words";
import { figuresOf } from "./figures";

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
  /** What has to be at hand: the step's own tools, and those of its ways. */
  tools: string[];
  instruction?: string;
  /** As it is said, without the size. */
  words: string;
  /** As somebody typed it, where that is otherwise: what no figure says stands there. */
  stated?: string;
}

/** What was typed of each step; of steps that one line tells in a row, it stands at the first. */
export const statedOnce = (steps: readonly Pick<BenchStep, "stated">[]): (string | undefined)[] =>
  steps.map(({ stated }, i) => (stated === steps[i - 1]?.stated ? undefined : stated));

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
    tools: toolsOfStep(s),
    instruction: s.step.instruction,
    words: sayStep(s.step),
    stated: s.step.stated,
  };
}

/** The chosen way of each question, but for those where every pattern goes the same usual way. */
function waysOf(fly: ComposedFly, s: FlyStep): string[] {
  return s.methods.flatMap((m) => {
    const question = questions.find((q) => q.id === m.question);
    const named =
      s.step.methods?.[m.question] !== undefined || fly.choice.methods?.[`${s.id}/${m.question}`] !== undefined;
    return question && (named || m.inBulk) ? [m.words] : [];
  });
}
