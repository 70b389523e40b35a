/** What is coming of a material, taken off as batches claim it: the earliest first. */
export class Coming {
  private readonly left: { day: string; quantity: number }[];

  constructor(arrivals: { day: string; quantity: number }[]) {
    this.left = arrivals.map(({ day, quantity }) => ({ day, quantity })).sort((a, b) => a.day.localeCompare(b.day));
  }

  /** What is left for others, the earliest first. */
  rest(): { day: string; quantity: number }[] {
    return this.left.filter((a) => a.quantity > 0).map((a) => ({ ...a }));
  }

  /**
   * Claims as much as is coming of what is short. @returns what is still short, and the day of the last that is
   * needed
   */
  claim(short: number): { short: number; day: string | undefined } {
    let open = short;
    let day: string | undefined;
    for (const a of this.left) {
      if (open <= 0) break;
      const taken = Math.min(open, a.quantity);
      if (taken <= 0) continue;
      a.quantity -= taken;
      open -= taken;
      day = a.day;
    }
    return { short: open, day };
  }
}
