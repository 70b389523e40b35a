// @vitest-environment happy-dom
import { expect, test } from "vitest";
import { closeTake, countInTake, readTake, type StockTake } from "@kasten/contract/stock";
import { mountIn, refused, settle } from "../testing/room";
import * as things from "../testing/things";
import TakeWalk from "./TakeWalk.vue";

type Lot = StockTake["drawers"][number]["lots"][number];
const lot = (n: number, of: Partial<Lot> = {}): Lot => ({
  lot: things.id(100 + n),
  code: `L-${n}`,
  place: n,
  material: "wire",
  materialName: "copper wire",
  colour: null,
  unit: "count",
  about: "",
  expected: 40,
  counted: null,
  plusMinus: 0,
  by: null,
  ...of,
});
const take = (drawers: [string, Lot[]][]): StockTake => ({
  id: things.id(1),
  startedAt: "2026-11-23T08:00:00Z",
  by: "Bo Fell",
  blind: false,
  done: false,
  drawers: drawers.map(([code, lots]) => ({ code, name: `Drawer ${code}`, lots })),
});
/** A stock-take that remembers what is counted in it. */
const open = async (state: StockTake) => {
  const server = things
    .server()
    .answer(readTake, () => structuredClone(state))
    .answer(countInTake, ({ body }) => {
      for (const d of state.drawers)
        for (const l of d.lots) if (l.lot === body.lot) Object.assign(l, { counted: body.counted, by: "Ada Quarry" });
      return { ok: true as const };
    });
  const mounted = await mountIn(server, TakeWalk, { id: state.id });
  const { screen } = mounted;
  return {
    server,
    ...mounted,
    title: () => screen.get("section h2").text(),
    type: async (i: number, value: string): Promise<void> => {
      await screen.findAll<HTMLInputElement>("section input")[i]?.setValue(value);
      await screen.findAll("section form")[i]?.trigger("submit");
      await settle();
    },
    press: async (words: RegExp): Promise<void> => {
      await screen
        .findAll("button")
        .find((b) => words.test(b.text()))
        ?.trigger("click");
      await settle();
    },
  };
};

test("begins at the first drawer that is not counted, and keeps each lot as it is typed", async () => {
  const walk = await open(
    take([
      ["A1", [lot(1, { counted: 40 })]],
      ["A2", [lot(2), lot(3)]],
    ]),
  );
  expect(walk.title()).toBe("Drawer A2");
  expect(walk.screen.text()).toContain("1 of 3 lots counted");
  await walk.type(0, "38");
  expect(walk.server.of(countInTake)[0]?.body).toMatchObject({
    lot: things.id(102),
    place: 2,
    counted: 38,
    again: false,
  });
  expect(walk.screen.text()).toContain("2 of 3 lots counted");
  // Fewer than were booked: said beside it.
  expect(walk.screen.findAll("section li")[0]?.text()).toContain("−2");
  expect(document.activeElement).toBe(walk.screen.findAll("section input")[1]?.element);
});

test("a drawer stays in hand when its last lot is counted, and the next that is not counted follows on demand", async () => {
  const walk = await open(
    take([
      ["A1", [lot(1)]],
      ["A2", [lot(2, { counted: 40 })]],
      ["A3", [lot(3)]],
    ]),
  );
  await walk.type(0, "40");
  expect(walk.title()).toBe("Drawer A1");
  await walk.press(/^Next drawer/);
  expect(walk.title()).toBe("Drawer A3");
  await walk.press(/^A2/);
  expect(walk.title()).toBe("Drawer A2");
});

test("an empty field keeps nothing; nought is a count", async () => {
  const walk = await open(take([["A1", [lot(1)]]]));
  await walk.type(0, "");
  expect(walk.server.of(countInTake)).toEqual([]);
  await walk.type(0, "0");
  expect(walk.server.of(countInTake)[0]?.body.counted).toBe(0);
});

test("lengths are counted in the unit that the field says, and kept in whole base units", async () => {
  const walk = await open(take([["A1", [lot(1, { unit: "um", expected: 5_000_000 })]]]));
  expect(walk.screen.get("section input").attributes("aria-label")).toMatch(/in metres$/);
  await walk.type(0, "4.25");
  expect(walk.server.of(countInTake)[0]?.body.counted).toBe(4_250_000);
});

test("somebody else's count is not written over unless it is said", async () => {
  const walk = await open(take([["A1", [lot(1)]]]));
  let asked = 0;
  walk.server.answer(countInTake, ({ body }) => {
    asked++;
    return body.again
      ? { ok: true as const }
      : refused({ type: "conflict", title: "Counted", status: 409, detail: "Bo Fell counted 41 here." });
  });
  await walk.type(0, "38");
  expect(walk.screen.text()).toContain("Bo Fell counted 41 here.");
  await walk.press(/^mine holds/);
  expect(asked).toBe(2);
  expect(walk.server.of(countInTake)[1]?.body).toMatchObject({ counted: 38, again: true });
  expect(walk.screen.text()).not.toContain("mine holds");
});

test("is closed once something is counted; what is not counted stays as it is booked", async () => {
  const walk = await open(take([["A1", [lot(1), lot(2)]]]));
  walk.server.answer(closeTake, { counted: 1, changed: 1, worthCents: -250 });
  const close = () => walk.screen.findAll<HTMLButtonElement>("button").find((b) => b.text().startsWith("Close it"));
  expect(close()?.element.disabled).toBe(true);
  await walk.type(0, "39");
  expect(walk.screen.text()).toContain("1 lots are not counted: they stay as they are booked.");
  await close()?.trigger("click");
  await settle();
  expect(walk.server.of(closeTake)).toHaveLength(1);
  expect(walk.screen.emitted("closed")).toHaveLength(1);
});

test("a close that is refused leaves everything as it is", async () => {
  const walk = await open(take([["A1", [lot(1, { counted: 3 })]]]));
  walk.server.answer(closeTake, () =>
    refused({ type: "conflict", title: "Put by", status: 409, detail: "Lot L-1 holds less than is put by." }),
  );
  await walk.press(/^Close it/);
  expect(walk.screen.text()).toContain("Lot L-1 holds less than is put by.");
  expect(walk.screen.emitted("closed")).toBeUndefined();
});
