import { placeAt } from "../../hooks";
import { ascending } from "../../numeric";
import type { RecipeStep, Role } from "../../recipe";
import type { FlyContext } from "../context";

type WindStep = RecipeStep & { do: "wind" };

/** Parts that lie beneath others, and by whose winding those go with or against. */
const grounds = new Set<Role>(["body", "thorax", "tag", "butt"]);

/**
 * Which way a part is wound: clockwise seen from the eye, or not. Thread and dubbing go clockwise, and so does what
 * says nothing. A part that is said against, or with, what lies beneath follows that, whichever way it goes:
 * reversing a body turns round all that leans on it.
 */
export function isClockwise(c: FlyContext, step: WindStep): boolean {
  if (step.clockwise !== undefined) return step.clockwise;
  const school = c.school(step, "rib direction");
  const against = school === undefined ? step.counter : school === "against";
  const ground = groundOf(c, step);
  if (against === undefined) return true;
  const beneath = ground ? isClockwise(c, ground) : true;
  return against ? !beneath : beneath;
}

/** The last wound part beneath a step, on which it lies at least in part; a dubbed one goes as the thread goes. */
function groundOf(c: FlyContext, step: WindStep): WindStep | undefined {
  const [front, rear] = zoneMm(c, step);
  const before = c.order.slice(0, c.order.indexOf(step));
  const beneath = before.findLast((s) => {
    const role = c.roleOf(s);
    if ((s.do !== "wind" && s.do !== "dress") || role === undefined || !grounds.has(role)) return false;
    const [a, b] = zoneMm(c, s);
    return Math.min(b, rear) - Math.max(a, front) > -1e-9;
  });
  return beneath?.do === "wind" ? beneath : undefined;
}

function zoneMm(c: FlyContext, step: RecipeStep & { do: "wind" | "dress" }): [number, number] {
  const at = placeAt(step.from, c.hook, c.beadMm);
  return ascending(at, step.to === undefined ? c.hook.shank : placeAt(step.to, c.hook, c.beadMm));
}
