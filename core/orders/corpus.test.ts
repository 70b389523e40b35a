import { readFileSync } from "node:fs";
import { join } from "node:path";
import { describe, expect, test } from "vitest";
import { isWhole, readOrder, wishWords } from ".";
import { catalogue } from "./corpus/catalogue";

/** Texts as shops write them; below each what must come out: its lines and heading, or what is asked. */
const textsOf = (file: string): { text: string; wanted: string[] }[] =>
  readFileSync(join(import.meta.dirname, "corpus", file), "utf8")
    .trimEnd()
    .split("\n---\n")
    .map((block) => {
      const lines = block.split("\n");
      return {
        text: lines.filter((l) => !/^[=?] /.test(l)).join("\n"),
        wanted: lines.filter((l) => /^[=?] /.test(l)),
      };
    });

function outcome(text: string): string[] {
  const order = readOrder(text, catalogue);
  if (!isWhole(order)) return [...order.doubts, ...order.lines.flatMap((l) => l.doubts)].map((d) => `? ${d.code}`);
  const lines = order.lines.map((l) => {
    const wishes = wishWords(l);
    const policy = l.policy ? ` !${l.policy}` : "";
    return `= ${l.flies ?? ""} ${l.pattern ?? ""} ${l.size ?? ""} ${l.variant ?? ""} ${l.form ?? ""}${policy}${wishes ? ` (${wishes})` : ""}${l.due ? ` by ${l.due}` : ""}`;
  });
  return [...lines, `= for ${order.customer ?? ""} by ${order.due ?? ""}`];
}

describe.each(["before.txt", "after.txt", "spoken.txt", "last.txt", "fresh.txt"])(
  "orders as they are written: %s",
  (file) => {
    test.each(textsOf(file))("$text", ({ text, wanted }) => {
      const got = outcome(text);
      if (wanted[0]?.startsWith("?")) expect(got).toEqual(expect.arrayContaining(wanted));
      else expect(got).toEqual(wanted);
    });
  },
);

describe("an answer that is offered", () => {
  const asked = [
    ...textsOf("before.txt"),
    ...textsOf("after.txt"),
    ...textsOf("spoken.txt"),
    ...textsOf("last.txt"),
    ...textsOf("fresh.txt"),
  ].flatMap(({ text }) => {
    const order = readOrder(text, catalogue);
    return [...order.doubts, ...order.lines.flatMap((l) => l.doubts)].flatMap((doubt) =>
      doubt.candidates.map((answer) => ({ text, doubt, answer })),
    );
  });
  test.each(asked)("settles the question: $doubt.code, $answer.label", ({ text, doubt, answer }) => {
    const answered = text.slice(0, doubt.at[0]) + answer.text + text.slice(doubt.at[1]);
    const asked = (of: string) => {
      const order = readOrder(of, catalogue);
      return [...order.doubts, ...order.lines.flatMap((l) => l.doubts)].filter(
        (d) => d.code === doubt.code && d.field === doubt.field,
      ).length;
    };
    // The same may be asked of several lines; each answer settles its own.
    expect(asked(answered)).toBeLessThan(asked(text));
  });
});
