import { nth } from "../numeric";
import { shareOut, type Attitude, type Stance } from "../recipe";
import { type FlyStep } from "../fly";
import type { Pen } from "./pen";
import type { Layer, Point } from "./shapes";

/** Where a laid part leaves the shank, and what it leaves it from. */
interface Root {
  x: number;
  /** Radius of the fly there. */
  half: number;
  shown: number;
  attitude: Attitude;
}

/** Middle of a part's direction: 0 back along the shank, a quarter turn up. */
const middles: Record<Attitude, number> = {
  back: 0.1,
  over: 0.2,
  up: 1.25,
  down: -0.7,
  forward: Math.PI - 0.75,
  sides: -0.6,
};

/** What a stance does to the side view: how far a wing over the back is lifted, and how much wider it opens. */
const stances: Record<Stance | "none", { lift: number; open: number }> = {
  none: { lift: 0, open: 1 },
  V: { lift: 0.32, open: 1.3 },
  U: { lift: 0.2, open: 1.1 },
  tent: { lift: -0.1, open: 0.9 },
  flat: { lift: -0.19, open: 0.6 },
  splayed: { lift: 0.08, open: 2.4 },
  "full round": { lift: 0, open: 3.2 },
};

/** Tails, wings, legs, throats: fibres from their tie-in at their true shown length. */
export class Fibres {
  private stance: Stance | undefined;

  constructor(private readonly pen: Pen) {}

  lay(step: FlyStep, layer: Layer, root: Root): void {
    this.stance = step.step.do === "lay" ? step.step.stance : undefined;
    const shared =
      step.step.do === "lay" && step.step.round && step.fibres !== undefined && step.role !== "legs"
        ? shareOut(step.fibres, step.step.round)
        : undefined;
    if (!shared) return this.part(step, layer, root);
    // The far side first: what lies behind is drawn behind.
    for (const sector of ["far", "underside", "top", "near"] as const) {
      const count = shared[sector];
      if (count)
        this.part(
          { ...step, fibres: count },
          sector === "far" ? "far" : layer,
          sector === "underside" ? { ...root, attitude: "down" } : root,
        );
    }
  }

  private part(step: FlyStep, layer: Layer, root: Root): void {
    const form = step.material?.form;
    if (form === "quill" && step.widthMm) return this.slips(step, root, step.widthMm);
    if (form === "extended body") return this.extendedBody(step, root);
    if (step.role === "legs" || root.attitude === "sides") return this.legs(step, layer, root);
    if (form === "hair") return this.hair(step, layer, root);
    if (form === "flash" || form === "rubber") return this.strands(step, layer, root);
    if (isPlume(step)) return this.plume(step, layer, root);
    this.bunch(step, layer, root);
  }

  private point(root: Root, across: number): Point {
    const { attitude, half } = root;
    const off =
      attitude === "down"
        ? -half * (0.75 + 0.25 * across)
        : attitude === "back"
          ? half * across * 0.7
          : half * (0.75 + 0.25 * across);
    return this.pen.line.offset(root.x, off);
  }

  /** The direction follows the wire where the part leaves it round a bend. */
  private angle(root: Root): number {
    const turned = root.attitude === "back" ? Math.min(0.5, this.pen.line.at(root.x).turned) : 0;
    return middles[root.attitude] - turned * 0.6 + (root.attitude === "over" ? stances[this.stance ?? "none"].lift : 0);
  }

  /** Stiff fibres counted: fanned by their number, tips level. */
  private bunch(step: FlyStep, layer: Layer, root: Root): void {
    const count = Math.min(80, Math.max(1, step.fibres ?? 12));
    const width = Math.min(0.22, Math.max(0.07, (step.material?.strand?.width ?? 0.08) * 1.1));
    const spread =
      Math.min(0.42, 0.05 + count * 0.014) * stances[this.stance ?? "none"].open * (root.attitude === "down" ? 1.5 : 1);
    for (let i = 0; i < count; i++) {
      const share = count === 1 ? 0 : (2 * i) / (count - 1) - 1;
      this.pen.fibre(step, layer, this.point(root, share), {
        angle: this.angle(root) + share * spread + this.pen.around(0.02),
        length: root.shown * (0.93 + 0.07 * this.pen.random()),
        width,
        curl: share * 0.1 + (root.attitude === "down" ? 0.25 : 0.05),
        tapered: true,
        shade: this.pen.around(0.22) - pale(step.material?.colour),
      });
    }
  }

