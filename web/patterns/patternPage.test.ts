// @vitest-environment happy-dom
import { beforeEach, describe, expect, test } from "vitest";
import { materialPrices } from "@kasten/contract/materials";
import { patternVersions } from "@kasten/contract/patterns";
import type { Role } from "@kasten/contract/permissions";
import { mountIn, settle } from "../testing/room";
import * as things from "../testing/things";
import PatternPage from "./PatternPage.vue";

beforeEach(() => localStorage.clear());
const open = async (of: Parameters<typeof things.entry>[0] = {}, role: Role = "owner") => {
  const server = things
    .server({ role }, { patterns: [things.entry(of)] })
    .answer(materialPrices, { prices: [] })
    .answer(patternVersions, { versions: [] });
  const mounted = await mountIn(server, PatternPage, { id: "yard-nymph" }, "/patterns/yard-nymph");
  await settle();
  return { server, ...mounted };
};
type Screen = Awaited<ReturnType<typeof open>>["screen"];
const sizes = (screen: Screen) => screen.findAll("[role=group][aria-label='Size'] button");
const section = (screen: Screen, name: string): string =>
  screen
    .findAll("section")
    .find((s) => s.find("h2").exists() && s.get("h2").text() === name)
    ?.text() ?? "";

describe("the page of a pattern", () => {
  test("shows the fly at its size: what a dozen takes, its lengths and its steps", async () => {
    const { screen } = await open();
    expect(screen.get("h1").text()).toContain("Yard Nymph");
    expect(screen.find("svg[role=img]").exists()).toBe(true);
    expect(section(screen, "Materials for a dozen")).toMatch(/\d/);
    expect(section(screen, "Steps")).toContain("whip finish");
  });

  test("another size changes its lengths, and the button says which is shown", async () => {
    const { screen } = await open();
    const before = section(screen, "Materials for a dozen");
    const other = sizes(screen).find((b) => b.attributes("aria-pressed") === "false");
    await other?.trigger("click");
    await settle();
    expect(
      sizes(screen)
        .filter((b) => b.attributes("aria-pressed") === "true")
        .map((b) => b.text()),
    ).toEqual([other?.text()]);
    expect(section(screen, "Materials for a dozen")).not.toBe(before);
  });

  test("can be seen beside another choice, and alone again", async () => {
    const { screen } = await open();
    const button = (label: string) => screen.findAll("button").find((b) => b.text() === label);
    expect(screen.findAll("svg[role=img]")).toHaveLength(1);
    await button("Beside another")?.trigger("click");
    await settle();
    expect(screen.findAll("svg[role=img]")).toHaveLength(2);
    await button("Only one")?.trigger("click");
    await settle();
    expect(screen.findAll("svg[role=img]")).toHaveLength(1);
  });

  test("is completed by whoever may write patterns, and says what it lacks", async () => {
    const { screen } = await open({ missing: ["the hook"] });
    expect(screen.text()).toMatch(/Kept, but held from costing and from the bench\. It lacks:\s*the hook/);
    expect(screen.get("a[href='/patterns/yard-nymph/edit']").text()).toBe("Complete it");
    screen.unmount();
    const shop = await open({}, "shop");
    expect(shop.screen.find("a[href='/patterns/yard-nymph/edit']").exists()).toBe(false);
  });
});
