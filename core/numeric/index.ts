/**
 * Rounding with a slack of 1e-9, so that sums of decimal fractions fall where a person expects.
 * 2.9999999999 feathers are three, and 3.0000000001 feathers are three too.
 */
const SLACK = 1e-9;

/** Floor of `x`, forgiving 1e-9 below a whole number. */
export const floorSafe = (x: number): number => Math.floor(x + SLACK);

/** Ceiling of `x`, forgiving 1e-9 above a whole number. */
export const ceilSafe = (x: number): number => Math.ceil(x - SLACK);

/** Round half up: 2.5 → 3, −2.5 → −2. */
export const roundHalfUp = (x: number): number => Math.floor(x + 0.5 + SLACK);

/** `x` rounded up to a whole multiple of `step` (> 0). */
export const ceilTo = (x: number, step: number): number => ceilSafe(x / step) * step;

/**
 * Upper quantile of the standard normal distribution: z with P(Z ≤ z) = q, for 0 < q < 1.
 * Relative error below 1.2e-9 after one Newton–Halley refinement.
 * Source: P. J. Acklam's rational approximation (2003), refined with the complementary error function of
 * W. J. Cody's rational form as given in Numerical Recipes, 3rd ed., section 6.2 (Chebyshev fit).
 */
export function normalQuantile(q: number): number {
  const a = [-39.69683028665376, 220.9460984245205, -275.9285104469687, 138.357751867269, -30.66479806614716, 2.506628277459239];
  const b = [-54.47609879822406, 161.5858368580409, -155.6989798598866, 66.80131188771972, -13.28068155288572];
  const c = [-0.007784894002430293, -0.3223964580411365, -2.400758277161838, -2.549732539343734, 4.374664141464968, 2.938163982698783];
  const d = [0.007784695709041462, 0.3224671290700398, 2.445134137142996, 3.754408661907416];
  const tail = (p: number) => {
    const r = Math.sqrt(-2 * Math.log(p));
    return horner(c, r) / (horner(d, r) * r + 1);
  };
  let z: number;
  if (q < 0.02425) z = tail(q);
  else if (q > 1 - 0.02425) z = -tail(1 - q);
  else {
    const r = q - 0.5;
    z = (horner(a, r * r) * r) / (horner(b, r * r) * r * r + 1);
  }
  const e = 0.5 * erfc(-z / Math.SQRT2) - q;
  const u = e * Math.sqrt(2 * Math.PI) * Math.exp((z * z) / 2);
  return z - u / (1 + (z * u) / 2);
}

const horner = (coefficients: number[], x: number) => coefficients.reduce((sum, k) => sum * x + k, 0);

/** Complementary error function, relative error below 1.2e-7 squared away by the refinement above. */
function erfc(x: number): number {
  const k = [
    -1.3026537197817094, 6.4196979235649026e-1, 1.9476473204185836e-2, -9.561514786808631e-3, -9.46595344482036e-4,
    3.66839497852761e-4, 4.2523324806907e-5, -2.0278578112534e-5, -1.624290004647e-6, 1.30365583558e-6,
    1.5626441722e-8, -8.5238095915e-8, 6.529054439e-9, 5.059343495e-9, -9.91364156e-10, -2.27365122e-10,
    9.6467911e-11, 2.394038e-12, -6.886027e-12, 8.94487e-13, 3.13092e-13, -1.12708e-13, 3.81e-16, 7.106e-15,
    -1.523e-15, -9.4e-17, 1.21e-16, -2.8e-17,
  ];
  const z = Math.abs(x);
  const t = 2 / (2 + z);
  const ty = 4 * t - 2;
  let d = 0;
  let dd = 0;
  for (let j = k.length - 1; j > 0; j--) [d, dd] = [ty * d - dd + (k[j] ?? 0), d];
  const tail = t * Math.exp(-z * z + 0.5 * ((k[0] ?? 0) + ty * d) - dd);
  return x >= 0 ? tail : 2 - tail;
}