  /** A soft plume: many waving fibres, tips drawn together, a darker heart. */
  private plume(step: FlyStep, layer: Layer, root: Root): void {
    const count = Math.min(90, Math.max(14, step.fibres ?? 30));
    const upright = root.attitude === "up";
    for (let i = 0; i < count; i++) {
      const share = this.pen.around(1);
      const reach = root.shown * (0.62 + 0.38 * Math.sqrt(this.pen.random()));
      this.pen.fibre(step, layer, this.point(root, share), {
        angle: this.angle(root) + share * (upright ? 0.34 : 0.3),
        curl: -share * (upright ? 0.3 : 0.5) + this.pen.around(0.16),
        wave: root.shown * 0.05,
        length: reach,
        width: 0.055 + 0.03 * this.pen.random(),
        shade: this.pen.around(0.22) - (Math.abs(share) < 0.3 ? 0.1 : 0) - pale(step.material?.colour),
      });
    }
  }

  /** Hair: stiff, a bundle that opens a little, natural tips, dark where it is bound. */
  private hair(step: FlyStep, layer: Layer, root: Root): void {
    const count = Math.min(120, 26 + Math.round(30 * (step.widthMm ?? 1)));
    for (let i = 0; i < count; i++) {
      const share = (2 * i) / (count - 1) - 1;
      this.pen.fibre(step, layer, this.point(root, share), {
        angle: this.angle(root) + share * 0.09 * stances[this.stance ?? "none"].open + this.pen.around(0.03),
        curl: -share * 0.06 - 0.06,
        length: root.shown * (0.82 + 0.18 * this.pen.random()),
        width: 0.085,
        tapered: true,
        shade: this.pen.around(0.28) - 0.06,
      });
    }
    const band = [0.15, 0.5, 0.85].map((t) =>
      nth(
        this.pen.path(this.point(root, 0), {
          angle: this.angle(root),
          length: root.shown * t * 0.4,
          width: 0.1,
        }),
        5,
      ),
    );
    this.pen.stroke(step, layer, [this.point(root, 0), ...band], 0.12, -0.4);
  }

  /** Flash is thin and bright; rubber is round and springs. */
  private strands(step: FlyStep, layer: Layer, root: Root): void {
    const count = Math.min(24, Math.max(1, step.fibres ?? 2));
    const rubber = step.material?.form === "rubber";
    const wide = step.material?.strand?.width ?? 0.3;
    const dark = pale(step.material?.colour);
    for (let i = 0; i < count; i++) {
      const share = (count === 1 ? 0 : (2 * i) / (count - 1) - 1) * 0.5 + (root.attitude === "over" ? 0.5 : 0);
      const fibre = {
        angle: this.angle(root) + share * (root.attitude === "over" ? 0.14 : 0.3),
        curl: this.pen.around(0.18) - 0.05,
        wave: rubber ? 0 : root.shown * 0.012,
        length: root.shown * (0.94 + 0.06 * this.pen.random()),
      };
      this.pen.fibre(step, layer, this.point(root, share * 0.5), {
        ...fibre,
        width: rubber ? wide * 0.9 : Math.max(0.12, wide * 0.5),
        shade: (rubber ? -0.1 : 0.15) - 1.8 * dark,
      });
      this.pen.fibre(step, layer, this.point(root, share * 0.5), {
        ...fibre,
        width: rubber ? wide * 0.3 : 0.05,
        shade: 0.7 - 1.8 * dark,
      });
    }
  }

  /** Legs with a knee, as many as there are, spread from front to rear; the far ones behind the body. */
  private legs(step: FlyStep, layer: Layer, root: Root): void {
    const count = Math.min(16, Math.max(2, step.fibres ?? 6));
    const width = Math.min(0.5, Math.max(0.13, (step.material?.strand?.width ?? 0.1) * 1.5));
    const aSide = Math.ceil(count / 2);
    for (let i = 0; i < count; i++) {
      const far = i >= aSide;
      const t = aSide === 1 ? 0.5 : (i % aSide) / (aSide - 1); // 0 the foremost leg, 1 the rearmost
      const start = this.pen.line.offset(root.x + (t - 0.5) * root.half, -root.half * (far ? 0.25 : 0.55));
      const shift = far ? 0.22 : 0;
      const thigh = this.pen.path(start, {
        angle: -2.35 + 2.1 * t + shift + this.pen.around(0.08),
        length: root.shown * 0.45,
        width,
      });
      const knee = nth(thigh, thigh.length - 1);
      const shin = this.pen.path(knee, {
        angle: -1.75 + 0.95 * t + shift + this.pen.around(0.08),
        curl: 0.2,
        length: root.shown * 0.55,
        width,
      });
      const shade = far ? -0.35 : this.pen.around(0.1);
      this.pen.stroke(step, far ? "far" : layer, thigh, width, shade);
      this.pen.stroke(step, far ? "far" : layer, shin, width * 0.68, shade);
      this.pen.disc(step, far ? "far" : layer, knee, width * 0.6, shade - 0.1);
    }
  }

