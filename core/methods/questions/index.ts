import type { Question } from "../question";
import { dubbingQuestions } from "./dubbing";
import { layingQuestions } from "./laying";
import { wholeQuestions } from "./whole";
import { windingQuestions } from "./winding";

/** Every question on which good tiers differ. */
export const questions: readonly Question[] = [
  ...dubbingQuestions,
  ...windingQuestions,
  ...layingQuestions,
  ...wholeQuestions,
];
