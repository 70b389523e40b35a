import type { FlyStep } from "../fly";
import type { StepResult } from "../tying";
import type { Bodies } from "./body";
import type { Pen } from "./pen";
import type { Colour, Point } from "./shapes";

/** Beads, eyes and the head. */
export class Hard {
  constructor(
    private readonly pen: Pen,
    private readonly bodies: Bodies,
  ) {}

  bead(step: FlyStep, result: StepResult, diameter: number): void {
    const middle = (result.from + result.to) / 2;
    this.ball(step, this.pen.line.at(middle).point, diameter / 2);
    const r = diameter / 2;
    const face = this.pen.line.at(result.from).point;
    const hole: Point[] = Array.from({ length: 13 }, (_, i) => {
      const a = (i / 12) * Math.PI * 2;
      return [face[0] - r * 0.05 + r * 0.1 * Math.cos(a), face[1] + r * 0.3 * Math.sin(a)];
    });
    this.pen.area(step, "hard", hole, { shade: -0.7 });
  }

  /** A metal ball: dark rim, its colour, a glow, one highlight. */
  private ball(step: FlyStep, at: Point, r: number): void {
    this.pen.disc(step, "hard", at, r, -0.5);
    this.pen.disc(step, "hard", [at[0] + r * 0.02, at[1] - r * 0.03], r * 0.93, -0.16);
    this.pen.disc(step, "hard", [at[0] + r * 0.07, at[1] - r * 0.12], r * 0.76, 0.05);
    this.pen.disc(step, "hard", [at[0] + r * 0.14, at[1] - r * 0.24], r * 0.48, 0.26);
    this.pen.disc(step, "hard", [at[0] + r * 0.24, at[1] - r * 0.4], r * 0.18, 0.85);
  }

  /** Bead-chain or dumbbell eyes at their lashing: the near one whole, on the upper side, with its pupil. */
  eyes(step: FlyStep, result: StepResult, diameter: number): void {
    const middle = (result.from + result.to) / 2;
    const wire = this.bodies.diameter(result, Math.max(0, result.from - 0.2));
    const at = this.pen.line.offset(middle, Math.min(wire, diameter) * 0.3 + diameter * 0.16);
    this.pen.disc(step, "far", [at[0] - diameter * 0.06, at[1] - diameter * 0.1], diameter * 0.49, -0.55);
    this.ball(step, at, diameter / 2);
    if (diameter > 3) {
      this.pen.disc(step, "hard", at, diameter * 0.3, 0.55);
      this.pen.disc(step, "hard", at, diameter * 0.17, -0.85);
      this.pen.disc(step, "hard", [at[0] + diameter * 0.06, at[1] - diameter * 0.08], diameter * 0.05, 0.9);
    }
  }

  /** The head: the thread's own shape; coats make it shine. */
  head(step: FlyStep, result: StepResult, thread: Colour): void {
    this.bodies.solid(step, "head", result, {
      soft: true,
      colour: thread,
      role: "head",
      gloss: (result.volume ?? 0) > 0 ? 0.4 : 0.14,
    });
    for (let x = result.from + 0.12; x < result.to; x += 0.2) {
      const half = this.bodies.diameter(result, x) / 2;
      this.pen.stroke(
        { ...step, role: "head" },
        "head",
        [this.pen.line.offset(x - 0.03, half * 0.8), this.pen.line.offset(x + 0.03, -half * 0.8)],
        0.035,
        -0.3,
        thread,
      );
    }
  }
}
