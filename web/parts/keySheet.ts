import { defineStore } from "pinia";
import { computed, onScopeDispose, shallowReactive } from "vue";

/** A key of the screen that is open, and what it does. */
export interface ScreenKey {
  keys: string[];
  does: string;
}

/** The keys that act just now, told by the screens and parts that hear them. */
export const useKeySheet = defineStore("keys", () => {
  const told = shallowReactive(new Map<symbol, ScreenKey[]>());
  const all = computed(() => {
    const seen = new Set<string>();
    return [...told.values()].flat().filter((k) => {
      const id = `${k.keys.join()} ${k.does}`;
      return !seen.has(id) && seen.add(id);
    });
  });
  return { told, all };
});

/** Tells the keys of a screen for as long as it is there. */
export function tellKeys(keys: ScreenKey[]): void {
  const { told } = useKeySheet();
  const id = Symbol("screen");
  told.set(id, keys);
  onScopeDispose(() => told.delete(id));
}

/** A key that belongs to the field or the editor it was pressed in, not to the screen. */
export const isTyped = (e: KeyboardEvent): boolean =>
  e.target instanceof HTMLElement && (/^(INPUT|TEXTAREA|SELECT)$/.test(e.target.tagName) || e.target.isContentEditable);
