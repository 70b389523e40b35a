import { readFileSync } from "node:fs";
import { join } from "node:path";
import { afterAll, beforeAll, describe, expect, test } from "vitest";
import { donePrep, editBatch, listBatches, readBatch, reserveBatch } from "@kasten/contract/batches";
import { forgetHookSize, hookEffect, measureHook, saveHook } from "@kasten/contract/hooks";
import {
  exportPatterns,
  importPatterns,
  patternVersions,
  readRecipes,
  savePattern,
  type PatternBook,
  type PatternFile,
} from "@kasten/contract/patterns";
import { catalogue } from "@kasten/contract/catalogue";
import { saveMaterial } from "@kasten/contract/materials";
import { addOrder } from "@kasten/contract/orders";
import { listStock, readStock } from "@kasten/contract/stock";
import { demoFolder } from "./testing/demo";
import { openTestRoom, type Client, type TestRoom } from "./testing/app";

let room: TestRoom;
let owner: Client;
let shop: Client;
let tier: Client;
beforeAll(async () => {
  room = await openTestRoom();
  [owner, shop, tier] = await Promise.all([room.signedIn("owner"), room.signedIn("shop"), room.signedIn("tier")]);
});
afterAll(() => room.stop());

const file = (id: string): PatternFile =>
  JSON.parse(readFileSync(join(demoFolder, "patterns", `${id}.json`), "utf8")) as PatternFile;
const book = (...patterns: PatternFile[]): PatternBook => ({ format: "kasten-patterns", version: 1, patterns });
/** As it stands on the server now, to be changed and saved again. */
async function current(id: string): Promise<{ version: number; pattern: PatternFile }> {
  const { recipes } = await owner.ok(readRecipes, { query: { of: id as never } });
  const entry = (await owner.ok(catalogue)).patterns.find((p) => p.id === id);
  const recipe = recipes[0];
  if (!recipe || !entry) throw new Error(`no ${id}`);
  return {
    version: recipe.version,
    pattern: {
      id,
      name: entry.name,
      style: entry.style,
      origin: entry.origin,
      species: entry.species,
      recipe: recipe.recipe,
    },
  };
}
const count = async () => (await owner.ok(catalogue)).patterns.length;

