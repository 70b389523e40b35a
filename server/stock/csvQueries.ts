import { traitHeads } from "@kasten/core/stock";
import { rows, type Db } from "../database/rows";

/** Pieces, metres, grams or millilitres, as people write them and the importer reads them. */
const written = (quantity: string, unit: string): string =>
  `trim_scale(CASE WHEN ${unit} = 'count' THEN ${quantity}::numeric ELSE ${quantity} / 1000000.0 END)::text`;
const writtenUnit = "CASE m.unit WHEN 'count' THEN 'pieces' WHEN 'um' THEN 'm' WHEN 'ug' THEN 'g' ELSE 'ml' END";

/** What a lot has of its own, each under the head by which the importer knows it. */
const traitColumns = Object.entries(traitHeads)
  .map(([trait, head]) => `l.traits->>'${trait}' AS ${head}`)
  .join(", ");

/** Lots in drawers, with the heads that the importer of lots knows. */
export const lotRows = (db: Db): Promise<Record<string, unknown>[]> =>
  rows(
    db,
    `SELECT m.code AS material, m.name, l.code AS lot, p.code AS drawer, ${written("b.quantity", "m.unit")} AS quantity,
       ${writtenUnit} AS unit, ${written("b.reserved", "m.unit")} AS reserved, l.dye_lot, l.grade, l.side,
       trim_scale(l.barb_from_um / 1000.0)::text AS barb_from, trim_scale(l.barb_to_um / 1000.0)::text AS barb_to,
       l.sold_as, s.name AS supplier, to_char(l.received_at, 'YYYY-MM-DD') AS received,
       trim_scale(l.price_cents / 100.0)::text AS price, ${written("l.price_for", "m.unit")} AS price_for,
       l.opened_on::text, l.expires_on::text, l.apart_until::text, l.remnant, l.origin, l.papers, l.note,
       ${traitColumns}
     FROM balance b JOIN lot l ON l.id = b.lot_id JOIN material m ON m.code = l.material_code
     JOIN place p ON p.id = b.place_id AND p.kind = 'drawer' LEFT JOIN supplier s ON s.id = l.supplier_id
     WHERE b.quantity > 0 ORDER BY p.code, m.code, l.code`,
  );

const MOST_ROWS = 200_000;

export const movementRows = (db: Db, days: number): Promise<Record<string, unknown>[]> =>
  rows(
    db,
    `SELECT v.id AS movement, to_char(v.at AT TIME ZONE 'UTC', 'YYYY-MM-DD"T"HH24:MI:SS"Z"') AS at, pe.name AS person,
       v.reason, v.note, COALESCE(m.code, l.pattern_id) AS item, l.code AS lot,
       ${written("v.quantity", "COALESCE(m.unit, 'count')")} AS quantity, f.code AS from_place, t.code AS to_place,
       b.number AS batch
     FROM movement v JOIN lot l ON l.id = v.lot_id LEFT JOIN material m ON m.code = l.material_code
     JOIN person pe ON pe.id = v.person_id JOIN place f ON f.id = v.from_place JOIN place t ON t.id = v.to_place
     LEFT JOIN batch b ON b.id = v.batch_id
     WHERE v.at > now() - make_interval(days => $1) ORDER BY v.id LIMIT ${MOST_ROWS}`,
    [days],
  );

/** Counts with the heads that the importer of counts knows; "booked" is what the ledger held at that moment. */
export const countRows = (db: Db, days: number): Promise<Record<string, unknown>[]> =>
  rows(
    db,
    `SELECT l.code AS lot, p.code AS drawer, m.code AS material, ${written("c.counted", "m.unit")} AS counted,
       ${writtenUnit} AS unit, ${written("c.plus_minus", "m.unit")} AS plus_minus,
       ${written("c.expected", "m.unit")} AS booked, c.how, c.note, pe.name AS person,
       to_char(c.at AT TIME ZONE 'UTC', 'YYYY-MM-DD"T"HH24:MI:SS"Z"') AS at
     FROM stock_count c JOIN lot l ON l.id = c.lot_id JOIN material m ON m.code = l.material_code
     JOIN place p ON p.id = c.place_id JOIN person pe ON pe.id = c.person_id
     WHERE c.at > now() - make_interval(days => $1) ORDER BY c.id LIMIT ${MOST_ROWS}`,
    [days],
  );
