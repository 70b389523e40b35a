import { opt, words } from "../../parse";
import type { Said } from "../../said";

export const THICK = opt(
  words(
    "thick(?:\\s+(?:when|once)\\s+(?:wet|squeezed|compressed|pinched))?|in\\s+diameter|across(?:\\s+(?:when|once)\\s+(?:wet|squeezed|compressed|pinched))?|in\\s+thickness|(?:when|once)\\s+(?:squeezed|compressed)|squeezed|compressed",
  ),
);

/** A matchstick is a measure that can be laid beside the clump; a pinch is not. */
export const MATCHSTICK_MM = 2;

export const PENCIL_MM = 7;

/** So many matchsticks or pencils side by side: as much hair as all of them have. */
export const sideBySide = (like: string | undefined, n: number): Said["amount"] => ({
  clump: { mm: Number(((like === "pencil" ? PENCIL_MM : MATCHSTICK_MM) * Math.sqrt(n)).toPrecision(2)) },
});
