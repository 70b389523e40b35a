import type { Db } from "../database/rows";
import { overloaded } from "../http/problems";
import type { Cover, KeptOutlook } from "../needs";
import type { Line, PromisedLines } from "../schedule";
import type { Part } from "./entities";
import { findPart, type Found } from "./queries";
import type { Reckoner } from "./work";

/** A room that is computed so quickly is waited for, a moment; of a larger one the last answer is given meanwhile. */
const usualPatience = { quickMs: 600, patienceMs: 50 };
/** The minute of the day is part of a plan: it is made anew after a while, also where nothing has changed. */
const FRESH_MS = 10 * 60_000;
/** Of the time of its thread the plan of a large room takes half at most. */
const REST = 1;
/** Changes come in bursts. */
const GATHER_MS = 150;
const TRIES = 20;
const RETRY_MS = 500;

interface Kept {
  revision: string;
  at: Date;
  doc: string;
}

/**
 * What is computed of the whole room and kept: what the open batches need, what the stock covers, the plan. It is made
 * by somebody else, anew after each change; whoever asks is given what is kept.
 */
export class Outlook {
  private readonly kept = new Map<Part, Kept>();
  private readonly parsed = new WeakMap<Kept, ReadonlyMap<string, unknown>>();
  private running: Promise<void> = Promise.resolve();
  private next?: Promise<void>;
  private timer?: NodeJS.Timeout;
  private tookMs = 0;

  constructor(
    private readonly reckoner: Reckoner,
    private readonly failed: (error: unknown) => void,
    private readonly patience = usualPatience,
  ) {}

  /** The newest text of a part, as JSON. */
  async read(db: Db, part: Part): Promise<string> {
    return (await this.newest(db, part)).doc;
  }

  /** The newest of a part, in the shape that it has, and when it was made. */
  async partOf<T>(db: Db, part: Part): Promise<{ value: T; at: Date }> {
    const { doc, at } = await this.newest(db, part);
    // What this program wrote itself.
    return { value: JSON.parse(doc) as T, at };
  }

  cover(db: Db): Promise<ReadonlyMap<string, Cover>> {
    return this.byMaterial<Cover>(db, "cover");
  }

  /** When how much of each material is taken, and who gets which of its classes. */
  stock(db: Db): Promise<ReadonlyMap<string, KeptOutlook>> {
    return this.byMaterial<KeptOutlook>(db, "stock");
  }

  private async byMaterial<T>(db: Db, part: "cover" | "stock"): Promise<ReadonlyMap<string, T>> {
    const kept = await this.newest(db, part);
    // What this program wrote itself, in the shape that the part has.
    const known = this.parsed.get(kept) ?? new Map(JSON.parse(kept.doc) as [string, unknown][]);
    this.parsed.set(kept, known);
    return known as ReadonlyMap<string, T>;
  }

  /** The earliest days of some lines. */
  async promise(db: Db, lines: Line[]): Promise<PromisedLines> {
    await this.newest(db, "cover");
    return this.reckoner.promise(lines);
  }

  /** Something has changed: computed anew in a moment, for the pages that are open. */
  changed(): void {
    this.timer ??= setTimeout(() => {
      this.timer = undefined;
      this.renew().catch(this.failed);
    }, GATHER_MS);
    this.timer.unref();
  }

  close(): void {
    clearTimeout(this.timer);
  }

  private async newest(db: Db, part: Part): Promise<Kept> {
    const now = await this.find(db, part);
    if (now && isCurrent(now.found)) return now.kept;
    if (!now) return this.first(db, part);
    const renewed = this.renew();
    renewed.catch(this.failed);
    if (now.found.tookMs > this.patience.quickMs) return now.kept;
    await Promise.race([renewed, new Promise((resolve) => setTimeout(resolve, this.patience.patienceMs).unref())]);
    return (await this.find(db, part))?.kept ?? now.kept;
  }

  /** Of a room of which nothing has been computed yet; perhaps another server is just about it. */
  private async first(db: Db, part: Part): Promise<Kept> {
    for (let tries = 0; tries < TRIES; tries++) {
      await this.renew();
      const made = await this.find(db, part);
      if (made) return made.kept;
      await pause(RETRY_MS);
    }
    throw overloaded();
  }

  private async find(db: Db, part: Part): Promise<{ kept: Kept; found: Found } | undefined> {
    const known = this.kept.get(part);
    const found = await findPart(db, part, known?.revision);
    if (!found) return undefined;
    this.tookMs = found.tookMs;
    if (found.doc === null && known) return { kept: known, found };
    const kept = { revision: found.revision, at: found.at, doc: found.doc ?? "" };
    this.kept.set(part, kept);
    return { kept, found };
  }

  /** Computes anew, once for all who ask before it begins. */
  private renew(): Promise<void> {
    this.next ??= this.running
      .catch(() => undefined)
      .then(() => (this.tookMs > this.patience.quickMs ? pause(this.tookMs * REST) : undefined))
      .then(() => {
        this.next = undefined;
        this.running = this.reckoner.reckon();
        return this.running;
      });
    return this.next;
  }
}

const pause = (ms: number): Promise<void> => new Promise((resolve) => setTimeout(resolve, ms).unref());

const isCurrent = ({ change, newest, at }: Found): boolean => change === newest && Date.now() - at.getTime() < FRESH_MS;
