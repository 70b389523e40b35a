import { describe, expect, test } from "vitest";
import { remembered } from "./remembered";

describe("remembered", () => {
  test("makes a thing once for each text, also where it is nothing", () => {
    const asked: string[] = [];
    const length = remembered((text) => {
      asked.push(text);
      return text === "" ? undefined : text.length;
    });
    expect([length("rib"), length(""), length("rib"), length("")]).toEqual([3, undefined, 3, undefined]);
    expect(asked).toEqual(["rib", ""]);
  });

  test("forgets the oldest texts when there are very many, and makes them anew", () => {
    let made = 0;
    const upper = remembered((text) => {
      made++;
      return text.toUpperCase();
    });
    for (let i = 0; i <= 4000; i++) upper(`line ${i}`);
    expect(upper("line 4000")).toBe("LINE 4000");
    expect(made).toBe(4001);
    expect(upper("line 0")).toBe("LINE 0");
    expect(made).toBe(4002);
  });
});
