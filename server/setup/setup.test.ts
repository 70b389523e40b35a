import { afterAll, beforeAll, describe, expect, test } from "vitest";
import { readBatch } from "@kasten/contract/batches";
import { catalogue } from "@kasten/contract/catalogue";
import { addCustomer, editCustomer } from "@kasten/contract/customers";
import { saveHook } from "@kasten/contract/hooks";
import { addSupplier, editSupplier, listSuppliers, setSources } from "@kasten/contract/purchasing";
import { readPlan } from "@kasten/contract/schedule";
import { readBeginnings, readSettings, saveSettings } from "@kasten/contract/settings";
import {
  addDrawers,
  countIn,
  listDrawers,
  nameDrawer,
  readStock,
  receiveStock,
  removeDrawer,
} from "@kasten/contract/stock";
import { editPerson, listPeople } from "@kasten/contract/team";
import { openTestRoom, type Client, type TestRoom } from "../testing/app";

let room: TestRoom;
let owner: Client;
let tier: Client;
beforeAll(async () => {
  room = await openTestRoom();
  owner = await room.signedIn("owner");
  tier = await room.signedIn("tier");
});
afterAll(() => room.stop());

describe("settings", () => {
  test("are changed by the owner, from the version that was seen, and logged", async () => {
    const before = await owner.ok(readSettings);
    const after = await owner.ok(saveSettings, { body: { ...before, tray: 132, currency: "CHF" } });
    expect(after).toMatchObject({ tray: 132, currency: "CHF", version: before.version + 1 });
    const stale = await owner.refused(saveSettings, { body: { ...before, tray: 96 } });
    expect(stale).toMatchObject({ type: "changed-meanwhile", version: after.version });
    expect(stale.changes).toContainEqual({ field: "tray", yours: "96", theirs: "132" });
    expect((await tier.refused(saveSettings, { body: after })).status).toBe(403);
    const [{ sentence }] = await room.source.query(
      "SELECT sentence FROM event WHERE subject = 'room' ORDER BY id DESC LIMIT 1",
    );
    expect(sentence).toBe("Changed the money, the tray");
  });
  test.each([
    ["a rack smaller than a tray", { rackPlaces: 100 }, /whole tray/],
    ["no rest to work in", { restPerHour: 60 }, /45 minutes/],
    ["a sureness that nothing reaches", { serviceLevel: 1 }, /nothing is ever sure/],
    ["a time zone that is none", { timeZone: "Moon/Crater" }, /time zone/],
    [
      "a holiday that ends before it begins",
      { holidays: [{ from: "2027-01-09", to: "2027-01-02", reason: "" }] },
      /last day/,
    ],
    ["a day that is none", { seasons: [{ name: "ice", date: "2027-02-31" }] }, /day of the calendar/],
    ["a station without places", { stations: [{ name: "mill", places: 0, down: null }] }, /one place|Each station/],
    ["a station twice", { stations: Array(2).fill({ name: "mill", places: 1, down: null }) }, /Each station once/],
  ])("%s is refused, with what would be right", async (_label, change, sentence) => {
    const now = await owner.ok(readSettings);
    const refused = await owner.refused(saveSettings, { body: { ...now, ...change } as typeof now });
    expect([refused.status, refused.detail]).toEqual([400, expect.stringMatching(sentence)]);
  });
});

