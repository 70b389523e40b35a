import { createRouter, createWebHistory } from "vue-router";

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
] as const;

export const router = createRouter({
  history: createWebHistory(),
  scrollBehavior: (_to, _from, saved) => saved ?? { top: 0 },
  routes: [
    { path: "/", redirect: "/orders" },
    { path: "/orders", name: "orders", component: () => import("./orders/OrdersView.vue") },
    { path: "/orders/:id", name: "order", component: () => import("./orders/OrderPage.vue"), props: true },
    { path: "/batches", name: "batches", component: () => import("./batches/BatchesView.vue") },
    { path: "/batches/:id", name: "batch", component: () => import("./batches/BatchPage.vue"), props: true },
    { path: "/batches/:id/sheet", name: "sheet", component: () => import("./batches/PullSheet.vue"), props: true },
    { path: "/batches/:id/card", name: "card", component: () => import("./batches/BenchCard.vue"), props: true },
    { path: "/materials", name: "materials", component: () => import("./materials/MaterialsView.vue") },
    { path: "/plan", name: "plan", component: () => import("./schedule/PlanView.vue") },
    { path: "/bench", name: "bench", component: () => import("./bench/BenchView.vue") },
    { path: "/bench/:id", name: "tally", component: () => import("./bench/TallyPage.vue"), props: true },
    { path: "/box", name: "box", component: () => import("./box/BoxView.vue") },
    { path: "/patterns", name: "patterns", component: () => import("./patterns/PatternsView.vue") },
    { path: "/patterns/new", name: "new pattern", component: () => import("./patterns/EditorPage.vue") },
    {
      path: "/patterns/:id/edit",
      name: "edit pattern",
      component: () => import("./patterns/EditorPage.vue"),
      props: true,
    },
    { path: "/patterns/:id", name: "pattern", component: () => import("./patterns/PatternPage.vue"), props: true },
    { path: "/stock", name: "stock", component: () => import("./stock/StockView.vue") },
    { path: "/stock/:id", name: "material", component: () => import("./stock/StockPage.vue"), props: true },
    { path: "/hooks", name: "hooks", component: () => import("./hooks/HooksView.vue") },
    { path: "/people", name: "people", component: () => import("./team/PeopleView.vue") },
    { path: "/book", name: "book", component: () => import("./book/BookView.vue") },
    { path: "/:rest(.*)*", component: () => import("./frame/NotHere.vue") },
  ],
});
