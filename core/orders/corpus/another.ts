import type { Catalogue } from "../types";
const named = (...names: string[]) => names.map((name) => ({ id: name, name }));
/** Another book, of flies that share their nouns; for texts that were written after the reader. */
export const anotherCatalogue: Catalogue = {
  today: "2026-11-26",
  patterns: [
    {
      id: "hnymph",
      name: "Harbour Nymph",
      sizes: { from: "10", to: "18" },
      variants: named("olive", "brown", "black"),
      forms: named("weighted", "unweighted"),
    },
    {
      id: "bnymph",
      name: "Barrel Nymph",
      sizes: { from: "8", to: "14" },
      variants: named("hare", "claret"),
      forms: named("tungsten bead", "brass bead", "unweighted"),
    },
    {
      id: "bsedge",
      name: "Boathouse Sedge",
      sizes: { from: "10", to: "16" },
      variants: named("tan", "grey", "black"),
      forms: named("standard"),
    },
    {
      id: "dsedge",
      name: "Dusk Sedge",
      sizes: { from: "12", to: "18" },
      variants: named("cinnamon"),
      forms: named("standard"),
    },
    {
      id: "ghost",
      name: "Pontoon Ghost",
      sizes: { from: "2", to: "4/0" },
      variants: named("white", "white/red", "black"),
      forms: named("standard"),
    },
    {
      id: "hopper",
      name: "Meadow Hopper",
      sizes: { from: "6", to: "12" },
      variants: named("yellow", "green", "tan"),
      forms: named("standard"),
    },
    {
      id: "midge",
      name: "Glass Midge",
      sizes: { from: "16", to: "24" },
      variants: named("red", "olive", "black", "cream"),
      forms: named("standard"),
    },
    {
      id: "wet",
      name: "Bailiff",
      sizes: { from: "8", to: "14" },
      variants: named("claret", "green"),
      forms: named("standard"),
    },
    {
      id: "emerger",
      name: "Half Past Six",
      sizes: { from: "12", to: "18" },
      variants: named("olive", "grey"),
      forms: named("standard"),
    },
  ],
  customers: [
    { id: "stone", name: "Stonecrop Outfitters" },
    { id: "fern", name: "Fernhill Lodge" },
    { id: "otter", name: "Otter Creek Anglers" },
    { id: "bruno", name: "Bruno Kessel" },
    { id: "mar", name: "Margit Osterfeld" },
    { id: "pike", name: "Pike & Perch" },
  ],
  seasons: [
    { name: "opening day", date: "2027-04-01" },
    { name: "mayfly weeks", date: "2027-05-20" },
    { name: "pike opening", date: "2027-05-15" },
  ],
  numberWords: {},
};
