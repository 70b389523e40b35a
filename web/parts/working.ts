import { defineStore } from "pinia";
import { ref } from "vue";
import type { Working } from "@kasten/contract/materials";

/** The panel that shows how a number came to be. One at a time, for the whole application. */
export const useWorking = defineStore("working", () => {
  const title = ref("");
  const words = ref("");
  const working = ref<Working | null>(null);
  const fly = ref<{ pattern: string; size: string; variant: string; form: string } | null>(null);
  let opener: HTMLElement | null = null;
  function show(what: {
    title: string;
    words: string;
    working: Working;
    fly?: { pattern: string; size: string; variant: string; form: string };
  }): void {
    opener = document.activeElement instanceof HTMLElement ? document.activeElement : null;
    title.value = what.title;
    words.value = what.words;
    working.value = what.working;
    fly.value = what.fly ?? null;
  }
  function close(): void {
    working.value = null;
    opener?.focus();
  }
  return { title, words, working, fly, show, close };
});
