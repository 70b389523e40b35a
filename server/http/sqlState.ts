interface FromDriver {
  code?: string;
  driverError?: { code?: string };
}

/** What PostgreSQL calls an error, if it is one of its. */
export function sqlState(error: unknown): string | undefined {
  if (!(error instanceof Error)) return undefined;
  const { driverError, code }: Error & FromDriver = error;
  return driverError?.code ?? code;
}
