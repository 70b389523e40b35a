import { expect, test } from "@playwright/test";
import { readFileSync } from "node:fs";
import { join } from "node:path";
import { gzipSync } from "node:zlib";

/** The built pages by their sources: which file each became, and what it takes in at once. */
type Manifest = Record<string, { file: string; imports?: string[]; isEntry?: boolean }>;
const dist = join(import.meta.dirname, "../web/dist");
const manifest = JSON.parse(readFileSync(join(dist, ".vite/manifest.json"), "utf8")) as Manifest;
const MOST_KB = 252;

/** All files that come with some, one after another. */
function withImports(...sources: string[]): Set<string> {
  const files = new Set<string>();
  const visit = (source: string): void => {
    const chunk = manifest[source];
    if (!chunk || files.has(chunk.file)) return;
    files.add(chunk.file);
    for (const next of chunk.imports ?? []) visit(next);
  };
  sources.forEach(visit);
  return files;
}
const kilobytes = (files: Set<string>): number =>
  [...files]
    .filter((f) => f.endsWith(".js"))
    .reduce((sum, f) => sum + gzipSync(readFileSync(join(dist, f))).length / 1000, 0);

const views = Object.keys(manifest).filter(
  (source) => /(View|Page|Sheet|Card)\.vue$/.test(source) && !manifest[source]?.isEntry,
);

test("the first JavaScript of every view stays light; the editor and the calendar come when they are needed", () => {
  expect(views.length).toBeGreaterThan(15);
  const heavy = ["editor/CodeEditor.vue", "parts/CalendarField.vue"].map((s) => manifest[s]?.file ?? s);
  const weights = views.map((view) => {
    const files = withImports("index.html", "frame/RoomFrame.vue", view);
    expect(
      [...files].filter((f) => heavy.includes(f)),
      view,
    ).toEqual([]);
    return { view, kb: Math.round(kilobytes(files)) };
  });
  for (const w of weights.sort((a, b) => b.kb - a.kb)) console.log(`${String(w.kb).padStart(4)} kB  ${w.view}`);
  expect(weights.filter((w) => w.kb > MOST_KB)).toEqual([]);
});