describe("versions", () => {
  test("a pattern in use is not changed under a running batch; the batch can be bound to the new version", async () => {
    const batch = (await owner.ok(listBatches, { query: { limit: 200 } })).batches.find(
      (b) => b.pattern === "slate-wisp" && b.state === "planned",
    );
    const id = batch?.id ?? "";
    const floss = async () =>
      (await owner.ok(readBatch, { params: { id } })).requirements.find((r) => r.component === "body")?.perFly;
    const before = await floss();
    const { version, pattern } = await current("slate-wisp");
    const body = pattern.recipe.steps.find((s) => s.id === "body");
    if (body?.do !== "wind") throw new Error("the body is wound");
    body.passes = 3;
    expect(
      await tier.ok(savePattern, {
        params: { id: "slate-wisp" },
        body: { base: version, note: "a fuller body", pattern },
      }),
    ).toEqual({ version: version + 1, missing: [] });
    expect(await floss()).toBe(before);
    const detail = await owner.ok(readBatch, { params: { id } });
    expect([detail.patternVersion, detail.newestVersion]).toEqual([version, version + 1]);
    const versions = (await owner.ok(patternVersions, { params: { id: "slate-wisp" } })).versions;
    expect(versions.map((v) => [v.version, v.note, v.batches.includes(detail.number)])).toEqual([
      [version + 1, "a fuller body", false],
      [version, "", true],
    ]);
    await owner.ok(editBatch, { params: { id }, body: { version: detail.version, renew: true } });
    expect(await floss()).toBeGreaterThan((before ?? 0) * 1.8);
  });

  test("both versions can be read", async () => {
    const { recipes } = await owner.ok(readRecipes, { query: { of: "slate-wisp@1,slate-wisp,nobody" as never } });
    expect(recipes.map((r) => [r.version, r.current])).toEqual([
      [1, false],
      [2, true],
    ]);
  });

  test("of two who write at once the second is told what the first changed, and loses nothing", async () => {
    const { version, pattern } = await current("tar-pupa");
    const mine = structuredClone(pattern);
    pattern.recipe.minutesPerFly = 3.4;
    mine.recipe.pricePerDozenCents = 2600;
    await owner.ok(savePattern, { params: { id: "tar-pupa" }, body: { base: version, note: "", pattern } });
    const late = await tier.refused(savePattern, {
      params: { id: "tar-pupa" },
      body: { base: version, note: "", pattern: mine },
    });
    expect(late).toMatchObject({
      status: 409,
      type: "changed-meanwhile",
      version: version + 1,
      changes: [{ field: "minutes a fly", yours: "3.1", theirs: "3.4" }],
    });
    expect(
      (await tier.ok(savePattern, { params: { id: "tar-pupa" }, body: { base: version + 1, note: "", pattern: mine } }))
        .version,
    ).toBe(version + 2);
  });

  test("what open orders wait for cannot be taken away", async () => {
    const { version, pattern } = await current("mole-pier");
    pattern.recipe.variants = pattern.recipe.variants.slice(0, 1);
    const out = await owner.refused(savePattern, {
      params: { id: "mole-pier" },
      body: { base: version, note: "", pattern },
    });
    expect(out.detail).toMatch(/^Order [\d, ]+ waits for this pattern in black/);
  });

  test("an incomplete pattern is kept, and says what it lacks", async () => {
    const { pattern } = await current("old-pilot");
    const copy = { ...pattern, id: "old-pilot-2", name: "Old Pilot the Second" };
    const saved = await tier.ok(savePattern, { params: { id: copy.id }, body: { base: 0, note: "", pattern: copy } });
    expect(saved.missing.join()).toMatch(/hook is not named.*size: the letter says/s);
    expect(
      (await tier.refused(savePattern, { params: { id: copy.id }, body: { base: 0, note: "", pattern: copy } })).type,
    ).toBe("taken");
  });

  test("a size that cannot be read is refused by its path", async () => {
    const { version, pattern } = await current("net-loft");
    pattern.recipe.sizes = { from: "big", to: "14" };
    const out = await owner.refused(savePattern, {
      params: { id: "net-loft" },
      body: { base: version, note: "", pattern },
    });
    expect(out.errors).toEqual([
      { path: "pattern.recipe.sizes.from", detail: expect.stringContaining("“big” is not a hook size") as string },
    ]);
  });

  test("the shop writes orders, not patterns", async () => {
    const { version, pattern } = await current("net-loft");
    expect(
      await shop.send(savePattern, { params: { id: "net-loft" }, body: { base: version, note: "", pattern } }),
    ).toBe(403);
  });
});

