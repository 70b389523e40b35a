// @vitest-environment happy-dom
import { beforeEach, expect, test } from "vitest";
import { readBatch } from "@kasten/contract/batches";
import { readRecipes } from "@kasten/contract/patterns";
import { recipe } from "@kasten/core/testing";
import type { Person } from "@kasten/contract/team";
import { mountIn, soon } from "../testing/room";
import * as things from "../testing/things";
import BenchCard from "./BenchCard.vue";

beforeEach(() => localStorage.clear());
type Recipe = ReturnType<typeof recipe>;
const open = async (
  of: Parameters<typeof things.batch>[0] = {},
  change: (r: Recipe) => void = () => undefined,
  who: Partial<Person> = {},
  has: Parameters<typeof things.server>[1] = {},
) => {
  const written = recipe();
  change(written);
  const server = things
    .server(who, has)
    .answer(readBatch, things.batch(of))
    .answer(readRecipes, { recipes: [{ id: "yard-nymph", version: 1, current: true, recipe: written }] });
  const { screen } = await mountIn(server, BenchCard, { id: things.id(40) });
  const text = (at: string): string => screen.get(at).text().replace(/\s+/g, " ");
  return { screen, text };
};

test("one page says what is tied, how many, in which steps, by which lengths", async () => {
  const { screen, text } = await open();
  expect(text("header")).toMatch(/Yard Nymph 12 .*olive.*Batch 40, version 1, fly by fly, due .*18/);
  expect(text("header")).toMatch(/2 ?dz owed ?26 to start/);
  const steps = screen.findAll(".steps li");
  expect(steps).toHaveLength(recipe().steps.length);
  expect(steps.map((s) => s.get(".no").text())).toEqual(recipe().steps.map((_, i) => String(i + 1)));
  // In millimetres of the size in hand.
  expect(text(".steps")).toMatch(/\d+(?:\.\d+)? ?mm/);
  expect(text(".pairs.figures")).toMatch(/mm/);
  expect(screen.find("figure svg").exists()).toBe(true);
});

test("a caution stands at the step that it is for, before the footer says the rest", async () => {
  const materials = things.room().materials.map((m) => (m.form === "wire" ? { ...m, lead: true } : m));
  const { screen, text } = await open({}, undefined, {}, { materials });
  const cautions = screen.findAll(".steps .caution").map((c) => c.text());
  expect(cautions.length).toBeGreaterThan(0);
  expect(cautions.join(" ")).toMatch(/lead/i);
  expect(text("footer")).toContain("Local law, makers’ data sheets and professional advice go before this card.");
});

test("what is cut or counted beforehand is listed, what is poured is not", async () => {
  const { text } = await open({
    requirements: [
      things.requirement(),
      things.requirement({ key: "wire", materialName: "copper wire", unit: "um", words: "26 lengths of 80 mm" }),
      things.requirement({ key: "fur", materialName: "olive fur", unit: "ug", words: "1.2 g" }),
    ],
  });
  const listed = text("section + section, .pairs:not(.figures)");
  expect(listed).toContain("26 hooks");
  expect(listed).toContain("26 lengths of 80 mm");
  expect(listed).not.toContain("olive fur");
});

test("wishes of each customer, exceptions by name, and what must not be, stand on it", async () => {
  const claim = things.batch().claims[0];
  if (!claim) throw new Error("the batch has no claim");
  const { screen } = await open(
    { claims: [{ ...claim, wishes: "thin heads, please" }] },
    (r) => (r.avoid = ["no red thread"]),
  );
  const words = screen.text();
  expect(words).toContain("thin heads, please");
  expect(words).toContain("Mill Shop");
  expect(words).toMatch(/Not to be:\s*no red thread/);
});

test("a fly that cannot be computed says so, and keeps what else is known", async () => {
  const { screen, text } = await open({ size: "32" });
  expect(screen.get(".callout").text().length).toBeGreaterThan(10);
  expect(screen.find(".steps").exists()).toBe(false);
  expect(text("header")).toContain("Batch 40");
});

test("for whoever ties left-handed the winding is told from their side", async () => {
  const right = await open();
  const [asRight] = [right.text(".steps")];
  right.screen.unmount();
  const left = await open({}, undefined, { handed: "left" });
  expect(left.text(".steps")).not.toBe(asRight);
});

test("what was typed stands at its step, once where one line tells several", async () => {
  const { screen } = await open({}, (r) => {
    r.steps.forEach((s, i) => {
      if (i === 1 || i === 2) s.stated = "Tie it in with three loose wraps, then five tight ones";
    });
  });
  expect(screen.findAll(".steps .stated").map((s) => s.text())).toEqual([
    "“Tie it in with three loose wraps, then five tight ones”",
  ]);
});

test("a hook that is otherwise than the recipe says is told of", async () => {
  const { text } = await open({}, (r) => {
    r.hookWanted = { shank: { from: 4, to: 4 } };
  });
  await soon(() => expect(text("[role=note]")).toMatch(/^Of the hook is said: 4X long\. .* has: /));
});
