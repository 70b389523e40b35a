// @vitest-environment happy-dom
import { describe, expect, test, vi } from "vitest";
import { defineComponent, h, ref, shallowRef } from "vue";
import type { Change, WayOut } from "@kasten/core/schedule";
import { listStanding } from "@kasten/contract/orders";
import { pinBatch, publishPlan, splitTying, unpinBatch, type Plan } from "@kasten/contract/schedule";
import { addExtraHours } from "@kasten/contract/team";
import { mountIn, refused, settle } from "../testing/room";
import { ada, batch, bo, DAY, over, plan, trialOf, work } from "./testing/plan";
import * as things from "../testing/things";
import type { Trial } from "./plan.worker";
import PlanMove from "./PlanMove.vue";
import PlanStanding from "./PlanStanding.vue";
import PlanTable from "./PlanTable.vue";
import PlanWeeks from "./PlanWeeks.vue";
import { changeWords, costWords } from "./trialWords";
import { useMove } from "./useMove";
import type { PlanTrial } from "./usePlanTrial";
import WaysOut from "./WaysOut.vue";

describe("what a change costs, in words", () => {
  const id = (n: number) => batch(n).id;
  test.each<[string, Partial<Trial>, string[]]>([
    ["nothing", {}, ["Nothing else becomes late, and no odds change by more than two in a hundred."]],
    [
      "a batch that becomes late, and one that is on time with it",
      {
        difference: {
          jobs: [
            { job: id(1), before: over(0), after: over(1) },
            { job: id(2), before: over(2), after: over(0) },
          ],
          setupMinutes: 14,
          cost: 3,
        },
      },
      ["Late by 1 day with it: batch 1.", "On time with it: batch 2.", "14 more minutes of change-over."],
    ],
    [
      "one that is later still, and one that has no place any more",
      {
        difference: {
          jobs: [
            { job: id(1), before: over(1), after: over(3) },
            { job: id(3), before: over(0), after: undefined },
          ],
          setupMinutes: -5,
          cost: 3,
        },
      },
      [
        "There is no place for batch 3 any more.",
        "Later by another 2 days: batch 1.",
        "5 fewer minutes of change-over.",
      ],
    ],
    [
      "odds, where they change by more than two in a hundred",
      { odds: { [id(1)]: { before: 0.95, after: 0.74 }, [id(2)]: { before: 0.9, after: 0.89 } } },
      ["Ready on its day in 74 instead of 95 of 100 cases: batch 1."],
    ],
  ])("%s", (_what, of, words) => expect(costWords(plan(), trialOf(of))).toEqual(words));

  test.each<[Change, string]>([
    [{ do: "give", operation: "x", person: bo }, "Bo Fell ties it."],
    [{ do: "move", operation: "x", person: ada, start: 600 }, "Ada Quarry ties it from Mon 23 Nov, 10:00 on."],
    [
      { do: "work", person: ada, from: 5 * DAY + 540, to: 5 * DAY + 780 },
      "Ada Quarry works Sat 28 Nov, 09:00 to 13:00 as well.",
    ],
    [{ do: "deliver", job: "x", at: 2 * DAY }, "Its materials are there on Wed 25 Nov."],
    [{ do: "places", station: "mill", places: 0 }, "The mill station has 0 places."],
  ])("%j", (change, words) => expect(changeWords(plan(), change)).toBe(words));
});

describe("a published plan", () => {
  const open = async (of: Partial<Plan> = {}, can = true) => {
    const server = things.server().answer(publishPlan, { number: 4 });
    return { server, ...(await mountIn(server, PlanStanding, { plan: plan(of), can })) };
  };
  const published = { number: 3, at: "2026-11-23T08:00:00Z", by: "Ada Quarry", note: "", broken: [] };

  test("is made of the draft that is looked at", async () => {
    const { server, screen } = await open();
    expect(screen.text()).toContain("No plan is published yet");
    await screen.get("input").setValue("a quiet week");
    await screen.get("form").trigger("submit");
    await settle();
    expect(server.of(publishPlan)[0]?.body).toEqual({ revision: 7, note: "a quiet week" });
  });
  test("is named with what no longer holds, and what the draft has otherwise", async () => {
    const { screen } = await open({
      published: { ...published, broken: [{ batch: batch(2).id, number: 2, sentence: "Ready Fri 27 Nov." }] },
      differences: [{ batch: batch(1).id, number: 1, sentence: "Bo Fell ties it." }],
    });
    expect(screen.text()).toContain("It no longer holds for 1 batch");
    expect(screen.text()).toContain("The draft has 1 batch otherwise");
    for (const b of screen.findAll("button[aria-expanded]")) await b.trigger("click");
    expect(screen.text()).toContain("Ready Fri 27 Nov.");
    expect(screen.text()).toContain("Bo Fell ties it.");
  });
  test("cannot be published twice alike, nor by the shop", async () => {
    expect((await open({ published })).screen.find("form").exists()).toBe(false);
    expect((await open({}, false)).screen.find("form").exists()).toBe(false);
  });
  test("says why it was not published", async () => {
    const detail = "The draft has changed since you looked at it.";
    const server = things
      .server()
      .answer(publishPlan, () => refused({ type: "changed-meanwhile", title: "No", status: 409, detail }));
    const { screen } = await mountIn(server, PlanStanding, { plan: plan(), can: true });
    await screen.get("form").trigger("submit");
    await settle();
    expect(screen.text()).toContain(detail);
  });
});