describe("files of patterns", () => {
  test("what goes out comes in again without loss", async () => {
    const out = await owner.ok(exportPatterns, { query: { of: "" as never } });
    expect(await tier.ok(importPatterns, { body: out })).toEqual({
      added: [],
      renewed: [],
      same: out.patterns.map((p) => p.name),
      materials: [],
    });
    const renamed = {
      ...out,
      patterns: out.patterns.map((p) => ({ ...p, id: `${p.id}-copy`, name: `${p.name} copy` })),
    };
    expect((await tier.ok(importPatterns, { body: renamed })).added).toHaveLength(out.patterns.length);
    const again = await owner.ok(exportPatterns, {
      query: { of: renamed.patterns.map((p) => p.id).join(",") as never },
    });
    const sorted = (b: PatternBook) => [...b.patterns].sort((a, c) => a.id.localeCompare(c.id));
    expect(sorted(again)).toEqual(sorted(renamed));
    expect(again.materials).toEqual(out.materials);
  });

  test("a blend that is new here comes with its parts, and waits for a drawer", async () => {
    const pattern = { ...file("copper-lodger"), id: "strange-lodger", name: "Strange Lodger" };
    const body = pattern.recipe.components.find((c) => c.id === "body");
    if (body) body.material = [{ value: "BL-STRANGE" }];
    const blend = {
      code: "BL-STRANGE",
      name: "strange blend",
      form: "blend" as const,
      unit: "ug" as const,
      measured: false,
      lead: false,
      dubbing: { density: 0.3, lineDensity: 0.1 },
      blend: { parts: { "DU-HARE": 0.5, "DU-NEW": 0.5 }, leastChargeMg: 800 },
    };
    const plain = {
      code: "DU-NEW",
      name: "new fur",
      form: "dubbing" as const,
      unit: "ug" as const,
      measured: false,
      lead: false,
      dubbing: { density: 0.3, lineDensity: 0.1 },
    };
    expect(
      (await tier.ok(importPatterns, { body: { ...book(pattern), materials: [blend, plain] } })).materials,
    ).toEqual(["BL-STRANGE", "DU-NEW"]);
    expect((await owner.ok(listStock)).items.find((i) => i.code === "DU-NEW")).toMatchObject({
      drawer: "NEW",
      quantity: 0,
    });
    const { materials } = await owner.ok(exportPatterns, { query: { of: "strange-lodger" as never } });
    expect(materials?.map((m) => m.code)).toEqual(expect.arrayContaining(["BL-STRANGE", "DU-NEW", "DU-HARE"]));
  });

  const bad: [string, (p: PatternFile, b: PatternBook) => unknown, RegExp][] = [
    [
      "an unknown field",
      (p) => ({ ...p, recipe: { ...p.recipe, colourOfBox: "red" } }),
      /patterns\.0\.recipe: .*colourOfBox/,
    ],
    [
      "a length with a unit in it",
      (p) => ({
        ...p,
        recipe: {
          ...p.recipe,
          steps: p.recipe.steps.map((s) => (s.id === "tail" ? { ...s, shown: { mm: "5 cm" } } : s)),
        },
      }),
      /patterns\.0\.recipe\.steps\.4\.shown/,
    ],
    [
      "10,000 steps",
      (p) => ({ ...p, recipe: { ...p.recipe, steps: Array.from({ length: 10_000 }, () => p.recipe.steps[0]) } }),
      /patterns\.0\.recipe\.steps: /,
    ],
    ["a name as long as a book", (p) => ({ ...p, name: "x".repeat(5000) }), /patterns\.0\.name/],
    ["an id that is a path", (p) => ({ ...p, id: "../../etc" }), /patterns\.0\.id: Small letters, digits and hyphens/],
    [
      "a material that nobody knows",
      (p) => ({
        ...p,
        recipe: {
          ...p.recipe,
          components: p.recipe.components.map((c) =>
            c.id === "tail" ? { ...c, material: [{ value: "<img src=x>" }] } : c,
          ),
        },
      }),
      /patterns\.0\.recipe\.components\.4\.material\.0\.value: .*“<img src=x>”/,
    ],
    [
      "a material that nobody knows, in a colour",
      (p) => ({
        ...p,
        recipe: {
          ...p.recipe,
          variants: p.recipe.variants.map((v, i) =>
            i === 1 ? { ...v, swaps: { ...v.swaps, tail: [{ value: "NOWHERE" }] } } : v,
          ),
        },
      }),
      /patterns\.0\.recipe\.variants\.1\.swaps\.tail\.0\.value: .*“NOWHERE”/,
    ],
    [
      "an alternate that nobody knows",
      (p) => ({
        ...p,
        recipe: {
          ...p.recipe,
          components: p.recipe.components.map((c) =>
            c.id === "tail" ? { ...c, alternates: [{ material: "NOWHERE" }] } : c,
          ),
        },
      }),
      /patterns\.0\.recipe\.components\.4\.alternates\.0\.material/,
    ],
    [
      "a hook that nobody knows",
      (p) => ({ ...p, recipe: { ...p.recipe, hookModel: "ZZ" } }),
      /patterns\.0\.recipe\.hookModel/,
    ],
    [
      "two steps of one name",
      (p) => ({ ...p, recipe: { ...p.recipe, steps: [...p.recipe.steps, p.recipe.steps[1]] } }),
      /patterns\.0\.recipe\.steps\.11\.id/,
    ],
    [
      "a size in words",
      (p) => ({ ...p, recipe: { ...p.recipe, sizes: { from: "ten", to: "14" } } }),
      /recipe\.sizes\.from/,
    ],
  ];
  test.each(bad)("%s is refused with its path, and nothing is imported", async (_what, spoil, path) => {
    const before = await count();
    const good = { ...file("net-loft"), id: "good-one", name: "Good One" };
    const spoiled = spoil({ ...file("copper-lodger"), id: "bad-one", name: "Bad One" }, book()) as PatternFile;
    const out = await tier.refused(importPatterns, { body: book(spoiled, good) });
    expect([400, 422]).toContain(out.status);
    expect((out.errors ?? []).map((e) => `${e.path}: ${e.detail}`).join("\n")).toMatch(path);
    expect(await count()).toBe(before);
  });

  test("several things wrong are all named", async () => {
    const one = { ...file("net-loft"), id: "Bad Id", name: "" };
    const out = await tier.refused(importPatterns, {
      body: book(one, { ...file("net-loft"), id: "b", recipe: { ...file("net-loft").recipe, minutesPerFly: -1 } }),
    });
    expect(out.errors?.map((e) => e.path)).toEqual([
      "patterns.0.id",
      "patterns.0.name",
      "patterns.1.recipe.minutesPerFly",
    ]);
  });

  test("a blend mixed from itself is refused, with the way round", async () => {
    const blend = (code: string, part: string) => ({
      code,
      name: code,
      form: "blend" as const,
      unit: "ug" as const,
      measured: false,
      lead: false,
      dubbing: { density: 0.3, lineDensity: 0.1 },
      blend: { parts: { [part]: 1 }, leastChargeMg: 0 },
    });
    const before = (await owner.ok(listStock)).items.length;
    const out = await tier.refused(importPatterns, {
      body: {
        ...book({ ...file("net-loft"), id: "c", name: "C" }),
        materials: [blend("BL-A", "BL-B"), blend("BL-B", "BL-A")],
      },
    });
    expect(out.errors?.map((e) => e.path)).toEqual(["materials.0.blend", "materials.1.blend"]);
    expect(out.errors?.[0]?.detail).toMatch(/“BL-A” would be mixed from itself, through BL-B, BL-A/);
    expect((await owner.ok(listStock)).items.length).toBe(before);
  });

  test("another format or version is not taken for ours", async () => {
    for (const version of [0, 3, "2"]) {
      const out = await tier.refused(importPatterns, { body: { ...book(file("net-loft")), version } as never });
      expect(out.errors?.map((e) => e.path)).toEqual(["version"]);
    }
  });
  test("a file of the version before is read as before", async () => {
    const out = await tier.ok(importPatterns, { body: { ...book(file("net-loft")), version: 1 } });
    expect(out.same).toEqual(["Net Loft"]);
  });

  test("a file of half a megabyte and more is read, but only from somebody signed in", async () => {
    const many = Array.from({ length: 150 }, (_, i) => ({
      ...file("copper-lodger"),
      id: `many-${i}`,
      name: `Many ${i}`,
    }));
    const body = JSON.stringify(book(...many));
    expect(body.length).toBeGreaterThan(512 * 1024);
    const headers = { "Content-Type": "application/json", "Idempotency-Key": "many" };
    expect((await fetch(`${room.base}/api/patterns/file`, { method: "POST", body, headers })).status).toBe(401);
    expect((await tier.raw("POST", "/api/patterns/file", { body, headers })).status).toBe(200);
  });
});

