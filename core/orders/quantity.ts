import type { Coded } from "../errors";
import type { Span } from "./spans";
import type { Catalogue, Doubt, DoubtDetails } from "./types";

/** Most that one line of an order holds. */
export const MOST_DOZENS = 500;

const dozenWord = "(?:dozens?|doz|dzn|dz)";
const quantityPattern = new RegExp(
  `(-?\\d[\\d.,]*)\\s*${dozenWord}\\b\\.?(?:\\s*\\+\\s*(\\d+))?|(-?\\d[\\d.,]*)\\s*(?:flies|fly|pcs|pieces|singles|ea)\\b|\\b(?:an?\\s+)?(couple|few|several|handful|half|some)(?:\\s+(?:of|an?))*\\s+${dozenWord}\\b`,
  "i",
);

/** A quantity where it stands, or what is asked about it. */
export interface Quantity {
  at: [number, number];
  flies?: number;
  doubt?: Doubt;
}

/** Dozens and singles in a chunk; undefined when it states none. */
export function readQuantity(chunk: Span, catalogue: Catalogue): Quantity | undefined {
  const m = quantityPattern.exec(chunk.text);
  if (!m) return undefined;
  const at: [number, number] = [chunk.start + m.index, chunk.start + m.index + m[0].length];
  const refuse = (why: Coded<DoubtDetails>, candidates: Doubt["candidates"] = []): Quantity => ({
    at,
    doubt: { field: "quantity", ...why, at, candidates },
  });
  const word = m[4]?.toLowerCase();
  if (word) {
    const own = word === "half" ? undefined : catalogue.numberWords[word];
    if (word === "half") return refuse({ code: "HALF_A_DOZEN", details: {} }, [{ label: "6 flies", text: "6 flies" }]);
    return refuse(
      { code: "LOOSE_NUMBER", details: { words: m[0].trim() } },
      own ? [{ label: `${own} dz, as you use the word`, text: `${own}dz` }] : [],
    );
  }
  const dozens = m[1] === undefined ? undefined : Number(m[1].replace(",", m[1].match(/,\d{3}\b/) ? "" : "."));
  const singles = Number((m[3] ?? m[2] ?? "0").replace(",", ""));
  const flies = (dozens ?? 0) * 12 + singles;
  if (!Number.isFinite(flies)) return refuse({ code: "NOT_A_NUMBER", details: { words: m[0] } });
  if (flies <= 0) return refuse({ code: "TOO_FEW", details: { words: m[0].trim(), flies } });
  if (!Number.isInteger(dozens ?? 0) || !Number.isInteger(flies)) {
    const whole = Math.floor(flies / 12);
    const rest = Math.round(flies - whole * 12);
    const text = whole > 0 ? `${whole}dz + ${rest}` : `${rest} flies`;
    return refuse(
      { code: "NOT_WHOLE", details: { words: m[1] ?? m[3] ?? "" } },
      rest > 0 ? [{ label: text, text }] : [],
    );
  }
  if (flies > MOST_DOZENS * 12)
    return refuse({ code: "TOO_MANY", details: { dozens: Math.round(flies / 12), most: MOST_DOZENS } });
  return { at, flies };
}

export const dozensText = (flies: number): string => {
  const [dozens, singles] = [Math.floor(flies / 12), flies % 12];
  if (dozens === 0) return `${singles} flies`;
  return singles === 0 ? `${dozens} dz` : `${dozens} dz + ${singles}`;
};