describe("a batch that is moved", () => {
  const open = async (
    of: Partial<Plan> = {},
    found: Trial | undefined = trialOf(),
    choicesOf: PlanTrial["choicesOf"] = () => Promise.resolve([ada, bo]),
  ) => {
    const shown = shallowRef<Plan | undefined>(plan(of));
    const tryOut = vi.fn(async (_changes: Change[]) => {
      trial.trial.value = found;
    });
    const trial: PlanTrial = {
      trial: shallowRef<Trial | undefined>(),
      refused: ref(""),
      busy: ref(false),
      choicesOf,
      tryOut,
      ways: () => Promise.resolve([]),
      clear: () => (trial.trial.value = undefined),
    };
    let move: ReturnType<typeof useMove> | undefined;
    const Panel = defineComponent(() => {
      const m = (move = useMove(shown, trial));
      return () => h(PlanMove, { plan: plan(of), move: m, trial });
    });
    const server = things
      .server()
      .answer(pinBatch, { ok: true })
      .answer(unpinBatch, { ok: true })
      .answer(splitTying, { ok: true });
    const mounted = await mountIn(server, Panel);
    if (!move) throw new Error("nothing is mounted");
    await move.choose(work(1));
    await settle();
    return { ...mounted, server, move, tryOut };
  };
  const press = async (screen: Awaited<ReturnType<typeof open>>["screen"], words: string) => {
    await screen
      .findAll("button")
      .find((b) => b.text() === words)
      ?.trigger("click");
    await settle();
  };

  test("is tried where it is put, and given to whom it is put", async () => {
    const { screen, move, tryOut, server } = await open();
    expect(screen.text()).toContain("Ada Quarry, from Mon 23 Nov, 09:10 on");
    move.put(bo, undefined);
    await settle();
    expect(tryOut).toHaveBeenLastCalledWith([{ do: "give", operation: work(1).id, person: bo }]);
    await press(screen, "Give it to Bo Fell");
    expect(server.of(pinBatch)[0]?.body).toEqual({ person: bo, at: null });
    expect(move.work.value, "it is left when it is done").toBeUndefined();
  });
  test("is set to the minute at which it was tried, as an instant", async () => {
    const { screen, move, tryOut, server } = await open();
    move.put(bo, 605);
    await settle();
    expect(tryOut).toHaveBeenLastCalledWith([{ do: "move", operation: work(1).id, person: bo, start: 605 }]);
    await press(screen, "Tie it just then");
    // 610 minutes after midnight in the room: 10:10, an hour less in world time.
    expect(server.of(pinBatch)[0]?.body).toEqual({ person: bo, at: "2026-11-23T09:10:00.000Z" });
  });
  test("is tried as soon as it is known who could do it, where a hand was quicker", async () => {
    const answers: ((who: string[]) => void)[] = [];
    let isSlow = false;
    const { move, tryOut } = await open({}, undefined, () =>
      isSlow ? new Promise((answer) => answers.push(answer)) : Promise.resolve([ada, bo]),
    );
    isSlow = true;
    void move.choose(work(1));
    move.put(bo, 605);
    expect(tryOut).not.toHaveBeenCalled();
    answers[0]?.([ada, bo]);
    await settle();
    expect(tryOut).toHaveBeenLastCalledWith([{ do: "move", operation: work(1).id, person: bo, start: 605 }]);
    // What was asked for something that is left meanwhile is passed over.
    void move.choose(work(1));
    move.put(ada, 605);
    move.leave();
    answers[1]?.([ada, bo]);
    await settle();
    expect(tryOut).toHaveBeenCalledTimes(1);
  });
  test("is never tried before now", async () => {
    const { move, tryOut } = await open();
    move.put(ada, 20);
    expect(tryOut).toHaveBeenLastCalledWith([{ do: "move", operation: work(1).id, person: ada, start: 500 }]);
  });
  test("steps by half an hour of work: a night is no time", async () => {
    const { move, tryOut } = await open({ work: [work(1, { start: 700 })] }, undefined);
    move.step(1, 0);
    expect(tryOut).toHaveBeenLastCalledWith([
      { do: "move", operation: work(1).id, person: ada, start: DAY + 540 + 10 },
    ]);
  });
  test("goes to the next who can tie it, and not beyond the last", async () => {
    const { move, tryOut } = await open();
    move.step(0, 1);
    move.step(0, 1);
    expect(tryOut).toHaveBeenLastCalledWith([{ do: "give", operation: work(1).id, person: bo }]);
  });
  test("is not tried with whoever cannot tie it", async () => {
    const { screen, move, tryOut } = await open();
    tryOut.mockClear();
    move.put(things.id(5), undefined);
    await settle();
    expect(tryOut).not.toHaveBeenCalled();
    expect(screen.text()).toContain("cannot tie it");
  });
  test("is split with another, by whole dozens", async () => {
    const { screen, move, tryOut, server } = await open();
    move.splitWith(bo);
    await settle();
    expect(tryOut).toHaveBeenLastCalledWith([
      { do: "split", operation: work(1).id, shares: [ada, bo].map((person) => ({ person, share: 0.5 })) },
    ]);
    await press(screen, "Split it with Bo Fell");
    expect(server.of(splitTying)[0]?.body).toEqual({
      shares: [
        { person: ada, flies: 12 },
        { person: bo, flies: 14 },
      ],
    });
  });
  test("is left to the plan again", async () => {
    const pinned = batch(1, { pin: { person: ada, at: null, shares: [], fault: null } });
    const { screen, server } = await open({ batches: [pinned] });
    await press(screen, "Leave it to the plan");
    expect(server.of(unpinBatch)).toHaveLength(1);
  });
});

