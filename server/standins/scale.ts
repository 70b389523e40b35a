import { connect, type Socket } from "node:net";
import type { Response } from "express";
import { LineReader } from "@kasten/core/stock";

/** A scale that speaks lines over a socket: the stand-in, or a real one behind a serial-to-network box. */
export interface ScaleLink {
  readonly isThere: boolean;
  /** Streams its lines to a page, for as long as it listens. */
  stream: (response: Response) => void;
  /** @returns whether it could be told */
  tell: (command: string) => boolean;
  close: () => void;
}

const RETRY_MS = 2000;
const MOST_PAGES = 40;

/**
 * Connected while somebody listens; lost, it is tried again.
 * @param address host:port; without one there is no scale
 */
export class SocketScale implements ScaleLink {
  private readonly pages = new Set<Response>();
  private socket?: Socket;
  private timer?: NodeJS.Timeout;
  /** Lines are numbered: two that say the same are told apart. */
  private said = 0;

  constructor(private readonly address: string | undefined) {}

  get isThere(): boolean {
    return this.address !== undefined;
  }

  stream(response: Response): void {
    response.writeHead(200, {
      "Content-Type": "text/event-stream",
      "Cache-Control": "no-store",
      "X-Accel-Buffering": "no",
    });
    const [oldest] = this.pages;
    if (this.pages.size >= MOST_PAGES && oldest) this.leave(oldest);
    this.pages.add(response);
    response.on("close", () => this.leave(response));
    if (this.socket) return;
    this.open();
  }

  tell(command: string): boolean {
    if (!this.socket?.writable) return false;
    this.socket.write(`${command}\r\n`);
    return true;
  }

  close(): void {
    for (const p of [...this.pages]) this.leave(p);
  }

  private leave(page: Response): void {
    if (!this.pages.delete(page)) return;
    page.end();
    if (this.pages.size > 0) return;
    clearTimeout(this.timer);
    this.socket?.destroy();
    this.socket = undefined;
  }

  private open(): void {
    const [, host = "", port = ""] = /^(.*):(\d+)$/.exec(this.address ?? "") ?? [];
    if (!port || this.pages.size === 0) return;
    const socket = connect(Number(port), host);
    const lines = new LineReader();
    this.socket = socket;
    socket.setEncoding("utf8");
    socket.on("data", (piece: string) => {
      for (const line of lines.take(piece)) this.say("line", line);
    });
    // `close` follows, and tries again.
    socket.on("error", () => this.say("away", ""));
    socket.on("close", () => {
      if (this.socket !== socket) return;
      this.socket = undefined;
      this.timer = setTimeout(() => this.open(), RETRY_MS);
      this.timer.unref();
    });
  }

  private say(event: string, data: string): void {
    this.said++;
    for (const p of this.pages) p.write(`id: ${this.said}\nevent: ${event}\ndata: ${data}\n\n`);
  }
}