describe("ways of tying a batch", () => {
  test("another way changes what is needed, gives reservations back, and is written down", async () => {
    const open = (await owner.ok(listBatches, { query: { limit: 200 } })).batches.find(
      (b) => b.pattern === "copper-lodger" && b.state === "planned",
    );
    const id = open?.id ?? "";
    const read = () => owner.ok(readBatch, { params: { id } });
    await owner.ok(reserveBatch, { params: { id } });
    const before = await read();
    const need = (d: typeof before, component: string) =>
      d.requirements.find((r) => r.component === component)?.issue ?? 0;
    await owner.ok(editBatch, {
      params: { id },
      body: { version: before.version, methods: { "body/dubbing way": "touched" } },
    });
    const after = await read();
    expect(need(after, "body") / need(before, "body")).toBeCloseTo(0.7 / 0.5, 1);
    expect(after.minutes).toBeLessThan(before.minutes);
    expect(after.requirements.every((r) => r.reserved.length === 0)).toBe(true);
    expect(after.history[0]?.sentence).toMatch(/by touched$/);
    await owner.ok(editBatch, {
      params: { id },
      body: { version: after.version, methods: {}, use: { body: "DU-HARE-OL" } },
    });
    expect((await read()).requirements.find((r) => r.component === "body")?.material).toBe("DU-HARE-OL");
  });

  test("a way that nobody knows, and a part that cannot be left out, are refused and change nothing", async () => {
    const open = (await owner.ok(listBatches, { query: { limit: 200 } })).batches.find(
      (b) => b.pattern === "copper-lodger" && b.state === "planned",
    );
    const id = open?.id ?? "";
    const change = async (body: object) =>
      owner.refused(editBatch, {
        params: { id },
        body: { version: (await owner.ok(readBatch, { params: { id } })).version, ...body },
      });
    expect((await change({ methods: { "body/dubbing way": "glued" } })).detail).toMatch(
      /no way “glued”.*Known: twisted, loop, touched/,
    );
    expect((await change({ leave: ["body"] })).detail).toMatch(/cannot be left out/);
    expect((await owner.ok(readBatch, { params: { id } })).methods).toEqual({});
  });
});

