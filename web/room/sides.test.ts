// @vitest-environment happy-dom
import { beforeEach, describe, expect, test } from "vitest";
import { addSupplier, editSupplier, listSuppliers, type Supplier } from "@kasten/contract/purchasing";
import { beginnings, readBeginnings, readSettings, saveSettings, type Settings } from "@kasten/contract/settings";
import type { Role } from "@kasten/contract/permissions";
import { fieldOf, mountIn, settle } from "../testing/room";
import * as things from "../testing/things";
import BeginningSteps from "./BeginningSteps.vue";
import BreaksForm from "./BreaksForm.vue";
import DaysForm from "./DaysForm.vue";
import RoomView from "./RoomView.vue";
import SupplierList from "./SupplierList.vue";

beforeEach(() => localStorage.clear());
const settings = (of: Partial<Settings> = {}): Settings & { version: number } => ({
  ...things.room().settings,
  tray: 144,
  ...of,
  version: 4,
});
const walked = { steps: beginnings.map((step) => ({ step, count: 1 })) };
const buttonOf = (screen: Awaited<ReturnType<typeof mountIn>>["screen"], words: string) => {
  const found = screen.findAll("button").find((b) => b.text().trim() === words || b.attributes("aria-label") === words);
  if (!found) throw new Error(`No button says ${words}`);
  return found;
};

describe("what comes off a price", () => {
  const open = async (can: boolean) => {
    const kept = settings({ breaks: [{ dozens: 6, percent: 5 }] });
    const server = things.server().answer(saveSettings, kept);
    return { server, ...(await mountIn(server, BreaksForm, { settings: kept, can })) };
  };

  test("a break is added, and all of them are sent with the rest of the settings", async () => {
    const { server, screen } = await open(true);
    await buttonOf(screen, "A break").trigger("click");
    await settle();
    const fields = screen.findAll<HTMLInputElement>("input[type=number]");
    await fields[2]?.setValue(12);
    await fields[3]?.setValue(7.5);
    await screen.get("form").trigger("submit");
    await settle();
    expect(server.of(saveSettings)[0]?.body).toEqual(
      settings({
        breaks: [
          { dozens: 6, percent: 5 },
          { dozens: 12, percent: 7.5 },
        ],
      }),
    );
  });

  test("a break without its numbers, or from so many dozens twice, is answered before it is sent", async () => {
    const { server, screen } = await open(true);
    await buttonOf(screen, "A break").trigger("click");
    await settle();
    await screen.get("form").trigger("submit");
    await settle();
    expect(screen.findAll("[aria-invalid=true]")).toHaveLength(2);
    const fields = screen.findAll<HTMLInputElement>("input[type=number]");
    await fields[2]?.setValue(6);
    await fields[3]?.setValue(9);
    await screen.get("form").trigger("submit");
    await settle();
    expect(screen.text()).toContain("Each number of dozens once");
    expect(server.of(saveSettings)).toEqual([]);
  });

  test("a break is taken out", async () => {
    const { server, screen } = await open(true);
    await buttonOf(screen, "Without break 1").trigger("click");
    await settle();
    await screen.get("form").trigger("submit");
    await settle();
    expect(server.of(saveSettings)[0]?.body.breaks).toEqual([]);
  });

  test("whoever may not set up the room reads them", async () => {
    const { screen } = await open(false);
    expect(screen.text()).toContain("from 6 dz, 5 % off");
    expect(screen.findAll("button")).toEqual([]);
  });
});

describe("seasons and holidays", () => {
  const kept = settings({
    seasons: [{ name: "ice-out", date: "2027-03-28" }],
    holidays: [
      { from: "2026-12-24", to: "2026-12-26", reason: "midwinter" },
      { from: "2027-01-01", to: "2027-01-01", reason: "" },
    ],
  });

  test("are read by whoever may not change them, a single day without its end", async () => {
    const { screen } = await mountIn(things.server(), DaysForm, { settings: kept, can: false });
    const items = screen.findAll("li").map((li) => li.text().replace(/\s+/g, " "));
    expect(items[0]).toContain("ice-out");
    expect(items[1]).toMatch(/24 .*to .*26 .*midwinter/);
    expect(items[2]).not.toContain(" to ");
    expect(screen.findAll("input")).toEqual([]);
  });

  test("a season has a name and a day; one that is renamed keeps its day", async () => {
    const server = things.server().answer(saveSettings, kept);
    const { screen } = await mountIn(server, DaysForm, { settings: kept, can: true });
    await buttonOf(screen, "A season").trigger("click");
    await settle();
    await screen.get("form").trigger("submit");
    await settle();
    expect(screen.findAll("[aria-invalid=true]").length).toBeGreaterThan(0);
    expect(server.of(saveSettings)).toEqual([]);
    await buttonOf(screen, "Without season 2").trigger("click");
    await fieldOf(screen, "Name").setValue("first melt");
    await screen.get("form").trigger("submit");
    await settle();
    expect(server.of(saveSettings)[0]?.body).toEqual({
      ...kept,
      seasons: [{ name: "first melt", date: "2027-03-28" }],
    });
  });
});

