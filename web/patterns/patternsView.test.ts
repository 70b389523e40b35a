// @vitest-environment happy-dom
import { beforeEach, expect, test, vi } from "vitest";
import { exportPatterns, importPatterns } from "@kasten/contract/patterns";
import { listStock } from "@kasten/contract/stock";
import { listPeople } from "@kasten/contract/team";
import type { Role } from "@kasten/contract/permissions";
import { choose, fieldOf, mountIn, refused, settle } from "../testing/room";
import * as things from "../testing/things";
import BookEntry from "./BookEntry.vue";
import PatternsView from "./PatternsView.vue";

beforeEach(() => localStorage.clear());
const patterns = [
  things.entry(),
  things.entry({ id: "harbour-dry", name: "Harbour Dry", style: "dry", sizes: { from: "14", to: "18" }, skills: [] }),
  things.entry({
    id: "half-told",
    name: "Half Told",
    missing: ["the hook"],
    materials: [],
    sizes: { from: "", to: "" },
  }),
];
const open = async (of: typeof patterns, role: Role = "owner") => {
  const server = things
    .server({ role }, { patterns: of })
    .answer(listStock, { items: [], waiting: [], fliesOnShelf: [] })
    .answer(listPeople, { people: [things.person()] });
  return { server, ...(await mountIn(server, PatternsView, {}, "/patterns")) };
};
const title = (screen: Awaited<ReturnType<typeof open>>["screen"]) => screen.get("h1").text().replace(/\s+/g, " ");

test("the book says how many it holds, and how many of them fit what is asked", async () => {
  const { screen } = await open(patterns);
  expect(title(screen)).toBe("Patterns 3");
  expect(screen.text()).toContain("All as a file");
  await fieldOf(screen, "Name, style, fish, colour or material").setValue("harbour");
  await settle();
  expect(title(screen)).toBe("Patterns 1 of 3");
  // What is given out is what is in sight.
  expect(screen.text()).toContain("These as a file");
  await screen
    .findAll("button")
    .find((b) => b.text() === "Show all")
    ?.trigger("click");
  await settle();
  expect(title(screen)).toBe("Patterns 3");
});

test("a style narrows it, and nothing that fits is told apart from an empty book", async () => {
  const { screen } = await open(patterns);
  await choose(screen, "Style", "dry");
  expect(title(screen)).toBe("Patterns 1 of 3");
  await fieldOf(screen, "Name, style, fish, colour or material").setValue("nothing like it");
  await settle();
  expect(screen.text()).toContain("No pattern fits all of that. Take a filter away.");
  screen.unmount();
  const empty = await open([]);
  expect(empty.screen.text()).toContain("The book is empty.");
  const give = empty.screen.findAll<HTMLButtonElement>("button").find((b) => b.text() === "All as a file");
  expect(give?.element.disabled).toBe(true);
});

test("only whoever writes patterns finds the way to a new one, and may take in a file", async () => {
  const { screen } = await open(patterns, "shop");
  expect(screen.text()).not.toContain("New pattern");
  expect(screen.find("input[type=file]").exists()).toBe(false);
});

test("a file that is not right takes in nothing, and each place is named", async () => {
  const { server, screen } = await open(patterns);
  const input = screen.get<HTMLInputElement>("input[type=file]");
  const file = new File(["{ this is no JSON"], "book.json", { type: "application/json" });
  Object.defineProperty(input.element, "files", { value: [file], configurable: true });
  await input.trigger("change");
  await settle();
  expect(screen.get("[role=alert]").text()).toMatch(
    /Nothing was taken in. The file is not right in 1 place:.*the file/s,
  );
  expect(server.of(importPatterns)).toEqual([]);
  expect(screen.find("[role=status]").exists()).toBe(false);
});

test("a book that cannot be given out says why, and makes no file", async () => {
  const { server, screen } = await open(patterns);
  const made = vi.spyOn(URL, "createObjectURL");
  const detail = "One of the patterns was put away. Load the page again.";
  server.answer(exportPatterns, () => refused({ type: "not-found", title: "It is not there", status: 404, detail }));
  await screen
    .findAll("button")
    .find((b) => b.text() === "All as a file")
    ?.trigger("click");
  await settle();
  expect(server.of(exportPatterns)[0]?.query).toEqual({ of: "yard-nymph,harbour-dry,half-told" });
  expect(screen.get("[role=alert]").text()).toContain(detail);
  expect(made).not.toHaveBeenCalled();
});

test("an entry shows its fly with what it takes and costs, or why it is not complete", async () => {
  const whole = await mountIn(things.server(), BookEntry, {
    entry: patterns[0],
    size: "12",
    drawer: "",
    fromDrawer: 0,
  });
  const words = whole.screen.text().replace(/\s+/g, " ");
  expect(whole.screen.get("a").attributes("href")).toBe("/patterns/yard-nymph?size=12");
  expect(words).toMatch(/Yard Nymph.*min.*a dozen/);
  whole.screen.unmount();
  const half = await mountIn(things.server(), BookEntry, { entry: patterns[2], size: "", drawer: "C4", fromDrawer: 0 });
  expect(half.screen.text()).toContain("Not complete: the hook");
  expect(half.screen.text()).toContain("incomplete");
  // No price of what cannot be reckoned.
  expect(half.screen.text()).not.toContain("a dozen");
  expect(half.screen.get("a").attributes("href")).toBe("/patterns/half-told");
});
