import { debounceFilter, useDebouncedRefHistory, useEventListener, useStorage } from "@vueuse/core";
import { emptyDraft, type Draft } from "./draft";

const KEEP_AFTER_MS = 150;
const KEEP_AT_LATEST_MS = 600;
const UNDO_AFTER_MS = 400;
const MOST_UNDONE = 60;

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
    debounce: UNDO_AFTER_MS,
    capacity: MOST_UNDONE,
  });
  return { draft, letGo, undo, redo, canUndo, canRedo };
}
