import loadHighs from "highs";
import type { SolveLp } from "@kasten/core/numeric";

/** A person waits for it. */
const MOST_SECONDS = 5;

/** The mixed-integer solver, loaded when it is asked first: it is a large program of its own. */
export async function mixedIntegerSolver(): Promise<SolveLp> {
  const highs = await loadHighs();
  return (lp) => {
    const { Status, Columns } = highs.solve(lp, { mip_rel_gap: 0, mip_abs_gap: 0, time_limit: MOST_SECONDS });
    const values = Object.fromEntries(
      Object.entries(Columns).map(([name, column]) => [name, "Primal" in column ? column.Primal : 0]),
    );
    return { optimal: Status === "Optimal", status: Status, values };
  };
}
