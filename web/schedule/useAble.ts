import { ref } from "vue";

/** Who could do a piece of work: asked for one at a time, and an answer that comes too late is dropped. */
export function useAble(choicesOf: (operation: string) => Promise<string[]>) {
  const able = ref<string[]>([]);
  let isAsking = false;
  let turn = 0;
  /** Asks for one; whatever was asked before is of no account any more. */
  async function ask(operation: string): Promise<void> {
    able.value = [];
    isAsking = true;
    const mine = ++turn;
    try {
      const found = await choicesOf(operation);
      if (mine === turn) able.value = found;
    } finally {
      if (mine === turn) isAsking = false;
    }
  }
  function drop(): void {
    turn++;
    isAsking = false;
  }
  return { able, ask, drop, isAsking: (): boolean => isAsking };
}
