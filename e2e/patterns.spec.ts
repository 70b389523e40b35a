import { readFileSync } from "node:fs";
import { join } from "node:path";
import type { Page } from "@playwright/test";
import { choose, enterAs, expect, recipeText, settled, test } from "./room";

const demo = (id: string) =>
  JSON.parse(readFileSync(join(import.meta.dirname, `../demo/patterns/${id}.json`), "utf8")) as {
    id: string;
    name: string;
    recipe: { hookModel: string };
  };
const drawing = (page: Page) => page.getByTestId("drawing").locator("svg");
test("a new pattern is written as it is said, drawn as it is typed, kept, changed and compared", async ({ page }) => {
  await enterAs(page, "Maren Holt");
  await page.goto("/patterns/new");
  await page.getByLabel("Name", { exact: true }).fill("Mooring Bug");
  await page.getByLabel("Style", { exact: true }).fill("palmered dry");
  await choose(page, "Hook", /^D1 /);
  await page.getByLabel("From size").fill("12");
  await page.getByLabel("To size").fill("16");
  await page.getByLabel("Minutes a fly").fill("6");
  const told = recipeText(page);
  const question = page.getByRole("group", { name: "Question" });
  await told.write(["thread base: thread 70 denier brown, touching"]);
  await expect(drawing(page)).toBeVisible();
  await told.write([
    "thread base: thread 70 denier brown, touching",
    "tail: hackle fibres brown, 8 fibres, = shank",
    "body: hare fur natural, noodle 40 mm sparse",
    "hackle: stiff dry hackle brown, 5 turns, barbs 1.2 to 1.7 gape, from 1.2 eyes to 0.4 shank",
    "whip finish, 5 turns",
  ]);
  await expect(page.getByText("Every line is understood.")).toBeVisible();

  await test.step("the drawing and the quantities move with the words", async () => {
    const before = await drawing(page).innerHTML();
    await told.setLine(2, "tail: hackle fibres brown, 16 fibres, = 1.5 shank");
    await expect.poll(async () => (await drawing(page).innerHTML()) !== before).toBe(true);
    await expect(page.getByRole("definition").filter({ hasText: /16 fibres a fly/ })).toBeVisible();
  });

  await test.step("what is not understood stays as typed and is asked about", async () => {
    await told.setLine(2, "tail: a few hackle fibres brown, = shank");
    await expect(question.getByText(/“a few” is a different number to each tier/)).toBeVisible();
    await expect(told.line(2)).toHaveText("tail: a few hackle fibres brown, = shank");
    await expect(drawing(page)).toBeVisible();
    await told.setLine(2, "tail: hackle fibres brown, 8 fibres, = shank");
    await expect(page.getByText(/different number to each tier/)).toHaveCount(0);
  });

  await test.step("a mistake is told at its step, and the rest of the fly stays", async () => {
    await told.setLine(3, "body: hare fur natural, noodle 40 mm sparse, from 1 eye in front of the eye to bend");
    await expect(question.getByText(/winds over the eye/)).toBeVisible();
    await expect(drawing(page)).toBeVisible();
    await told.setLine(3, "body: hare fur natural, noodle 40 mm sparse");
    await told.setLine(2, "tail: hackle fibres brown, 8 fibres, = 0.5 mm, tied in at bend with 6 wraps");
    await expect(page.getByText(/less than the 0\.9 mm of its own tie-in/).first()).toBeVisible();
    await told.setLine(2, "tail: hackle fibres brown, 8 fibres, = shank");
    await expect(page.getByText("Every line is understood.")).toBeVisible();
  });

  await test.step("lines move by keys; a wrong order is told", async () => {
    await told.line(5).click();
    await page.keyboard.press("Alt+ArrowUp");
    await expect(page.getByText(/goes first, as nothing is tied after the last knot/).first()).toBeVisible();
    await page.keyboard.press("Alt+ArrowDown");
    await expect(page.getByText(/nothing is tied after the last knot/)).toHaveCount(0);
  });

  await test.step("typed words outlast a reload", async () => {
    const kept = () => page.evaluate("JSON.stringify(localStorage)");
    await expect.poll(kept).toContain("noodle 40 mm sparse");
    await expect.poll(kept).not.toContain("tied in at bend with 6 wraps");
    await page.reload();
    await expect(told.line(3)).toHaveText("body: hare fur natural, noodle 40 mm sparse");
  });

  await page.getByText("Colours, weights, finish and the rest").click();
  await choose(page, "Finish", "none, on purpose");
  await expect(page.getByText("Not complete")).toHaveCount(0);
  await page.getByRole("button", { name: "Save the pattern" }).click();
  await expect(page).toHaveURL(/\/patterns\/mooring-bug$/);
  await expect(page.getByRole("heading", { name: /Mooring Bug/ })).toBeVisible();

  await test.step("a second version, and what differs", async () => {
    await page.getByRole("link", { name: "Edit" }).click();
    await expect(page.getByRole("button", { name: "Save as a new version" })).toBeDisabled();
    await told.setLine(2, "tail: hackle fibres brown, 12 fibres, = shank");
    await page.getByLabel("What this version changes").fill("a fuller tail");
    await page.getByRole("button", { name: "Save as a new version" }).click();
    await expect(page.getByText("a fuller tail")).toBeVisible();
    const row = page.getByRole("row", { name: /step “tail”/ });
    await expect(row.getByRole("cell").nth(1)).toContainText("8 fibres");
    await expect(row.getByRole("cell").nth(2)).toContainText("12 fibres");
  });

  await test.step("the book finds it by a material", async () => {
    await page.goto("/patterns");
    await page.getByRole("searchbox").fill("mooring hare");
    await expect(page.getByRole("list", { name: "Patterns" }).getByRole("link")).toHaveCount(1);
    await expect(page.getByRole("img", { name: /Mooring Bug, size 12/ })).toBeVisible();
  });
});

