// @vitest-environment happy-dom
import { beforeEach, describe, expect, test } from "vitest";
import { saveMaterial } from "@kasten/contract/materials";
import { savePattern } from "@kasten/contract/patterns";
import { CodeField } from "../editor";
import { fieldOf, mountIn, refused, settle } from "../testing/room";
import * as things from "../testing/things";
import EditorPage from "./EditorPage.vue";
import MaterialForm from "./MaterialForm.vue";

beforeEach(() => localStorage.clear());
type Screen = Awaited<ReturnType<typeof mountIn>>["screen"];
const button = (screen: Screen, words: string) => screen.findAll("button").find((b) => b.text().startsWith(words));

describe("the editor", () => {
  const open = async (server = things.server()) => {
    server.answer(savePattern, { version: 2, missing: [] });
    return { server, ...(await mountIn(server, EditorPage, { id: "yard-nymph" })) };
  };
  test("what is typed makes the fly, and only a change can be saved", async () => {
    const { server, screen, router } = await open();
    const save = () => button(screen, "Save as a new version");
    expect(save()?.attributes("disabled")).toBeDefined();
    const told = screen.getComponent(CodeField);
    const weight = () => screen.get("[data-testid=drawing]").element.parentElement?.textContent ?? "";
    const before = weight();
    told.vm.$emit("update:modelValue", told.props("modelValue").replace("5 turns", "12 turns"));
    await settle();
    expect(weight()).not.toBe(before);
    await save()?.trigger("click");
    await settle();
    const sent = server.of(savePattern)[0];
    expect(sent?.params.id).toBe("yard-nymph");
    expect(sent?.body.base).toBe(1);
    const rib = sent?.body.pattern.recipe.steps.find((s) => s.id === "rib");
    expect(rib).toMatchObject({ rule: { turns: 12 }, tiedIn: "rib-in", take: { from: "spool", trimMm: 20 } });
    expect(router.currentRoute.value.path).toBe("/patterns/yard-nymph");
    expect(localStorage.getItem("kasten.draft.yard-nymph")).toBeNull();
  });
  test("another's version in between: both are shown, and mine goes on top only when I say so", async () => {
    const { server, screen } = await open();
    server.answer(savePattern, () =>
      refused({
        type: "changed-meanwhile",
        title: "Changed",
        status: 409,
        detail: "Version 2 came in between.",
        version: 2,
        changes: [{ field: "price", yours: "24", theirs: "26" }],
      }),
    );
    await screen.findAll("input[type=number]").at(0)?.setValue(9);
    await settle();
    await button(screen, "Save as a new version")?.trigger("click");
    await settle();
    expect(screen.text()).toContain("price: 24 → 26");
    server.answer(savePattern, { version: 3, missing: [] });
    await button(screen, "Save mine on top of version 2")?.trigger("click");
    await settle();
    expect(server.of(savePattern).map((a) => a.body.base)).toEqual([1, 2]);
  });
  test("a material that was described while writing is in the cabinet before the pattern that is tied of it", async () => {
    const { server, screen } = await open();
    server.answer(saveMaterial, { ok: true });
    const told = screen.getComponent(CodeField);
    told.vm.$emit("update:modelValue", `throat: speckled wigeon flank, ember, 8 fibres\n${told.props("modelValue")}`);
    await settle();
    expect(screen.get("[data-testid=new-materials]").text()).toContain("speckled wigeon flank, ember");
    await button(screen, "Save as a new version")?.trigger("click");
    await settle();
    const added = server.of(saveMaterial)[0];
    expect(added?.body).toMatchObject({ version: 0, material: { form: "feather fibre", measured: false } });
    const throat = server.of(savePattern)[0]?.body.pattern.recipe.components.find((c) => c.role === "throat");
    expect(throat?.material).toEqual([{ value: added?.params.id }]);
  });
  test("rows of a step are added, changed and taken out; none at all leaves nothing behind", async () => {
    const { server, screen } = await open();
    await button(screen, "Ways and details")?.trigger("click");
    await settle();
    await button(screen, "a check")?.trigger("click");
    await settle();
    await fieldOf(screen, "what is looked at").setValue("no gap behind the bead");
    await settle();
    await button(screen, "a view")?.trigger("click");
    await settle();
    await screen.get("[aria-label='Take this view out']").trigger("click");
    await settle();
    await button(screen, "Save as a new version")?.trigger("click");
    await settle();
    const first = server.of(savePattern)[0]?.body.pattern.recipe.steps[0];
    expect(first?.checks).toEqual([{ feature: "no gap behind the bead", when: "finished" }]);
    expect(first).not.toHaveProperty("views", []);
  });
});

describe("a material", () => {
  test("is written with the version that was seen; after another's change, with theirs, once that was told", async () => {
    const server = things.server();
    const warm = await mountIn(server, MaterialForm);
    warm.screen.unmount();
    server.answer(saveMaterial, () =>
      refused({ type: "changed-meanwhile", title: "C", status: 409, detail: "Petra changed it.", version: 7 }),
    );
    const material = things.room().materials.find((m) => m.code === "wire");
    const { screen } = await mountIn(server, MaterialForm, { material });
    await screen.get("form").trigger("submit");
    await settle();
    expect(screen.text()).toContain("Petra changed it.");
    server.answer(saveMaterial, { ok: true });
    await screen.get("form").trigger("submit");
    await settle();
    expect(
      server
        .of(saveMaterial)
        .map((a) => a.body.version)
        .at(-1),
    ).toBe(7);
  });
  test("a blend's shares are worked out from its parts", async () => {
    const server = things.server();
    const material = things.room().materials.find((m) => m.code === "mix");
    const { screen } = await mountIn(server, MaterialForm, {
      material: { ...material, blend: { leastChargeMg: 500, parts: { fur: 3, yarn: 1 } } },
    });
    expect(screen.text()).toContain("75%");
    await fieldOf(screen, "Parts of fur").setValue(1);
    expect(screen.text()).toContain("50%");
    await screen.get("[aria-label='Without yarn']").trigger("click");
    expect(screen.text()).toContain("100%");
  });
});