describe("suppliers", () => {
  const supplier: Supplier = {
    id: "wool-cellar",
    name: "The Wool Cellar",
    note: "outside the trade",
    minimumCents: 2500,
    freightCents: 490,
    freeFromCents: 8000,
    byLetter: false,
    version: 2,
  };
  const open = async (role: Role = "owner") => {
    const server = things
      .server({ role })
      .answer(listSuppliers, { suppliers: [{ ...supplier, materials: 3 }] })
      .answer(addSupplier, { ...supplier, id: "new", version: 1 })
      .answer(editSupplier, { ...supplier, version: 3 });
    return { server, ...(await mountIn(server, SupplierList)) };
  };
  /** The form opens in a dialog, which stands beside the screen. */
  const dialogForm = (): HTMLFormElement => {
    const form = document.querySelector<HTMLFormElement>("[role=dialog] form");
    if (!form) throw new Error("No dialog is open");
    return form;
  };
  const type = async (label: string, value: string): Promise<void> => {
    const of = [...dialogForm().querySelectorAll("label")].find((l) => l.textContent?.trim() === label);
    const field = document.getElementById(of?.htmlFor ?? "") as HTMLInputElement | null;
    if (!field) throw new Error(`No field is called ${label}`);
    field.value = value;
    field.dispatchEvent(new Event("input", { bubbles: true }));
    await settle();
  };
  const send = async (): Promise<void> => {
    dialogForm().dispatchEvent(new Event("submit", { bubbles: true, cancelable: true }));
    await settle();
  };

  test("stand with what an order has to come to and what sending costs", async () => {
    const { screen } = await open();
    const row = screen.get("tbody tr").text().replace(/\s+/g, " ");
    expect(row).toMatch(/The Wool Cellar.*25[.,]00.*4[.,]90.*nothing from.*80[.,]00/);
    expect(row).toContain("3");
  });

  test("a new one is sent in whole cents, and the list is asked for anew", async () => {
    const { server, screen } = await open();
    await buttonOf(screen, "New supplier").trigger("click");
    await settle();
    await send();
    expect(server.of(addSupplier)).toEqual([]);
    await type("Name", "Button Loft");
    await type("Least order", "19.99");
    await send();
    expect(server.of(addSupplier)[0]?.body).toEqual({
      name: "Button Loft",
      note: "",
      minimumCents: 1999,
      freightCents: 0,
      freeFromCents: null,
      byLetter: false,
    });
    expect(server.of(listSuppliers)).toHaveLength(2);
    expect(document.querySelector("[role=dialog] form")).toBeNull();
  });

  test("a change is made to the version that was seen", async () => {
    const { server, screen } = await open();
    await screen.get("tbody button").trigger("click");
    await settle();
    await type("Nothing from", "");
    await send();
    const { materials: _materials, ...plain } = { ...supplier, materials: 0 };
    const { id, ...body } = plain;
    expect(server.of(editSupplier)[0]).toMatchObject({ params: { id }, body: { ...body, freeFromCents: null } });
  });
});

describe("the way to the first batch", () => {
  const steps = (counts: number[]) => ({ steps: beginnings.map((step, i) => ({ step, count: counts[i] ?? 0 })) });

  test("shows what is done with its number, and what comes next", async () => {
    const server = things.server().answer(readBeginnings, steps([2, 2, 0, 5]));
    const { screen } = await mountIn(server, BeginningSteps);
    const links = screen.findAll("li a");
    expect(links).toHaveLength(beginnings.length);
    expect(links[0]?.text()).toContain("2");
    expect(links[0]?.find("[aria-label=done]").exists()).toBe(true);
    // The first that is still to do, though a later one is done already.
    expect(links.findIndex((l) => l.classes("btn-main"))).toBe(2);
  });

  test("is gone once it has been walked, and while nobody has answered", async () => {
    const { screen } = await mountIn(things.server().answer(readBeginnings, walked), BeginningSteps);
    expect(screen.text()).toBe("");
  });
});

describe("the room's sides", () => {
  const open = async (role: Role, at: string) => {
    const server = things.server({ role }).answer(readBeginnings, walked).answer(readSettings, settings());
    return mountIn(server, RoomView, {}, at);
  };

  test("the side is that of the address, and changing it changes the address", async () => {
    const { screen, router } = await open("owner", "/room?side=prices");
    expect(screen.text()).toContain("Keep the prices");
    const tab = screen.findAll("[role=tab]").find((t) => t.text() === "Stations");
    await tab?.trigger("click");
    await settle();
    expect(router.currentRoute.value.query.side).toBe("stations");
  });

  test("a side that there is not is the first", async () => {
    const { screen } = await open("owner", "/room?side=cellar");
    expect(screen.find("[role=tab][aria-selected=true]").text()).toBe("Settings");
  });

  test("who may not set it up is told whom to ask, and finds no button", async () => {
    const { screen } = await open("tier", "/room");
    expect(screen.text()).toContain("the owner");
    expect(screen.findAll("form button[type=submit], form .btn-main")).toEqual([]);
  });
});
