/** Along the bench: the stations of the work, in their order. */
export const stations = [
  { name: "orders", path: "/orders", label: "Orders", key: "1" },
  { name: "batches", path: "/batches", label: "Batches", key: "2" },
  { name: "materials", path: "/materials", label: "Materials", key: "3" },
  { name: "plan", path: "/plan", label: "Plan", key: "4" },
  { name: "bench", path: "/bench", label: "Bench", key: "5" },
  { name: "box", path: "/box", label: "Box", key: "6" },
] as const;

/** Into the cabinet: what the work draws on. */
export const drawers = [
  { name: "patterns", path: "/patterns", label: "Patterns" },
  { name: "stock", path: "/stock", label: "Stock" },
  { name: "hooks", path: "/hooks", label: "Hooks" },
  { name: "people", path: "/people", label: "People" },
  { name: "book", path: "/book", label: "Book" },
  { name: "room", path: "/room", label: "Room" },
] as const;
