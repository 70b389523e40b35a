import { describe, expect, test } from "vitest";
import { readBeside, threadOf, type Thread } from "./thread";

/** Threads of which each can be made to break; what was given to them, by thread. */
function threads() {
  const given: string[][] = [];
  const broken = new Set<number>();
  const start = (): Thread<string, string> => {
    const own: string[] = [];
    given.push(own);
    const number = given.length;
    return {
      reader: { load: (what) => void own.push(what), read: (words) => `${own.at(-1) ?? "nothing"}: ${words}` },
      answerTo: async (asked) => {
        if (broken.has(number)) throw new Error(`thread ${number} broke`);
        return asked;
      },
    };
  };
  return { start, given, broken };
}

describe("reading beside the page", () => {
  test("what it reads with is handed over once, and again where it is another", async () => {
    const { start, given } = threads();
    const read = readBeside(start);
    expect(await read("a", "room 1")).toBe("room 1: a");
    expect(await read("b", "room 1")).toBe("room 1: b");
    expect(await read("c", "room 2")).toBe("room 2: c");
    expect(given).toEqual([["room 1", "room 2"]]);
  });

  test("where a thread broke, that is told, and the next begins with all that it needs", async () => {
    const { start, given, broken } = threads();
    const read = readBeside(start);
    await read("a", "room 1");
    broken.add(1);
    await expect(read("b", "room 1")).rejects.toThrow("thread 1 broke");
    expect(await read("c", "room 1")).toBe("room 1: c");
    expect(given).toEqual([["room 1"], ["room 1"]]);
  });
});

test("what is asked of a thread is refused when the thread breaks, and answered when it does not", async () => {
  const worker = new EventTarget() as EventTarget & Pick<Worker, "postMessage">;
  worker.postMessage = () => undefined;
  const { answerTo } = threadOf<string, string>(worker as Worker);
  expect(await answerTo(Promise.resolve("read"))).toBe("read");
  const never = answerTo(new Promise<string>(() => undefined));
  worker.dispatchEvent(Object.assign(new Event("error"), { message: "no such file" }));
  await expect(never).rejects.toThrow("no such file");
});
