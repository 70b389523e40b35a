import { landmarksOf, placeAt, type HookGeometry, type Landmark } from "../hooks";
import type { ComposedFly, FlyStep } from "../fly";
import type { StepResult } from "../tying";
import { Bodies } from "./body";
import { Covers } from "./cover";
import { Fibres } from "./fibres";
import { Across } from "./across";
import { Hackles } from "./hackle";
import { Hard } from "./hard";
import { HookLine, hookShapes } from "./hook";
import { pathsOf, type DrawnPath } from "./paths";
import { Pen } from "./pen";
import { layers, type Colour, type Drawing, type Layer, type Measure, type Point, type Shape } from "./shapes";

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

const landmarkNames: Record<Landmark, string> = {
  eye: "eye",
  point: "point",
  barb: "barb",
  bend: "bend",
  intoBend: "into the bend",
  betweenBends: "between the bends",
};

class Drafter {
  private readonly line: HookLine;
  private readonly pen: Pen;
  private readonly bodies: Bodies;
  private readonly covers: Covers;
  private readonly fibres: Fibres;
  private readonly across: Across;
  private readonly hackles: Hackles;
  private readonly hard: Hard;
  private readonly measures: Measure[] = [];
  private thread: Colour;

  constructor(
    private readonly fly: ComposedFly,
    private readonly options: DrawOptions,
  ) {
    this.line = new HookLine(fly.hook);
    this.pen = new Pen(this.line, options.seed);
    this.pen.shapes.push(...hookShapes(this.line));
    this.bodies = new Bodies(this.pen, fly.tied);
    this.covers = new Covers(this.pen, this.bodies);
    this.fibres = new Fibres(this.pen);
    this.across = new Across(this.pen);
    this.hackles = new Hackles(this.pen, this.bodies);
    this.hard = new Hard(this.pen, this.bodies);
    this.thread = fly.parts.find((p) => p.role === "thread")?.material.colour;
  }

  drawing(): Drawing {
    const results = new Map(this.fly.tied.steps.map((r) => [r.id, r]));
    for (const step of this.fly.steps) {
      const result = results.get(step.id);
      if (result) this.step(step, result);
    }
    const up = this.fly.ridesPointUp ? turnedOver : (p: Point): Point => p;
    const shapes = this.order()
      .flatMap((layer) => this.pen.shapes.filter((s) => s.layer === layer))
      .map((s) => turned(s, up));
    if (this.fly.ridesPointUp) this.measures.forEach((m) => Object.assign(m, { from: up(m.from), to: up(m.to) }));
    return { shapes, measures: this.measures, landmarks: this.marks(), box: boxOf(shapes) };
  }

  /** What lies inside is left out, or comes to the front of the body, as if that were cut open. */
  private order(): Layer[] {
    const rest = layers.filter((l) => l !== "inside");
    return this.options.inside ? rest.flatMap((l) => (l === "rib" ? [l, "inside" as const] : [l])) : rest;
  }

  private marks(): Drawing["landmarks"] {
    const { hook, tied } = this.fly;
    return landmarksOf(hook).map((landmark) => {
      const mm = placeAt({ landmark }, hook, tied.beadMm);
      return {
        name: landmark === "eye" && tied.beadMm > 0 ? "behind the bead" : landmarkNames[landmark],
        mm,
        at: this.fly.ridesPointUp ? turnedOver(this.line.at(mm).point) : this.line.at(mm).point,
      };
    });
  }

  private step(given: FlyStep, result: StepResult): void {
    const step = withFace(given);
    switch (result.do) {
      case "seat":
        return this.seat(step, result);
      case "wind":
        return this.wind(step, result);
      case "dress":
        this.bodies.dubbed(step, result);
        this.measures.push(this.along(step.name, result));
        return;
      case "lay":
        return this.lay(step, result);
      case "thread":
        this.thread = step.material?.colour;
        return;
      case "whip":
        this.hard.head(step, result, this.thread);
        this.measures.push(this.along("head", result));
        return;
      case "glue":
      case "act":
        return;
    }
  }

  private along(label: string, { from, to }: StepResult): Measure {
    return { label, mm: to - from, from: this.line.at(from).point, to: this.line.at(to).point };
  }

  private seat(step: FlyStep, result: StepResult): void {
    const diameter = step.material?.part?.diameter;
    if (diameter === undefined) return;
    if (step.role === "eyes") this.hard.eyes(step, result, diameter);
    else this.hard.bead(step, result, diameter);
  }

