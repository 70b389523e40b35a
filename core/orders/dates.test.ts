import { describe, expect, test } from "vitest";
import { readDate } from "./dates";

const TODAY = "2026-11-23";

describe("a day as people write it", () => {
  test.each([
    ["2027-03-12", "2027-03-12"],
    ["12 Mar 2027", "2027-03-12"],
    ["12 March 2027", "2027-03-12"],
    ["Mar 12 2027", "2027-03-12"],
    ["March 12 2027", "2027-03-12"],
    ["12.3.2027", "2027-03-12"],
    ["15/3/2027", "2027-03-15"],
    ["3/15/2027", "2027-03-15"],
    ["mid May", "2027-05-15"],
    ["end of April", "2027-04-30"],
    ["Ende Februar 2028", "2028-02-29"],
    ["12. März", "2027-03-12"],
    ["bis zum 3.4.2027", "2027-04-03"],
    ["Friday", "2026-11-27"],
    ["Monday", "2026-11-30"],
    ["Friday week", "2026-12-04"],
    ["Saturday, 12 December", "2026-12-12"],
    ["in drei Wochen", "2026-12-14"],
    ["tomorrow", "2026-11-24"],
    ["KW 12", "2027-03-26"],
    ["first Saturday in April", "2027-04-03"],
    ["the second Monday of May 2027", "2027-05-10"],
    ["last Friday of March", "2027-03-26"],
    ["ersten Montag im Mai", "2027-05-03"],
    ["12 Mar", "2027-03-12"],
    ["March 12", "2027-03-12"],
    ["12th March", "2027-03-12"],
    ["1st Dec", "2026-12-01"],
    ["2nd of", undefined],
    ["12.3.", "2027-03-12"],
    ["by 12 Mar", "2027-03-12"],
    ["before 12  Mar", "2027-03-12"],
    ["in 3 weeks", "2026-12-14"],
    ["in 1 day", "2026-11-24"],
    ["in 0 days", "2026-11-23"],
    ["in 10 weeks", "2027-02-01"],
  ])("“%s” is %s", (text, day) => expect(readDate(text, TODAY)).toBe(day));
  test.each([
    "",
    "soon",
    "31 Feb",
    "30.2.2027",
    "12 Mars 2027 evening",
    "in a while",
    "in 100 weeks",
    "12 Mar 1987",
    "3/4/2027",
    "next Friday",
    "KW 60",
    "14",
    "size 14",
  ])("“%s” is no day", (text) => expect(readDate(text, TODAY)).toBeUndefined());
  test("without a year it is the next such day: today counts, yesterday is next year's", () => {
    expect([readDate("23 Nov", TODAY), readDate("22 Nov", TODAY), readDate("24 Nov", TODAY)]).toEqual([
      "2026-11-23",
      "2027-11-22",
      "2026-11-24",
    ]);
  });
  test("weeks run over the turn of the year and over a leap day", () => {
    expect(readDate("in 6 weeks", "2026-12-01")).toBe("2027-01-12");
    expect(readDate("in 2 days", "2028-02-27")).toBe("2028-02-29");
    expect(readDate("29 Feb", "2027-11-01")).toBe("2028-02-29");
    expect(readDate("29 Feb", "2028-11-01")).toBeUndefined();
  });
  test("no time of the year moves the day when the clocks change", () => {
    for (const today of ["2027-03-27", "2027-03-28", "2027-10-30", "2027-10-31"]) {
      const [year, month, day] = today.split("-").map(Number) as [number, number, number];
      expect(readDate("in 1 day", today)).toBe(new Date(Date.UTC(year, month - 1, day + 1)).toISOString().slice(0, 10));
    }
  });
});
