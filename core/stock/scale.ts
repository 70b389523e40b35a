/** How a scale says what lies on it. */
export type ScaleState = "stable" | "settling" | "overload" | "below zero";

export interface ScaleReading {
  state: ScaleState;
  /** Net mass, mg; missing where the scale shows none. */
  mg?: number;
  /** The battery is low: readings may drift. */
  lowBattery: boolean;
}

/**
 * One line of a bench scale's plain protocol, at most 40 characters:
 * `ST +0012.34 g`, `US +0012.30 g` (still settling), `OL` (overload), `UL` (below zero); ` LB` at its end says that the
 * battery is low. Grams, with a decimal point.
 *
 * @returns undefined for what is no such line: half a line after the cable was put in, noise
 */
export function readScaleLine(line: string): ScaleReading | undefined {
  const read = /^(ST|US|OL|UL)(?:\s+([+-]?\d{1,6}(?:\.\d{1,4})?)\s*g)?(\s+LB)?\s*$/.exec(line.slice(0, MOST_LINE));
  if (!read) return undefined;
  const [, code = "", grams, low] = read;
  const lowBattery = low !== undefined;
  if (code === "OL") return { state: "overload", lowBattery };
  if (code === "UL") return { state: "below zero", lowBattery };
  if (grams === undefined) return undefined;
  return { state: code === "ST" ? "stable" : "settling", mg: Math.round(Number(grams) * 1000), lowBattery };
}

const MOST_LINE = 40;

/** A reading as its line, for a stand-in. */
export function scaleLine({ state, mg = 0, lowBattery }: ScaleReading): string {
  const low = lowBattery ? " LB" : "";
  if (state === "overload") return `OL${low}`;
  if (state === "below zero") return `UL${low}`;
  const sign = mg < 0 ? "-" : "+";
  const grams = (Math.abs(mg) / 1000).toFixed(2).padStart(7, "0");
  return `${state === "stable" ? "ST" : "US"} ${sign}${grams} g${low}`;
}

/** Lines of a stream that comes in pieces; what is not ended yet is kept for the next piece. */
export class LineReader {
  private rest = "";

  /** @returns the lines that this piece has ended */
  take(piece: string): string[] {
    const lines = (this.rest + piece).split(/\r?\n/);
    this.rest = (lines.pop() ?? "").slice(-MOST_LINE);
    return lines;
  }
}
