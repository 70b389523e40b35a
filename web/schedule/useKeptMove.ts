import type { Ref } from "vue";
import { pinBatch, splitTying, unpinBatch, type Plan } from "@kasten/contract/schedule";
import { useChange } from "../parts/useChange";

/** What of a move is tried, as far as it matters when it is kept. */
export interface Tried {
  plan: Readonly<Ref<Plan | undefined>>;
  batch: Readonly<Ref<Plan["batches"][number] | undefined>>;
  person: Readonly<Ref<string>>;
  /** Whoever ties half of it; empty where it is not split. */
  other: Readonly<Ref<string>>;
  /** The minute of the plan from which it is done as tried. */
  minute: () => number | undefined;
}

/** Two halves of some flies, the first in whole dozens where there are several. */
export function halvesOf(flies: number, [a, b]: [string, string]): { person: string; flies: number }[] {
  const half = flies >= 24 ? Math.round(flies / 24) * 12 : Math.ceil(flies / 2);
  const first = Math.min(flies - 1, half);
  return [
    { person: a, flies: first },
    { person: b, flies: flies - first },
  ];
}

/** Keeps what was tried, or gives a batch back to the plan; `leave` is called when it is done. */
export function useKeptMove({ plan, batch, person, other, minute }: Tried, leave: () => void) {
  const { busy, refusal, send } = useChange();
  const acceptSplit = async (): Promise<void> => {
    if (!batch.value || !other.value) return;
    const shares = halvesOf(batch.value.left, [person.value, other.value]);
    const said = `Batch ${batch.value.number} is shared out`;
    if (await send(splitTying, { params: { id: batch.value.id }, body: { shares } }, said)) leave();
  };
  const accept = async (isTimed: boolean): Promise<void> => {
    if (!plan.value || !batch.value) return;
    const from = minute() ?? plan.value.now;
    const at = isTimed ? new Date(Date.parse(plan.value.origin) + from * 60_000).toISOString() : null;
    const said = `Batch ${batch.value.number} is planned so`;
    if (await send(pinBatch, { params: { id: batch.value.id }, body: { person: person.value, at } }, said)) leave();
  };
  const unpin = async (): Promise<void> => {
    if (!batch.value) return;
    const said = `Batch ${batch.value.number} is left to the plan`;
    if (await send(unpinBatch, { params: { id: batch.value.id } }, said)) leave();
  };
  return { busy, refusal, acceptSplit, accept, unpin };
}
