import { nth } from "../numeric";
import type { Colour, Drawing, Layer, Point, Shape } from "./shapes";

/** What a renderer draws: few paths, each with everything of one step that looks alike. */
export interface DrawnPath {
  layer: Layer;
  step?: string;
  d: string;
  fill?: Colour | "hatch";
  stroke?: Colour | "hatch";
  width: number;
  edged: boolean;
}

/** To a hundredth of a millimetre. */
const n = (v: number): string => String(Math.round(v * 100) / 100);
const at = ([x, y]: Point): string => `${n(x)} ${n(y)}`;

/** A line through its points, rounded: quadratic curves from middle to middle. */
function smooth(points: Point[]): string {
  const [first, ...rest] = points;
  if (!first) return "";
  if (rest.length < 2) return `M${at(first)}${rest.map((p) => `L${at(p)}`).join("")}`;
  let d = `M${at(first)}`;
  for (let i = 0; i < rest.length - 1; i++) {
    const [a, b] = [nth(rest, i), nth(rest, i + 1)];
    const end: Point = i === rest.length - 2 ? b : [(a[0] + b[0]) / 2, (a[1] + b[1]) / 2];
    d += `Q${at(a)} ${at(end)}`;
  }
  return d;
}

const closed = (points: Point[]): string => `M${points.map(at).join("L")}Z`;
const circle = ([x, y]: Point, r: number): string =>
  `M${n(x - r)} ${n(y)}a${n(r)} ${n(r)} 0 1 0 ${n(2 * r)} 0a${n(r)} ${n(r)} 0 1 0 ${n(-2 * r)} 0Z`;

const SHADES = 9;
const WIDTHS = 50;

/** Lighten (towards white) or darken (towards black) a colour "#rrggbb" by a share. */
export function shaded(colour: string, by: number): string {
  const towards = by > 0 ? 255 : 0;
  const parts = [1, 3, 5].map((i) => parseInt(colour.slice(i, i + 2), 16));
  return `#${parts
    .map((c) =>
      Math.round(c + (towards - c) * Math.min(1, Math.abs(by)))
        .toString(16)
        .padStart(2, "0"),
    )
    .join("")}`;
}

const paint = (s: Shape): string =>
  s.colour === undefined ? "hatch" : shaded(s.colour, Math.round((s.shade ?? 0) * SHADES) / SHADES);

/**
 * The shapes of a drawing as SVG paths, merged: strokes of one step and layer that share colour, shade and width become
 * one path. Shades and widths are rounded to a ninth and to 0.02 mm, which the eye does not see.
 * @returns in drawing order
 */
export function pathsOf(drawing: Pick<Drawing, "shapes">): DrawnPath[] {
  const paths: DrawnPath[] = [];
  const open = new Map<string, DrawnPath>();
  const add = (key: string, make: () => Omit<DrawnPath, "d">, d: string) => {
    const known = open.get(key);
    if (known) known.d += d;
    else {
      const path = { ...make(), d };
      open.set(key, path);
      paths.push(path);
    }
  };
  drawing.shapes.forEach((s, i) => {
    const base = { layer: s.layer, step: s.step };
    const colour = paint(s);
    if (s.kind === "stroke") {
      const width = Math.max(1, Math.round(s.width * WIDTHS)) / WIDTHS;
      add(
        `${s.layer}|${s.step ?? ""}|${colour}|${width}`,
        () => ({ ...base, stroke: colour, width, edged: false }),
        smooth(s.points),
      );
    } else if (s.kind === "disc")
      add(`#${i}`, () => ({ ...base, fill: colour, width: 0, edged: false }), circle(s.at, s.radius));
    else add(`#${i}`, () => ({ ...base, fill: colour, width: 0, edged: s.edged ?? false }), closed(s.points));
  });
  return paths;
}

/** Fill and outline of the neutral hatch for what has no known colour, and the outline of solid parts. */
const HATCH = `<pattern id="hatch" width=".5" height=".5" patternUnits="userSpaceOnUse"><path d="M0 0h.5v.5h-.5z" fill="#c9cdc6"/><path d="M0 .5.5 0" stroke="#555" stroke-width=".06"/></pattern>`;
const EDGE = "#1b2a2b";

const escaped = (text: string): string => text.replace(/[&<>"']/g, (c) => `&#${c.charCodeAt(0)};`);

/** A drawing as an SVG file of its own, for export: true size in mm. */
export function svgFile(drawing: Drawing, title: string): string {
  const [x, y, w, h] = drawing.box;
  const ink = (c: string | undefined) => (c === "hatch" ? "url(#hatch)" : (c ?? "none"));
  const body = pathsOf(drawing).map((p) =>
    p.stroke !== undefined
      ? `<path d="${p.d}" fill="none" stroke="${ink(p.stroke)}" stroke-width="${p.width}" stroke-linecap="round" stroke-linejoin="round"/>`
      : `<path d="${p.d}" fill="${ink(p.fill)}"${p.edged ? ` stroke="${EDGE}" stroke-width=".06"` : ""}/>`,
  );
  return `<svg xmlns="http://www.w3.org/2000/svg" viewBox="${[x, y, w, h].map(n).join(" ")}" width="${n(w)}mm" height="${n(h)}mm"><title>${escaped(title)}</title><defs>${HATCH}</defs>${body.join("")}</svg>`;
}
