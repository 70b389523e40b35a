import { nth } from "../numeric";
import type { FlyStep } from "../fly";
import type { StepResult } from "../tying";
import type { Bodies } from "./body";
import type { Pen } from "./pen";
import type { Point } from "./shapes";

const SAMPLES = 24;
/** What a strip is never drawn thinner than, in mm: seen edge-on on top of a back it would vanish. */
const LEAST_EDGE = 0.12;
/** How far round the body a cover reaches at most: a little above the middle of its side. */
const FARTHEST_ROUND = 0.42 * Math.PI;

/** Backs, cases, stripes and buds that are drawn over a body: taut, and as far down its side as they are wide. */
export class Covers {
  constructor(
    private readonly pen: Pen,
    private readonly bodies: Bodies,
  ) {}

  /** Over the back, or along the side that it was shared out to; what lies on the far side alone is not seen. */
  lay(step: FlyStep, result: StepResult): void {
    const round = step.step.do === "lay" ? (step.step.round ?? {}) : {};
    const sides = round.near !== undefined || round.far !== undefined;
    const width = step.coverMm ?? 0;
    if (round.top !== undefined || !sides) this.over(step, result, width, round.underside ? -1 : 1);
    if (round.near !== undefined) this.along(step, result, width / 2);
  }

  private over(step: FlyStep, result: StepResult, width: number, up: 1 | -1): void {
    const line = this.taut(result);
    const reach = (half: number) => Math.min(FARTHEST_ROUND, half > 0 ? width / 2 / half : FARTHEST_ROUND);
    const at = ([x, half]: Point, share: number): Point =>
      this.pen.line.offset(x, up * half * Math.cos(share * reach(half)));
    const top = line.map(([x, half]) => this.pen.line.offset(x, up * (half + LEAST_EDGE)));
    this.pen.area(step, "wing", [...top, ...line.map((p) => at(p, 1)).reverse()], { edged: true });
    if (width < 4 * LEAST_EDGE) return;
    for (const share of [0.35, 0.55, 0.72, 0.88])
      this.pen.stroke(
        step,
        "wing",
        line.map((p) => at(p, share)),
        0.05,
        share < 0.5 ? 0.32 : -0.3,
      );
  }

  /** A strip along the middle of the near side. */
  private along(step: FlyStep, result: StepResult, width: number): void {
    const line = this.taut(result);
    const at = ([x, half]: Point, share: number): Point =>
      this.pen.line.offset(x, half * Math.sin(share * Math.min(FARTHEST_ROUND, half > 0 ? width / 2 / half : 0)));
    this.pen.area(step, "wing", [...line.map((p) => at(p, 1)), ...line.map((p) => at(p, -1)).reverse()], {
      edged: true,
    });
    for (const share of [-0.4, 0.4])
      this.pen.stroke(
        step,
        "wing",
        line.map((p) => at(p, share)),
        0.05,
        share > 0 ? 0.32 : -0.3,
      );
  }

  /** Where it lies above the wire: drawn tight it spans hollows and steps, so it is the hull of what lies beneath. */
  private taut(result: StepResult): Point[] {
    const hull: Point[] = [];
    for (let i = 0; i <= SAMPLES; i++) {
      const x = result.from + ((result.to - result.from) * i) / SAMPLES;
      const next: Point = [x, this.bodies.diameter(result, x) / 2];
      while (hull.length >= 2 && !isAbove(nth(hull, hull.length - 2), nth(hull, hull.length - 1), next)) hull.pop();
      hull.push(next);
    }
    // Between its corners it is straight, but the wire beneath may curve: it is drawn through as many places again.
    return hull.flatMap((p, i) => {
      const q = hull[i + 1];
      if (!q) return [p];
      const parts = Math.max(1, Math.round((SAMPLES * (q[0] - p[0])) / Math.max(1e-9, result.to - result.from)));
      return Array.from({ length: parts }, (_, k): Point => {
        const t = k / parts;
        return [p[0] + (q[0] - p[0]) * t, p[1] + (q[1] - p[1]) * t];
      });
    });
  }
}

/** Whether the middle one of three places lies above the line between the others. */
function isAbove(a: Point, b: Point, c: Point): boolean {
  return (b[1] - a[1]) * (c[0] - a[0]) > (c[1] - a[1]) * (b[0] - a[0]);
}
