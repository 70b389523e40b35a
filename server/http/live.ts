import type { Response } from "express";
import pg from "pg";
import type { Logger } from "pino";
import { z } from "zod";

const changeSchema = z.object({ subject: z.string(), subjectId: z.string(), kind: z.string() });

/** Whoever is on the database can tell anything: what is no change is no reason to stop. */
function changeOf(payload: string): Change | undefined {
  try {
    return changeSchema.safeParse(JSON.parse(payload)).data;
  } catch {
    return undefined;
  }
}

/** Whose stream it is, and how long it may last. */
export interface Listener {
  person: string;
  session: string;
  /** When its session ends; null for one that lasts as long as the browser. */
  until: Date | null;
}

/** What the database tells of: a thing that has changed, and how. */
export interface Change {
  subject: string;
  subjectId: string;
  kind: string;
}

/** What a page that does not read may leave lying here before it is sent away: it comes back by itself. */
const MOST_UNREAD_BYTES = 1_000_000;
/** Pages that one person may have open; the oldest gives way. */
const MOST_STREAMS = 12;
const BEAT_MS = 20_000;

/**
 * Live updates: what the database tells (LISTEN) goes to every open page (server-sent events).
 * One connection for the whole server; when it is lost it is made anew, and pages are told to look again.
 */
export class Live {
  private readonly pages = new Map<Response, Listener>();
  private client?: pg.Client;
  private closed = false;
  private timer?: NodeJS.Timeout;
  private readonly heard = new Set<(change: Change) => void>();

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
    client.on("notification", (n) => (n.channel === "kasten_session" ? this.end(n.payload) : this.change(n.payload)));
    try {
      await client.connect();
      await client.query("LISTEN kasten; LISTEN kasten_session");
      this.client = client;
      this.tell("look", "{}");
    } catch (error) {
      this.lost(client, error as Error);
    }
  }

  /** Calls back at each change that the database tells of. */
  onChange(hear: (change: Change) => void): void {
    this.heard.add(hear);
  }

  /** Whether any page is open. */
  isHeard(): boolean {
    return this.pages.size > 0;
  }

  private change(payload = ""): void {
    const change = changeOf(payload);
    if (!change) return;
    this.tell("change", JSON.stringify(change));
    for (const hear of this.heard) hear(change);
  }

  /** Streams of a person or of a session end with it. */
  private end(who: string | undefined): void {
    for (const [page, { person, session }] of this.pages) if (who === person || who === session) page.end();
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
    for (const page of this.pages.keys()) this.write(page, `event: ${kind}\ndata: ${data}\n\n`);
  }

  private write(page: Response, text: string): void {
    if (page.writableLength > MOST_UNREAD_BYTES) page.destroy();
    else page.write(text);
  }

  /** Keeps a page's stream open; a comment now and then keeps proxies from closing it. */
  stream(response: Response, listener: Listener): void {
    const own = [...this.pages].filter(([, { person }]) => person === listener.person);
    for (const [oldest] of own.slice(0, Math.max(0, own.length + 1 - MOST_STREAMS))) oldest.end();
    response.writeHead(200, {
      "Content-Type": "text/event-stream",
      "Cache-Control": "no-store",
      Connection: "keep-alive",
      "X-Accel-Buffering": "no",
    });
    response.write(`retry: 1000\nevent: ${this.client ? "hello" : "away"}\ndata: {}\n\n`);
    this.pages.set(response, listener);
    const beat = setInterval(() => {
      if (listener.until && listener.until.getTime() <= Date.now()) response.end();
      else this.write(response, ": still here\n\n");
    }, BEAT_MS);
    response.on("close", () => {
      clearInterval(beat);
      this.pages.delete(response);
    });
  }

  async close(): Promise<void> {
    this.closed = true;
    clearTimeout(this.timer);
    for (const page of this.pages.keys()) page.end();
    await this.client?.end();
  }
}
