// @vitest-environment happy-dom
import { beforeEach, describe, expect, test, vi } from "vitest";
import { previewFile, takeInFile, type FilePreview } from "@kasten/contract/files";
import { choose, mountIn, settle } from "../testing/room";
import * as things from "../testing/things";
import FileIntake from "./FileIntake.vue";
import { textOfFile } from "./readFile";

beforeEach(() => localStorage.clear());
const preview = (of: Partial<FilePreview> = {}): FilePreview => ({
  delimiter: ";",
  decimal: "comma",
  unclear: null,
  columns: [
    { head: "Bezeichnung", samples: ["copper wire"], field: "name" },
    { head: "Sorte", samples: ["wire"], field: null },
  ],
  missing: ["What it is"],
  counts: { new: 1, changes: 0, same: 0, wrong: 1 },
  lines: [
    { line: 3, fate: "wrong", says: "What it is is empty", shown: ["floss"] },
    { line: 2, fate: "new", says: "a new wire, copper wire", shown: ["copper wire", "wire"] },
  ],
  ...of,
});
/** Chooses a file as a person does, without the window of the system. */
async function withFile(server = things.server()) {
  const made = vi.spyOn(document, "createElement");
  const { screen } = await mountIn(server, FileIntake);
  await screen
    .findAll("button")
    .find((b) => b.text().includes("Choose a CSV file"))
    ?.trigger("click");
  const input = made.mock.results
    .map((r) => r.value as HTMLElement)
    .find((e) => e instanceof HTMLInputElement && e.type === "file");
  made.mockRestore();
  if (!(input instanceof HTMLInputElement)) throw new Error("no file was asked for");
  Object.defineProperty(input, "files", { value: [new File(["Bezeichnung;Sorte\ncopper wire;wire"], "wires.csv")] });
  input.dispatchEvent(new Event("change"));
  await settle(12);
  return { screen, server };
}
const takeIn = (screen: Awaited<ReturnType<typeof withFile>>["screen"]) =>
  screen.findAll("button").find((b) => b.text().startsWith("Take in"));

describe("a file of one's own", () => {
  test("is looked at before anything is stored; a column that nobody mapped holds it back", async () => {
    const server = things
      .server()
      .answer(previewFile, ({ body }) => (body.mapping ? preview({ missing: [] }) : preview()));
    const { screen } = await withFile(server);
    expect(server.of(previewFile)[0]?.body).toEqual({ kind: "materials", text: "Bezeichnung;Sorte\ncopper wire;wire" });
    expect(screen.text()).toContain("No column is What it is yet");
    expect(takeIn(screen)?.attributes("disabled")).toBeDefined();
    await choose(screen, "Column Sorte is", "What it is (needed)");
    expect(server.of(previewFile)[1]?.body.mapping).toEqual({ "0": "name", "1": "form" });
    expect(screen.text()).not.toContain("No column is");
  });
  test("wrong lines keep it out until it is said that they are left out; then what was seen is taken in", async () => {
    const server = things
      .server()
      .answer(previewFile, preview({ missing: [] }))
      .answer(takeInFile, { taken: 1, left: 1 });
    const { screen } = await withFile(server);
    expect(takeIn(screen)?.attributes("disabled")).toBeDefined();
    await screen.get("input[type=checkbox]").setValue(true);
    await takeIn(screen)?.trigger("click");
    await settle();
    expect(server.of(takeInFile)[0]?.body).toMatchObject({
      name: "wires.csv",
      leaveWrong: true,
      expects: { new: 1, changes: 0, same: 0, wrong: 1 },
    });
    expect(screen.text()).toContain("Taken in from wires.csv: 1 line; 1 left out.");
  });
  test("a figure that may be read either way is asked about", async () => {
    const unclear = { missing: [], unclear: "1,500", decimal: null, counts: { new: 2, changes: 0, same: 0, wrong: 0 } };
    const server = things
      .server()
      .answer(previewFile, ({ body }) =>
        preview(body.decimal ? { ...unclear, unclear: null, decimal: body.decimal } : unclear),
      );
    const { screen } = await withFile(server);
    expect(screen.text()).toContain("“1,500” could be read either way");
    expect(takeIn(screen)?.attributes("disabled")).toBeDefined();
    await screen
      .findAll("[role=radio]")
      .find((r) => r.text() === "1,5 (comma)")
      ?.trigger("click");
    await settle();
    expect(server.of(previewFile).at(-1)?.body.decimal).toBe("comma");
    expect(takeIn(screen)?.attributes("disabled")).toBeUndefined();
  });
  test("is read in the letters that it was saved in", async () => {
    expect(await textOfFile(new Blob(["grün"]))).toBe("grün");
    expect(await textOfFile(new Blob([new Uint8Array([0x67, 0x72, 0xfc, 0x6e])]))).toBe("grün");
  });
});
