/** Numbers that nobody means: they may be refused or asked about, and never break what reads them. */
const NUMBERS = ["0", "33", "60", "999", "0/0", "12/0", "-3", "60-12", "#60", "1000000", "99999999999999999999"];
const number = /\d+(?:\/\d+)?/g;

/** A text once for each of its numbers, with a number that nobody means in the place of it. */
export const withAbsurdNumbers = (text: string): string[] =>
  [...text.matchAll(number)].map((m, n) => {
    const absurd = NUMBERS[(n + text.length) % NUMBERS.length] ?? "0";
    return text.slice(0, m.index) + absurd + text.slice(m.index + m[0].length);
  });