  private wind(step: FlyStep, result: StepResult): void {
    const form = step.material?.form;
    const strand = step.material?.strand;
    if (form === "hackle") return this.hackle(step, result);
    if (result.strands === undefined) return this.threadWound(step, result);
    if (form === "weight wire") {
      this.bodies.inside(step, result, 0.1);
      return this.bodies.turns(step, result, strand?.width ?? 0.3, "inside", { bright: true });
    }
    const shines = form === "wire" || form === "tinsel";
    if ((result.growth ?? 0) === 0)
      return this.bodies.turns(step, result, strand?.width ?? 0.15, "rib", { bright: shines });
    if (step.role !== "rib") this.measures.push(this.along(step.name, result));
    if (form === "herl") return this.bodies.herl(step, result);
    if (form === "chenille") return this.bodies.chenille(step, result, 0.35);
    if (form === "yarn") return this.bodies.chenille(step, result, 0.14);
    if (form === "stretch body") return this.bodies.segments(step, result);
    this.bodies.solid(step, "body", result, { gloss: shines ? 0.5 : 0.24 });
    this.bodies.grain(step, result, -0.25);
  }

  /** Working thread lies beneath all that follows; wound flat as a body it is seen. */
  private threadWound(step: FlyStep, result: StepResult): void {
    if (result.from === result.to) return;
    const isBody = step.role !== "thread";
    const colour = isBody ? this.thread : step.material?.colour;
    this.bodies.solid(step, isBody ? "body" : "under", result, { colour, gloss: 0.2 });
  }

  private hackle(step: FlyStep, result: StepResult): void {
    const { gape } = this.fly.hook;
    const barb: [number, number] = step.barbMm ?? [gape, gape * 1.4];
    const short = result.to - result.from <= 0.25 * this.fly.hook.shank;
    if (step.step.do === "wind" && step.step.roundPost) this.hackles.post(step, result, barb);
    else if (short) this.hackles.collar(step, result, barb);
    else this.hackles.palmer(step, result, barb);
    const middle = (result.from + result.to) / 2;
    const root = this.line.at(middle).point;
    this.measures.push({
      label: `${step.name}, barbs`,
      mm: (barb[0] + barb[1]) / 2,
      from: root,
      to: [root[0], root[1] - (barb[0] + barb[1]) / 2],
    });
  }

  private lay(step: FlyStep, result: StepResult): void {
    if (step.step.do !== "lay") return;
    const { attitude = "back", hanging, countedWhenWound } = step.step;
    const shown = step.shownMm ?? 0;
    if (hanging || shown === 0) {
      if (!hanging && attitude === "over") return this.covers.lay(step, result);
      if (!countedWhenWound) this.bodies.inside(step, result);
      return;
    }
    if (step.isAcross) {
      const half = this.bodies.diameter(result, (result.from + result.to) / 2) / 2;
      return this.across.lay(step, layerOf(step), { from: result.from, to: result.to, half, shown });
    }
    // A tail leaves the fly at its rear, whichever way it then points.
    const x = attitude === "back" || step.role === "tail" ? result.to : result.from;
    this.fibres.lay(step, layerOf(step), { x, half: this.bodies.diameter(result, x) / 2, shown, attitude });
    const root = this.line.at(x).point;
    this.measures.push({
      label: step.name,
      mm: shown,
      from: root,
      to: [root[0] - shown * (attitude === "forward" ? -1 : 1), root[1]],
    });
  }
}

/** A tinsel with two good faces has the colour of the one that shows. */
function withFace(s: FlyStep): FlyStep {
  const { step, material } = s;
  const face =
    step.do === "wind" && step.shows !== undefined ? material?.faces?.find((f) => f.name === step.shows) : undefined;
  return face && material ? { ...s, material: { ...material, colour: face.colour } } : s;
}

/** A fly that swims point up is drawn so: the side that swims up is up. */
const turnedOver = ([x, y]: Point): Point => [x, -y];
const turned = (s: Shape, by: (p: Point) => Point): Shape =>
  s.kind === "disc" ? { ...s, at: by(s.at) } : { ...s, points: s.points.map(by) };

function layerOf(step: FlyStep): Layer {
  switch (step.role) {
    case "wing":
    case "underwing":
    case "topping":
    case "cheeks":
    case "flash":
      return step.step.do === "lay" && step.step.attitude === "back" ? "tail" : "wing";
    case "legs":
    case "throat":
      return "legs";
    default:
      return "tail";
  }
}

function boxOf(shapes: Shape[]): [number, number, number, number] {
  let [x0, y0, x1, y1] = [Infinity, Infinity, -Infinity, -Infinity];
  const take = ([x, y]: Point, pad: number) => {
    x0 = Math.min(x0, x - pad);
    y0 = Math.min(y0, y - pad);
    x1 = Math.max(x1, x + pad);
    y1 = Math.max(y1, y + pad);
  };
  for (const s of shapes) {
    if (s.kind === "disc") take(s.at, s.radius);
    else for (const p of s.points) take(p, s.kind === "stroke" ? s.width / 2 : 0);
  }
  const margin = 0.04 * (x1 - x0);
  return [x0 - margin, y0 - margin, x1 - x0 + 2 * margin, y1 - y0 + 2 * margin];
}

/** The bare hook to scale, as paths. */
export const drawHook = (hook: HookGeometry): DrawnPath[] => pathsOf({ shapes: hookShapes(new HookLine(hook)) });