describe("the weeks ahead", () => {
  const later = (isUp: boolean) => ({
    order: things.id(60),
    number: 12,
    customer: "lodge",
    customerName: "Hollow Lodge",
    next: "2027-06-01",
    season: null,
    aheadDays: 60,
    isUp,
    lines: [],
  });
  const server = (seasons: { name: string; date: string }[], isUp: boolean) =>
    things
      .server({}, { settings: { ...things.room().settings, seasons } })
      .answer(listStanding, { standing: [later(isUp)] });
  test("say where it is quiet, and what could be tied there", async () => {
    const { screen } = await mountIn(server([], false), PlanWeeks, { plan: plan() });
    await settle();
    expect(screen.text()).toContain("One week is quiet");
    expect(screen.text()).toContain("What comes up later can be tied in them: Hollow Lodge for 1 Jun 2027");
    // Of eight hours of Ada's and Bo's, what the two batches take.
    expect(screen.get("tbody tr").text()).toContain("4 h of 8 h");
  });
  test("tell what is tied while a season runs, and call no such week quiet", async () => {
    const { screen } = await mountIn(server([{ name: "ice-out", date: "2026-11-20" }], true), PlanWeeks, {
      plan: plan(),
    });
    await settle();
    expect(screen.text()).toContain("No week is quiet");
    expect(screen.get(".text-call").text()).toMatch(/^4 h of work fall into a season \(ice-out\)/);
  });
});

describe("ways out", () => {
  const late = batch(1, { lateDays: 2 });
  const saturday: WayOut = {
    changes: [{ do: "work", person: ada, from: 5 * DAY + 540, to: 5 * DAY + 780 }],
    lateBy: 0,
    at: 6 * DAY,
    harmed: [],
  };
  const open = async (ways: WayOut[], role: "owner" | "tier" = "owner") => {
    const trial = { ways: () => Promise.resolve(ways) } as unknown as PlanTrial;
    const server = things.server({ role }).answer(addExtraHours, things.person()).answer(pinBatch, { ok: true });
    const mounted = await mountIn(server, WaysOut, { plan: plan(), batch: late, trial, can: true });
    await mounted.screen.get("button").trigger("click");
    await settle();
    return { ...mounted, server };
  };
  test("are said, and the hours are given by whoever manages people", async () => {
    const { screen, server } = await open([saturday]);
    expect(screen.text()).toContain("Ada Quarry works Sat 28 Nov, 09:00 to 13:00 as well.");
    expect(screen.text()).toContain("on time");
    await screen.get("ul button").trigger("click");
    await settle();
    expect(server.of(addExtraHours)[0]?.body).toEqual({ day: "2026-11-28", from: 540, to: 780 });
    const asTier = await open([saturday], "tier");
    expect(asTier.screen.find("ul button").exists()).toBe(false);
  });
  test("name whom they harm; another tier is a pin", async () => {
    const give: WayOut = {
      changes: [{ do: "give", operation: "x", person: bo }],
      lateBy: DAY,
      at: 0,
      harmed: [batch(3).id],
    };
    const { screen, server } = await open([give], "tier");
    expect(screen.text()).toContain("late by 1 day only, but batch 3 becomes late");
    await screen.get("ul button").trigger("click");
    await settle();
    expect(server.of(pinBatch)[0]?.body).toEqual({ person: bo, at: null });
  });
  test("are none where nothing helps", async () =>
    expect((await open([])).screen.text()).toContain("A later day must be asked for."));
});

test("the table says odds, what breaks them, and pins with what is the matter", async () => {
  const shown = plan({
    batches: [
      batch(1, { odds: 0.62, breaks: "mostly a delivery that comes late" }),
      batch(2, { pin: { person: bo, at: null, shares: [], fault: "Bo Fell lacks palmer." } }),
    ],
  });
  const { screen } = await mountIn(things.server(), PlanTable, { plan: shown });
  const [first, second] = screen.findAll("tbody tr").map((r) => r.text());
  expect(first).toMatch(/62.*mostly a delivery that comes late/);
  expect(second).toContain("pinned to Bo Fell: Bo Fell lacks palmer.");
});
