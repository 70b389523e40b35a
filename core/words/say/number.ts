const whole = (n: number): boolean => Math.abs(n - Math.round(n)) < 1e-9;
/** Shares that people say as such. */
const denominators = [2, 3, 4, 5, 6, 7, 8, 9, 10, 11, 12, 16, 32, 64];

/** Whole numbers below have no more figures than are written. */
const WRITTEN_WHOLE = 1e12;

/** The shortest writing of a number that reads back the same; a third is 1/3, never 0.333333333333. */
export function sayNumber(n: number): string {
  if (Number.isInteger(n) && Math.abs(n) < WRITTEN_WHOLE) return String(n);
  const decimal = String(Number(n.toPrecision(12)));
  if ((decimal.split(".")[1]?.length ?? 0) <= 4) return decimal;
  const q = denominators.find((d) => whole(n * d));
  if (q === undefined) return decimal;
  const p = Math.round(n * q);
  const [w, rest] = [Math.floor(p / q), p % q];
  return w > 0 ? `${w} ${rest}/${q}` : `${rest}/${q}`;
}

const shareNames: [number, string][] = [
  [1 / 2, "half"],
  [1 / 3, "a third"],
  [2 / 3, "two thirds"],
  [1 / 4, "a quarter"],
  [3 / 4, "three quarters"],
];

/** “half”, “two thirds”: the name of a share that has one. */
export const shareName = (n: number): string | undefined => shareNames.find(([s]) => Math.abs(s - n) < 1e-9)?.[1];
