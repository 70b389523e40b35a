import { ascending, nth } from "../numeric";
import { placeAt, type Place } from "../hooks";
import type { StepResult, Warning } from "../tying";
import type { Recipe, Role } from "../recipe";
import type { ComposedFly, FlyStep } from "./types";
import { samePlace, tieInsOf } from "./proportions";

/**
 * What the pattern itself asks of its room: stretches kept bare, the room in front of the body, lengths in their order,
 * parts that show.
 */
export const roomWarnings = (recipe: Recipe, fly: ComposedFly): Warning[] => [
  ...bareWarnings(recipe, fly),
  ...headRoomWarnings(fly),
  ...staggerWarnings(recipe, fly),
  ...wrapWarnings(recipe, fly),
  ...unseenWarnings(fly),
];

/** Below this a zone only touches the stretch. */
const TOUCH_MM = 0.1;

function bareWarnings(recipe: Recipe, fly: ComposedFly): Warning[] {
  return (recipe.bare ?? []).flatMap((stretch) => {
    const mm = (p: Place): number => placeAt(p, fly.hook, fly.tied.beadMm);
    const [a, b] = ascending(mm(stretch.from), mm(stretch.to));
    return fly.steps.flatMap((s): Warning[] => {
      const r = fly.tied.steps.find((x) => x.id === s.id);
      if (!r || !covers(s, stretch.thread === true)) return [];
      const over = Math.min(b, r.to) - Math.max(a, r.from);
      if (over <= TOUCH_MM) return [];
      return [
        {
          step: s.id,
          code: "KEPT_BARE",
          details: {
            name: s.name,
            coversMm: over,
            from: stretch.from,
            to: stretch.to,
            thread: stretch.thread === true,
            why: stretch.why,
          },
        },
      ];
    });
  });
}

/** Thread may lie where only bare thread is asked for. */
function covers(s: FlyStep, threadMay: boolean): boolean {
  if (s.step.do === "wind" || s.step.do === "dress" || s.step.do === "lay")
    return !(threadMay && s.step.do === "wind" && s.material?.form === "thread");
  return false;
}

/** Eye lengths that a part in front of the body takes, and the head itself. */
const HEAD_EYES = 1;
const PART_EYES = 0.5;
const frontRoles = new Set<Role>(["collar", "wing", "underwing", "throat", "topping", "cheeks"]);

export interface HeadRoom {
  /** The step that ends nearest the eye before those parts are tied in. */
  step: string;
  leftMm: number;
  neededMm: number;
  eyes: number;
  parts: string[];
}

/**
 * Room that the parts in front of the body and the head need, planned in eye lengths, and the room that the body
 * leaves. One eye length for the head, half a one for each collar, wing, throat or second hackle that follows; behind a
 * bead, which takes the head's place, only the parts count.
 * @returns undefined for a fly without a body that ends in front
 */
export function headRoomOf(fly: ComposedFly): HeadRoom | undefined {
  // The results stand in the order of the steps, one for each.
  const { steps: results } = fly.tied;
  const index = fly.steps.findLastIndex((s, i) => isBody(s, results[i]));
  const body = fly.steps[index];
  if (!body) return undefined;
  const parts = fly.steps
    .slice(index + 1)
    .filter((s) => s.role !== undefined && frontRoles.has(s.role) && s.step.do !== "act");
  const eyes = (fly.tied.beadMm > 0 ? 0 : HEAD_EYES) + PART_EYES * new Set(parts.map((s) => s.role)).size;
  const front = fly.steps.reduce(
    (least, s, i) => (i <= index && isBody(s, results[i]) ? Math.min(least, results[i]?.from ?? Infinity) : least),
    Infinity,
  );
  return {
    step: body.id,
    leftMm: front - fly.tied.beadMm,
    neededMm: eyes * fly.hook.eye,
    eyes,
    parts: parts.map((s) => s.name),
  };
}

const isBody = (s: FlyStep, r: StepResult | undefined): boolean =>
  r !== undefined &&
  (s.role === "body" || s.role === "thorax") &&
  (s.step.do === "wind" || s.step.do === "dress") &&
  r.to > r.from;

function headRoomWarnings(fly: ComposedFly): Warning[] {
  const room = headRoomOf(fly);
  if (!room || room.leftMm >= room.neededMm - TOUCH_MM) return [];
  const name = fly.steps.find((s) => s.id === room.step)?.name ?? room.step;
  return [
    {
      step: room.step,
      code: "HEAD_ROOM",
      details: {
        name,
        leftMm: Math.max(0, room.leftMm),
        neededMm: room.neededMm,
        eyes: room.eyes,
        parts: room.parts,
        beaded: fly.tied.beadMm > 0,
      },
    },
  ];
}

function staggerWarnings(recipe: Recipe, fly: ComposedFly): Warning[] {
  const { stagger } = recipe;
  if (!stagger) return [];
  const parts = stagger.steps.flatMap((id) => fly.steps.find((s) => s.id === id) ?? []);
  return parts.slice(1).flatMap((s, i): Warning[] => {
    const longer = nth(parts, i);
    const by = (longer.shownMm ?? 0) - (s.shownMm ?? 0);
    if (by >= stagger.leastMm - 1e-9) return [];
    return [
      {
        step: s.id,
        code: "NOT_STAGGERED",
        details: {
          name: s.name,
          longer: longer.name,
          shownMm: s.shownMm ?? 0,
          shorterByMm: by,
          leastMm: stagger.leastMm,
        },
      },
    ];
  });
}

function wrapWarnings({ mostWraps }: Recipe, fly: ComposedFly): Warning[] {
  if (mostWraps === undefined) return [];
  return tieInsOf(fly).flatMap(({ place, steps, wraps }): Warning[] => {
    if (wraps <= mostWraps) return [];
    const last = fly.steps.findLast((s) => s.step.tieIn && samePlace(s.step.tieIn.at, place));
    return [
      {
        step: last?.id ?? "",
        code: "WRAPS_PILE_UP",
        details: { place, wraps, most: mostWraps, steps },
      },
    ];
  });
}

/** Parts that are there to be seen. */
const shownRoles = new Set<Role>(["tail", "wing", "underwing", "throat", "legs", "topping", "cheeks", "flash"]);

function unseenWarnings(fly: ComposedFly): Warning[] {
  return fly.steps.flatMap((s): Warning[] => {
    if (
      s.step.do !== "lay" ||
      s.role === undefined ||
      !shownRoles.has(s.role) ||
      s.step.hanging ||
      s.step.countedWhenWound ||
      s.step.shown
    )
      return [];
    return [
      {
        step: s.id,
        code: "SHOWS_NOTHING",
        details: { name: s.name },
      },
    ];
  });
}
