// @vitest-environment happy-dom
import { beforeEach, describe, expect, test } from "vitest";
import { listEvents, listFinished, readPromises } from "@kasten/contract/book";
import type { ReplyOf } from "@kasten/contract/http";
import { mountIn, settle } from "../testing/room";
import * as things from "../testing/things";
import BookView from "./BookView.vue";

beforeEach(() => localStorage.clear());
type Finished = ReplyOf<typeof listFinished>;
const batch = (n: number, of: Partial<Finished["batches"][number]> = {}): Finished["batches"][number] => ({
  id: things.id(n),
  number: n,
  patternName: "Yard Nymph",
  size: "12",
  variant: "olive",
  finishedAt: "2026-11-20",
  owed: 24,
  starts: 26,
  good: 25,
  rejected: 1,
  minutesPerFly: 6.5,
  reasons: [{ reason: "crowded eye", count: 1 }],
  uses: [
    { component: "rib", materialName: "wire", ratio: 1.12 },
    { component: "tail", materialName: "fibre", ratio: 1 },
    { component: "body", materialName: "fur", ratio: null },
  ],
  ...of,
});
const taught: Finished["yields"] = [
  {
    pattern: "yard-nymph",
    patternName: "Yard Nymph",
    batches: 3,
    good: 70,
    rejected: 4,
    rejectRate: 0.0538,
    startsForTenDozen: 129,
  },
];
const open = async (finished: Finished, more: ReplyOf<typeof listEvents> = { events: [], next: null }) => {
  const server = things
    .server()
    .answer(listFinished, ({ query }) => (query.cursor ? { ...finished, batches: [batch(99)], next: null } : finished))
    .answer(listEvents, more)
    .answer(readPromises, { months: [] });
  return { server, ...(await mountIn(server, BookView)) };
};

describe("the book", () => {
  test("tells what was learned, as a rate and as what to start", async () => {
    const { screen } = await open({ batches: [], yields: taught, next: null });
    const row = screen.findAll("table")[0]?.get("tbody tr").text() ?? "";
    expect(row).toContain("5.4 %");
    expect(row).toContain("129");
  });

  test("tells of a batch why flies were rejected, and where use differed from what was computed", async () => {
    const { screen } = await open({ batches: [batch(40)], yields: [], next: null });
    const row =
      screen
        .findAll("tbody tr")
        .find((r) => r.text().includes("crowded eye 1"))
        ?.text() ?? "";
    expect(row).toContain("rib × 1.12");
    // As computed, or never measured: neither teaches anything.
    expect(row).not.toMatch(/tail|body/);
    expect(row).toContain("20 Nov 2026");
  });

  test("goes on where its page ends, and keeps what was there", async () => {
    const { server, screen } = await open({ batches: [batch(40)], yields: [], next: "c1" });
    await screen
      .findAll("button")
      .find((b) => /batches/.test(b.text()))
      ?.trigger("click");
    await settle();
    expect(server.of(listFinished).map((a) => a.query.cursor)).toEqual([undefined, "c1"]);
    const numbers = screen.findAll("tbody tr").map((r) => r.text());
    expect(numbers.some((r) => r.includes("40"))).toBe(true);
    expect(numbers.some((r) => r.includes("99"))).toBe(true);
  });

  test("of a room that has finished nothing says what will stand there", async () => {
    const { screen } = await open({ batches: [], yields: [], next: null });
    expect(screen.text()).toContain("Each batch that is closed teaches its rejects");
    expect(screen.text()).toContain("No batch has been finished yet.");
    expect(screen.text()).toContain("a promise is told of here once its day has passed");
  });
});
