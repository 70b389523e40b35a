import type { LineHead } from "./head";
import { asCollar, isFilling, isLoopedCollar, loopAt as readLoop, mayTellLoop, spinsAt, startsLoop } from "./loops";
import { lineOf, type Reading } from "./reading";
import { scan } from "./scan";
import type { Told } from "./told";

/** So many lines a loop may take: made, filled, spun, wound. */
const MOST_OF_LOOP = 3;

/** What the lines of a recipe tell of dubbing loops, each together with the lines before it that made the loop. */
export class LoopLines {
  constructor(private readonly r: Reading) {}

  /** Lines that only make a loop which a later line fills, or only spin it. */
  private readonly only = new Map<number, "opens" | "spins">();
  /** What a line tells of a dubbing loop, together with the lines before it that made the loop. */
  told(i: number): Told[] | undefined {
    const text = this.r.plain[i] ?? "";
    if (lineOf(this.r, i).kind !== "steps") return undefined;
    const spun = spinsAt(text);
    if (spun !== undefined && this.before(i)) {
      if (spun < text.length) return scan(text, spun, text.length, {}, this.r.scanContext);
      this.only.set(i, "spins");
      return [];
    }
    const loop = this.loopAt(i);
    if (!loop) return undefined;
    if (!loop.description) {
      // Where the line says more than that, it is read as any other: no word of it is passed over.
      const isAll = /^[\s.,;:]*$/.test(text.slice(loop.end));
      if (!isAll || !this.isFilledLater(i)) return undefined;
      this.only.set(i, "opens");
      return [];
    }
    const { role, part } = this.r.heads[i] as LineHead;
    const parts = loop.description.parts ?? [];
    if (parts.length > 1 && parts.every((p) => p.share === undefined))
      lineOf(this.r, i).notes.push("the layers of the loop are reckoned in equal parts");
    const own: Told = { ...loop, role: loop.role ?? role, part: loop.part ?? part };
    // What another line calls the thorax is that: “Thorax: squirrel, spun in a loop … three turns behind the bead”.
    const isNamed = this.r.heads.some((h) => h.isListed && (h.role === "thorax" || h.role === "collar"));
    const told = !isNamed && isLoopedCollar(own, text) ? asCollar(own) : own;
    return [told, ...scan(text, loop.end, text.length, {}, this.r.scanContext)];
  }
  private readonly loops = new Map<number, Told | undefined>();
  private loopAt(i: number): Told | undefined {
    if (this.loops.has(i)) return this.loops.get(i);
    const text = this.r.plain[i] ?? "";
    const { role, begin = 0 } = this.r.heads[i] ?? {};
    const before = mayTellLoop(text, role) ? this.before(i) : undefined;
    const isOpen = before !== undefined && !before.description;
    const told = mayTellLoop(text, role)
      ? readLoop(text, begin, this.r.scanContext.index, isOpen ? before : undefined)
      : undefined;
    this.loops.set(i, told);
    return told;
  }
  /** The loop of a line a few before this one, with nothing but its spinning between. */
  private before(i: number): Told | undefined {
    for (let n = i - 1; n >= 0 && n >= i - MOST_OF_LOOP; n--) {
      const text = this.r.plain[n] ?? "";
      if (text.trim() !== "" && spinsAt(text) !== text.length) return this.loopAt(n);
    }
    return undefined;
  }
  private isFilledLater(i: number): boolean {
    const next =
      this.r.plain.slice(i + 1, i + 1 + MOST_OF_LOOP).find((l) => l.trim() !== "" && spinsAt(l) !== l.length) ?? "";
    return !startsLoop(next) && isFilling(next);
  }

  /** Marks a line that only makes a loop or spins it; false where it tells more. */
  tellsOnly(i: number): boolean {
    const what = this.only.get(i);
    if (!what) return false;
    const line = lineOf(this.r, i);
    line.marks.push({ at: [0, line.text.length], kind: what === "opens" ? "known" : "aside" });
    if (what === "opens") line.notes.push("the loop that the next line fills");
    return true;
  }
}
