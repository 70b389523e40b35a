import type { RecipeReading } from "@kasten/core/words";
import { threadOf } from "../parts/thread";
import type { Room } from "./draft";

/** Begins a thread that reads recipes beside the page. */
export const startReader = () =>
  threadOf<Room, RecipeReading>(new Worker(new URL("./recipe.worker.ts", import.meta.url), { type: "module" }));
