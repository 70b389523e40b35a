// @vitest-environment happy-dom
import { describe, expect, test, vi } from "vitest";
import { ref, shallowRef } from "vue";
import type { Change } from "@kasten/core/schedule";
import { listPlanVersions, readPlan, readPlanVersion, type Plan } from "@kasten/contract/schedule";
import { ada, batch, bo, DAY, plan, work } from "./testing/plan";
import { choose, mountIn, settle } from "../testing/room";
import * as things from "../testing/things";
import type { Trial } from "./plan.worker";
import LateBatches from "./LateBatches.vue";
import PlanVersions from "./PlanVersions.vue";
import PlanWhatIf from "./PlanWhatIf.vue";
import PlanWork from "./PlanWork.vue";
import { planScale } from "./planTime";
import type { PlanTrial } from "./usePlanTrial";
import WeekPage from "./WeekPage.vue";

const trial = (of: Partial<PlanTrial> = {}): PlanTrial => ({
  trial: shallowRef<Trial>(),
  refused: ref(""),
  busy: ref(false),
  choicesOf: async () => [],
  tryOut: async () => undefined,
  ways: async () => [],
  clear: () => undefined,
  ...of,
});
type Screen = Awaited<ReturnType<typeof mountIn>>["screen"];
const button = (screen: Screen, words: string) => {
  const found = screen.findAll<HTMLButtonElement>("button").find((b) => b.text().trim() === words);
  if (!found) throw new Error(`No button says ${words}`);
  return found;
};

describe("a week on paper", () => {
  const open = async (of: Partial<Plan> = {}, which: (asked: string | undefined) => Partial<Plan> = () => ({})) => {
    const server = things
      .server()
      .answer(readPlan, ({ query }) => plan({ ...of, ...which((query as { which?: string }).which) }));
    return { server, ...(await mountIn(server, WeekPage)) };
  };

  test("stands for everybody, each with what they do on each day, in its order", async () => {
    const { screen } = await open({
      work: [work(2, { start: 640, end: 700 }), work(1), work(3, { person: bo, kind: "coat", start: 610, end: 640 })],
    });
    const people = screen.findAll("section");
    expect(people.map((p) => p.get("h3").text())).toEqual(["Ada Quarry", "Bo Fell"]);
    const items = people[0]?.findAll("li").map((li) => li.text().replace(/\s+/g, " "));
    expect(items).toEqual(["09:10–11:40 tie 1 Yard Nymph 12", "10:40–11:40 tie 2 Yard Nymph 12"]);
    expect(people[1]?.get("li").text()).toContain("coat");
  });

  test("work that goes over a night stands on both days, each with its own hours", async () => {
    const { screen } = await open({ work: [work(1, { start: 660, end: DAY + 600 })] });
    const items = screen
      .findAll("section")[0]
      ?.findAll("li")
      .map((li) => li.text().slice(0, 11));
    expect(items).toEqual(["11:00–12:00", "09:00–10:00"]);
  });

  test("one person alone, a week further on and back again", async () => {
    const { screen } = await open({
      days: Array.from({ length: 12 }, (_, i) => ({
        minute: i * DAY,
        date: new Date(Date.UTC(2026, 10, 23 + i)).toISOString().slice(0, 10),
      })),
    });
    await choose(screen, "Whose", "Bo Fell");
    expect(screen.findAll("section h3").map((h) => h.text())).toEqual(["Bo Fell"]);
    const first = screen.get("h2").text();
    expect(button(screen, "Week before").element.disabled).toBe(true);
    await button(screen, "Week after").trigger("click");
    expect(screen.get("h2").text()).not.toBe(first);
    expect(screen.findAll("li")).toEqual([]);
    expect(button(screen, "Week after").element.disabled).toBe(true);
    await button(screen, "Week before").trigger("click");
    expect(screen.get("h2").text()).toBe(first);
  });

  test("is that of the published plan, where there is one", async () => {
    const published = { number: 4, at: "2026-11-20T08:00:00Z", by: "Ada Quarry", note: "", broken: [] };
    const { server, screen } = await open({}, (which) => ({
      published,
      work: which === "published" ? [work(9)] : [work(1)],
    }));
    expect(server.of(readPlan).map((a) => (a.query as { which?: string }).which)).toEqual([undefined, "published"]);
    expect(screen.get("h2").text()).toContain("plan 4, as it now runs");
    expect(screen.get("li").text()).toContain("9");
  });

  test("a draft says so", async () => {
    const { screen } = await open();
    expect(screen.get("h2").text()).toContain("draft");
  });
});