  /** Matched slips over the back: the far one a shade darker behind the near one. */
  private slips(step: FlyStep, root: Root, width: number): void {
    this.slip(step, root, width, "far", 0.05);
    this.slip(step, root, width, "wing", 0);
  }

  private slip(step: FlyStep, root: Root, width: number, layer: Layer, lift: number): void {
    const start = this.pen.line.offset(root.x, root.half * 0.85);
    const angle = middles[root.attitude] + 0.05 + lift;
    const blade = (t: number, across: number): Point => {
      const taper = Math.min(1, 0.3 + 2 * t) * (t > 0.72 ? Math.sqrt(Math.max(0, 1 - ((t - 0.72) / 0.28) ** 2)) : 1);
      const w = width * across * taper;
      const sag = 0.1 * root.shown * t * t;
      return [
        start[0] - Math.cos(angle) * root.shown * t - Math.sin(angle) * w,
        start[1] - Math.sin(angle) * root.shown * t - Math.cos(angle) * w + sag,
      ];
    };
    const ts = Array.from({ length: 19 }, (_, i) => i / 18);
    this.pen.area(step, layer, [...ts.map((t) => blade(t, 0.72)), ...[...ts].reverse().map((t) => blade(t, -0.28))], {
      edged: true,
      shade: layer === "far" ? -0.25 : 0,
    });
    if (layer === "far") return;
    for (let k = 0; k <= 11; k++)
      this.pen.stroke(
        step,
        layer,
        ts.slice(0, 17).map((t) => blade(t, -0.24 + (k / 11) * 0.9)),
        0.035,
        k % 3 === 0 ? 0.22 : -0.22,
      );
  }

  private extendedBody(step: FlyStep, root: Root): void {
    const thick = step.material?.part?.diameter ?? step.material?.strand?.width ?? 1;
    const start = this.pen.line.at(root.x).point;
    const edge = (t: number, side: number): Point => [
      start[0] - root.shown * t,
      start[1] - 0.2 * root.shown * t * t + side * (thick / 2) * (1 - 0.6 * t),
    ];
    const ts = Array.from({ length: 25 }, (_, i) => i / 24);
    this.pen.area(step, "tail", [...ts.map((t) => edge(t, -1)), ...[...ts].reverse().map((t) => edge(t, 1))], {
      edged: true,
    });
    this.pen.area(step, "tail", [...ts.map((t) => edge(t, 0.4)), ...[...ts].reverse().map((t) => edge(t, 1))], {
      shade: -0.22,
    });
    for (const t of ts.filter((_, i) => i % 2 === 1))
      this.pen.stroke(step, "tail", [edge(t, -1), edge(t + 0.015, 0), edge(t, 1)], 0.07, -0.36);
    const tip = edge(1, 0);
    for (const a of [0.55, 0.3, 0.1])
      this.pen.fibre(step, "tail", tip, { angle: a, curl: 0.15, length: root.shown * 0.75, width: 0.06, shade: -0.3 });
  }
}

/** White and cream fibres are drawn a shade darker here and there, or a pale ground swallows them. */
function pale(colour: string | undefined): number {
  if (!colour) return 0;
  const light = [1, 3, 5].reduce((sum, i) => sum + parseInt(colour.slice(i, i + 2), 16), 0) / (3 * 255);
  return light > 0.75 ? 0.24 : 0;
}

/** Soft by its looks: very light fibres for their width. */
const isPlume = (step: FlyStep): boolean => {
  const strand = step.material?.strand;
  return strand?.density !== undefined && strand.density <= 0.7 && step.material?.form === "feather fibre";
};
