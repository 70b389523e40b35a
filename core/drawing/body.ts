import type { FlyStep } from "../fly";
import { midpoint, stationsOf, type StepResult, type TiedFly } from "../tying";
import type { Pen } from "./pen";
import type { Colour, Layer, Point } from "./shapes";

/** What lies on the hook: bodies, ribs, thread, weight, backs pulled over. All from D after each step. */
export class Bodies {
  constructor(
    private readonly pen: Pen,
    private readonly tied: TiedFly,
  ) {}

  diameter(result: StepResult, x: number): number {
    const d = result.after ?? this.tied.profile.d;
    const i = Math.max(0, Math.min(d.length - 1, Math.round(x / this.tied.profile.step - 0.5)));
    return d[i] ?? 0;
  }

  /** Stations of a zone, and the radius there; soft material rounds off further at its ends. */
  private edge(result: StepResult, soft: boolean): { x: number; half: number }[] {
    const { from, to } = result;
    const [first, last] = stationsOf(this.tied.profile, from, to);
    const every = Math.max(1, Math.floor((last - first) / 60));
    const xs = [from];
    // A zone narrower than a station has the midpoint of that station outside it.
    for (let i = first; i < last; i += every) xs.push(Math.min(to, Math.max(from, midpoint(this.tied.profile, i))));
    xs.push(to);
    const { step } = this.tied.profile;
    const margin = Math.min(step / 2, (to - from) / 2);
    // At either end it runs out to what lies there beside it: no part ends like a sawn log.
    const beside = [this.diameter(result, from - step) / 2, this.diameter(result, to + step) / 2] as const;
    return xs.map((x) => {
      const full = this.diameter(result, Math.min(to - margin, Math.max(from + margin, x))) / 2;
      const atFront = x - from < to - x;
      const floor = Math.min(1, Math.max(0.25, beside[atFront ? 0 : 1] / Math.max(full, 1e-9)));
      const reach = Math.min(full * (soft ? 1.1 : 0.45), (to - from) / 2);
      return { x, half: full * roundedEnd(atFront ? x - from : to - x, reach, floor) };
    });
  }

  /** A band of the body between two heights, as shares of its radius: the whole outline is −1 to 1. */
  private band(result: StepResult, low: number, high: number, soft = false): Point[] {
    const edge = this.edge(result, soft);
    return [
      ...edge.map(({ x, half }) => this.pen.line.offset(x, half * high)),
      ...edge.reverse().map(({ x, half }) => this.pen.line.offset(x, half * low)),
    ];
  }

  /** The body as a rounded thing: its colour, dark below, a lighter band above the middle. */
  solid(
    step: FlyStep,
    layer: Layer,
    result: StepResult,
    options: { soft?: boolean; gloss?: number; colour?: Colour; role?: FlyStep["role"] } = {},
  ): void {
    const { soft = false, gloss = 0.16, role } = options;
    const colour = "colour" in options ? options.colour : step.material?.colour;
    this.pen.area(step, layer, this.band(result, -1, 1, soft), { edged: !soft, colour, role });
    this.pen.area(step, layer, this.band(result, -1, -0.45, soft), { shade: soft ? -0.16 : -0.28, colour, role });
    this.pen.area(step, layer, this.band(result, 0.25, 0.68, soft), { shade: gloss, colour, role });
  }

  inside(step: FlyStep, result: StepResult, shade = -0.1): void {
    this.pen.area(step, "inside", this.band(result, -1, 1), { shade, edged: true });
  }

  /** Turns on the near side, slanting with the direction of winding; bright metal gets a face. */
  turns(
    step: FlyStep,
    result: StepResult,
    width: number,
    layer: Layer,
    options: { shade?: number; bright?: boolean } = {},
  ): void {
    const pitch = result.pitch || 1;
    const counter = step.clockwise === false ? -1 : 1;
    const clamp = (v: number) => Math.min(result.to, Math.max(result.from, v));
    for (let x = result.from + pitch / 2; x < result.to - 1e-6; x += pitch) {
      const lean = Math.min(pitch * 0.28, 0.6) * counter;
      const half = this.diameter(result, x) / 2 + (layer === "rib" ? width * 0.3 : 0);
      const p = (t: number): Point => this.pen.line.offset(clamp(x - lean * t), half * t);
      const points = [1, 0.5, 0, -0.5, -1].map(p);
      this.pen.stroke(step, layer, points, width, (options.shade ?? 0) - (options.bright ? 0.22 : 0));
      if (options.bright) this.pen.stroke(step, layer, [0.72, 0.4, 0.1].map(p), width * 0.55, 0.45);
    }
  }