describe("published plans", () => {
  const version = { number: 2, at: "2026-11-20T08:00:00Z", by: "Ada Quarry", note: "before the fair", late: 1 };
  test("each opens with what it changed, and closes again", async () => {
    const server = things
      .server()
      .answer(listPlanVersions, { versions: [{ ...version, batches: 2 }] })
      .answer(readPlanVersion, {
        ...version,
        batches: [
          {
            id: things.id(11),
            number: 1,
            patternName: "Yard Nymph",
            size: "12",
            due: "2026-12-01",
            ready: "2026-11-28",
            lateDays: 0,
          },
          {
            id: things.id(12),
            number: 2,
            patternName: "Yard Nymph",
            size: "14",
            due: "2026-12-01",
            ready: null,
            lateDays: 0,
          },
        ],
        differences: [{ batch: things.id(11), number: 1, sentence: "ready a day earlier" }],
      } as never);
    const { screen } = await mountIn(server, PlanVersions);
    expect(screen.text()).toContain("before the fair");
    expect(server.of(readPlanVersion)).toEqual([]);
    await button(screen, "What it changed").trigger("click");
    await settle();
    const opened = screen.get("section").text().replace(/\s+/g, " ");
    expect(opened).toContain("Batch 1: ready a day earlier");
    // A batch that has no day yet is not among those that are ready.
    expect(opened).toContain("batch 1 ");
    expect(opened).not.toContain("batch 2 ");
    await button(screen, "Close").trigger("click");
    expect(screen.find("section").exists()).toBe(false);
  });

  test("none yet is said", async () => {
    const { screen } = await mountIn(things.server().answer(listPlanVersions, { versions: [] }), PlanVersions);
    expect(screen.text()).toContain("No plan has been published yet.");
  });
});

describe("what does not keep its day", () => {
  const open = (batches: Plan["batches"]) =>
    mountIn(things.server(), LateBatches, { plan: plan({ batches }), trial: trial(), can: true });

  test("says so of one and of several, with why, and what it waits for", async () => {
    const one = await open([batch(1, { lateDays: 1 }), batch(2)]);
    expect(one.screen.get("h2").text()).toBe("1 batch does not keep the day promised");
    expect(one.screen.text()).toContain("late by 1 day");
    one.screen.unmount();
    const { screen } = await open([
      batch(1, { lateDays: 3, waitsFor: "copper wire, 4 December" }),
      batch(2, { held: "nobody ties this", ready: null, readyAt: null, waitsFor: "hooks" }),
    ]);
    expect(screen.get("h2").text()).toBe("2 batches do not keep the day promised");
    const [late, held] = screen.findAll("li").map((li) => li.text().replace(/\s+/g, " "));
    expect(late).toMatch(/late by 3 days; waits for copper wire, 4 December/);
    expect(held).toMatch(/nobody ties this Waits for hooks/);
  });

  test("shows a few at first, and all on demand", async () => {
    const { screen } = await open(Array.from({ length: 9 }, (_, i) => batch(i + 1, { lateDays: 1 })));
    expect(screen.findAll("li")).toHaveLength(6);
    await screen
      .findAll("button")
      .find((b) => /left/.test(b.text()))
      ?.trigger("click");
    expect(screen.findAll("li")).toHaveLength(9);
  });

  test("is good news where there is none", async () => {
    const { screen } = await open([batch(1)]);
    expect(screen.text()).toBe("Every batch is ready before the day promised.");
  });
});

