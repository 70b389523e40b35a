/**
 * The older thread numbers (6/0, 8/0 …: more noughts are finer) and what they usually are in denier. Makers differ: the
 * label as bought is kept with the material, and this table only says what is near.
 */
export const threadScale: readonly { number: string; denier: number }[] = [
  { number: "1/0", denier: 330 },
  { number: "3/0", denier: 210 },
  { number: "6/0", denier: 140 },
  { number: "8/0", denier: 70 },
  { number: "10/0", denier: 50 },
  { number: "12/0", denier: 40 },
  { number: "14/0", denier: 30 },
];

/** The old number nearest to a denier, by ratio. */
export const threadNumberOf = (denier: number): string =>
  threadScale.reduce((best, t) =>
    Math.abs(Math.log(t.denier / denier)) < Math.abs(Math.log(best.denier / denier)) ? t : best,
  ).number;

/** What a number of the old scale usually is in denier; undefined for a number that the table lacks. */
export const denierOfNumber = (number: string): number | undefined =>
  threadScale.find((t) => t.number === number.replace(/\s+/g, ""))?.denier;
