import { deepCopy } from "../copy";
import type { Told } from "../told";

const another =
  /^\W*(?:and\s+|then\s+|now\s+)*(?:add\s+|tie\s+in\s+|spin\s+(?:in\s+)?|pack\s+)?(?:another|a\s+second)(?:\s+(?:one|bunch|clump))?\W*$/iu;

/** “Spin a clump behind the eye, then add another”: the same once more. */
export const withAnotherOne = (all: Told[], text: string): Told[] =>
  all.map((t, n) => {
    const before = all[n - 1];
    const isBare = t.description === undefined && Object.keys(t.said).length === 0;
    if (!before?.description || before.kind !== "lay" || !isBare || !another.test(text.slice(t.at, t.end))) return t;
    const { at, end } = t;
    const understood = [{ at, end }];
    return {
      ...before,
      said: deepCopy(before.said),
      verb: "tie in",
      understood,
      kept: [],
      rest: [],
      loose: [],
      at,
      end,
    };
  });
