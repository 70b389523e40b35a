import type { PatternBook } from "@kasten/contract/patterns";

/** As many as one request may name. */
const AT_ONCE = 50;

/** One file of many patterns, read in parts: each pattern and each material once, in the order asked for. */
export async function collectBook(ids: string[], read: (ids: string[]) => Promise<PatternBook>): Promise<PatternBook> {
  const parts: PatternBook[] = [];
  for (let i = 0; i < ids.length; i += AT_ONCE) parts.push(await read(ids.slice(i, i + AT_ONCE)));
  const [first] = parts;
  if (!first) throw new Error("no patterns were asked for");
  const place = new Map(ids.map((id, i) => [id, i]));
  const patterns = parts.flatMap((p) => p.patterns).sort((a, b) => (place.get(a.id) ?? 0) - (place.get(b.id) ?? 0));
  const materials = new Map(parts.flatMap((p) => p.materials ?? []).map((m) => [m.code, m]));
  return { ...first, patterns, materials: [...materials.values()] };
}