describe("hooks", () => {
  const n1 = async () => (await owner.ok(catalogue)).hooks.find((h) => h.id === "N1");
  test("what measuring would change is told before, and done after, and can be taken back", async () => {
    const rows = [{ size: "14", shank: 9.4 }];
    const told = await tier.ok(hookEffect, { params: { id: "N1" }, body: { rows } });
    expect(told.batches.length).toBeGreaterThan(0);
    expect(told.batches[0]?.changes.find((c) => c.role === "thread")).toSatisfy(
      (c: { before: number; after: number }) => c.after > c.before,
    );
    expect((await n1())?.rows.find((r) => r.size === "14")?.shank).toBe(8.1);
    expect(await tier.ok(measureHook, { params: { id: "N1" }, body: { rows } })).toEqual(told);
    expect((await n1())?.rows.find((r) => r.size === "14")).toMatchObject({ shank: 9.4, gape: 4.1 });
    await tier.ok(forgetHookSize, { params: { id: "N1", size: "14" } });
    expect((await n1())?.rows.find((r) => r.size === "14")?.shank).toBeUndefined();
    expect(await tier.send(forgetHookSize, { params: { id: "N1", size: "3-0" } })).toBe(404);
  });
  test("a size that cannot be read is refused; the shop does not measure", async () => {
    const refusal = await tier.refused(measureHook, {
      params: { id: "N1" },
      body: { rows: [{ size: "wee", shank: 8 }] },
    });
    expect(refusal.type).toBe("invalid");
    expect(JSON.stringify(refusal)).toContain("Hooks come in 32 to 1");
    expect(await shop.send(measureHook, { params: { id: "N1" }, body: { rows: [{ size: "14", shank: 8 }] } })).toBe(
      403,
    );
  });
  test("a model is added and changed", async () => {
    const model = {
      name: "Slipway Grub",
      family: "pupa" as const,
      bend: "curved" as const,
      shankSteps: -2,
      wireSteps: 1,
      gapeSteps: 1,
      barbless: true,
      points: 1 as const,
      eyeForm: "straight" as const,
      finish: "black",
      wireReason: "sinks",
      near: [{ model: "P1", differs: "one step lighter" }],
    };
    await tier.ok(saveHook, { params: { id: "G7" }, body: model });
    await tier.ok(saveHook, { params: { id: "G7" }, body: { ...model, gapeSteps: 2 } });
    expect((await owner.ok(catalogue)).hooks.find((h) => h.id === "G7")).toMatchObject({
      ...model,
      gapeSteps: 2,
      rows: [],
    });
  });
});