  /** Touching turns seen as fine lines at their real pitch, but never finer than the eye can tell. */
  grain(step: FlyStep, result: StepResult, shade: number): void {
    this.turns(step, { ...result, pitch: Math.max(result.pitch ?? 0, 0.3) }, 0.045, "body", { shade });
  }

  /** Overlapping glossy segments of a stretch body. */
  segments(step: FlyStep, result: StepResult): void {
    const pitch = Math.max(result.pitch ?? 0.8, 0.45);
    this.solid(step, "body", result, { gloss: 0.4 });
    for (let x = result.from + pitch; x < result.to; x += pitch) {
      const half = this.diameter(result, x) / 2;
      const p = (t: number, dx: number): Point => this.pen.line.offset(Math.min(result.to, x + dx), half * t);
      this.pen.stroke(step, "body", [p(1, -0.12), p(0.4, 0.06), p(-0.4, 0.06), p(-1, -0.12)], 0.09, -0.42);
      this.pen.stroke(step, "body", [p(0.75, 0.18), p(0.35, 0.24)], 0.1, 0.6);
    }
  }

  /** Short dense barbs square to the body, as long as the pile. */
  herl(step: FlyStep, result: StepResult): void {
    this.solid(step, "body", result, { soft: true, gloss: 0.05 });
    const pile = (step.material?.strand?.width ?? 1.2) * 0.3;
    const count = Math.min(420, Math.max(36, Math.round((result.to - result.from) * 26)));
    for (let i = 0; i < count; i++) {
      const x = result.from + ((i + this.pen.random()) / count) * (result.to - result.from);
      const side = i % 2 === 0 ? 1 : -1;
      const half = (this.diameter(result, x) / 2) * side;
      // Towards either end the barbs lean outwards and show less of their length: a short herl is a ball, not a disc.
      const lean = (2 * (x - result.from)) / (result.to - result.from) - 1;
      const reach = half + side * pile * (0.35 + 0.65 * this.pen.random()) * (1 - 0.45 * lean * lean);
      const drift = lean * pile * (0.6 + 0.6 * this.pen.random()) + this.pen.around(0.14);
      this.pen.stroke(
        step,
        "body",
        [
          this.pen.line.offset(x, half * (0.2 + 0.6 * this.pen.random())),
          this.pen.line.offset(x + drift * 0.4, (half + reach) / 2),
          this.pen.line.offset(x + drift, reach),
        ],
        0.055,
        this.pen.around(0.32) - 0.05,
      );
      // Those that point at the eye of the beholder, seen end on.
      const near = this.pen.around(0.8) * half;
      this.pen.stroke(
        step,
        "body",
        [this.pen.line.offset(x, near), this.pen.line.offset(x + drift * 0.7, near + this.pen.around(0.3) * pile)],
        0.055,
        this.pen.around(0.4),
      );
    }
    for (let x = result.from + 0.2; x < result.to; x += Math.max(0.35, result.pitch ?? 0.6)) {
      const half = this.diameter(result, x) / 2;
      this.pen.stroke(
        step,
        "body",
        [
          this.pen.line.offset(x - 0.12, half * 0.8),
          this.pen.line.offset(x + 0.05, 0),
          this.pen.line.offset(x + 0.12, -half * 0.8),
        ],
        0.09,
        0.18,
      );
    }
  }

