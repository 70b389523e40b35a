import { StateEffect, StateField, type ChangeDesc, type EditorState } from "@codemirror/state";
import { Decoration, EditorView, WidgetType, type DecorationSet } from "@codemirror/view";
import type { TextMark, TextQuestion } from "./types";

/** What was read of the text as it stands: it comes after each change, and is moved with the text until it does. */
export interface Reading {
  marks: TextMark[];
  questions: TextQuestion[];
}
export const setReading = StateEffect.define<Reading>();

const within = ([from, to]: [number, number], length: number): [number, number] => [
  Math.max(0, Math.min(from, length)),
  Math.max(0, Math.min(to, length)),
];

class QuestionBox extends WidgetType {
  constructor(
    readonly question: TextQuestion,
    readonly number: number,
    readonly all: number,
  ) {
    super();
  }
  override eq(other: QuestionBox): boolean {
    return (
      JSON.stringify([this.question, this.number, this.all]) ===
      JSON.stringify([other.question, other.number, other.all])
    );
  }
  override toDOM(view: EditorView): HTMLElement {
    const box = document.createElement("div");
    box.className = "cm-question";
    box.setAttribute("role", "group");
    box.setAttribute("aria-label", "Question");
    const words = document.createElement("span");
    words.textContent = this.question.sentence;
    box.append(words);
    for (const answer of this.question.answers) {
      const button = document.createElement("button");
      button.type = "button";
      button.className = "btn !min-h-8";
      button.textContent = answer.label;
      button.addEventListener("mousedown", (e) => e.preventDefault());
      button.addEventListener("click", () => {
        // What was typed since it was asked may have moved its place.
        const { since } = view.state.field(readingField);
        const [begin, end] = within(this.question.at, since ? since.length : view.state.doc.length);
        const [from, to] = since ? [since.mapPos(begin), since.mapPos(end)] : [begin, end];
        view.dispatch({ changes: { from, to, insert: answer.text }, userEvent: "input.answer" });
        view.focus();
      });
      box.append(button);
    }
    if (this.all > 1) {
      const left = document.createElement("span");
      left.className = "cm-question-of";
      left.textContent = `${this.number} of ${this.all} questions`;
      box.append(left);
    }
    return box;
  }
  override ignoreEvent = (): boolean => true;
}

/** The question that the cursor stands at, else the first one: never more than one at a time. */
const asked = ({ questions }: Reading, at: number): number => {
  const here = questions.findIndex((q) => q.at[0] <= at && at <= q.at[1] && q.at[1] > q.at[0]);
  return here === -1 ? 0 : here;
};

function decorationsOf(state: EditorState, reading: Reading): DecorationSet {
  const marks = reading.marks.flatMap((m) => {
    const [from, to] = within(m.at, state.doc.length);
    const attributes = m.label ? { title: m.label } : undefined;
    return to > from ? [Decoration.mark({ class: `cm-${m.kind}`, attributes }).range(from, to)] : [];
  });
  const number = asked(reading, state.selection.main.head);
  const question = reading.questions[number];
  const line = question && state.doc.lineAt(within(question.at, state.doc.length)[1]);
  const box =
    question && line
      ? [
          Decoration.widget({
            widget: new QuestionBox(question, number + 1, reading.questions.length),
            block: true,
            side: 1,
          }).range(line.to),
        ]
      : [];
  return Decoration.set([...marks, ...box], true);
}

const nothing: Reading = { marks: [], questions: [] };

/** The reading beside the text, as quiet lines below what is understood and one question at its place. */
export const readingField = StateField.define<{ reading: Reading; since?: ChangeDesc; shown: DecorationSet }>({
  create: () => ({ reading: nothing, shown: Decoration.none }),
  update({ reading, since, shown }, transaction) {
    const said = transaction.effects.find((e) => e.is(setReading));
    if (said?.is(setReading)) return { reading: said.value, shown: decorationsOf(transaction.state, said.value) };
    if (transaction.docChanged) {
      const changes = since ? since.composeDesc(transaction.changes.desc) : transaction.changes.desc;
      return { reading, since: changes, shown: shown.map(transaction.changes) };
    }
    // Where something was typed since, it is shown anew once that is read.
    if (transaction.selection && !since) return { reading, shown: decorationsOf(transaction.state, reading) };
    return { reading, since, shown };
  },
  provide: (field) => EditorView.decorations.from(field, (of) => of.shown),
});
