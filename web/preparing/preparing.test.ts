// @vitest-environment happy-dom
import { describe, expect, test } from "vitest";
import { listPreparations, prepareTogether, type PrepGroupData, type PrepRun } from "@kasten/contract/preparing";
import { fieldOf, mountIn, refused, settle } from "../testing/room";
import * as things from "../testing/things";
import { emptyInput, wholeInputs } from "./making";
import PreparingView from "./PreparingView.vue";

const task = (n: number): PrepGroupData["tasks"][number] => ({
  batch: things.id(n),
  number: n,
  pattern: "Yard Nymph",
  size: "12",
  due: "2027-03-12",
  component: "body",
  units: 1,
  minutes: 15,
});
const blend: PrepGroupData = {
  kind: "mill blend",
  material: "BL",
  materialName: "marsh blend",
  title: "Mill the blend marsh blend",
  station: "mill",
  tasks: [task(4), task(7), task(9)],
  units: 1,
  minutes: 15,
  apart: 45,
  cautions: ["A mask."],
  left: 0,
};
const run: PrepRun = {
  id: things.id(90),
  kind: "mill blend",
  title: "Mill the blend marsh blend",
  person: "Maren",
  at: "2026-11-02T09:00:00Z",
  minutes: 20,
  reckoned: 15,
  how: { passes: 2, lostMg: 60 },
  note: "",
  batches: [{ id: things.id(4), number: 4 }],
  lots: [{ id: things.id(5), code: "BL-M-1", material: "marsh blend" }],
};
const open = async (more: (s: ReturnType<typeof things.server>) => void = () => undefined) => {
  const server = things.server().answer(listPreparations, { open: [blend], runs: [run] });
  more(server);
  const { screen } = await mountIn(server, PreparingView);
  await settle();
  return { server, screen };
};
const press = async (screen: Awaited<ReturnType<typeof open>>["screen"], words: string): Promise<void> => {
  await screen
    .findAll("button")
    .find((b) => b.text().startsWith(words))
    ?.trigger("click");
  await settle();
};

describe("preparation", () => {
  test("says what is done at once, for whom, what that saves, and where it can hurt", async () => {
    const { screen } = await open();
    const row = screen.get("tbody tr").text();
    expect(row).toContain("Mill the blend marsh blend");
    expect(row).toContain("4, 7, 9");
    expect(row).toContain("30min");
    expect(row).toContain("A mask.");
  });

  test("is logged for the batches that are ticked, with what came out of the mill", async () => {
    const { server, screen } = await open((s) => s.answer(prepareTogether, { run: things.id(91) }));
    await press(screen, "Log");
    const boxes = screen.findAll("form input[type=checkbox]");
    expect(boxes).toHaveLength(3);
    await boxes[1]?.setValue(false);
    await fieldOf(screen, "Came out, in grams, if weighed").setValue(1.96);
    await fieldOf(screen, "Passes").setValue(2);
    await screen.get("form").trigger("submit");
    await settle();
    expect(server.of(prepareTogether)[0]?.body).toEqual({
      kind: "mill blend",
      material: "BL",
      batches: [things.id(4), things.id(9)],
      out: 1_960_000,
      leftovers: false,
      how: { passes: 2 },
      note: "",
    });
  });

  test("what is left of a blend goes into the charge, unless somebody unticks it", async () => {
    const { server, screen } = await open((s) =>
      s
        .answer(listPreparations, { open: [{ ...blend, left: 194_000 }], runs: [] })
        .answer(prepareTogether, { run: things.id(91) }),
    );
    await press(screen, "Log");
    expect(screen.text()).toContain("194 mg left of earlier charges");
    await screen.get("form").trigger("submit");
    await settle();
    expect(server.of(prepareTogether)[0]?.body).toMatchObject({ leftovers: true });
  });

  test("a refusal stays beside what was filled in", async () => {
    const { screen } = await open((s) =>
      s.answer(prepareTogether, () =>
        refused({ type: "conflict", title: "Not possible now", status: 409, detail: "The mill needs 3 g of hare." }),
      ),
    );
    await press(screen, "Log");
    await fieldOf(screen, "Minutes it took, if known").setValue(18);
    await screen.get("form").trigger("submit");
    await settle();
    expect(screen.text()).toContain("The mill needs 3 g of hare.");
    expect(fieldOf(screen, "Minutes it took, if known").element).toHaveProperty("value", "18");
  });

  test("what was done says how, what it made and for whom", async () => {
    const { screen } = await open();
    await press(screen, "Done");
    const text = screen.text();
    expect(text).toContain("2 passes; 60 mg lost in the mill");
    expect(screen.get(`a[href='/lots/${things.id(5)}']`).text()).toBe("BL-M-1");
  });
});

describe("what goes in", () => {
  const whole = { ...emptyInput(0), material: "F", lot: "l", place: 3, much: 1.5, culled: 0.25 };
  test("is in base units once everything is said", () => {
    expect(wholeInputs([whole], () => "ug")).toEqual([{ lot: "l", place: 3, quantity: 1_500_000, culled: 250_000 }]);
  });
  test.each([
    ["nothing at all", []],
    ["a row without a lot", [whole, { ...whole, lot: undefined }]],
    ["a row without an amount", [{ ...whole, much: undefined }]],
    ["nought of it", [{ ...whole, much: 0 }]],
  ])("is not, with %s", (_name, inputs) => {
    expect(wholeInputs(inputs, () => "count")).toBeUndefined();
  });
});