  /** Soft round pile, turn beside turn. */
  chenille(step: FlyStep, result: StepResult, pile: number): void {
    this.solid(step, "body", result, { soft: true, gloss: 0.08 });
    this.turns(step, { ...result, pitch: Math.max(0.7, result.pitch ?? 1) }, 0.16, "body", { shade: -0.22 });
    this.loose(step, result, { perMm: 26, reach: pile, lean: 0.1, width: 0.06 });
  }

  /** Fibres that stand off a soft body; `lean` is how far they lie back. */
  loose(step: FlyStep, result: StepResult, o: { perMm: number; reach: number; lean: number; width: number }): void {
    const count = Math.min(480, Math.round((result.to - result.from) * o.perMm));
    for (let i = 0; i < count; i++) {
      const x = result.from + ((i + this.pen.random()) / count) * (result.to - result.from);
      const half = this.diameter(result, x) / 2;
      const side = this.pen.random() < 0.5 ? 1 : -1;
      const root = half * (0.15 + 0.75 * this.pen.random()) * side;
      const out = (half + o.reach * half * this.pen.random() ** 1.6) * side;
      const back = o.lean * (0.4 + this.pen.random());
      this.pen.stroke(
        step,
        "body",
        [
          this.pen.line.offset(x, root),
          this.pen.line.offset(x + back * 0.35, root + (out - root) * 0.6),
          this.pen.line.offset(x + back, out),
        ],
        o.width * (0.7 + 0.5 * this.pen.random()),
        this.pen.around(0.34),
        this.fleck(step),
      );
    }
  }

  /** The colour of one fibre: of a blend, that of one of its parts, as often as there is of it. */
  private fleck({ flecks, material }: FlyStep): Colour {
    if (!flecks || flecks.length < 2) return material?.colour;
    let left = this.pen.random() * flecks.reduce((sum, f) => sum + f.share, 0);
    return (flecks.find((f) => (left -= f.share) < 0) ?? flecks[0])?.colour;
  }

  /** Short fibres all over the near side, every way: the look of fur. */
  private fur(step: FlyStep, result: StepResult): void {
    const count = Math.min(260, Math.round((result.to - result.from) * 26));
    for (let i = 0; i < count; i++) {
      const x = result.from + ((i + this.pen.random()) / count) * (result.to - result.from);
      const half = this.diameter(result, x) / 2;
      const [y, turn] = [this.pen.around(0.85) * half, this.pen.around(0.9)];
      const reach = 0.2 + 0.35 * this.pen.random();
      this.pen.stroke(
        step,
        "body",
        [
          this.pen.line.offset(x, y),
          this.pen.line.offset(Math.min(result.to, x + reach), Math.max(-half, Math.min(half, y + turn * reach * 0.7))),
        ],
        0.05,
        this.pen.around(0.32) + (y > 0 ? 0.06 : -0.1),
        this.fleck(step),
      );
    }
  }

  /** Dubbing: a core, and fibres whose number follows how dense it is packed and whether it is brushed out. */
  dubbed(step: FlyStep, result: StepResult): void {
    this.solid(step, "body", result, { soft: true, gloss: 0.05 });
    this.fur(step, result);
    const density = step.material?.dubbing?.density ?? 0.35;
    const brushed = step.step.do === "dress" && step.step.brushed === true;
    const looped = step.step.do === "dress" && step.step.loopMm !== undefined;
    const half = (result.endDiameters?.[0] ?? 1) / 2;
    if (looped) return this.loose(step, result, { perMm: 44, reach: 1.5, lean: 2.6 * half, width: 0.06 });
    const loose = density < 0.3 ? 0.9 : density < 0.45 ? 0.55 : 0.28;
    this.loose(step, result, {
      perMm: brushed ? 34 : density < 0.3 ? 24 : 18,
      reach: brushed ? 1.5 : loose,
      lean: brushed ? 1.2 : 0.35,
      width: 0.05,
    });
  }
}

/** What is wound rounds off at its ends: a quarter circle over `reach`, never below `floor`. */
function roundedEnd(inside: number, reach: number, floor: number): number {
  if (inside >= reach || reach <= 0) return 1;
  const t = 1 - inside / reach;
  return floor + (1 - floor) * Math.sqrt(1 - t * t);
}
