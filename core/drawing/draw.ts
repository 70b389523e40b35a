import { midpoint, stationsOf, type StepResult } from "../tying";
import type { ComposedFly, FlyStep, Role } from "../patterns";
import { hookShapes, HookLine } from "./hook";
import { seeded } from "./random";
import { layers, type Colour, type Drawing, type Layer, type Measure, type Shape } from "./shapes";

export interface DrawOptions {
  /** Same seed, same texture. */
  seed: string;
  /** Show weight and bound butts through the body. */
  inside?: boolean;
}

/**
 * The side view of a tied fly, to scale, from its computation alone.
 *
 * @param fly composed with `keepProfiles`, as the body is drawn from D after each step
 * @returns shapes in mm, back to front; deterministic for a seed
 */
export function drawFly(fly: ComposedFly, options: DrawOptions): Drawing {
  return new Drafter(fly, options).drawing();
}

class Drafter {
  private readonly line: HookLine;
  private readonly random: () => number;
  private readonly shapes: Shape[];
  private readonly measures: Measure[] = [];
  private threadColour: Colour;

  constructor(
    private readonly fly: ComposedFly,
    private readonly options: DrawOptions,
  ) {
    this.line = new HookLine(fly.hook);
    this.random = seeded(options.seed);
    this.shapes = hookShapes(this.line);
    this.threadColour = fly.parts.find((p) => p.role === "thread")?.material.colour;
  }

  drawing(): Drawing {
    for (const step of this.fly.steps) {
      const result = this.fly.tied.steps.find((r) => r.id === step.id);
      if (result) this.step(step, result);
    }
    const shapes = this.shapes
      .filter((s) => this.options.inside || s.layer !== "inside")
      .map((s, i) => ({ s, i }))
      .sort((a, b) => layers.indexOf(a.s.layer) - layers.indexOf(b.s.layer) || a.i - b.i)
      .map(({ s }) => s);
    return { shapes, measures: this.measures, box: boxOf(shapes) };
  }

  private step(step: FlyStep, result: StepResult): void {
    switch (result.do) {
      case "seat":
        return this.seat(step, result);
      case "wind":
        return this.wind(step, result);
      case "dress":
        return this.dress(step, result);
      case "lay":
        return this.lay(step, result);
      case "thread":
        this.threadColour = step.material?.colour;
        return;
      case "whip":
        return this.head(step, result);
    }
  }

  private around(amount: number): number {
    return (this.random() * 2 - 1) * amount;
  }

  private diameter(result: StepResult, x: number): number {
    const d = result.after ?? this.fly.tied.profile.d;
    const i = Math.max(0, Math.min(d.length - 1, Math.round(x / this.fly.tied.profile.step - 0.5)));
    return d[i] ?? 0;
  }

  /** The outline of D over a zone, both sides. */
  private outline(result: StepResult, soft = false): [number, number][] {
    const { from, to } = result;
    const { profile } = this.fly.tied;
    const [first, last] = stationsOf(profile, from, to);
    const upper: [number, number][] = [];
    const lower: [number, number][] = [];
    const every = Math.max(1, Math.floor((last - first) / 60));
    const margin = Math.min(profile.step / 2, (to - from) / 2);
    const add = (x: number) => {
      const full = this.diameter(result, Math.min(to - margin, Math.max(from + margin, x))) / 2;
      const half = soft ? full * roundedEnd(Math.min(x - from, to - x), Math.min(full * 0.8, (to - from) / 2)) : full;
      upper.push(this.line.offset(x, half));
      lower.push(this.line.offset(x, -half));
    };
    add(from);
    for (let i = first; i < last; i += every) add(midpoint(profile, i));
    add(to);
    return [...upper, ...lower.reverse()];
  }

  private area(step: FlyStep, layer: Layer, points: [number, number][], shade = 0, colour: Colour = step.material?.colour): void {
    this.shapes.push({ kind: "area", layer, role: step.role ?? "body", step: step.id, points, colour, shade });
  }