describe("what if", () => {
  const open = async () => {
    const tryOut = vi.fn(async (_changes: Change[]) => undefined);
    const mounted = await mountIn(things.server(), PlanWhatIf, { plan: plan(), trial: trial({ tryOut }) });
    const tryIt = async (): Promise<Change[] | undefined> => {
      await mounted.screen.get("form").trigger("submit");
      await settle();
      return tryOut.mock.lastCall?.[0];
    };
    return { ...mounted, tryIt };
  };

  test("somebody is away for a whole day, from its first minute to its last", async () => {
    const { screen, tryIt } = await open();
    await choose(screen, "Who", "Bo Fell");
    expect(await tryIt()).toEqual([{ do: "away", person: bo, from: 0, to: DAY }]);
  });

  test("somebody works more, from nine to one", async () => {
    const { screen, tryIt } = await open();
    await choose(screen, "What if", "somebody works more");
    expect(screen.text()).toContain("From nine to one");
    expect(await tryIt()).toEqual([{ do: "work", person: ada, from: 540, to: 780 }]);
  });

  test.each<[string, Change]>([
    ["another finishing bench", { do: "places", station: "finishing", places: 2 }],
    ["the mill breaks down", { do: "places", station: "mill", places: 0 }],
  ])("%s", async (label, change) => {
    const { screen, tryIt } = await open();
    await choose(screen, "What if", label);
    expect(screen.findAll("[aria-haspopup=listbox]")).toHaveLength(1);
    expect(await tryIt()).toEqual([change]);
  });

  test("a rack of no size is not tried", async () => {
    const { screen, tryIt } = await open();
    await choose(screen, "What if", "a larger rack");
    const field = screen.get<HTMLInputElement>("input[type=number]");
    await field.setValue("");
    expect(button(screen, "Try it").element.disabled).toBe(true);
    expect(await tryIt()).toBeUndefined();
    await field.setValue("480");
    expect(await tryIt()).toEqual([{ do: "rack", rack: "rack", places: 480 }]);
  });
});

describe("a piece of work in its lane", () => {
  const open = async (of: Record<string, unknown> = {}, piece: Partial<Plan["work"][number]> = {}) => {
    const p = plan();
    const windows = p.people[0]?.windows ?? [];
    return mountIn(things.server(), PlanWork, {
      plan: p,
      work: work(1, piece),
      scale: planScale(p, { from: 0, count: 1 }, 900),
      windows,
      y: 0,
      height: 40,
      movable: true,
      chosen: true,
      pinned: false,
      ...of,
    });
  };

  test("is chosen and moved with the keys once it is chosen, and left with Escape", async () => {
    const { screen } = await open();
    for (const key of ["Enter", "ArrowRight", "ArrowLeft", "ArrowUp", "ArrowDown", "Escape", "a"])
      await screen.trigger("keydown", { key });
    expect(screen.emitted("choose")).toHaveLength(1);
    expect(screen.emitted("step")).toEqual([
      [1, 0],
      [-1, 0],
      [0, -1],
      [0, 1],
    ]);
    expect(screen.emitted("leave")).toHaveLength(1);
  });

  test("is not moved by keys before it is chosen, and not at all where nobody may", async () => {
    const { screen } = await open({ chosen: false });
    await screen.trigger("keydown", { key: "ArrowRight" });
    expect(screen.emitted("step")).toBeUndefined();
    screen.unmount();
    const still = await open({ movable: false });
    await still.screen.trigger("click");
    expect(still.screen.emitted("choose")).toBeUndefined();
    expect(still.screen.attributes("role")).toBeUndefined();
  });

  test("says all that its block shows: what, when, its change-over, that it is pinned", async () => {
    const { screen } = await open({ pinned: true });
    const label = screen.attributes("aria-label") ?? "";
    expect(label).toMatch(/^Batch 1, Yard Nymph 12: tie, .*09:10 to .*11:40, change-over 10 min before, pinned$/);
    expect(screen.findAll("path")).toHaveLength(1);
    // The change-over is drawn before it, dashed.
    expect(screen.findAll("[stroke-dasharray]")).toHaveLength(1);
  });

  test("a block that is too narrow has no number on it", async () => {
    const { screen } = await open({}, { start: 550, end: 552, setupStart: 550, setupMinutes: 0 });
    expect(screen.findAll("text")).toEqual([]);
    expect(screen.findAll(".plan-piece")).toHaveLength(1);
  });
});
