import pg from "pg";

/**
 * A connection whose loss ends no program. It may be cut in the very moment in which it goes from the pool to whoever
 * asked: nobody listens then, and an error that nobody hears would stop the server. Whoever uses it is told by the
 * statement that fails.
 */
export class SteadyClient extends pg.Client {
  constructor(config?: string | pg.ClientConfig) {
    super(config);
    this.on("error", () => undefined);
  }
}
