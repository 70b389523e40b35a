import { describe, expect, test } from "vitest";
import { LineReader, readScaleLine, scaleLine } from ".";

describe("a scale's lines", () => {
  test.each([
    ["ST +0012.34 g", { state: "stable", mg: 12_340, lowBattery: false }],
    ["US -0000.05 g", { state: "settling", mg: -50, lowBattery: false }],
    ["ST +0000.00 g LB", { state: "stable", mg: 0, lowBattery: true }],
    ["OL", { state: "overload", lowBattery: false }],
    ["UL LB", { state: "below zero", lowBattery: true }],
  ] as const)("%s", (line, reading) => {
    expect(readScaleLine(line)).toEqual(reading);
    expect(scaleLine(reading)).toBe(line);
  });
  test.each(["", "ST", "ST 12 kg", "34 g", "OL 12", "ST +1e9 g", "ST +NaN g", "ST +0012,34 g", "x".repeat(10_000)])(
    "%s is no line of a scale",
    (line) => expect(readScaleLine(line)).toBeUndefined(),
  );
  test("a stream in pieces gives whole lines, and half a line waits", () => {
    const lines = new LineReader();
    expect(lines.take("ST +00")).toEqual([]);
    expect(lines.take("12.34 g\r\nUS +0012.3")).toEqual(["ST +0012.34 g"]);
    expect(lines.take("0 g\nOL\n")).toEqual(["US +0012.30 g", "OL"]);
  });
  test("noise without an end is not kept for ever", () => {
    const lines = new LineReader();
    lines.take("z".repeat(1_000_000));
    expect(lines.take("\nOL\n")[1]).toBe("OL");
  });
});
