import { fixed, type Question } from "../question";

/** How dubbing is measured and put on. */
export const dubbingQuestions: readonly Question[] = [
  {
    id: "dubbing amount",
    asks: "How is the dubbing measured?",
    changes: "quantities",
    raisedBy: ({ step }) => step.do === "dress" && step.noodle !== undefined && step.fullness !== undefined,
    schools: fixed(
      { id: "noodle", words: "by the noodle's length and thickness" },
      { id: "shape", words: "by the finished shape" },
    ),
    usual: () => "noodle",
  },
  {
    id: "dubbing way",
    asks: "How is the dubbing put on?",
    changes: "quantities",
    raisedBy: ({ step }) => step.do === "dress",
    schools: fixed(
      { id: "twisted", words: "twisted on the thread" },
      {
        id: "loop",
        words: "in a dubbing loop",
        minutes: 0.8,
        tools: ["loop spinner"],
        checks: [{ feature: "the loop's core is thin, nothing slides on it", when: "wet" }],
      },
      { id: "touched", words: "touched on waxed thread", minutes: -0.2, tools: ["wax"] },
    ),
    usual: ({ step }) => (step.do === "dress" && step.loopMm !== undefined ? "loop" : "twisted"),
  },
  {
    id: "dubbing dose",
    asks: "Is it built up, or reduced?",
    changes: "quantities",
    raisedBy: ({ step }) => step.do === "dress" && !step.trace,
    schools: fixed(
      { id: "added", words: "little, and added to" },
      { id: "reduced", words: "ample, and reduced", minutes: -0.1 },
    ),
    usual: () => "added",
  },
];
