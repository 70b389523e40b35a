// @vitest-environment happy-dom
import { describe, expect, test } from "vitest";
import { readSearch, startSearch, stopSearch, type PlanSearch as Search } from "@kasten/contract/schedule";
import { mountIn, settle } from "../testing/room";
import * as things from "../testing/things";
import PlanSearch from "./PlanSearch.vue";

const search = (of: Partial<Search>): Search => ({
  state: "running",
  seconds: 60,
  by: "Maren Holt",
  at: "2026-03-02T09:30:00.000Z",
  spent: 0.43,
  late: 1.2,
  lateBefore: 4.5,
  lowerBound: 600,
  outcome: null,
  ...of,
});
const worth = (cost: number, late: number, changeOverMinutes: number) => ({
  cost,
  late,
  lateAsThingsGo: late + 0.52,
  left: 0,
  changeOverMinutes,
});

async function shown(of: Search | null, can = true) {
  const server = things.server().answer(readSearch, { search: of }).answer(startSearch, { ok: true });
  server.answer(stopSearch, { ok: true });
  const { screen } = await mountIn(server, PlanSearch, { can });
  await settle();
  return { screen, server, text: () => screen.text().replace(/\s+/g, " ") };
}

describe("a longer search for a better plan", () => {
  test("is begun for as long as is said", async () => {
    const { screen, server } = await shown(null);
    await screen.find("form").trigger("submit");
    await settle();
    expect(server.of(startSearch).map((a) => a.body)).toEqual([{ seconds: 60 }]);
  });
  test("says how far it is, and can be stopped", async () => {
    const { screen, server, text } = await shown(search({}));
    expect(text()).toContain("43 %");
    expect(text()).toContain("In the best so far 1.2 batches are late on average as things go, instead of 4.5.");
    expect(screen.find("form").exists()).toBe(false);
    await screen.find("button").trigger("click");
    await settle();
    expect(server.of(stopSearch)).toHaveLength(1);
  });
  test("says what came of it, and how much better a plan could be at most", async () => {
    const outcome = { isTaken: true, before: worth(1000, 7, 58), after: worth(900, 1, 34) };
    const { text } = await shown(search({ state: "done", spent: 1, lowerBound: 810, outcome }));
    expect(text()).toContain(
      "It found one that is the draft now: 1 batch late by plan instead of 7, 1.5 on average as things go instead of " +
        "7.5, 34 minutes of change-over instead of 58. No plan at all can cost more than 10.0 % less.",
    );
  });
  test("says that the draft stays, or that it came to no end", async () => {
    const outcome = { isTaken: false, before: worth(1000, 0, 58), after: worth(1000, 0, 58) };
    expect((await shown(search({ state: "stopped", lowerBound: 1000, outcome }))).text()).toContain(
      "It found none better: the draft stays. None can cost less.",
    );
    expect((await shown(search({ state: "failed" }))).text()).toContain("It came to no end.");
  });
  test("is not begun by those who do not plan", async () => {
    const { screen } = await shown(search({ state: "failed" }), false);
    expect(screen.find("button").exists()).toBe(false);
  });
});
