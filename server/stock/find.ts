import type { Found } from "@kasten/contract/stock";
import { fold } from "@kasten/core/orders";
import { rows, type Db } from "../database/rows";

const MOST_FOUND = 40;

/** A word as a pattern that matches it anywhere, with nothing in it read as a sign. */
const anywhere = (word: string): string => `%${word.replace(/[\\%_]/g, "\\$&")}%`;

/**
 * Anything in the cabinet of which every word stands somewhere: name, code, form, colour, species, caution, drawer,
 * lot, dye lot, grade, note, supplier. What begins so, or is just that, comes first; then materials, lots, drawers.
 */
export async function findIn(db: Db, q: string): Promise<Found[]> {
  const words = fold(q).split(/\s+/).filter(Boolean).slice(0, 8).map(anywhere);
  if (words.length === 0) return [];
  return rows<Found>(
    db,
    `WITH lying AS (
       SELECT b.lot_id, string_agg(p.code, ' ' ORDER BY p.code) AS codes, min(p.code) AS code FROM balance b
       JOIN place p ON p.id = b.place_id WHERE p.kind = 'drawer' AND b.quantity > 0 GROUP BY b.lot_id),
     everything AS (
       SELECT 'material' AS kind, m.code AS id, m.name, concat_ws(', ', m.code, m.form, m.colour_name) AS about, m.colour,
         d.code AS drawer, concat_ws(' ', m.name, m.code, m.form, m.colour_name, m.controlled_species, d.code, d.name) AS text,
         0 AS rank
       FROM material m JOIN place d ON d.id = m.drawer_id
       UNION ALL
       SELECT 'lot', l.id::text, m.name,
         concat_ws(', ', 'lot ' || l.code, NULLIF(l.sold_as, ''), NULLIF('dye lot ' || l.dye_lot, 'dye lot '), NULLIF(l.note, '')),
         m.colour, p.code,
         concat_ws(' ', m.name, m.colour_name, l.code, l.dye_lot, l.grade, l.sold_as, l.note, l.origin, l.papers, s.name, p.codes,
           (SELECT string_agg(t.value, ' ') FROM jsonb_each_text(l.traits) t)), 1
       FROM lot l JOIN material m ON m.code = l.material_code LEFT JOIN supplier s ON s.id = l.supplier_id
       JOIN lying p ON p.lot_id = l.id
       UNION ALL
       SELECT 'drawer', d.code, d.name, (SELECT count(*) FROM material m WHERE m.drawer_id = d.id) || ' materials', NULL,
         d.code, concat_ws(' ', d.code, d.name), 2
       FROM place d WHERE d.kind = 'drawer' AND NOT d.bobbin)
     SELECT kind, id, name, about, colour, drawer FROM everything
     WHERE translate(lower(text), 'äöüàáâèéêëìíîïòóôùúûçñ', 'aouaaaeeeeiiiiooouuucn') LIKE ALL ($1::text[])
     ORDER BY (lower(id) = lower($2) OR lower(name) = lower($2) OR lower(about) LIKE '%lot ' || lower($2) || '%') DESC,
       (lower(name) LIKE lower($2) || '%') DESC, rank, name, id LIMIT ${MOST_FOUND}`,
    [words, q.trim()],
  );
}