test("the book is narrowed by size, drawer and person", async ({ page }) => {
  await enterAs(page, "Maren Holt");
  await page.goto("/patterns");
  const found = page.getByRole("list", { name: "Patterns" }).getByRole("link");
  await expect(found.first()).toBeVisible();
  await choose(page, "Hook size", "2");
  await expect(found).toHaveCount(1);
  await expect(found.first()).toContainText("Wharf Lantern");
  await page.getByRole("button", { name: "Show all" }).click();
  await choose(page, "From drawer", "C21");
  await expect(found.first()).toContainText("from C21");
  await expect(found.filter({ hasText: "Net Loft" })).toHaveCount(0);
});

test("two sizes stand side by side, another bead and another way say what they change", async ({ page }) => {
  await enterAs(page, "Maren Holt");
  await page.goto("/patterns/copper-lodger?size=14");
  // What comes later moves what is there: a button may go from under the pointer between down and up.
  await settled(page);
  await page.getByRole("button", { name: "Beside another" }).click();
  await expect(page.getByRole("img", { name: /side view to scale/ })).toHaveCount(2);
  await expect(page.getByRole("region", { name: "What differs" })).toContainText("thread: saves");
  await choose(page, /In place of tungsten bead/, /brass bead 2.8/);
  await expect(page.getByText(/^Add \d+ turns?\.$/)).toBeVisible();
  await page.goto("/patterns/quay-sparrow?size=12");
  await expect(page.getByRole("row", { name: /Is the bundle carried on/ })).toContainText(
    /takes \d+ pheasant tail feather more/,
  );
  await page.getByRole("button", { name: /Take: cut, and tie a new bundle in/ }).click();
  await expect(page.getByRole("row", { name: /Is the bundle carried on/ })).toContainText(
    /fold the ends back and wind them: saves \d+ pheasant tail feather/,
  );
});

test("a file that is not right is refused with every wrong path, and nothing of it is taken in", async ({ page }) => {
  await enterAs(page, "Maren Holt");
  await page.goto("/patterns");
  const send = (content: unknown) =>
    page.getByLabel("Take in a file").setInputFiles({
      name: "patterns.json",
      mimeType: "application/json",
      buffer: Buffer.from(typeof content === "string" ? content : JSON.stringify(content)),
    });
  const good = demo("net-loft");
  await send({
    format: "kasten-patterns",
    version: 1,
    patterns: [
      { ...good, id: "fresh", name: "Fresh", colour: "red" },
      { ...good, id: "Not An Id" },
    ],
  });
  const alert = page.getByRole("alert");
  await expect(alert).toContainText("patterns.0");
  await expect(alert).toContainText("patterns.1.id");
  await send("{ not json");
  await expect(alert).toContainText("the file");
  await send({
    format: "kasten-patterns",
    version: 1,
    patterns: [{ ...good, id: "fresh", name: "Fresh", recipe: { ...good.recipe, hookModel: "ZZ" } }],
  });
  await expect(page.getByText(/No hook model “ZZ” is here/)).toBeVisible();
  await send({ format: "kasten-patterns", version: 1, patterns: [{ ...good, id: "fresh", name: "Fresh One" }] });
  await expect(page.getByRole("status").filter({ hasText: "1 new: Fresh One" })).toBeVisible();
});

