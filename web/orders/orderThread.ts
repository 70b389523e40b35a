import type { Catalogue, ReadOrder } from "@kasten/core/orders";
import { threadOf } from "../parts/thread";

/** Begins a thread that reads orders beside the page. */
export const startReader = () =>
  threadOf<Catalogue, ReadOrder>(new Worker(new URL("./order.worker.ts", import.meta.url), { type: "module" }));
