// @vitest-environment happy-dom
import { beforeEach, describe, expect, test } from "vitest";
import { addDrawers, listDrawers } from "@kasten/contract/stock";
import { saveSettings, type Settings } from "@kasten/contract/settings";
import { choose, fieldOf, mountIn, refused, settle } from "../testing/room";
import * as things from "../testing/things";
import DrawerList from "./DrawerList.vue";
import SettingsForm from "./SettingsForm.vue";
import StationsForm from "./StationsForm.vue";

beforeEach(() => localStorage.clear());
const settings: Settings & { version: number } = { ...things.room().settings, tray: 144, version: 4 };

describe("settings", () => {
  const open = async (server = things.server().answer(saveSettings, settings)) => ({
    server,
    ...(await mountIn(server, SettingsForm, { settings, can: true })),
  });
  test("are kept whole, from the version that was seen", async () => {
    const { server, screen } = await open();
    await fieldOf(screen, "Service level").setValue(92.5);
    await choose(screen, "Lengths are shown in", "inches");
    await screen.get("form").trigger("submit");
    await settle();
    expect(server.of(saveSettings)[0]?.body).toEqual({ ...settings, serviceLevel: 0.925, units: "in" });
  });
  test("one that would make the plan impossible is answered at its field, before it is sent", async () => {
    const { server, screen } = await open();
    await fieldOf(screen, "The drying rack holds").setValue(100);
    await screen.get("form").trigger("submit");
    await settle();
    expect(screen.text()).toContain("The rack must hold a whole tray");
    await fieldOf(screen, "The drying rack holds").setValue(240);
    await fieldOf(screen, "Rest in every hour").setValue(60);
    await screen.get("form").trigger("submit");
    await settle();
    expect(screen.text()).toContain("At most 45 minutes");
    expect(server.of(saveSettings)).toEqual([]);
  });
  test("that somebody changed meanwhile are not written over; what theirs says is shown", async () => {
    const changes = [{ field: "tray", yours: "144", theirs: "96" }];
    const server = things.server().answer(saveSettings, () =>
      refused({
        type: "changed-meanwhile",
        title: "Changed",
        status: 409,
        detail: "Look at it.",
        changes,
        version: 5,
      }),
    );
    const { screen } = await open(server);
    await fieldOf(screen, "Name of the room").setValue("Pier Yard");
    await screen.get("form").trigger("submit");
    await settle();
    expect(screen.text()).toContain("now “96”, yours “144”");
    expect(fieldOf(screen, "Name of the room").element.value).toBe("Pier Yard");
  });
});

test("a station is put out of use only with a reason", async () => {
  const server = things.server().answer(saveSettings, settings);
  const { screen } = await mountIn(server, StationsForm, { settings, can: true });
  await screen.findAll("[role=switch]")[0]?.trigger("click");
  await settle();
  await screen.get("form").trigger("submit");
  await settle();
  expect(server.of(saveSettings)).toEqual([]);
  expect(screen.text()).toContain("Say what is wrong with it");
  await fieldOf(screen, "What is wrong with it").setValue("the lamp flickers");
  await screen.get("form").trigger("submit");
  await settle();
  expect(server.of(saveSettings)[0]?.body.stations).toEqual([
    { name: "finishing", places: 1, down: "the lamp flickers" },
    { name: "mill", places: 1, down: null },
  ]);
});

test("drawers are put up a row at a time; what is no row is answered at the field", async () => {
  const server = things
    .server()
    .answer(listDrawers, { drawers: [] })
    .answer(addDrawers, { added: ["A1", "A2", "A3"] });
  const { screen } = await mountIn(server, DrawerList);
  await fieldOf(screen, "Put up drawers").setValue("A9 to A1");
  await screen.get("form").trigger("submit");
  await settle();
  expect(screen.text()).toContain("Letters, digits and hyphens");
  expect(server.of(addDrawers)).toEqual([]);
  await fieldOf(screen, "Put up drawers").setValue("A1 to A3");
  await screen.get("form").trigger("submit");
  await settle();
  expect(server.of(addDrawers)[0]?.body).toEqual({ codes: ["A1", "A2", "A3"] });
});
