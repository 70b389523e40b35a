import type { HookBend, HookEye, HookModel } from "./geometry";

/** Steps away from standard, both ends included: “4X long” is 4 to 4, “a long shank” 1 and more. */
export interface HookSteps {
  from: number;
  to: number;
}

/** The furthest that a hook is made from standard in its shank, its wire or its gape. */
export const MOST_STEPS = 10;

/** What is said of a hook beside its model: what a recipe wants of it, or what a model is. Absent: not said. */
export interface HookWanted {
  /** nXL; negative for nXS. */
  shank?: HookSteps;
  /** nX heavy; negative for nX fine. */
  wire?: HookSteps;
  /** n steps wider; negative narrower. */
  gape?: HookSteps;
  barbless?: boolean;
  bend?: HookBend;
  points?: 1 | 2;
  eye?: HookEye;
  /** Colour or coating, as said. */
  finish?: string;
}

/** A model against what is said: the same keys on both sides. */
export interface HookDifference {
  wanted: HookWanted;
  has: HookWanted;
}

type Described = Pick<
  HookModel,
  "shankSteps" | "wireSteps" | "gapeSteps" | "barbless" | "bend" | "points" | "eyeForm" | "finish"
>;

/**
 * What a model has otherwise than is said of the hook; undefined where it is all that is said. What a model does not
 * tell of itself (its eye, its finish) is not held against it.
 */
export function hookDifference(wanted: HookWanted, model: Described): HookDifference | undefined {
  const own: HookWanted = {
    shank: exactly(model.shankSteps),
    wire: exactly(model.wireSteps),
    gape: exactly(model.gapeSteps ?? 0),
    barbless: model.barbless,
    bend: model.bend ?? "round",
    points: model.points ?? 1,
    ...(model.eyeForm && { eye: model.eyeForm }),
    ...(model.finish && { finish: model.finish }),
  };
  const isWithin = (own: HookSteps, wide: HookSteps): boolean => own.from >= wide.from && own.to <= wide.to;
  const isOther: { [K in keyof Required<HookWanted>]: boolean } = {
    shank: areApart(wanted.shank, own.shank, isWithin),
    wire: areApart(wanted.wire, own.wire, isWithin),
    gape: areApart(wanted.gape, own.gape, isWithin),
    barbless: areApart(wanted.barbless, own.barbless, Object.is),
    bend: areApart(wanted.bend, own.bend, Object.is),
    points: areApart(wanted.points, own.points, Object.is),
    eye: areApart(wanted.eye, own.eye, Object.is),
    finish: areApart(wanted.finish, own.finish, (has, said) => has.toLowerCase().includes(said.toLowerCase())),
  };
  const only = (of: HookWanted): HookWanted =>
    Object.fromEntries(Object.entries(of).filter(([key]) => isOther[key as keyof HookWanted]));
  return Object.values(isOther).some(Boolean) ? { wanted: only(wanted), has: only(own) } : undefined;
}

const exactly = (steps: number): HookSteps => ({ from: steps, to: steps });
const areApart = <T>(wanted: T | undefined, own: T | undefined, fits: (own: T, wanted: T) => boolean): boolean =>
  wanted !== undefined && own !== undefined && !fits(own, wanted);