  private stroke(step: FlyStep, layer: Layer, points: [number, number][], width: number, shade = 0, colour: Colour = step.material?.colour): void {
    this.shapes.push({ kind: "stroke", layer, role: step.role ?? "body", step: step.id, points, colour, width, shade });
  }

  private seat(step: FlyStep, result: StepResult): void {
    const part = step.material?.part;
    if (!part) return;
    const middle = (result.from + result.to) / 2;
    const role: Role = step.role ?? "bead";
    const isEyes = role === "eyes";
    const at: [number, number] = isEyes ? this.line.offset(middle, this.diameter(result, middle) * 0.25 + part.diameter * 0.2) : [-middle, 0];
    const disc = (radius: number, shade: number, place = at) =>
      this.shapes.push({ kind: "disc", layer: "hard", role, step: step.id, at: place, radius, colour: step.material?.colour, shade });
    const r = part.diameter / 2;
    disc(r, -0.35);
    disc(r * 0.94, 0);
    disc(r * 0.3, 0.55, [at[0] + r * 0.25, at[1] - r * 0.42]);
    if (isEyes) disc(r * 0.42, -0.75);
    else this.shapes.push({ kind: "area", layer: "hard", role, step: step.id, colour: step.material?.colour, shade: -0.6, points: [[-result.from - r * 0.02, -r * 0.24], [-result.from - r * 0.14, 0], [-result.from - r * 0.02, r * 0.24]] });
  }

  private wind(step: FlyStep, result: StepResult): void {
    const form = step.material?.form;
    if (form === "hackle") return result.from === result.to ? this.collar(step, result) : this.palmer(step, result);
    if (form === "thread" && step.role === "thread") return this.threadLayer(step, result);
    if (form === "weight wire") return this.weightWire(step, result);
    const isRib = (result.growth ?? 0) === 0;
    if (isRib) return this.ribTurns(step, result, step.material?.strand?.width ?? 0.15, "rib");
    this.area(step, "body", this.outline(result, form === "herl" || form === "chenille" || form === "yarn"));
    if (form === "herl") return this.herlBarbs(step, result);
    if (form === "chenille") return this.loose(step, result, 9, 0.5);
    if (form === "yarn") return this.loose(step, result, 5, 0.25);
    this.sheen(step, result);
    this.ribTurns(step, { ...result, pitch: Math.max(result.pitch ?? 0, 0.32) }, 0.05, "body", -0.28);
  }

  /** Working thread: seen only where nothing covers it; it lies beneath all that follows. */
  private threadLayer(step: FlyStep, result: StepResult): void {
    if (result.from === result.to) return;
    this.area(step, "under", this.outline(result), 0, step.material?.colour);
  }

  private weightWire(step: FlyStep, result: StepResult): void {
    this.area(step, "inside", this.outline(result), 0.1, step.material?.colour ?? "#9aa2a6");
    this.ribTurns(step, result, 0.06, "inside", -0.5);
  }

  /** Turns on the near side, slanting with the direction of winding. */
  private ribTurns(step: FlyStep, result: StepResult, width: number, layer: Layer, shade = 0): void {
    const pitch = result.pitch || 1;
    const counter = step.step.do === "wind" && step.step.counter ? -1 : 1;
    for (let x = result.from + pitch / 2; x < result.to - 1e-6; x += pitch) {
      const lean = Math.min(pitch * 0.25, 0.6) * counter;
      const half = this.diameter(result, x) / 2;
      const clamp = (v: number) => Math.min(result.to, Math.max(result.from, v));
      this.stroke(step, layer, [this.line.offset(clamp(x - lean), half), this.line.offset(clamp(x), half * 0.1), this.line.offset(clamp(x + lean), -half)], width, shade);
    }
  }

