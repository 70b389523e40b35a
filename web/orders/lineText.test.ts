import { expect, test } from "vitest";
import { tooEarlyWords } from "./lineText";

const late = (pattern: string, size: string, sentence: string) => ({ pattern, size, sentence });
const name = (id: string): string => ({ wisp: "Slate Wisp", pupa: "Tar Pupa" })[id] ?? id;

test("each reason stands once, with the flies that it holds, in their order", () => {
  const lines = [
    late("wisp", "14", "No day within 110 days: the hours hold it."),
    late("pupa", "18", "Thu 3 Dec: the hackle holds it."),
    late("wisp", "16", "No day within 110 days: the hours hold it."),
    late("wisp", "14", "No day within 110 days: the hours hold it."),
  ];
  expect(tooEarlyWords(lines, name)).toBe(
    "Slate Wisp 14, Slate Wisp 16, No day within 110 days: the hours hold it. Tar Pupa 18, Thu 3 Dec: the hackle holds it.",
  );
});

test("of many flies with one reason the rest are counted", () => {
  const lines = ["10", "12", "14", "16", "18", "20"].map((size) => late("wisp", size, "Nobody can tie it."));
  expect(tooEarlyWords(lines, name)).toBe(
    "Slate Wisp 10, Slate Wisp 12, Slate Wisp 14, Slate Wisp 16, 2 more, Nobody can tie it.",
  );
});
