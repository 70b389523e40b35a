import { inject } from "vitest";

declare module "vitest" {
  interface ProvidedContext {
    thorough: boolean;
  }
}

/**
 * Whether `npm run fuzz` asks: what takes minutes runs at its full size there, and at a share of it in `npm test`.
 * It is for tests alone, and so does not stand at the door of this folder.
 */
export const thorough = inject("thorough");