describe("materials of the cabinet", () => {
  const material = (code: string, more: object = {}) => ({
    code,
    name: `Test ${code}`,
    form: "dubbing" as const,
    unit: "ug" as const,
    measured: false,
    lead: false,
    dubbing: { density: 0.3, lineDensity: 0.05 },
    ...more,
  });
  const find = async (code: string) => (await owner.ok(catalogue)).materials.find((m) => m.code === code);
  const versionOf = async (code: string) => (await find(code))?.version ?? 0;
  const shown = async (code: string) => {
    const material = await find(code);
    if (!material) throw new Error(`no ${code}`);
    return material;
  };
  const change = async (m: ReturnType<typeof material>, drawer?: string) => ({
    params: { id: m.code },
    body: { material: m, drawer, version: await versionOf(m.code) },
  });
  const keep = async (m: ReturnType<typeof material>, drawer?: string) =>
    tier.ok(saveMaterial, await change(m, drawer));
  const refuse = async (m: ReturnType<typeof material>, drawer?: string) =>
    tier.refused(saveMaterial, await change(m, drawer));

  test("a new one waits in a drawer of its own and can be tied at once", async () => {
    await keep(material("DU-TEST", { colour: "#405060", colourName: "slate" }));
    expect((await owner.ok(catalogue)).materials.find((m) => m.code === "DU-TEST")).toEqual({
      ...material("DU-TEST", { colour: "#405060", colourName: "slate" }),
      version: 1,
    });
    expect((await owner.ok(listStock)).items.find((i) => i.code === "DU-TEST")?.drawer).toBe("NEW");
    await keep(material("DU-TEST", { dubbing: { density: 0.5, lineDensity: 0.14, loss: 0.2 } }), "T99");
    expect((await owner.ok(catalogue)).materials.find((m) => m.code === "DU-TEST")).toMatchObject({
      dubbing: { density: 0.5, loss: 0.2 },
    });
    expect((await owner.ok(listStock)).items.find((i) => i.code === "DU-TEST")?.drawer).toBe("T99");
  });

  test("a blend must come down to plain materials that are there", async () => {
    const blend = (code: string, parts: Record<string, number>) =>
      material(code, { form: "blend", blend: { parts, leastChargeMg: 500 } });
    expect(await refuse(blend("BL-TEST", { "DU-TEST": 0.7, "DU-NOWHERE": 0.3 }))).toMatchObject({
      status: 422,
      errors: [{ path: "material.blend.parts" }],
    });
    await keep(blend("BL-TEST", { "DU-TEST": 0.7, "DU-OLIVE": 0.3 }));
    const round = await refuse(blend("DU-TEST", { "BL-TEST": 1 }));
    expect(round.detail).toMatch(/would be mixed from itself, through/);
    expect((await owner.ok(catalogue)).materials.find((m) => m.code === "DU-TEST")?.blend).toBeUndefined();
  });

  test("figures that something is divided by are above nothing, and a blend has parts", async () => {
    expect(
      (await refuse(material("DU-ZERO", { dubbing: { density: 0, lineDensity: 0.1 } }))).errors?.map((e) => e.path),
    ).toEqual(["material.dubbing.density"]);
    expect(
      (await refuse(material("DU-LOST", { dubbing: { density: 0.3, lineDensity: 0.1, loss: 1 } }))).errors?.map(
        (e) => e.path,
      ),
    ).toEqual(["material.dubbing.loss"]);
    expect(
      await refuse(material("BL-NONE", { form: "blend", blend: { parts: {}, leastChargeMg: 500 } })),
    ).toMatchObject({
      status: 422,
      errors: [
        {
          path: "material.blend.parts",
          detail: "“BL-NONE” is mixed of nothing: a blend has at least one part. Add what it is made of.",
        },
      ],
    });
    expect(
      (await owner.ok(catalogue)).materials.filter((m) => ["DU-ZERO", "DU-LOST", "BL-NONE"].includes(m.code)),
    ).toEqual([]);
  });

  test("yarn that is chopped for a blend leaves its spool by the metre, and a batch is tied of what was milled", async () => {
    await keep(
      material("BL-YARN", {
        form: "blend",
        dubbing: { density: 0.35, lineDensity: 0.1 },
        blend: { parts: { "YA-TN": 0.5, "DU-HARE": 0.5 }, leastChargeMg: 800 },
      }),
    );
    const batch = (await owner.ok(listBatches, { query: { limit: 200 } })).batches.find(
      (b) => b.pattern === "rope-walker" && b.state === "planned",
    );
    if (!batch) throw new Error("no batch of rope walkers");
    const params = { id: batch.id };
    const detail = await owner.ok(readBatch, { params });
    await owner.ok(editBatch, { params, body: { version: detail.version, use: { thorax: "BL-YARN" } } });
    const stock = async (id: string) => (await owner.ok(readStock, { params: { id } })).quantity;
    const [yarn, fur] = [await stock("YA-TN"), await stock("DU-HARE")];
    expect((await owner.ok(reserveBatch, { params })).short.join()).toContain("Test BL-YARN");
    await tier.ok(donePrep, { params, body: { kind: "mill blend", component: "thorax" } });
    const made = await stock("BL-YARN");
    expect(made).toBeGreaterThanOrEqual(800_000);
    // Half of it is yarn of 0.25 mg a mm, in whole centimetres; half is fur, in whole milligrams.
    const yarnUm = yarn - (await stock("YA-TN"));
    expect(yarnUm % 10_000).toBe(0);
    expect(yarnUm / 1000).toBeCloseTo(made / 1000 / 2 / 0.25, -1.5);
    expect(fur - (await stock("DU-HARE"))).toBeCloseTo(made / 2, -4);
    const after = await owner.ok(readBatch, { params });
    expect(after.requirements.find((r) => r.component === "thorax")).toMatchObject({ material: "BL-YARN", short: 0 });
    await owner.ok(editBatch, { params, body: { version: after.version, use: {} } });
  });

  test("of two who change one at once the second is told what the first changed", async () => {
    const first = material("DU-TWO");
    await keep(first);
    await keep({ ...first, name: "Renamed by the first" });
    const late = await owner.refused(saveMaterial, {
      params: { id: "DU-TWO" },
      body: { material: { ...first, name: "Renamed by the second" }, version: 1 },
    });
    expect(late).toMatchObject({
      status: 409,
      type: "changed-meanwhile",
      version: 2,
      changes: [{ field: "name", yours: "Renamed by the second", theirs: "Renamed by the first" }],
    });
    expect(
      await tier.refused(saveMaterial, { params: { id: "DU-TWO" }, body: { material: first, version: 0 } }),
    ).toMatchObject({ type: "taken" });
  });

  test("what is in stock keeps its unit; the shop describes no materials; another code is refused", async () => {
    const { version, ...olive } = await shown("TH-70-OL");
    expect(
      (
        await tier.refused(saveMaterial, {
          params: { id: olive.code },
          body: { material: { ...olive, unit: "count" }, version },
        })
      ).detail,
    ).toMatch(/in stock by another unit/);
    expect(
      await shop.send(saveMaterial, { params: { id: "DU-X" }, body: { material: material("DU-X"), version: 0 } }),
    ).toBe(403);
    expect(
      await tier.send(saveMaterial, { params: { id: "DU-X" }, body: { material: material("DU-Y"), version: 0 } }),
    ).toBe(422);
    expect(await refuse(material("DU-X"), "BENCH")).toMatchObject({
      status: 422,
      detail: expect.stringContaining("is not a drawer") as string,
    });
  });

  test("a vintage material may be shown on a fly, not promised, and holds its batches back", async () => {
    const { version, ...before } = await shown("FE-PHT-OL");
    const batch = (await owner.ok(listBatches, { query: { limit: 200 } })).batches.find(
      (b) => b.pattern === "copper-lodger" && b.state === "planned",
    );
    if (!batch) throw new Error("the demo has a planned batch with an olive tail");
    await tier.ok(saveMaterial, {
      params: { id: before.code },
      body: { material: { ...before, standing: "vintage" }, version },
    });
    const line = { pattern: batch.pattern, variant: batch.variant, form: batch.form, size: batch.size, flies: 12 };
    const refused = await owner.refused(addOrder, {
      body: { text: "", customer: "hollow-mere", due: "2027-06-01", note: "", lines: [line] },
    });
    expect(refused.errors?.[0]).toMatchObject({
      path: "lines.0.pattern",
      detail: expect.stringContaining("is vintage") as string,
    });
    expect((await owner.ok(readBatch, { params: { id: batch.id } })).held_back.join(" ")).toMatch(
      /is vintage: identify or replace it/,
    );
    await tier.ok(saveMaterial, {
      params: { id: before.code },
      body: { material: before, version: version + 1 },
    });
    expect((await owner.ok(readBatch, { params: { id: batch.id } })).held_back.join(" ")).not.toMatch(/vintage/);
  });
});

