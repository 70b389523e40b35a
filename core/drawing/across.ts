import type { FlyStep } from "../fly";
import type { Pen } from "./pen";
import type { Layer } from "./shapes";

/** Where pieces are tied across the shank, and how long each is from side to side. */
interface Zone {
  from: number;
  to: number;
  /** Radius of the fly there. */
  half: number;
  shown: number;
}

/** Pieces that lie across point at the eye of who looks: so much of their length is seen from the side. */
const SEEN = 0.3;
const MOST_PIECES = 30;
/** Each piece frays into so many ends, one half above the shank and one below. */
const ENDS = 26;

/** Pieces of yarn tied across the shank, one beside the other, as the body of a crab is: a mat, seen from its edge. */
export class Across {
  constructor(private readonly pen: Pen) {}

  lay(step: FlyStep, layer: Layer, { from, to, half, shown }: Zone): void {
    const count = Math.min(MOST_PIECES, Math.max(1, step.fibres ?? 1));
    for (let i = 0; i < count; i++) {
      const middle = from + ((i + 0.5) / count) * (to - from);
      for (let end = 0; end < ENDS; end++) {
        const side = end % 2 === 0 ? 1 : -1;
        const x = middle + this.pen.around((0.45 * (to - from)) / count);
        const far = end % 4 >= 2;
        this.pen.fibre(step, far ? "far" : layer, this.pen.line.offset(x, side * half * 0.5), {
          angle: side * (Math.PI / 2) + this.pen.around(0.35),
          wave: shown * 0.01,
          length: (shown / 2) * SEEN * (0.75 + 0.25 * this.pen.random()),
          width: 0.14,
          shade: this.pen.around(0.26) - (far ? 0.2 : 0),
        });
      }
    }
  }
}
