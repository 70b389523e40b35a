import { DomainError } from "../errors";

/** What the core refuses, with its details; undefined when it does not. Anything else that is thrown is thrown on. */
export function refusalOf(run: () => unknown): DomainError | undefined {
  try {
    run();
  } catch (error) {
    if (error instanceof DomainError) return error;
    throw error;
  }
  return undefined;
}
/** Its code alone, or "no error". */
export const codeOf = (run: () => unknown): string => refusalOf(run)?.code ?? "no error";
