import { z } from "zod";
import { bounds, type Bounds, type Figure } from "@kasten/core/units";

const words = (b: Bounds): string =>
  `Give ${b.whole ? "a whole number" : "a figure"} from ${b.least ?? 0} to ${b.most}${b.unit ? ` ${b.unit}` : ""}`;

/** A number within these bounds, and no other. */
export function numberWithin(b: Bounds): z.ZodNumber {
  const error = words(b);
  const base = b.whole ? z.number().int({ error }) : z.number();
  return base.min(b.least ?? 0, { error }).max(b.most, { error });
}

/** A figure by its meaning: refused at the door by the same table by which core refuses it again. */
export const figure = (name: Figure): z.ZodNumber => numberWithin(bounds[name]);

/** The class of a feather: the lengths of its barbs in mm, the shorter end first. */
export const barbClass = z
  .tuple([figure("barbMm"), figure("barbMm")])
  .refine(([from, to]) => from <= to, "The shorter barb comes first, such as 5 to 9 mm");
