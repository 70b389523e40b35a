import { autocompletion, type CompletionContext, type CompletionResult } from "@codemirror/autocomplete";
import type { Extension } from "@codemirror/state";
import type { TextOffers } from "./types";

const FIRST = 50;

/** Completion by what the place in the text allows; the text decides, the editor only shows. */
export function completeBy(offersAt: (text: string, at: number) => TextOffers | undefined): Extension {
  const source = (context: CompletionContext): CompletionResult | null => {
    const found = offersAt(context.state.doc.toString(), context.pos);
    if (!found || found.offers.length === 0) return null;
    if (found.from === context.pos && !context.explicit) return null;
    return {
      from: found.from,
      options: found.offers.map((o) => ({
        label: o.label,
        detail: o.note,
        apply: o.text ?? o.label,
        boost: o.first ? FIRST : 0,
      })),
    };
  };
  return autocompletion({ override: [source], icons: false, maxRenderedOptions: 40, tooltipClass: () => "options" });
}
