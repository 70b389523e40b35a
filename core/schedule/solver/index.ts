/**
 * The search behind `solveSchedule`. A problem becomes flat arrays (`model`), a plan a list of operations that is
 * placed one after another (`decoder`); first plans come from dispatch rules (`construct`), the order of the main
 * work from a rough outline (`outline`), the rest from changes that are tried and kept or taken back (`moves`,
 * `anneal`).
 *
 * Within this folder arrays are read with `!`: indices are bounded by how the arrays are made, and a check of each
 * would cost more than the work itself.
 */
export * from "./search";
