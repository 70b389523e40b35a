/**
 * Nominal hooks: starting points for a model that nobody has measured here yet. Columns: size number, shank, gape,
 * wire, eye length in mm, for a standard shank and standard wire.
 */
export const nominalRows: readonly (readonly [number, number, number, number, number])[] = [
  [-2, 28.6, 14.2, 1.18, 3.1],
  [0, 24.5, 12.2, 1.05, 2.75],
  [2, 21.0, 10.4, 0.94, 2.4],
  [4, 18.0, 8.9, 0.84, 2.1],
  [6, 15.4, 7.6, 0.75, 1.9],
  [8, 13.0, 6.5, 0.67, 1.7],
  [10, 11.0, 5.6, 0.6, 1.5],
  [12, 9.3, 4.8, 0.53, 1.3],
  [14, 7.9, 4.1, 0.47, 1.2],
  [16, 6.7, 3.5, 0.42, 1.1],
  [18, 5.6, 3.0, 0.37, 1.0],
  [20, 4.7, 2.6, 0.33, 0.9],
  [22, 4.0, 2.2, 0.3, 0.8],
];
