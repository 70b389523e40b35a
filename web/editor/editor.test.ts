// @vitest-environment happy-dom
import { completionStatus, currentCompletions, startCompletion } from "@codemirror/autocomplete";
import { EditorState, type Extension } from "@codemirror/state";
import { EditorView } from "@codemirror/view";
import { afterEach, beforeEach, describe, expect, test, vi } from "vitest";
import { completeBy } from "./complete";
import { lineHandles, moveLine } from "./handles";
import { readingField, setReading, type Reading } from "./marks";
import type { TextOffers } from "./types";
import { soon } from "../testing/room";

let view: EditorView | undefined;
/** A browser tells of a new selection once, and after the work that made it; this page each time, and in the midst. */
beforeEach(() => {
  const tell = document.dispatchEvent.bind(document);
  vi.spyOn(document, "dispatchEvent").mockImplementation((e) => e.type === "selectionchange" || tell(e));
});
afterEach(() => {
  view?.destroy();
  vi.restoreAllMocks();
});
const editor = (doc: string, extensions: Extension[] = [], at = 0): EditorView => {
  view?.destroy();
  view = new EditorView({
    parent: document.body,
    state: EditorState.create({ doc, selection: { anchor: at }, extensions }),
  });
  return view;
};
const textOf = (v: EditorView): string => v.state.doc.toString();
const question = (at: [number, number], sentence: string, answers: { label: string; text: string }[] = []) => ({
  at,
  sentence,
  answers,
});

describe("what was read of a text", () => {
  const read = (doc: string, reading: Reading, at = 0) => {
    const v = editor(doc, [readingField], at);
    v.dispatch({ effects: setReading.of(reading) });
    return v;
  };
  const boxes = () => [...document.querySelectorAll(".cm-question")];

  test("is marked where it stands, with what it was understood as", () => {
    const v = read("tail 6 fibres", { marks: [{ at: [0, 4], kind: "known", label: "the tail" }], questions: [] });
    const mark = v.dom.querySelector(".cm-known");
    expect(mark?.textContent).toBe("tail");
    expect(mark?.getAttribute("title")).toBe("the tail");
  });

  test("asks one question at a time: that where the cursor stands, else the first", () => {
    const questions = [question([0, 4], "Of what?"), question([5, 6], "How many?")];
    const v = read("tail 6 fibres", { marks: [], questions }, 13);
    expect(boxes().map((b) => b.textContent)).toEqual(["Of what?1 of 2 questions"]);
    v.dispatch({ selection: { anchor: 6 } });
    expect(boxes().map((b) => b.textContent)).toEqual(["How many?2 of 2 questions"]);
  });

  test("an answer is put in the place of what was doubtful, and nothing else is touched", () => {
    const answers = [{ label: "8, as usual with you", text: "few (8)" }];
    const v = read("tail few fibres\nbody fur", { marks: [], questions: [question([5, 8], "How many?", answers)] });
    boxes()[0]?.querySelector("button")?.click();
    expect(textOf(v)).toBe("tail few (8) fibres\nbody fur");
  });

  test("an answer finds its place where something was typed since it was asked", () => {
    const answers = [{ label: "8", text: "8" }];
    const v = read("tail few fibres", { marks: [], questions: [question([5, 8], "How many?", answers)] });
    v.dispatch({ changes: { from: 0, insert: "Olive " }, selection: { anchor: 6 } });
    v.dispatch({ changes: { from: 0, to: 5, insert: "Dark olive" }, selection: { anchor: 4 } });
    boxes()[0]?.querySelector("button")?.click();
    expect(textOf(v)).toBe("Dark olive tail 8 fibres");
  });

  test("moves with the text until it is read anew", () => {
    const v = read("tail 6", { marks: [{ at: [0, 4], kind: "known" }], questions: [] });
    v.dispatch({ changes: { from: 0, insert: "Olive " } });
    expect(v.dom.querySelector(".cm-known")?.textContent).toBe("tail");
  });

  test("that comes late, of a longer text, marks what is left of it", () => {
    const v = read("tail", {
      marks: [
        { at: [0, 40], kind: "doubt" },
        { at: [30, 40], kind: "aside" },
      ],
      questions: [question([90, 95], "Of what?")],
    });
    expect(v.dom.querySelector(".cm-doubt")?.textContent).toBe("tail");
    expect(v.dom.querySelector(".cm-aside")).toBeNull();
    expect(boxes()).toHaveLength(1);
  });
});

describe("what may be meant by what is typed", () => {
  const offers: TextOffers = {
    from: 5,
    offers: [{ label: "copper wire", note: "C4", text: "copper wire, fine", first: true }, { label: "copper bead" }],
  };
  const offered = async (found: TextOffers | undefined): Promise<string[]> => {
    const asked: [string, number][] = [];
    const v = editor("rib: cop", [completeBy((text, at) => (asked.push([text, at]), found))], 8);
    v.focus();
    startCompletion(v);
    await soon(() => expect(completionStatus(v.state)).not.toBe("pending"));
    expect(asked[0]).toEqual(["rib: cop", 8]);
    return currentCompletions(v.state).map((c) => c.label);
  };

  test("is told by the text and the place in it; what fits best comes first", async () => {
    expect(await offered(offers)).toEqual(["copper wire", "copper bead"]);
    const turned = { ...offers, offers: [...offers.offers].reverse() };
    expect(await offered(turned)).toEqual(["copper wire", "copper bead"]);
  });

  test.each([
    ["nothing is meant", undefined],
    ["nothing is there to be meant", { from: 5, offers: [] }],
  ])("none, where %s", async (_name, found) => expect(await offered(found)).toEqual([]));
});

describe("lines of a recipe", () => {
  const lines = "bead\ntail\nbody\nhead";
  test.each([
    ["down over one", 2, 4, "bead\nbody\ntail\nhead"],
    ["to the very end", 1, 5, "tail\nbody\nhead\nbead"],
    ["to the very beginning", 4, 1, "head\nbead\ntail\nbody"],
    ["up over one", 3, 2, "bead\nbody\ntail\nhead"],
  ])("are moved %s, and the cursor goes along", (_name, from, before, wanted) => {
    const v = editor(lines);
    moveLine(v, from, before);
    expect(textOf(v)).toBe(wanted);
    const moved = lines.split("\n")[from - 1] ?? "";
    expect(v.state.doc.lineAt(v.state.selection.main.head).text).toBe(moved);
  });

  test.each([
    ["before itself", 2, 2],
    ["behind itself", 2, 3],
  ])("that go %s change nothing, and are nothing to undo", (_name, from, before) => {
    let changes = 0;
    const v = editor(lines, [EditorView.updateListener.of((u) => void (changes += Number(u.docChanged)))]);
    moveLine(v, from, before);
    expect(textOf(v)).toBe(lines);
    expect(changes).toBe(0);
  });

  test("have a handle with their number, which counts anew when one comes between", () => {
    const v = editor("bead\ntail", [lineHandles()]);
    const numbers = () => [...v.dom.querySelectorAll(".cm-handle")].map((h) => h.textContent);
    expect(numbers()).toEqual(["1", "2"]);
    v.dispatch({ changes: { from: 4, insert: "\nrib" } });
    expect(numbers()).toEqual(["1", "2", "3"]);
  });
});