  /** A bright line along the upper side of something smooth. */
  private sheen(step: FlyStep, result: StepResult): void {
    const points: [number, number][] = [];
    for (let i = 0; i <= 24; i++) {
      const x = result.from + ((result.to - result.from) * i) / 24;
      points.push(this.line.offset(x, this.diameter(result, x) * 0.24));
    }
    const thick = this.diameter(result, (result.from + result.to) / 2);
    this.stroke(step, "body", points, thick * 0.14, 0.35);
  }

  private herlBarbs(step: FlyStep, result: StepResult): void {
    const pile = (step.material?.strand?.width ?? 1.2) * 0.45;
    for (let x = result.from; x < result.to; x += 0.11)
      for (const side of [1, -1]) {
        const half = (this.diameter(result, x) / 2) * side;
        this.stroke(step, "body", [this.line.offset(x, half * 0.5), this.line.offset(x + this.around(0.12), half + side * pile * (0.5 + this.random() * 0.5))], 0.05, this.around(0.25));
      }
  }

  /** Fibres that stand off a soft body, more of them where it is fuller. */
  private loose(step: FlyStep, result: StepResult, perMm: number, length: number): void {
    const count = Math.round((result.to - result.from) * perMm);
    for (let i = 0; i < count; i++) {
      const x = result.from + this.random() * (result.to - result.from);
      const half = this.diameter(result, x) / 2;
      const side = this.random() < 0.5 ? 1 : -1;
      const root = half * this.random() * side;
      const reach = half * side + side * length * half * (0.2 + this.random());
      this.stroke(step, "body", [this.line.offset(x, root), this.line.offset(x + this.random() * 0.5, (root + reach) / 2), this.line.offset(x + 0.3 + this.random() * 0.5, reach)], 0.045, this.around(0.3));
    }
  }

  private dress(step: FlyStep, result: StepResult): void {
    this.area(step, "body", this.outline(result, true));
    const fluffy = step.material?.dubbing && step.material.dubbing.density < 0.3 ? 12 : 8;
    this.loose(step, result, fluffy, 0.55);
    this.measures.push(this.along(step.name, result.from, result.to));
  }

  private along(label: string, from: number, to: number): Measure {
    return { label, mm: to - from, from: this.line.at(from).point, to: this.line.at(to).point };
  }

  /** One straight or waving fibre from a root, at an angle (0 = back along the shank, up positive). */
  private fibre(step: FlyStep, layer: Layer, root: [number, number], angle: number, length: number, width: number, shade: number): void {
    const wave = step.material?.name.includes("marabou") ? 0.08 * length : 0;
    const at = (t: number, bend: number): [number, number] => [
      root[0] - Math.cos(angle) * length * t + Math.sin(angle) * bend,
      root[1] - Math.sin(angle) * length * t - Math.cos(angle) * bend,
    ];
    const curve = this.around(0.03) * length;
    this.stroke(step, layer, [root, at(0.35, curve + this.around(wave)), at(0.7, curve + this.around(wave)), at(1, this.around(wave))], width, shade);
  }

  private collar(step: FlyStep, result: StepResult): void {
    const [low, high] = step.barbMm ?? [this.fly.hook.gape, this.fly.hook.gape * 1.3];
    const count = Math.min(64, Math.round((result.turns ?? 2) * 14));
    const half = this.diameter(result, result.from) / 2;
    const stiff = step.material?.name.includes("dry") || step.material?.name.includes("stiff");
    for (let i = 0; i < count; i++) {
      const side = i % 2 === 0 ? 1 : -1;
      const sweep = (stiff ? 1.25 : 0.55) + this.around(stiff ? 0.3 : 0.3);
      const length = low + this.random() * (high - low);
      this.fibre(step, "hackle", this.line.offset(result.from, half * side * (0.3 + 0.7 * this.random())), side * sweep, length, 0.07, this.around(0.3));
    }
    const root = this.line.at(result.from).point;
    this.measures.push({ label: step.name, mm: (low + high) / 2, from: root, to: [root[0] - 0.8 * high, root[1] - 0.6 * high] });
  }

