import fc from "fast-check";
import { describe, expect, test } from "vitest";
import { anyStep, type SaidStep } from "../testing";
import { readStep, sayStep, type StepReading } from ".";

/** Read with nothing known but the part and the material: the words alone must carry the step. */
const read = ({ step, role, form }: SaidStep, words: string): StepReading =>
  readStep(words, { id: step.id, component: step.component, role, form });

describe("any step that can be said", () => {
  test("reads back as the same step, whatever it is, with no doubt and nothing added", () => {
    fc.assert(
      fc.property(anyStep, (s) => {
        const words = sayStep(s.step);
        const reading = read(s, words);
        expect(reading.doubts, words).toEqual([]);
        const { name: _name, stated: _stated, ...again } = reading.step ?? ({ name: "" } as typeof s.step);
        const { name: _own, ...step } = s.step;
        expect(again, words).toEqual(step);
      }),
      { numRuns: 600 },
    );
  });

  test("says the same in capitals, with other blanks and the clauses in another order", () => {
    fc.assert(
      fc.property(anyStep, (s) => {
        const words = sayStep(s.step);
        const plain = read(s, words).step;
        expect(read(s, words.toUpperCase().replace(/MM/g, "mm")).step, words).toMatchObject({
          ...plain,
          stated: expect.anything() as string,
        });
        expect(read(s, `  ${words.replace(/, /g, " ,   ")} `).step, words).toEqual(
          expect.objectContaining({ do: plain?.do, ...(plain?.do === "lay" && { amount: plain.amount }) }),
        );
      }),
      { numRuns: 200 },
    );
  });

  test("a word that means nothing is told and takes nothing away", () => {
    fc.assert(
      fc.property(anyStep, fc.constantFrom("zzyx", "quorble", "brindlewax"), (s, word) => {
        const reading = read(s, `${sayStep(s.step)}, ${word}`);
        expect(reading.rest).toContain(word);
        expect(reading.doubts.some((d) => d.sentence.includes(word))).toBe(true);
        const { name: _name, stated: _stated, ...again } = reading.step ?? ({ name: "" } as typeof s.step);
        const { name: _own, ...step } = s.step;
        expect(again).toEqual(step);
      }),
      { numRuns: 100 },
    );
  });
});
