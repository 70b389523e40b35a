import { useQuery, type UseQueryOptions } from "@pinia/colada";
import { onScopeDispose, shallowReactive, watch, type Ref } from "vue";
import { Refusal } from "./client";

/** What a part of the screen asked for and was refused, with how to ask again. */
export interface Unread {
  refusal: Refusal;
  again: () => unknown;
}

/** Of all that is on the screen now; the frame shows it. Written here only. */
export const unread = shallowReactive(new Map<symbol, Unread>());

/** Tells the frame of a read that is refused, for as long as what asked for it is on the screen. */
export function tellUnread(error: Ref<unknown>, again: () => unknown): void {
  const mine = Symbol();
  watch(
    error,
    (now) => {
      if (now instanceof Refusal) unread.set(mine, { refusal: now, again });
      else unread.delete(mine);
    },
    { immediate: true },
  );
  onScopeDispose(() => unread.delete(mine));
}

/**
 * A read that a screen shows, kept in the cache under its key. Where the server refuses it the frame says so, so that
 * no list is empty without a word. Only the page of a single thing asks with `useQuery` itself: it says what is wrong
 * where the thing would stand, with the way back to its list.
 */
export function useRead<Data>(options: UseQueryOptions<Data>) {
  const read = useQuery(options);
  tellUnread(read.error, read.refetch);
  return read;
}