  private palmer(step: FlyStep, result: StepResult): void {
    const [low, high] = step.barbMm ?? [this.fly.hook.gape * 1.2, this.fly.hook.gape * 1.5];
    const pitch = Math.max(result.pitch ?? 0.5, 0.22);
    for (let x = result.from; x <= result.to; x += pitch)
      for (let k = 0; k < 8; k++) {
        const side = k % 2 === 0 ? 1 : -1;
        const half = (this.diameter(result, x) / 2) * side;
        this.fibre(step, "hackle", this.line.offset(x + this.around(pitch / 2), half * this.random()), side * (1.2 + this.around(0.35)), low + this.random() * (high - low), 0.055, this.around(0.3));
      }
  }

  private lay(step: FlyStep, result: StepResult): void {
    if (step.step.do !== "lay") return;
    const shown = step.shownMm ?? 0;
    const attitude = step.step.attitude ?? "back";
    if (step.step.hanging) return this.area(step, "inside", this.outline(result), -0.1);
    if (shown === 0) {
      if (attitude === "over") this.pulledOver(step, result);
      else if (!step.step.countedWhenWound) this.area(step, "inside", this.outline(result), -0.1);
      return;
    }
    const rootX = attitude === "back" ? result.to : result.from;
    const half = this.diameter(result, rootX) / 2;
    const layer: Layer = step.role === "wing" || step.role === "underwing" || step.role === "topping" ? "wing" : step.role === "legs" || step.role === "throat" ? "legs" : "tail";
    if (step.material?.form === "quill" && step.widthMm) this.slip(step, rootX, half, shown, step.widthMm);
    else if (step.material?.form === "extended body") this.extendedBody(step, rootX, shown);
    else this.bunch(step, layer, rootX, half, shown, attitude);
    const root = this.line.at(rootX).point;
    const up = attitude === "down" ? 0.6 : -0.35;
    this.measures.push({ label: step.name, mm: shown, from: root, to: [root[0] - shown * (attitude === "forward" ? -1 : 1), root[1] + up * shown * 0.3] });
  }

  /** Angle of a laid part's middle: 0 back along the shank, a quarter turn up. */
  private bunch(step: FlyStep, layer: Layer, rootX: number, half: number, shown: number, attitude: string): void {
    const middle = { back: 0.12, over: 0.34, up: 1.25, down: -0.85, forward: Math.PI - 0.7, sides: -0.7 }[attitude] ?? 0.12;
    const clump = step.fibres === undefined;
    const count = clump ? Math.min(70, 18 + Math.round(18 * (step.widthMm ?? 1))) : Math.min(60, Math.max(1, step.fibres ?? 1));
    const strand = step.material?.strand?.width ?? 0.08;
    const width = clump ? 0.08 : Math.min(0.9, Math.max(0.07, strand));
    const spread = attitude === "sides" ? 0.55 : count > 6 ? 0.16 : 0.22;
    for (let i = 0; i < count; i++) {
      const share = count === 1 ? 0 : i / (count - 1) - 0.5;
      const sideways = attitude === "sides" && i % 2 === 0 ? 0.5 : 0;
      const off = attitude === "down" || attitude === "sides" ? -half * 0.8 : attitude === "back" ? share * half : half * (0.7 + share * 0.5);
      this.fibre(step, layer, this.line.offset(rootX, off), middle + sideways + share * 2 * spread, shown * (0.9 + 0.1 * this.random()), width, this.around(0.2));
    }
  }

