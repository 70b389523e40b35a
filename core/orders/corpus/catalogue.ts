import type { Catalogue } from "../types";

const named = (...names: string[]): { id: string; name: string }[] => names.map((name) => ({ id: name, name }));

/** The book, the customers and the seasons that the texts of the corpus are written to. */
export const catalogue: Catalogue = {
  today: "2026-11-23",
  patterns: [
    {
      id: "lodger",
      name: "Copper Lodger",
      sizes: { from: "10", to: "16" },
      variants: named("olive", "rust", "grey"),
      forms: named("weighted", "unweighted"),
    },
    {
      id: "wisp",
      name: "Slate Wisp",
      sizes: { from: "10", to: "18" },
      variants: named("slate", "amber"),
      forms: named("standard"),
    },
    {
      id: "wharf",
      name: "Wharf Lantern",
      sizes: { from: "2", to: "3/0" },
      variants: named("pearl", "ember"),
      forms: named("standard"),
    },
    {
      id: "pupa",
      name: "Tar Pupa",
      sizes: { from: "12", to: "20" },
      variants: named("red", "black", "olive"),
      forms: named("standard"),
    },
    {
      id: "pilot",
      name: "Old Pilot",
      sizes: { from: "8", to: "14" },
      variants: named("brown"),
      forms: named("standard"),
    },
  ],
  customers: [
    { id: "mere", name: "Hollow Mere Lodge" },
    { id: "quay", name: "Quayhead Tackle" },
    { id: "weirs", name: "Three Weirs Fly Club" },
    { id: "ida", name: "Ida Pellworth" },
  ],
  seasons: [
    { name: "ice-out", date: "2027-03-28" },
    { name: "char run", date: "2027-04-18" },
  ],
  numberWords: { couple: 2 },
};
