// @vitest-environment happy-dom
import { afterEach, beforeEach, describe, expect, test, vi } from "vitest";
import { waiting } from "@kasten/contract/book";
import { signOut } from "@kasten/contract/team";
import { nextTick } from "vue";
import { connection } from "../http";
import { tellKeys } from "../parts/keySheet";
import { money } from "../parts/format";
import { units } from "../parts/units";
import { useWorking } from "../parts/working";
import { mountIn, settle } from "../testing/room";
import * as things from "../testing/things";
import KeyHelp from "./KeyHelp.vue";
import NotHere from "./NotHere.vue";
import RoomFrame from "./RoomFrame.vue";
import WorkingPanel from "./WorkingPanel.vue";
import { drawers, stations } from "./stations";
import { themeChoice } from "./theme";

/** The stream of news from the server: there, and silent. */
class SilentSource extends EventTarget {
  static readonly CLOSED = 2;
  readyState = 1;
  close(): void {
    this.readyState = SilentSource.CLOSED;
  }
}

beforeEach(() => {
  localStorage.clear();
  connection.away = null;
  themeChoice.value = "light";
  vi.stubGlobal("EventSource", SilentSource);
});
// Who signs out leaves the page, and with it this: here the page stays.
afterEach(() => {
  connection.leaving = false;
});
const counts = { orders: 26, batches: 32, materials: 1, plan: 35, bench: 2, box: 12 };
const open = async (at = "/batches/7", has: Parameters<typeof things.room>[0] = {}) => {
  const server = things.server({}, has).answer(waiting, counts).answer(signOut, { ok: true });
  return { server, ...(await mountIn(server, RoomFrame, {}, at)) };
};
const key = (what: string, more: KeyboardEventInit = {}): void =>
  void window.dispatchEvent(new KeyboardEvent("keydown", { key: what, bubbles: true, ...more }));

describe("the frame of the room", () => {
  test("has the stations in the order of the work, each with what waits there, and says where one is", async () => {
    const { screen } = await open();
    const along = screen.findAll("nav[aria-label='Along the bench'] a");
    expect(along.map((a) => a.text().replace(/waiting:\s*/, " "))).toEqual(
      ["Orders 26", "Batches 32", "Materials 1", "Plan 35", "Bench 2", "Box 12"].map((s) =>
        expect.stringMatching(s.replace(" ", "\\s*")),
      ),
    );
    const here = screen.findAll("[aria-current=page]").map((a) => a.attributes("href"));
    expect(here).toEqual(["/batches"]);
    expect(screen.findAll("nav[aria-label='Into the cabinet'] a").map((a) => a.text())).toEqual(
      drawers.map((d) => d.label),
    );
  });

  test.each(stations.map((s) => [s.key, s.path]))("Alt and %s go to %s", async (which, path) => {
    const { router } = await open("/people");
    key(which, { altKey: true });
    await settle();
    expect(router.currentRoute.value.path).toBe(path);
  });

  test("a figure that is typed goes nowhere", async () => {
    const { router } = await open("/people");
    key("3");
    key("3", { altKey: true, ctrlKey: true });
    await settle();
    expect(router.currentRoute.value.path).toBe("/people");
  });

  test("says which of both is away, and that nothing is lost", async () => {
    const { screen } = await open();
    expect(screen.text()).not.toContain("is away");
    connection.away = "server";
    await nextTick();
    expect(screen.get("[role=status]").text()).toContain("The server is away. Everything typed and tallied is kept");
  });

  test("shows lengths and money as the room has set them, and lets a person change the lengths", async () => {
    const settings = { ...things.room().settings, units: "in" as const, currency: "kr" };
    const { screen } = await open("/orders", { settings });
    expect(units.value).toBe("in");
    expect(money(1250)).toBe("12.50 kr");
    await screen.get("[aria-label='Change to millimetres']").trigger("click");
    expect(units.value).toBe("mm");
  });

  test("is light or dark as somebody chose", async () => {
    const { screen } = await open();
    await screen.get("[aria-label='Change to dark']").trigger("click");
    expect(themeChoice.value).toBe("dark");
    expect(screen.find("[aria-label='Change to light']").exists()).toBe(true);
  });

  test("lets a person go", async () => {
    const { server, screen } = await open();
    await screen.get("[aria-label='Sign out']").trigger("click");
    await settle();
    expect(server.of(signOut)).toHaveLength(1);
  });
});

describe("the keys of a screen", () => {
  const told = { setup: () => (tellKeys([{ keys: ["J", "K"], does: "next and last" }]), () => null) };

  test("are told by whoever hears them, each once, and opened by a question mark", async () => {
    const both = { components: { told, KeyHelp }, template: "<div><told /><told /><KeyHelp /></div>" };
    await mountIn(things.server(), both);
    expect(document.body.textContent).not.toContain("next and last");
    key("?");
    await settle();
    const dialog = document.querySelector("[role=dialog]");
    expect(dialog?.textContent?.match(/next and last/g)).toHaveLength(1);
    expect([...(dialog?.querySelectorAll("kbd") ?? [])].map((k) => k.textContent)).toEqual(["J", "K"]);
    key("?");
    await settle();
    expect(document.querySelector("[role=dialog]")).toBeNull();
  });

  test("stay shut where a question mark is typed into a field", async () => {
    const field = { components: { KeyHelp }, template: "<div><input /><KeyHelp /></div>" };
    const { screen } = await mountIn(things.server(), field);
    screen.get("input").element.dispatchEvent(new KeyboardEvent("keydown", { key: "?", bubbles: true }));
    await settle();
    expect(document.querySelector("[role=dialog]")).toBeNull();
  });
});

describe("the working of a number", () => {
  test("is shown with its terms and where each came from, and is left again", async () => {
    await mountIn(things.server(), WorkingPanel);
    const panel = useWorking();
    panel.show({
      title: "flies to start",
      words: "26 flies",
      working: {
        formula: "Starts",
        written: "the smallest n that suffices",
        inputs: [{ name: "owed", value: 24, unit: "flies", source: { from: "computed" } }],
        through: [],
        result: { name: "to start", value: 26, unit: "flies" },
      },
    });
    await settle();
    const dialog = document.querySelector("[role=dialog]");
    expect(dialog?.textContent).toContain("The working: flies to start");
    expect(dialog?.textContent).toContain("owed");
    document.querySelector<HTMLElement>("[aria-label='Close the working']")?.click();
    await settle();
    expect(panel.working).toBeNull();
  });
});

test("an address where nothing is says what may have become of it, and where to go", async () => {
  const { screen } = await mountIn(things.server(), NotHere);
  expect(screen.get("h1").text()).toBe("There is nothing at this address");
  expect(screen.get("a").attributes("href")).toBe("/orders");
});
