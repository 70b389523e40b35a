import { nth } from "../numeric";
import { shareOut } from "../recipe";
import { type FlyStep } from "../fly";
import { Blades } from "./blades";
import { drawHide, isHide } from "./hide";
import { Legs } from "./legs";
import type { Pen } from "./pen";
import { directionOf, openingOf, type Root } from "./root";
import type { Layer, Point } from "./shapes";

/** Hair that lies along the fly lies along its underside; what stands off hangs down there. */
const below = (root: Root): Root =>
  root.attitude === "over" || root.attitude === "back" ? { ...root, isBelow: true } : { ...root, attitude: "down" };

/** Tails, wings, legs, throats: fibres from their tie-in at their true shown length. */
export class Fibres {
  private readonly blades: Blades;
  private readonly legs: Legs;

  constructor(private readonly pen: Pen) {
    this.blades = new Blades(pen);
    this.legs = new Legs(pen);
  }

  lay(step: FlyStep, layer: Layer, at: Root): void {
    const stance = step.step.do === "lay" ? step.step.stance : undefined;
    const root: Root = { ...at, stance, turned: this.pen.line.at(at.x).turned };
    const shared =
      step.step.do === "lay" && step.step.round && step.fibres !== undefined && step.role !== "legs" && !isFlat(step)
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
          sector === "underside" ? below(root) : root,
        );
    }
  }

  private part(step: FlyStep, layer: Layer, root: Root): void {
    const form = step.material?.form;
    if (form === "quill" && step.widthMm) return this.blades.slips(step, root, step.widthMm);
    if (form === "extended body") return this.blades.extendedBody(step, root);
    if (step.role === "legs") return this.legs.lay(step, layer, root);
    if (root.attitude === "sides") return this.spent(step, layer, root);
    if (isFlat(step)) return this.blades.feathers(step, layer, root);
    if (isCrest(step)) return this.crest(step, layer, root);
    if (form === "hair") return this.hair(step, layer, root);
    if (form === "flash" || form === "rubber") return this.strands(step, layer, root);
    if (isHide(step)) return drawHide(this.pen, step, layer, root, this.point(root, 0));
    if (form === "yarn" || form === "chenille") return this.tuft(step, layer, root);
    if (isPlume(step)) return this.plume(step, layer, root);
    this.bunch(step, layer, root);
  }

  private point(root: Root, across: number): Point {
    const { attitude, half } = root;
    const off =
      attitude === "down" || root.isBelow
        ? -half * (0.75 + 0.25 * across)
        : attitude === "back"
          ? half * across * 0.7
          : half * (0.75 + 0.25 * across);
    return this.pen.line.offset(root.x, off);
  }

  /** Stiff fibres counted: fanned by their number, tips level. */
  private bunch(step: FlyStep, layer: Layer, root: Root): void {
    const count = Math.min(80, Math.max(1, step.fibres ?? 12));
    const width = Math.min(0.22, Math.max(0.07, (step.material?.strand?.width ?? 0.08) * 1.1));
    const spread = Math.min(0.42, 0.05 + count * 0.014) * openingOf(root) * (root.attitude === "down" ? 1.5 : 1);
    for (let i = 0; i < count; i++) {
      const share = count === 1 ? 0 : (2 * i) / (count - 1) - 1;
      this.pen.fibre(step, layer, this.point(root, share), {
        angle: directionOf(root) + share * spread + this.pen.around(0.02),
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
      const reach = root.shown * (0.62 + 0.37 * Math.sqrt(this.pen.random()));
      this.pen.fibre(step, layer, this.point(root, share), {
        angle: directionOf(root) + share * (upright ? 0.34 : 0.3),
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
        angle: directionOf(root) + share * 0.09 * openingOf(root) + this.pen.around(0.03),
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
          angle: directionOf(root),
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
        angle: directionOf(root) + share * (root.attitude === "over" ? 0.14 : 0.3),
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

  /** Out to both sides it comes towards the eye of the one who looks: short, and open like a fan. */
  private spent(step: FlyStep, layer: Layer, root: Root): void {
    const count = Math.min(60, Math.max(2, step.fibres ?? 20));
    for (let i = 0; i < count; i++) {
      const far = i % 2 === 1;
      const share = (2 * i) / (count - 1) - 1;
      this.pen.fibre(step, far ? "far" : layer, this.point({ ...root, attitude: "back" }, share), {
        angle: 0.05 + share * 0.5 * openingOf(root) + this.pen.around(0.05),
        length: root.shown * 0.5 * (0.85 + 0.15 * this.pen.random()),
        width: 0.08,
        tapered: true,
        shade: this.pen.around(0.24) - (far ? 0.25 : 0) - pale(step.material?.colour),
      });
    }
  }

  /** A crest keeps its own curve: over the wing and down to the tail, or as a tail upwards. */
  private crest(step: FlyStep, layer: Layer, root: Root): void {
    const count = Math.min(60, Math.max(10, step.fibres ?? 24));
    const over = step.role === "topping";
    for (let i = 0; i < count; i++) {
      const share = (2 * i) / (count - 1) - 1;
      this.pen.fibre(step, layer, this.point({ ...root, attitude: over ? "over" : "back" }, share), {
        angle: (over ? 0.62 : -0.1) + share * 0.07 + this.pen.around(0.02),
        curl: over ? -0.95 : 0.95,
        // Its barbs leave the stem one after the other and all lie along it.
        length: root.shown * (1 - 0.45 * this.pen.random() ** 2),
        width: 0.075,
        tapered: true,
        shade: this.pen.around(0.26) - pale(step.material?.colour),
      });
    }
  }

  /** Strands of yarn: many fine fibres as wide as the strand, cut square, a little open at the end. */
  private tuft(step: FlyStep, layer: Layer, root: Root): void {
    const strands = Math.min(12, Math.max(1, step.fibres ?? 1));
    const wide = step.material?.strand?.width ?? 1;
    const count = Math.min(120, 16 * strands);
    for (let i = 0; i < count; i++) {
      const share = (2 * i) / (count - 1) - 1;
      const [x, y] = this.point(root, share * 0.5);
      const angle = directionOf(root);
      const off = share * wide * 0.3 * Math.sqrt(strands);
      this.pen.fibre(step, layer, [x - Math.sin(angle) * off, y - Math.cos(angle) * off], {
        angle: angle + share * 0.1 * openingOf(root) + this.pen.around(0.05),
        wave: root.shown * 0.02,
        length: root.shown * (0.95 + 0.05 * this.pen.random()),
        width: 0.09,
        shade: this.pen.around(0.26) - pale(step.material?.colour),
      });
    }
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

/** Whole feathers that lie flat on their sides: cheeks, and wings of feathers that are not plumes. */
function isFlat(step: FlyStep): boolean {
  const { form } = step.material ?? {};
  if ((form !== "hackle" && form !== "feather fibre") || step.step.do !== "lay") return false;
  const { amount } = step.step;
  const whole = "feathers" in amount && amount.part === undefined;
  return step.role === "cheeks" || (whole && step.role === "wing" && !isPlume(step));
}

/** A topping of feathers, or a tail of one that curves upwards. */
function isCrest(step: FlyStep): boolean {
  if (step.step.do !== "lay" || (step.material?.form !== "feather fibre" && step.material?.form !== "hackle"))
    return false;
  return step.role === "topping" || (step.role === "tail" && step.step.attitude === "up");
}
