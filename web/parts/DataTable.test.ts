// @vitest-environment happy-dom
import { beforeEach, describe, expect, test } from "vitest";
import { effectScope, h, nextTick, ref } from "vue";
import { mount } from "@vue/test-utils";
import { Refusal, tellUnread } from "../http";
import { isBlank, tableAsCsv, type Column } from "./column";
import DataTable from "./DataTable.vue";

interface Spool {
  code: string;
  metres: number;
  note?: string;
}
const spools: Spool[] = [
  { code: "T2", metres: 9, note: "=HYPERLINK(1)" },
  { code: "T10", metres: 100 },
  { code: "T1", metres: 25, note: "frayed, keep" },
];
const columns: Column<Spool>[] = [
  { id: "code", head: "Spool", value: (s) => s.code },
  { id: "metres", head: "Metres", end: true, value: (s) => s.metres, copied: (s) => `${s.metres} m` },
  { id: "note", head: "Note", value: (s) => s.note },
  { id: "act", head: "Take", quiet: true },
];
beforeEach(() => localStorage.clear());
const open = (rows: Spool[] = spools, more: Record<string, unknown> = {}) =>
  mount(DataTable<Spool>, {
    attachTo: document.body,
    props: { label: "Spools", rows, columns, rowKey: (s: Spool) => s.code, ...more },
    slots: { "cell-act": ({ row }: { row: Spool }) => h("button", `take ${row.code}`), empty: () => "No spool yet." },
  });
const codes = (table: ReturnType<typeof open>) => table.findAll("tbody tr").map((r) => r.findAll("td")[0]?.text());

describe("a table", () => {
  test("is sorted by a head, up, down and as it came; figures as figures, codes by their numbers", async () => {
    const table = open();
    const head = (name: string) => table.findAll("th button").find((b) => b.text() === name);
    expect(codes(table)).toEqual(["T2", "T10", "T1"]);
    await head("Metres")?.trigger("click");
    expect(codes(table)).toEqual(["T2", "T1", "T10"]);
    expect(table.find("th[aria-sort=ascending]").text()).toBe("Metres");
    await head("Metres")?.trigger("click");
    expect(codes(table)).toEqual(["T10", "T1", "T2"]);
    await head("Metres")?.trigger("click");
    expect(codes(table)).toEqual(["T2", "T10", "T1"]);
    await head("Spool")?.trigger("click");
    expect(codes(table)).toEqual(["T1", "T2", "T10"]);
  });
  test("puts what has no value last, whichever way it is sorted", async () => {
    const table = open();
    const note = table.findAll("th button").find((b) => b.text() === "Note");
    await note?.trigger("click");
    expect(codes(table).at(-1)).toBe("T10");
    await note?.trigger("click");
    expect(codes(table).at(-1)).toBe("T10");
  });
  test("does not say that there is nothing before anybody has answered", async () => {
    const table = open([], { rows: undefined });
    expect(table.text()).toContain("Being read");
    expect(table.text()).not.toContain("No spool yet");
    const refusal = new Refusal({ type: "unexpected", title: "No", status: 500, detail: "No." });
    const scope = effectScope();
    scope.run(() => tellUnread(ref(refusal), () => undefined));
    await nextTick();
    expect(table.text()).toContain("Not read.");
    scope.stop();
    await table.setProps({ rows: [] });
    expect(table.text()).toContain("No spool yet");
    await table.setProps({ rows: spools });
    expect(codes(table)).toHaveLength(3);
  });
  test("with a name it is searched; what is not found is said", async () => {
    const many = Array.from({ length: 12 }, (_, i) => ({ code: `S${i}`, metres: i }));
    const table = open(many, { name: "spools" });
    await table.get("input[type=search]").setValue("s1");
    await nextTick();
    expect(codes(table)).toEqual(["S1", "S10", "S11"]);
    await table.get("input[type=search]").setValue("zzz");
    expect(table.text()).toContain("Nothing here has “zzz” in it.");
  });
  test("an empty one says how to begin", () => expect(open([]).text()).toContain("No spool yet."));
  test("cells that are handed in stand in their rows", () =>
    expect(
      open()
        .findAll("tbody button")
        .map((b) => b.text()),
    ).toEqual(["take T2", "take T10", "take T1"]));
});

describe("what is copied", () => {
  test("has the shown words, and no cell that another program would take for a formula", async () => {
    expect((await tableAsCsv(columns, spools)).split("\r\n")).toEqual([
      "Spool,Metres,Note",
      'T2,9 m,"\'=HYPERLINK(1)"',
      "T10,100 m,",
      'T1,25 m,"frayed, keep"',
    ]);
  });
  test("a cell is blank when its column can say so", () => {
    expect(columns.map((c) => isBlank(c, { code: "", metres: 0 }))).toEqual([true, false, true, false]);
  });
});
