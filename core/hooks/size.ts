import { ascending } from "../numeric";
import { DomainError } from "../errors";

/**
 * A hook size as people write it: "14", or aught sizes "1/0", "2/0" … that grow the other way.
 * For arithmetic it becomes a number that falls as hooks grow: 22 → 22 … 1 → 1, 1/0 → 0, 2/0 → −1.
 */
export type HookSize = string;

const SMALLEST = 32;
const LARGEST_AUGHT = 10;

/**
 * @param size "1" to "32", or "1/0" to "10/0"; blanks around it and a leading # are forgiven
 * @returns the size number; larger hooks have smaller numbers
 * @throws DomainError HOOK_SIZE_UNREADABLE
 * @example sizeNumber("2/0") // -1
 */
export function sizeNumber(size: HookSize): number {
  const known = numbers.get(size);
  if (known !== undefined) return known;
  const n = parse(size);
  if (numbers.size < MOST_KEPT) numbers.set(size, n);
  return n;
}

/** Whether a text is a size in which hooks could be made. */
export function isHookSize(text: string): boolean {
  try {
    sizeNumber(text);
    return true;
  } catch (error) {
    if (error instanceof DomainError) return false;
    throw error;
  }
}

/** Sizes read before: the same few dozen texts come again and again in a batch. */
const numbers = new Map<HookSize, number>();
const MOST_KEPT = 200;

function parse(size: HookSize): number {
  const aught = /^\s*#?\s*(\d{1,2})\s*\/\s*0\s*$/.exec(size);
  if (aught) {
    const n = Number(aught[1]);
    if (n >= 1 && n <= LARGEST_AUGHT) return 1 - n;
  }
  const plain = /^\s*#?\s*(\d{1,2})\s*$/.exec(size);
  if (plain) {
    const n = Number(plain[1]);
    if (n >= 1 && n <= SMALLEST) return n;
  }
  throw new DomainError("HOOK_SIZE_UNREADABLE", { text: size });
}

/** The size in the one written form: 0 → "1/0", 14 → "14". */
export const formatSize = (number: number): HookSize => (number >= 1 ? String(number) : `${1 - number}/0`);

/** The same size in the one written form, or an error when it cannot be read. */
export const normalSize = (size: string): HookSize => formatSize(sizeNumber(size));

/** Sizes of a span as they are usually kept, largest hook first: both ends, and the even ones between. */
export function sizesBetween(span: { from: HookSize; to: HookSize }): HookSize[] {
  const [a, b] = ascending(sizeNumber(span.from), sizeNumber(span.to));
  return Array.from({ length: b - a + 1 }, (_, i) => a + i)
    .filter((n) => n === a || n === b || n % 2 === 0)
    .map(formatSize);
}

/** Sorts from the smallest hook to the largest. */
export const compareSizes = (a: HookSize, b: HookSize): number => sizeNumber(b) - sizeNumber(a);

/** Whether `size` lies in the span, ends included, in whichever order the ends are given. */
export function sizeWithin(size: HookSize, span: { from: HookSize; to: HookSize }): boolean {
  const n = sizeNumber(size);
  const [a, b] = [sizeNumber(span.from), sizeNumber(span.to)];
  return n >= Math.min(a, b) && n <= Math.max(a, b);
}