describe("days and stations", () => {
  const workOn = async (date: string, person?: string) => {
    const plan = await owner.ok(readPlan);
    const day = plan.days.find((d) => d.date === date)?.minute ?? NaN;
    return plan.people
      .filter((p) => person === undefined || p.id === person)
      .flatMap((p) => p.windows.filter(([a]) => a >= day && a < day + 1440));
  };
  const someDay = async () => {
    const plan = await owner.ok(readPlan);
    const busy = plan.days
      .slice(2)
      .find((d) => plan.people.some((p) => p.windows.some(([a]) => a >= d.minute && a < d.minute + 1440)));
    return busy?.date ?? "";
  };
  test("on a holiday nobody works; on a day off one person does not", async () => {
    const date = await someDay();
    const { people } = await owner.ok(listPeople);
    const working = (await owner.ok(readPlan)).people.find((p) => p.windows.length > 0);
    const person = people.find((p) => p.id === working?.id);
    if (!person) throw new Error("nobody works");
    expect((await workOn(date)).length).toBeGreaterThan(0);
    const { id, login: _login, endedAt: _ended, ...rest } = person;
    const off = [{ from: date, to: date, reason: "" }];
    const changed = await owner.ok(editPerson, { params: { id }, body: { ...rest, absences: off } });
    expect(changed.absences).toEqual(off);
    expect(await workOn(date, id)).toEqual([]);
    const settings = await owner.ok(readSettings);
    const kept = await owner.ok(saveSettings, { body: { ...settings, holidays: off } });
    expect(await workOn(date)).toEqual([]);
    await owner.ok(saveSettings, { body: { ...kept, holidays: [] } });
    await owner.ok(editPerson, { params: { id }, body: { ...rest, version: changed.version, absences: [] } });
    expect((await workOn(date, id)).length).toBeGreaterThanOrEqual(0);
  });
  test("a station out of use holds its batches in the plan and at the gate, with the reason", async () => {
    const before = await owner.ok(readSettings);
    const stations = before.stations.map((s) =>
      s.name === "finishing" ? { ...s, down: "the lamp’s switch sticks" } : s,
    );
    const kept = await owner.ok(saveSettings, { body: { ...before, stations } });
    const held = (await owner.ok(readPlan)).batches.filter((b) => b.held?.includes("the lamp’s switch sticks"));
    expect(held.length).toBeGreaterThan(2);
    const batch = await owner.ok(readBatch, { params: { id: held[0]?.id ?? "" } });
    expect(batch.held_back.join()).toContain("finishing station is down");
    await owner.ok(saveSettings, { body: { ...kept, stations: before.stations } });
    expect((await owner.ok(readPlan)).batches.filter((b) => b.held?.includes("switch sticks"))).toEqual([]);
  });
});

describe("the cabinet", () => {
  const drawer = async (code: string) => (await owner.ok(listDrawers)).drawers.find((d) => d.code === code);
  test("drawers are put up once, named, and taken out while nothing has lain in them", async () => {
    expect((await owner.ok(addDrawers, { body: { codes: ["Z1", "Z2", "A12"] } })).added).toEqual(["Z1", "Z2"]);
    const z1 = await drawer("Z1");
    await owner.ok(nameDrawer, { params: { id: z1?.id ?? 0 }, body: { name: "Tinsels" } });
    expect((await drawer("Z1"))?.name).toBe("Tinsels");
    await owner.ok(removeDrawer, { params: { id: z1?.id ?? 0 } });
    expect(await drawer("Z1")).toBeUndefined();
    const full = await drawer("A12");
    expect((await owner.refused(removeDrawer, { params: { id: full?.id ?? 0 } })).detail).toContain("is not empty");
    expect((await owner.refused(addDrawers, { body: { codes: ["SCRAP"] } })).detail).toContain("is not a drawer");
    expect((await owner.refused(addDrawers, { body: { codes: ["A 1"] } })).status).toBe(400);
  });
  test("what lies there is counted in without a supplier, and its drawer then stays in the ledger", async () => {
    await owner.ok(countIn, {
      params: { id: "TH-70-OL" },
      body: { quantity: 50_000_000, lot: "", dyeLot: "", drawer: "Z2", note: "" },
    });
    const thread = await owner.ok(readStock, { params: { id: "TH-70-OL" } });
    const lot = thread.lotList.find((l) => l.place === "Drawer Z2");
    expect(lot).toMatchObject({ quantity: 50_000_000, code: expect.stringMatching(/^TH-70-OL-\d+$/) });
    expect(thread.movements[0]).toMatchObject({ reason: "counted in", note: "opening balance" });
    const z2 = await drawer("Z2");
    expect((await owner.refused(removeDrawer, { params: { id: z2?.id ?? 0 } })).detail).toContain("is not empty");
  });
  test("a hook that is kept in a size has its place in the cabinet, once", async () => {
    const hook = {
      name: "Fen hook",
      family: "dry" as const,
      bend: "round" as const,
      shankSteps: 0,
      wireSteps: -1,
      gapeSteps: 0,
      barbless: true,
      points: 1 as const,
      eyeForm: "straight" as const,
      finish: "",
      wireReason: "",
      near: [],
    };
    await owner.ok(saveHook, { params: { id: "Q9" }, body: { ...hook, sizes: ["14", "2/0"], drawer: "Z2" } });
    await owner.ok(saveHook, { params: { id: "Q9" }, body: { ...hook, sizes: ["14"] } });
    expect(await owner.ok(readStock, { params: { id: "Q9-14" } })).toMatchObject({
      form: "hook",
      unit: "count",
      drawer: "Z2",
    });
    const { hooks } = await owner.ok(catalogue);
    expect(
      hooks
        .find((h) => h.id === "Q9")
        ?.rows.map((r) => r.size)
        .sort(),
    ).toEqual(["14", "2/0"]);
  });
});

