import type { HookDifference, HookEye, HookSteps, HookWanted } from "../../hooks";

const eyes: Record<HookEye, string> = {
  straight: "straight eye",
  "turned down": "turned-down eye",
  "turned up": "turned-up eye",
  "returned along the shank": "returned eye",
};

/** “4X long”, “long shank”, “standard wire”: how far from standard, as it is said. */
const stepWords =
  (more: string, less: string, of: string, ofMany = of) =>
  ({ from, to }: HookSteps): string => {
    if (from === to && from === 0) return `standard ${of}`;
    if (from === to) return `${Math.abs(from)}X ${from > 0 ? more : less}${ofMany === of ? "" : ofMany}`;
    return `${to > 0 ? more : less} ${of}`;
  };
const shank = stepWords("long", "short", "shank");
const wire = stepWords("heavy", "fine", "wire");
const gape = stepWords("wide", "narrow", "gape", " gape");

/** What is said of a hook, one thing after the other: “4X long”, “barbless”. */
export const sayWanted = (w: HookWanted): string[] => [
  ...(w.points === undefined ? [] : [w.points === 2 ? "double" : "single point"]),
  ...(w.shank ? [shank(w.shank)] : []),
  ...(w.wire ? [wire(w.wire)] : []),
  ...(w.gape ? [gape(w.gape)] : []),
  ...(w.bend === undefined ? [] : [w.bend === "curved" ? "curved" : "round bend"]),
  ...(w.barbless === undefined ? [] : [w.barbless ? "barbless" : "barbed"]),
  ...(w.eye ? [eyes[w.eye]] : []),
  ...(w.finish === undefined ? [] : [`${w.finish} finish`]),
];

/** The sentence that tells what a hook has otherwise than is said of it. */
export const differenceWords = (name: string, { wanted, has }: HookDifference): string =>
  `Of the hook is said: ${listed(wanted)}. ${name} has: ${listed(has)}. All is reckoned on ${name}: take another hook, or change what is said.`;
const listed = (w: HookWanted): string => sayWanted(w).join(", ");
