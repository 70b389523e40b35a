import loadHighs from "highs";
import type { SolveLp } from "../numeric";

const highs = await loadHighs();
const SECONDS = 10;

/** The solver that the server uses, for tests of what core asks of it. */
export const solveLp: SolveLp = (lp) => {
  const { Status, Columns } = highs.solve(lp, { mip_rel_gap: 0, mip_abs_gap: 0, time_limit: SECONDS });
  const values = Object.fromEntries(Object.entries(Columns).map(([name, c]) => [name, "Primal" in c ? c.Primal : 0]));
  return { optimal: Status === "Optimal", status: Status, values };
};
