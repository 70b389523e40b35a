/**
 * A winding as the tier sees it. Stored in one normal form, clockwise seen from the eye; a right-handed tier, with the
 * eye on the right, then winds over the top away from the body, a left-handed one towards it.
 */
export const directionWords = (clockwise: boolean, handed: "left" | "right"): string =>
  (handed === "right") === clockwise ? "over the top, away from you" : "over the top, towards you";

/** A hackle goes round a post that stands up: that is seen from above, and no hand turns it round. */
export const roundPostWords = (clockwise: boolean): string => `${clockwise ? "" : "anti"}clockwise, seen from above`;
