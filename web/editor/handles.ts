import type { Extension } from "@codemirror/state";
import { Decoration, EditorView, GutterMarker, gutter, type DecorationSet } from "@codemirror/view";
import { StateEffect, StateField } from "@codemirror/state";

/** A line's number, by which it is taken hold of. */
class Handle extends GutterMarker {
  constructor(readonly number: number) {
    super();
  }
  override eq(other: Handle): boolean {
    return other.number === this.number;
  }
  override toDOM(): Node {
    const handle = document.createElement("span");
    handle.className = "cm-handle";
    handle.title = "Drag to move the line; Alt and an arrow key move it, too";
    handle.textContent = String(this.number);
    return handle;
  }
}

const setDrop = StateEffect.define<number | undefined>();
/** Where a line that is being moved would go. */
const dropField = StateField.define<DecorationSet>({
  create: () => Decoration.none,
  update(shown, transaction) {
    const said = transaction.effects.find((e) => e.is(setDrop));
    if (!said) return shown.map(transaction.changes);
    const at = said.value as number | undefined;
    return at === undefined
      ? Decoration.none
      : Decoration.set([Decoration.line({ class: "cm-drop-before" }).range(at)]);
  },
  provide: (field) => EditorView.decorations.from(field),
});

/** Number of the line over which the pointer is, from 1; one more than there are where it is below them. */
function lineUnder(view: EditorView, y: number): number {
  const block = view.lineBlockAtHeight(y - view.documentTop);
  const line = view.state.doc.lineAt(block.from);
  return y - view.documentTop > block.top + block.height / 2 ? line.number + 1 : line.number;
}

/** Moves a line before another; both are numbered from 1. */
export function moveLine(view: EditorView, from: number, before: number): void {
  if (before === from || before === from + 1) return;
  const lines = view.state.doc.toString().split("\n");
  const [moved] = lines.splice(from - 1, 1);
  const to = before > from ? before - 2 : before - 1;
  lines.splice(to, 0, moved ?? "");
  const anchor = lines.slice(0, to).reduce((sum, l) => sum + l.length + 1, 0);
  view.dispatch({
    changes: { from: 0, to: view.state.doc.length, insert: lines.join("\n") },
    selection: { anchor },
    userEvent: "move.line",
  });
}

/** Handles before the lines: a line is dragged by them to another place, by mouse or by touch. */
export function lineHandles(): Extension {
  const begin = (view: EditorView, from: number): void => {
    let before = from;
    const move = (e: PointerEvent): void => {
      before = lineUnder(view, e.clientY);
      const { doc } = view.state;
      view.dispatch({ effects: setDrop.of(before > doc.lines ? undefined : doc.line(before).from) });
      e.preventDefault();
    };
    const end = (): void => {
      window.removeEventListener("pointermove", move);
      view.dispatch({ effects: setDrop.of(undefined) });
      moveLine(view, from, before);
    };
    window.addEventListener("pointermove", move);
    window.addEventListener("pointerup", end, { once: true });
  };
  return [
    dropField,
    gutter({
      class: "cm-handles",
      lineMarker: (view, line) => new Handle(view.state.doc.lineAt(line.from).number),
      lineMarkerChange: (update) => update.docChanged,
      domEventHandlers: {
        pointerdown: (view, line, event) => {
          begin(view, view.state.doc.lineAt(line.from).number);
          event.preventDefault();
          return true;
        },
      },
    }),
  ];
}
