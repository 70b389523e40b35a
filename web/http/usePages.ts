import { useInfiniteQuery, type EntryKey } from "@pinia/colada";
import { computed } from "vue";
import { tellUnread } from "./useRead";

/**
 * A list that the server hands out by pages: those read so far, and the next one on demand. When something has
 * changed, all pages that are shown are read again, one after another, so that none is left from before.
 */
export function usePages<Page extends { next: string | null }, Row>(options: {
  key: () => EntryKey;
  read: (cursor: string | undefined) => Promise<Page>;
  rows: (page: Page) => Row[];
}) {
  const found = useInfiniteQuery<Page, Error, string | undefined>(() => ({
    key: options.key(),
    initialPageParam: undefined,
    query: ({ pageParam }) => options.read(pageParam),
    getNextPageParam: (last) => last.next,
  }));
  tellUnread(found.error, found.refetch);
  const pages = computed(() => found.data.value?.pages ?? []);
  return {
    rows: computed(() => pages.value.flatMap(options.rows)),
    first: computed(() => pages.value[0]),
    isEmpty: computed(() => pages.value[0] !== undefined && options.rows(pages.value[0]).length === 0),
    more: computed(() => pages.value.at(-1)?.next != null),
    loading: computed(() => found.asyncStatus.value === "loading"),
    showMore: () => found.loadNextPage(),
  };
}
