import type { Request, Response } from "express";
import pg from "pg";
import type { Logger } from "pino";

/**
 * Live updates: what the database tells (LISTEN) goes to every open page (server-sent events).
 * One connection for the whole server; when it is lost it is made anew, and pages are told to look again.
 */
export class Live {
  private readonly pages = new Set<Response>();
  private client?: pg.Client;
  private closed = false;
  private timer?: NodeJS.Timeout;

  constructor(
    private readonly url: string,
    private readonly log: Logger,
  ) {}

  async open(): Promise<void> {
    if (this.closed) return;
    const client = new pg.Client({ connectionString: this.url, connectionTimeoutMillis: 2000 });
    const lost = (error?: Error) => this.lost(client, error);
    client.on("error", lost);
    client.on("end", () => lost());
    client.on("notification", (n) => this.tell("change", n.payload ?? "{}"));
    try {
      await client.connect();
      await client.query("LISTEN kasten");
      this.client = client;
      this.tell("look", "{}");
    } catch (error) {
      this.lost(client, error as Error);
    }
  }

  private lost(client: pg.Client, error?: Error): void {
    if (this.closed || this.timer || (this.client && this.client !== client)) return;
    this.client = undefined;
    this.log.warn({ error: error?.message }, "live updates wait for the database");
    this.tell("away", "{}");
    this.timer = setTimeout(() => {
      this.timer = undefined;
      void this.open();
    }, 500);
  }

  private tell(kind: string, data: string): void {
    for (const page of this.pages) page.write(`event: ${kind}\ndata: ${data}\n\n`);
  }

  /** Keeps a page's stream open; a comment now and then keeps proxies from closing it. */
  stream(request: Request, response: Response): void {
    response.writeHead(200, {
      "Content-Type": "text/event-stream",
      "Cache-Control": "no-store",
      Connection: "keep-alive",
      "X-Accel-Buffering": "no",
    });
    response.write(`retry: 1000\nevent: ${this.client ? "hello" : "away"}\ndata: {}\n\n`);
    this.pages.add(response);
    const beat = setInterval(() => response.write(": still here\n\n"), 20_000);
    request.on("close", () => {
      clearInterval(beat);
      this.pages.delete(response);
    });
  }

  async close(): Promise<void> {
    this.closed = true;
    clearTimeout(this.timer);
    for (const page of this.pages) page.end();
    await this.client?.end();
  }
}
