import { nth } from "../numeric";
import type { FlyStep } from "../fly";
import type { Pen } from "./pen";
import type { Root } from "./root";
import type { Layer, Point } from "./shapes";

/** How far one leg is drawn: 0 the foremost, 1 the rearmost; the far ones behind the body. */
interface Leg {
  t: number;
  far: boolean;
  start: Point;
  width: number;
}

/** Legs as their material stands: knotted ones bend at the knot, rubber hangs, fibres spring back in a thin curve. */
export class Legs {
  constructor(private readonly pen: Pen) {}

  lay(step: FlyStep, layer: Layer, root: Root): void {
    const way = wayOf(step);
    const least = way === "fibre" ? 1 : 2;
    const count = Math.min(way === "fibre" ? 60 : 16, Math.max(least, step.fibres ?? 6));
    const strand = step.material?.strand?.width ?? 0.1;
    const width =
      way === "fibre" ? Math.min(0.16, Math.max(0.07, strand)) : Math.min(0.5, Math.max(0.13, strand * 1.5));
    const aSide = Math.ceil(count / 2);
    for (let i = 0; i < count; i++) {
      const far = i >= aSide;
      const t = aSide === 1 ? 0.5 : (i % aSide) / (aSide - 1);
      const start = this.pen.line.offset(root.x + (t - 0.5) * root.half, -root.half * (far ? 0.25 : 0.55));
      this[way](step, far ? "far" : layer, root.shown, { t, far, start, width });
    }
  }

  /** Thigh and shin, with a knot between. */
  private knotted(step: FlyStep, layer: Layer, shown: number, { t, far, start, width }: Leg): void {
    const shift = far ? 0.22 : 0;
    const thigh = this.pen.path(start, {
      angle: -2.35 + 2.1 * t + shift + this.pen.around(0.08),
      length: shown * 0.45,
      width,
    });
    const knee = nth(thigh, thigh.length - 1);
    const shin = this.pen.path(knee, {
      angle: -1.75 + 0.95 * t + shift + this.pen.around(0.08),
      curl: 0.2,
      length: shown * 0.55,
      width,
    });
    const shade = far ? -0.35 : this.pen.around(0.1);
    this.pen.stroke(step, layer, thigh, width, shade);
    this.pen.stroke(step, layer, shin, width * 0.68, shade);
    this.pen.disc(step, layer, knee, width * 0.6, shade - 0.1);
  }

  /** It stands off where it is bound and sinks under its own weight. */
  private hanging(step: FlyStep, layer: Layer, shown: number, { t, far, start, width }: Leg): void {
    const angle = -2.2 + 1.7 * t + (far ? 0.18 : 0) + this.pen.around(0.06);
    // Whichever way it starts, it bends towards straight down.
    const leg = { angle, curl: 0.55 * (-Math.PI / 2 - angle), length: shown, width: width / 1.5 };
    this.pen.fibre(step, layer, start, { ...leg, shade: far ? -0.35 : -0.08 });
    if (!far) this.pen.fibre(step, layer, start, { ...leg, width: width / 5, shade: 0.5 });
  }

  /** Barbs without a joint: below and back, fanned by their number. */
  private fibre(step: FlyStep, layer: Layer, shown: number, { t, far, start, width }: Leg): void {
    this.pen.fibre(step, layer, start, {
      angle: -1.15 + 0.8 * t + (far ? 0.1 : 0) + this.pen.around(0.05),
      curl: 0.3,
      length: shown * (0.93 + 0.07 * this.pen.random()),
      width,
      tapered: true,
      shade: this.pen.around(0.2) - (far ? 0.2 : 0),
    });
  }
}

function wayOf({ material, name, step }: FlyStep): "knotted" | "hanging" | "fibre" {
  const said = [material?.name, name, step.stated, step.instruction].join(" ");
  if (/\b(?:knotted|knots?|jointed)\b/i.test(said) || material?.form === "made part") return "knotted";
  return material?.form === "rubber" || material?.form === "flash" || material?.form === "stretch body"
    ? "hanging"
    : "fibre";
}
