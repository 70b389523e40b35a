import MiniSearch from "minisearch";
import { computed, reactive, watch } from "vue";
import { sizeNumber, sizeWithin } from "@kasten/core/hooks";
import { listPeople } from "@kasten/contract/team";
import { listStock } from "@kasten/contract/stock";
import type { PatternEntry } from "@kasten/contract/patterns";
import { call, useRead } from "../http";
import { useCatalogue } from "./catalogue";

/** The recipe book: found by words, narrowed by style, size, drawer, material and person. */
export function useBook() {
  const { data, materials } = useCatalogue();
  const people = useRead({ key: ["people"], query: () => call(listPeople) });
  const stock = useRead({ key: ["stock"], query: () => call(listStock) });
  const wanted = reactive({ words: "", style: "", size: "", drawer: "", material: "", person: "", onHand: false });

  const index = computed(() => {
    const search = new MiniSearch<PatternEntry>({
      fields: ["name", "style", "species", "origin", "colours", "materials"],
      idField: "id",
      extractField: (p, field) => {
        if (field === "colours") return p.variants.map((v) => v.name).join(" ");
        if (field === "materials") return p.materials.map((code) => materials.value.get(code)?.name ?? "").join(" ");
        return String(p[field as "id" | "name" | "style" | "species" | "origin"]);
      },
      searchOptions: {
        prefix: true,
        fuzzy: (term) => (term.length > 4 ? 1 : false),
        maxFuzzy: 1,
        combineWith: "AND",
        boost: { name: 4, style: 2 },
      },
    });
    search.addAll(data.value?.patterns ?? []);
    return search;
  });
  // Built before anybody types, so that the first letter does not wait for it.
  watch(index, () => undefined, { immediate: true });
  const byId = computed(() => new Map((data.value?.patterns ?? []).map((p) => [p.id, p])));
  /** Materials with something free in a drawer. */
  const held = computed(
    () =>
      new Map((stock.data.value?.items ?? []).filter((i) => i.quantity > i.reserved).map((i) => [i.code, i.drawer])),
  );
  const drawers = computed(() => [...new Set(held.value.values())].sort());
  const styles = computed(() => [...new Set((data.value?.patterns ?? []).map((p) => p.style))].sort());
  const sizes = computed(() => {
    const numbers = (data.value?.patterns ?? []).flatMap((p) =>
      p.sizes.from && p.sizes.to ? [sizeNumber(p.sizes.from), sizeNumber(p.sizes.to)] : [],
    );
    if (numbers.length === 0) return [];
    const [low, high] = [Math.min(...numbers), Math.max(...numbers)];
    return Array.from({ length: high - low + 1 }, (_, i) => low + i)
      .filter((n) => n < 4 || n % 2 === 0)
      .map((n) => (n >= 1 ? String(n) : `${1 - n}/0`));
  });

  const narrowed = computed(() => Object.values(wanted).some((v) => v !== "" && v !== false));
  const found = computed<PatternEntry[]>(() => {
    const words = wanted.words.trim();
    if (words === "") return data.value?.patterns ?? [];
    return index.value.search(words).flatMap((hit) => byId.value.get(String(hit.id)) ?? []);
  });
  /** How many of a pattern's materials lie in the chosen drawer. */
  const inDrawer = (p: PatternEntry): number =>
    p.materials.filter((code) => held.value.get(code) === wanted.drawer).length;
  const list = computed<PatternEntry[]>(() => {
    if (
      !narrowed.value ||
      (!wanted.style && !wanted.size && !wanted.person && !wanted.material && !wanted.onHand && !wanted.drawer)
    )
      return found.value;
    const person = people.data.value?.people.find((p) => p.id === wanted.person);
    const entries = found.value
      .filter(
        (p) =>
          (!wanted.style || p.style === wanted.style) &&
          (!wanted.size || (p.sizes.from !== "" && sizeWithin(wanted.size, p.sizes))),
      )
      .filter((p) => !person || (p.missing.length === 0 && p.skills.every((s) => person.skills.includes(s))))
      .filter((p) => !wanted.material || p.materials.includes(wanted.material))
      .filter(
        (p) =>
          !wanted.onHand ||
          (p.missing.length === 0 &&
            p.materials.some((code) => held.value.has(code)) &&
            p.materials.every((code) => held.value.has(code))),
      );
    if (!wanted.drawer) return entries;
    const share = new Map(entries.map((p) => [p.id, inDrawer(p) / Math.max(1, p.materials.length)]));
    return entries
      .filter((p) => (share.get(p.id) ?? 0) > 0)
      .sort((a, b) => (share.get(b.id) ?? 0) - (share.get(a.id) ?? 0));
  });
  const clear = (): void =>
    void Object.assign(wanted, { words: "", style: "", size: "", drawer: "", material: "", person: "", onHand: false });
  const tiers = computed(() => (people.data.value?.people ?? []).filter((p) => p.role !== "shop"));
  const usedMaterials = computed(() =>
    [...new Set((data.value?.patterns ?? []).flatMap((p) => p.materials))]
      .flatMap((code) => materials.value.get(code) ?? [])
      .sort((a, b) => a.name.localeCompare(b.name)),
  );
  return { data, wanted, list, inDrawer, styles, sizes, drawers, tiers, usedMaterials, narrowed, clear };
}
