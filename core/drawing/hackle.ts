import type { FlyStep } from "../fly";
import type { StepResult } from "../tying";
import type { Bodies } from "./body";
import type { Pen } from "./pen";

/** How far barbs lie back from square to the shank: stiff dry barbs stand, soft ones sweep. */
const sweeps = { square: 0.12, back: 0.85, forward: -0.25 } as const;

/** Wound hackle: fibres leave the stem's turns all round the shank, far ones behind the body. */
export class Hackles {
  constructor(
    private readonly pen: Pen,
    private readonly bodies: Bodies,
  ) {}

  /** A collar stands at its place, or over its short zone. */
  collar(step: FlyStep, result: StepResult, barb: [number, number]): void {
    const turns = result.turns ?? 2;
    const soft = isSoft(step);
    const count = Math.min(110, Math.round(turns * (soft ? 16 : 22)));
    for (let i = 0; i < count; i++) {
      const x = result.from + (result.to - result.from) * this.pen.random();
      this.barb(step, result, x, (i / count) * Math.PI * 2, barb);
    }
  }

  /** Round a post: barbs lie level, like spokes seen from the side. */
  post(step: FlyStep, result: StepResult, barb: [number, number]): void {
    const turns = result.turns ?? 3;
    const count = Math.min(110, Math.max(16, Math.round(turns * 22)));
    for (let i = 0; i < count; i++) {
      const round = (i / count) * Math.PI * 2;
      const length = barb[0] + this.pen.random() * (barb[1] - barb[0]);
      const along = Math.cos(round) * length;
      // What points at the one who looks is nearly a dot.
      if (Math.abs(along) < 0.15 * length) continue;
      const near = Math.sin(round) > 0;
      const height = this.bodies.diameter(result, result.from) / 2 + 0.15 + 0.12 * turns * this.pen.random();
      const tilt = 0.1 + this.pen.around(0.09) - (near ? 0.07 : 0);
      this.pen.fibre(step, near ? "hackle" : "far", this.pen.line.offset(result.from, height), {
        angle: along > 0 ? tilt : Math.PI - tilt,
        length: Math.abs(along),
        width: 0.06,
        shade: this.pen.around(0.26) + (near ? 0.04 : -0.25),
      });
    }
  }

  /** A palmer follows its spiral: at each turn a ring of barbs. */
  palmer(step: FlyStep, result: StepResult, barb: [number, number]): void {
    const turns = Math.max(1, result.turns ?? 1);
    const count = Math.min(320, Math.round(turns * 18));
    for (let i = 0; i < count; i++) {
      const t = (i + 0.5) / count;
      const shorter = 1 - 0.25 * t; // barbs shorten towards the tip of the feather, which lies at the rear
      this.barb(step, result, result.from + (result.to - result.from) * t, t * turns * Math.PI * 2, [
        barb[0] * shorter,
        barb[1] * shorter,
      ]);
    }
    const pitch = Math.max(result.pitch ?? 0.5, 0.25);
    this.bodies.turns(step, { ...result, pitch }, 0.1, "rib", { shade: -0.3 });
  }

  /** One barb at an angle round the shank: cos is up, sin is towards the eye of the one who looks. */
  private barb(step: FlyStep, result: StepResult, x: number, round: number, [low, high]: [number, number]): void {
    const soft = isSoft(step);
    const swept =
      step.step.do === "wind" && step.step.sweep ? sweeps[step.step.sweep] : soft ? sweeps.back : sweeps.square;
    const phi = swept + this.pen.around(soft ? 0.28 : 0.34);
    const length = low + this.pen.random() * (high - low);
    const up = Math.cos(round);
    const near = Math.sin(round) >= 0;
    const half = this.bodies.diameter(result, x) / 2;
    // Seen from the side: the part along the shank keeps its length, the part across it is foreshortened.
    const along = Math.sin(phi) * length;
    const across = Math.cos(phi) * length * up;
    const seen = Math.hypot(along, across);
    if (seen < 0.25 * length) return;
    this.pen.fibre(step, "hackle", this.pen.line.offset(x, half * up), {
      angle: Math.atan2(across, along),
      length: seen,
      width: soft ? 0.075 : 0.06,
      curl: soft ? -0.5 * up : -0.06 * up,
      tapered: soft,
      shade: this.pen.around(0.26) + (near ? 0.04 : -0.25),
      layer: near ? "hackle" : "far",
    });
  }
}

/** Soft by its section: a thick stem with few fibres; the nominal soft stem is 0.6 mm wide. */
export const isSoft = (step: FlyStep): boolean => (step.material?.strand?.width ?? 0.45) >= 0.55;