describe("another hook", () => {
  test("a batch is tied on a hook taken in its place: its geometry, its hooks and its lengths follow", async () => {
    const batch = (await owner.ok(listBatches, { query: { limit: 200 } })).batches.find(
      (b) => b.pattern === "copper-lodger" && b.state === "planned",
    );
    const id = batch?.id ?? "";
    const before = await owner.ok(readBatch, { params: { id } });
    await owner.ok(saveHook, {
      params: { id: "N9" },
      body: {
        name: "Long Yard Nymph",
        family: "nymph",
        bend: "round",
        shankSteps: 4,
        wireSteps: 0,
        gapeSteps: 0,
        points: 1,
        eyeForm: "turned down",
        finish: "",
        wireReason: "",
        near: [],
        barbless: true,
      },
    });
    await owner.ok(editBatch, { params: { id }, body: { version: before.version, use: { hook: "N9" } } });
    const after = await owner.ok(readBatch, { params: { id } });
    expect(after.requirements.find((r) => r.key === "hook")?.material).toBe(`N9-${after.size}`);
    const thread = (d: typeof after) => d.requirements.find((r) => r.component === "thread")?.perFly ?? 0;
    expect(thread(after)).toBeGreaterThan(thread(before));
    expect(
      (await owner.refused(editBatch, { params: { id }, body: { version: after.version, use: { hook: "NOWHERE" } } }))
        .detail,
    ).toMatch(/the hook “NOWHERE” is not known here/);
    await owner.ok(editBatch, { params: { id }, body: { version: after.version, use: {} } });
  });
});
