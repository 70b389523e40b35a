import { nothing, type Quantity } from "@kasten/core/units";
import type { Arrival } from "../purchasing";

/** What is coming of a material, taken off as batches claim it: the earliest first. */
export class Coming {
  private readonly left: { day: string; quantity: number }[];

  constructor(arrivals: Arrival[]) {
    this.left = arrivals
      .map(({ day, quantity }) => ({ day, quantity: quantity as number }))
      .sort((a, b) => a.day.localeCompare(b.day));
  }

  /**
   * Claims as much as is coming of what is short. @returns what is still short, and the day of the last that is
   * needed
   */
  claim(short: Quantity): { short: number; day: string | undefined } {
    let open: number = short;
    let day: string | undefined;
    for (const a of this.left) {
      if (open <= nothing) break;
      const taken = Math.min(open, a.quantity);
      if (taken <= 0) continue;
      a.quantity -= taken;
      open -= taken;
      day = a.day;
    }
    return { short: open, day };
  }
}