  /** A matched slip over the back: a closed blade with fibre lines. */
  private slip(step: FlyStep, rootX: number, half: number, shown: number, width: number): void {
    const root = this.line.offset(rootX, half * 0.9);
    const angle = 0.3;
    const blade = (t: number, across: number): [number, number] => {
      const w = width * across * Math.min(1, 0.25 + 1.4 * t) * (t > 0.8 ? 1 - (t - 0.8) * 2.2 : 1);
      return [root[0] - Math.cos(angle) * shown * t - Math.sin(angle) * w, root[1] - Math.sin(angle) * shown * t - Math.cos(angle) * w + 0.1 * shown * t * t];
    };
    const ts = Array.from({ length: 13 }, (_, i) => i / 12);
    this.area(step, "wing", [...ts.map((t) => blade(t, 0.6)), ...ts.reverse().map((t) => blade(t, -0.4))]);
    for (let k = -3; k <= 5; k++) this.stroke(step, "wing", Array.from({ length: 9 }, (_, i) => blade(i / 8.3, k / 9)), 0.04, -0.25);
  }

  private extendedBody(step: FlyStep, rootX: number, shown: number): void {
    const thick = step.material?.part?.diameter ?? step.material?.strand?.width ?? 1;
    const root = this.line.at(rootX).point;
    const edge = (t: number, side: number): [number, number] => [root[0] - shown * t, root[1] - 0.18 * shown * t * t + side * (thick / 2) * (1 - 0.55 * t)];
    const ts = Array.from({ length: 17 }, (_, i) => i / 16);
    this.area(step, "tail", [...ts.map((t) => edge(t, -1)), ...[...ts].reverse().map((t) => edge(t, 1))]);
    for (const t of ts.slice(1, -1)) this.stroke(step, "tail", [edge(t, -1), edge(t + 0.02, 0), edge(t, 1)], 0.06, -0.3);
  }

  /** A wing case or back pulled over: a band along the top of what it covers. */
  private pulledOver(step: FlyStep, result: StepResult): void {
    const top: [number, number][] = [];
    const under: [number, number][] = [];
    for (let i = 0; i <= 20; i++) {
      const x = result.from + ((result.to - result.from) * i) / 20;
      const half = this.diameter(result, x) / 2;
      const rise = Math.sin((Math.PI * i) / 20) * 0.12 * half;
      top.push(this.line.offset(x, half + rise + 0.05));
      under.push(this.line.offset(x, half * 0.45));
    }
    this.area(step, "wing", [...top, ...under.reverse()]);
    this.stroke(step, "wing", top, 0.06, 0.3);
  }

  private head(step: FlyStep, result: StepResult): void {
    const colour = this.threadColour;
    const head = { ...step, role: "head" as const };
    this.area(head, "head", this.outline(result), 0, colour);
    const shine: [number, number][] = [];
    for (let i = 1; i < 8; i++) {
      const x = result.from + ((result.to - result.from) * i) / 8;
      shine.push(this.line.offset(x, this.diameter(result, x) * 0.22));
    }
    if ((result.volume ?? 0) > 0) this.stroke(head, "head", shine, (result.headDiameter ?? 1) * 0.14, 0.6, colour);
    this.measures.push(this.along("head", result.from, result.to));
  }
}

/** Soft material rounds off at its ends: a quarter circle over `reach`, never below half. */
function roundedEnd(inside: number, reach: number): number {
  if (inside >= reach || reach <= 0) return 1;
  const t = 1 - inside / reach;
  return 0.5 + 0.5 * Math.sqrt(1 - t * t);
}

function boxOf(shapes: Shape[]): [number, number, number, number] {
  let [x0, y0, x1, y1] = [Infinity, Infinity, -Infinity, -Infinity];
  for (const s of shapes) {
    const pad = s.kind === "disc" ? s.radius : s.kind === "stroke" ? s.width / 2 : 0;
    for (const [x, y] of s.kind === "disc" ? [s.at] : s.points) {
      x0 = Math.min(x0, x - pad);
      y0 = Math.min(y0, y - pad);
      x1 = Math.max(x1, x + pad);
      y1 = Math.max(y1, y + pad);
    }
  }
  const margin = 0.04 * (x1 - x0);
  return [x0 - margin, y0 - margin, x1 - x0 + 2 * margin, y1 - y0 + 2 * margin];
}
