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

/** Eye lengths that the head takes at most, and a laid part in front of the body. */
const HEAD_EYES = 1;
const PART_EYES = 0.5;

const frontRoles = new Set<Role>(["collar", "wing", "underwing", "throat", "topping", "cheeks"]);

/** The head as the recipe winds it, an eye length at most; a bead takes its place. */
function headMmOf({ tied, hook }: ComposedFly): number {
  if (tied.beadMm > 0) return 0;
  const whip = tied.steps.findLast((r) => r.do === "whip");
  return Math.min(HEAD_EYES * hook.eye, whip?.to ?? Infinity);
}

/** Shank that a wound part in front takes: its zone, or at one spot, where turns climb on each other, its width. */
function woundWidth(fly: ComposedFly, s: FlyStep): number {
  const r = fly.tied.steps.find((x) => x.id === s.id);
  if (s.step.do !== "wind" || !r) return 0;
  return r.to > r.from ? r.to - r.from : (s.material?.strand?.width ?? 0);
}

export interface HeadRoom {
  /** The step that ends nearest the eye before those parts are tied in. */
  step: string;
  leftMm: number;
  neededMm: number;
  eyes: number;
  parts: string[];
}

/**
 * Room that the parts in front of the body and the head need, and the room that the body leaves: the head as it is
 * wound, the width of its turns for a collar or second hackle, half an eye length for each wing or throat that follows;
 * behind a bead, which takes the head's place, only the parts count.
 * @returns undefined for a fly without a body that ends in front
 */
export function headRoomOf(fly: ComposedFly): HeadRoom | undefined {
  // The results stand in the order of the steps, one for each.
  const { steps: results } = fly.tied;
  const index = fly.steps.findLastIndex((s, i) => isBody(s, results[i]));
  const body = fly.steps[index];
  if (!body) return undefined;
  const front = fly.steps.reduce(
    (least, s, i) => (i <= index && isBody(s, results[i]) ? Math.min(least, results[i]?.from ?? Infinity) : least),
    Infinity,
  );
  const parts = fly.steps.slice(index + 1).filter((s, i) => isInFront(s, results[index + 1 + i], front));
  const laid = new Set(parts.flatMap((s) => (s.step.do === "wind" ? [] : [s.role])));
  const neededMm =
    headMmOf(fly) + PART_EYES * fly.hook.eye * laid.size + parts.reduce((mm, s) => mm + woundWidth(fly, s), 0);
  return {
    step: body.id,
    leftMm: front - fly.tied.beadMm,
    neededMm,
    eyes: Number((neededMm / fly.hook.eye).toFixed(1)),
    parts: parts.map((s) => s.name),
  };
}

/**
 * What belongs to the head takes room in front of the body; what is placed on the body itself, by its share of the
 * shank as a parachute hackle is, takes none.
 */
const isInFront = (s: FlyStep, r: StepResult | undefined, front: number): boolean => {
  if (s.role === undefined || !frontRoles.has(s.role) || s.step.do === "act" || r === undefined) return false;
  if (s.step.do === "wind" && s.step.roundPost) return false;
  const isOnBody = (s.step.do === "wind" || s.step.do === "lay") && "fraction" in s.step.from && r.from >= front;
  return !isOnBody;
};

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
