// @vitest-environment happy-dom
import { describe, expect, test } from "vitest";
import { useReadings, useSerialScale, type LinePort } from "./useScale";

describe("readings", () => {
  test("are settled after four stable ones of one weight, and not while it sways", () => {
    const { say, settled, reading } = useReadings();
    for (const line of ["US +0012.30 g", "ST +0012.34 g", "ST +0012.34 g", "ST +0012.34 g"]) say(line);
    expect(settled.value).toBeUndefined();
    say("ST +0012.34 g");
    expect(settled.value).toBe(12_340);
    say("US +0012.50 g");
    expect([settled.value, reading.value?.state]).toEqual([undefined, "settling"]);
  });
  test("overload, below zero and noise settle nothing", () => {
    const { say, settled, reading } = useReadings();
    for (let i = 0; i < 9; i++) say("OL LB");
    expect([settled.value, reading.value?.lowBattery]).toEqual([undefined, true]);
    say("#?!");
    expect(reading.value?.state).toBe("overload");
  });
});

test("a scale on a serial port is read by the same lines, in whatever pieces they come", async () => {
  const words = new TextEncoder();
  let opened = 0;
  const port: LinePort = {
    open: ({ baudRate }) => {
      opened = baudRate;
      return Promise.resolve();
    },
    readable: new ReadableStream({
      start(c) {
        for (const piece of ["ST +00", "05.10 g\r\nST +0005.10 g\r\n", "ST +0005.10 g\r\nST +0005.10 g\r\n"])
          c.enqueue(words.encode(piece));
        c.close();
      },
    }),
    close: () => Promise.resolve(),
  };
  const scale = useSerialScale(port);
  await scale.done;
  expect([opened, scale.settled.value, scale.isAway.value]).toEqual([9600, 5100, true]);
});
