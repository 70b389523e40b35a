import { debounceFilter, useDebouncedRefHistory, useEventListener, useStorage } from "@vueuse/core";
import { markRaw, toRaw } from "vue";
import { emptyDraft, type Draft } from "./draft";

const KEEP_AFTER_MS = 150;
const KEEP_AT_LATEST_MS = 600;
const UNDO_AFTER_MS = 400;
const MOST_UNDONE = 60;

/**
 * A draft whose long lists nobody watches into: each is only ever replaced whole, and to look through them all at every
 * key would take longer than to draw the fly.
 */
export function inWholes(draft: Draft): Draft {
  const { lines, past, recipe } = draft;
  for (const list of [lines, past, recipe.steps, recipe.components]) markRaw(list);
  return draft;
}
const copied = (draft: Draft): Draft => inWholes(JSON.parse(JSON.stringify(draft)) as Draft);

/** The draft of a pattern as it is kept in this browser until it is saved, with what can be undone of it. */
export function useKeptDraft(id: string, initial: () => Draft) {
  const key = `kasten.draft.${id}`;
  /** Saved and let go: nothing more is kept of it. */
  let gone = false;
  const later = debounceFilter(KEEP_AFTER_MS, { maxWait: KEEP_AT_LATEST_MS });
  const draft = useStorage<Draft>(key, initial(), undefined, {
    deep: true,
    eventFilter: (invoke, options) => later(() => (gone ? undefined : invoke()), options),
  });
  // What was kept by a version that had no text is taken up as far as it has the same parts.
  if (typeof draft.value.text !== "string") draft.value = { ...emptyDraft(), ...initial() };
  inWholes(toRaw(draft.value));
  // What was typed in the last moment before the page goes is kept too, unless the draft was saved and let go.
  useEventListener(window, "pagehide", () => {
    if (!gone) localStorage.setItem(key, JSON.stringify(draft.value));
  });
  const letGo = (): void => {
    gone = true;
    localStorage.removeItem(key);
  };
  const { undo, redo, canUndo, canRedo } = useDebouncedRefHistory(draft, {
    deep: true,
    clone: copied,
    debounce: UNDO_AFTER_MS,
    capacity: MOST_UNDONE,
  });
  return { draft, letGo, undo, redo, canUndo, canRedo };
}