test("measuring a hook tells what it would change, and what it changed", async ({ page }) => {
  await enterAs(page, "Maren Holt");
  await page.goto("/hooks");
  await page.getByRole("navigation", { name: "Hook models" }).getByRole("button", { name: /W1/ }).click();
  await page.getByRole("button", { name: "Measure it" }).click();
  const guide = page.getByRole("region", { name: /Measure Yard Wet/ });
  await guide.getByLabel(/Shank of size 12/).fill("80");
  await expect(guide.getByText(/much more than the nominal/)).toBeVisible();
  await guide.getByLabel(/Shank of size 12/).fill("10.1");
  await expect(guide.getByText(/much more than the nominal/)).toHaveCount(0);
  await expect(guide.getByText(/thread .* →/).first()).toBeVisible();
  await guide.getByRole("button", { name: "Keep this size" }).click();
  await expect(page.getByText("What that changed in the running batches")).toBeVisible();
  await expect(page.getByRole("row", { name: /^12 10\.10/ })).toBeVisible();
  await page.getByRole("button", { name: "Take back what was measured at size 12" }).click();
  await expect(page.getByRole("row", { name: /^12 10\.10/ })).toHaveCount(0);
});

test("every batch has a bench card of one page, on A4 and on Letter", async ({ page }) => {
  await enterAs(page, "Maren Holt");
  const { batches } = (await (await page.request.get("/api/batches")).json()) as {
    batches: { id: string; pattern: string; size: string }[];
  };
  const one = new Map(batches.map((b) => [b.pattern, b]));
  expect(one.size).toBeGreaterThan(8);
  for (const b of one.values()) {
    await page.goto(`/batches/${b.id}/card`);
    await expect(page.locator(".bench-card svg")).toBeVisible();
    for (const format of ["A4", "Letter"]) {
      const pdf = (await page.pdf({ format, printBackground: true })).toString("latin1");
      expect(pdf.match(/\/Type\s*\/Page[^s]/g), `${b.pattern} ${b.size} on ${format}`).toHaveLength(1);
    }
  }
  await page.emulateMedia({ media: "print" });
  const shown = page.locator(".bench-card");
  for (const part of ["Steps", "Against the ruler", "Cut and count", "Beside the master fly"])
    await expect(shown.getByRole("heading", { name: part })).toBeVisible();
  await expect(page.getByRole("navigation", { name: "Along the bench" })).toBeHidden();
});

test("a whole recipe is pasted as somebody wrote it: read line by line, asked where it is loose, saved with its words", async ({
  page,
}) => {
  await enterAs(page, "Maren Holt");
  await page.goto("/patterns/new");
  const told = recipeText(page);
  await told.write([
    "Pier Warden",
    "Hook: N1 10 to 14",
    "Thread: olive 70 denier",
    "Tail: 6 pheasant tail fibres, half the shank long",
    "Rib: fine copper wire, 5 turns",
    "Body: natural hare fur, dubbed in a tight noodle 45 mm long, from the bend to 3/4 of the shank",
    "Hackle: a few turns of soft hen hackle, brown",
    "[turn the fly and look for gaps]",
    "Whip finish, 5 turns",
    "Finish: none, on purpose",
  ]);
  await expect(page.getByLabel("Name", { exact: true })).toHaveValue("Pier Warden");
  await expect(page.getByLabel("Hook", { exact: true })).toHaveText(/^N1 /);
  await expect(page.getByLabel("From size")).toHaveValue("10");
  const question = page.getByRole("group", { name: "Question" });
  await expect(question.getByText(/“a few” is a different number to each tier/)).toBeVisible();
  await expect(page.getByTestId("understood")).toContainText(/\d+ questions? (is|are) open/);
  await question.filter({ hasText: "a few" }).getByRole("button", { name: /^3\b/ }).click();
  await expect(told.line(7)).toHaveText("Hackle: a few turns (3) of soft hen hackle, brown");
  await expect(drawing(page)).toBeVisible();
  await page.getByLabel("Style", { exact: true }).fill("wet");
  await page.getByLabel("Minutes a fly").fill("5");
  await page.getByRole("button", { name: "Save the pattern" }).click();
  await expect(page).toHaveURL(/\/patterns\/pier-warden$/);
  await page.getByRole("link", { name: "Edit" }).click();
  await expect(told.line(4)).toHaveText("Tail: 6 pheasant tail fibres, half the shank long");
  await expect(told.line(8)).toHaveText("[turn the fly and look for gaps]");
});
