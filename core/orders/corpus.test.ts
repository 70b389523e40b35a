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
    return `= ${l.flies ?? ""} ${l.pattern ?? ""} ${l.size ?? ""} ${l.variant ?? ""} ${l.form ?? ""}${policy}${wishes ? ` (${wishes})` : ""}`;
  });
  return [...lines, `= for ${order.customer ?? ""} by ${order.due ?? ""}`];
}

describe.each(["before.txt", "after.txt"])("orders as they are written: %s", (file) => {
  test.each(textsOf(file))("$text", ({ text, wanted }) => {
    const got = outcome(text);
    if (wanted[0]?.startsWith("?")) expect(got).toEqual(expect.arrayContaining(wanted));
    else expect(got).toEqual(wanted);
  });
});