describe("suppliers and customers", () => {
  test("suppliers are added, changed from the version that was seen, and sell what is said at the material", async () => {
    const fen = await owner.ok(addSupplier, { body: { name: "Fen Wool", note: "outside the trade" } });
    expect((await owner.refused(addSupplier, { body: { name: "Fen Wool", note: "" } })).type).toBe("taken");
    const { id, ...rest } = fen;
    const changed = await owner.ok(editSupplier, { params: { id }, body: { ...rest, note: "by letter only" } });
    expect((await owner.refused(editSupplier, { params: { id }, body: rest })).version).toBe(changed.version);
    const source = { supplier: id, pack: 10_000_000, priceCents: 320, leadDays: 4 };
    await owner.ok(setSources, { params: { id: "TH-70-OL" }, body: { sources: [source] } });
    expect((await owner.ok(readStock, { params: { id: "TH-70-OL" } })).sources).toMatchObject([
      { supplier: "Fen Wool", pack: 10_000_000, priceCents: 320, leadDays: 4 },
    ]);
    expect((await owner.ok(listSuppliers)).suppliers.find((s) => s.id === id)?.materials).toBe(1);
    const nobody = await owner.refused(setSources, {
      params: { id: "TH-70-OL" },
      body: { sources: [{ ...source, supplier: "nobody" }] },
    });
    expect(nobody.errors).toMatchObject([{ path: "sources.0.supplier" }]);
    await owner.ok(receiveStock, {
      params: { id: "TH-70-OL" },
      body: {
        quantity: 1_000_000,
        lot: "FW-9",
        dyeLot: "",
        grade: "",
        side: null,
        barb: null,
        priceCents: 0,
        supplier: id,
        note: "",
      },
    });
    expect((await owner.ok(readStock, { params: { id: "TH-70-OL" } })).movements[0]?.from).toBe("Fen Wool");
  });
  test("a customer is changed from the version that was seen; two of one name are not had", async () => {
    const destination = { noLead: false, barblessOnly: false, forbiddenSpecies: [] };
    const body = {
      name: "Fen Lodge",
      kind: "lodge",
      rank: 2,
      policy: "tier" as const,
      destination,
      discount: 0,
      note: "",
    };
    const { id, ...rest } = await owner.ok(addCustomer, { body });
    const changed = await owner.ok(editCustomer, {
      params: { id },
      body: { ...rest, destination: { ...destination, noLead: true } },
    });
    expect(changed.destination.noLead).toBe(true);
    const stale = await owner.refused(editCustomer, { params: { id }, body: { ...rest, rank: 1 } });
    expect(stale.changes?.map((c) => c.field)).toEqual(["rank", "destination"]);
    const twin = { ...rest, name: "Quayhead Tackle", version: changed.version };
    expect((await owner.refused(editCustomer, { params: { id }, body: twin })).type).toBe("taken");
  });
});

test("a new room says what is still to be done", async () => {
  const empty = await openTestRoom({ demo: false });
  const { steps } = await owner.ok(readBeginnings);
  expect(steps.every((s) => s.count > 0)).toBe(true);
  const { Client: Visitor } = await import("../testing/app");
  const { setUp } = await import("@kasten/contract/team");
  const { setUpCode } = await import("../team");
  const ada = new Visitor(empty.base);
  await ada.ok(setUp, { body: { code: setUpCode, name: "Ada", login: "ada", password: "a long enough one" } });
  const begun = await ada.ok(readBeginnings);
  expect(begun.steps.map((s) => s.count)).toEqual([1, 0, 0, 0, 0, 0, 0, 0]);
  const first = await ada.ok(readSettings);
  expect(first.version).toBe(0);
  const [one, other] = await Promise.all([
    ada.send(saveSettings, { body: { ...first, shop: "One" } }),
    ada.send(saveSettings, { body: { ...first, shop: "Other" } }),
  ]);
  expect([one, other].sort(), "two people setting up at once: one is told").toEqual([200, 409]);
  await empty.stop();
});
