import type { MaterialForm } from "../materials";
import { formTold, type Told } from "./told";

/** What makes a body when it is wound or dubbed. */
const bodyForms = new Set<MaterialForm | undefined>([
  "dubbing",
  "blend",
  "floss",
  "yarn",
  "chenille",
  "herl",
  "stretch body",
  "quill",
  "feather fibre",
]);
const others = new Set<Told["role"]>(["thorax", "hackle", "collar", "head", "butt", "tag", "wing", "tail", "throat"]);

/**
 * Whether tinsel that is tied in now is the body, and no rib: nothing behind it makes another body, and it is wound
 * without a number of turns, or beside a wire that ribs it.
 *
 * @param behind what is told behind it, in order
 * @param isWireThere whether wire was tied in before
 */
export function isTinselBody(behind: readonly Told[], isWireThere: boolean): boolean {
  const makesBody = behind.some(
    (t) =>
      t.role === "body" ||
      t.part === "abdomen" ||
      ((t.kind === "dress" || t.kind === "wind" || t.verb === "tie in") &&
        bodyForms.has(formTold(t)) &&
        !others.has(t.role) &&
        t.said.shown === undefined),
  );
  if (makesBody) return false;
  const hasWire = isWireThere || behind.some((t) => formTold(t) === "wire");
  // “Rib with the tinsel”, “rib, 5 turns”, where there is no wire that could be meant.
  const isRib = behind.some((t) => t.role === "rib" && formTold(t) !== "wire" && !(hasWire && !t.description));
  const wound = behind.find((t) => t.verb === "wind" && formTold(t) === "tinsel");
  return !isRib && wound !== undefined && wound.said.rule?.turns === undefined;
}
