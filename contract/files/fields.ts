/** A field that a column of a file can be. */
export interface FileField {
  id: string;
  label: string;
  /** How it is to be written, where that is not plain. */
  help?: string;
  required?: boolean;
  reads: "text" | "number" | "yes or no" | "day";
  /** Heads under which it is known too. */
  also: string[];
}
const field = (id: string, label: string, also: string[] = [], more: Partial<FileField> = {}): FileField => ({
  id,
  label,
  also,
  reads: "text",
  ...more,
});
const needed = { required: true };
const figure = { reads: "number" } as const;
const yes = { reads: "yes or no" } as const;

/** What a file of each kind may hold. Heads are compared without capitals, blanks and marks, in English and German. */
export const fileFields = {
  customers: [
    field("name", "Name", ["customer", "kunde", "firma"], needed),
    field("kind", "Kind", ["art", "type"], { help: "lodge, shop, club, guide" }),
    field("rank", "Rank", ["priority", "rang"], { ...figure, help: "1 first, 9 last" }),
    field("policy", "Materials", ["policy", "materialien"], { help: "original, alternates or tier" }),
    field("no_lead", "No lead", ["lead free", "bleifrei", "kein blei"], yes),
    field("barbless_only", "Barbless only", ["barbless", "schonhaken"], yes),
    field("forbidden_species", "Forbidden species", ["verbotene arten"], { help: "parted by /" }),
    field("note", "Note", ["remark", "notes", "bemerkung", "notiz"]),
  ],
  materials: [
    field("name", "Name", ["material", "bezeichnung"], needed),
    field("form", "What it is", ["form", "art", "type", "kind"], { ...needed, help: "wire, herl, dubbing, hackle …" }),
    field("code", "Code", ["article", "artikel", "nr", "no", "number"], { help: "by itself made from the name" }),
    field("drawer", "Drawer", ["place", "schublade", "fach"]),
    field("colour", "Colour", ["color", "farbe", "colour name", "shade"], { help: "a word, or #rrggbb" }),
    field("gauge", "Gauge", ["size", "stärke", "groesse"]),
    field("lead", "Lead in it", ["blei"], yes),
    field("controlled_species", "Controlled species", ["species", "art geschützt"]),
    field("caution", "Caution", ["vorsicht", "hinweis"]),
    field("supplier", "Supplier", ["lieferant", "source"]),
    field("pack", "In a pack", ["pack", "packung", "inhalt"], { ...figure, help: "pieces, metres, grams or ml" }),
    field("price", "Price of a pack", ["preis", "cost"], figure),
    field("lead_days", "Days to come", ["delivery days", "lead time", "lieferzeit"], figure),
  ],
  hooks: [
    field("code", "Short code", ["id", "model", "modell", "kürzel"], needed),
    field("name", "Name", ["bezeichnung"]),
    field("family", "Family", ["familie", "type"], { help: "dry, wet, nymph, pupa, streamer …" }),
    field("bend", "Bend", ["bogen"], { help: "round or curved" }),
    field("longer", "Shank, steps longer", ["xl", "shank steps"], figure),
    field("heavier", "Wire, steps heavier", ["wire steps"], figure),
    field("barbless", "Barbless", ["schonhaken", "ohne widerhaken"], yes),
    field("size", "Size", ["sizes", "größe", "größen", "groesse"], { help: "one, or several parted by /" }),
    field("shank", "Shank, mm", ["shank", "schenkel"], figure),
    field("gape", "Gape, mm", ["gape", "bogenweite"], figure),
    field("wire", "Wire, mm", ["wire", "draht"], figure),
    field("eye", "Eye, mm", ["eye", "öhr"], figure),
    field("mass", "One hook, mg", ["mass", "weight", "gewicht"], figure),
    field("drawer", "Drawer", ["schublade", "fach"]),
  ],
  lots: [
    field("material", "Material", ["code", "name", "article", "artikel"], { ...needed, help: "its code or its name" }),
    field("quantity", "How much", ["amount", "menge", "stock", "bestand", "qty"], {
      ...needed,
      ...figure,
      help: "pieces, metres, grams or ml",
    }),
    field("lot", "Lot", ["charge", "batch", "los"]),
    field("dye_lot", "Dye lot", ["farbcharge", "partie"]),
    field("drawer", "Drawer", ["place", "schublade", "fach"]),
    field("grade", "Grade", ["qualität", "quality"]),
    field("side", "Side", ["seite"], { help: "left or right" }),
    field("barb_from", "Barbs from, mm", ["barb from", "fiber from"], figure),
    field("barb_to", "Barbs to, mm", ["barb to", "fiber to"], figure),
    field("received", "Received", ["date", "datum", "erhalten"], { reads: "day", help: "2026-03-12 or 12.3.2026" }),
    field("price", "Price", ["preis", "cost"], figure),
    field("supplier", "Supplier", ["lieferant", "source"]),
    field("sold_as", "Sold as", ["form", "gebinde"], { help: "spool, cape, packet …" }),
    field("expires_on", "Good until", ["expires", "haltbar bis"], { reads: "day" }),
    field("apart_until", "Kept apart until", ["quarantine", "quarantäne"], { reads: "day" }),
    field("origin", "Where it comes from", ["herkunft"]),
    field("papers", "Papers", ["papiere", "permit"]),
    field("note", "Note", ["notiz", "bemerkung"]),
    field("area", "Skin area", ["part of the skin", "hautpartie"]),
    field("age", "Age", ["alter"]),
    field("colour_depth", "Depth of colour", ["farbtiefe"], { help: "pale, medium or deep" }),
    field("splits", "Split, share", ["gespalten"], { ...figure, help: "0.1 for a tenth" }),
    field("unusable", "Of no use, share", ["unbrauchbar"], { ...figure, help: "0.1 for a tenth" }),
    field("fibres_per_mm", "Fibres a mm", ["fasern je mm"], figure),
    field("stem_mm", "Stem, mm", ["kiel"], figure),
    field("fibre_mm", "Fibres to, mm", ["fiber mm", "faserlänge"], figure),
    field("staple_mm", "Staple, mm", ["stapel"], figure),
    field("band", "Band", ["bänderung"]),
    field("gauge", "Gauge", ["stärke"]),
    field("finish", "Finish", ["oberfläche"]),
    field("consistency", "Consistency", ["konsistenz"]),
    field("used", "Used, stripped", ["gebraucht"], yes),
    field("label_colour", "Colour on the label", ["etikettfarbe"]),
    field("seen_colour", "Colour as seen", ["gesehene farbe"], { help: "#rrggbb" }),
  ],
  prices: [
    field("supplier", "Supplier", ["lieferant", "source", "from"], needed),
    field("material", "Material", ["code", "name", "article", "artikel"], { ...needed, help: "its code or its name" }),
    field("pack", "In a pack", ["packung", "inhalt", "unit size"], {
      ...needed,
      ...figure,
      help: "pieces, metres, grams or ml",
    }),
    field("price", "Price of a pack", ["preis", "cost"], { ...needed, ...figure }),
    field("lead_days", "Days to come", ["delivery days", "lead time", "lieferzeit"], figure),
    field("breaks", "Breaks", ["staffel", "price breaks"], { help: "5=9.50/20=8: from 5 packs on 9.50 a pack" }),
    field("usable", "Usable, per cent", ["brauchbar"], figure),
    field("grade", "Grade", ["qualität", "quality"]),
    field("season_from", "To be had from month", ["season", "von monat"], figure),
    field("season_to", "to month", ["bis monat"], figure),
    field("note", "Note", ["notiz", "bemerkung"]),
  ],
  counts: [
    field("lot", "Lot", ["charge", "los"], needed),
    field("counted", "Counted", ["amount", "quantity", "menge", "gezählt"], {
      ...needed,
      ...figure,
      help: "pieces, metres, grams or ml",
    }),
    field("drawer", "Drawer", ["place", "schublade", "fach"], { help: "where a lot lies in more than one" }),
    field("how", "How", ["wie"], { help: "counted, weighed or looked at" }),
    field("plus_minus", "Give or take", ["uncertainty", "unsicherheit"], figure),
    field("note", "Note", ["notiz", "bemerkung", "why"]),
  ],
  orders: [
    field("text", "As typed", ["order", "bestellung", "text"], { help: "the whole order in one line" }),
    field("customer", "Customer", ["kunde", "client"]),
    field("due", "Due", ["date", "datum", "termin", "by"], { help: "a day, or a season" }),
    field("quantity", "Quantity", ["amount", "menge", "dozen", "dz"], { help: "6 dz, or 72" }),
    field("pattern", "Pattern", ["fly", "fliege", "muster"]),
    field("size", "Size", ["hook", "größe", "haken"]),
    field("colour", "Colour", ["color", "farbe", "variant"]),
  ],
} as const satisfies Record<string, readonly FileField[]>;

/** A head without capitals, blanks and marks. */
export const headKey = (head: string): string =>
  head
    .toLowerCase()
    .normalize("NFKD")
    .replace(/\(.*\)|\[.*\]/g, "")
    .replace(/[^a-z0-9]+/g, "");

/** Which field each head is, by its own words; each field once. */
export function fieldsByHead(fields: readonly FileField[], heads: string[]): (string | null)[] {
  const taken = new Set<string>();
  const names = fields.map((f) => ({ id: f.id, keys: [f.id, f.label, ...f.also].map(headKey) }));
  return heads.map((head) => {
    const key = headKey(head);
    const found = key === "" ? undefined : names.find((n) => !taken.has(n.id) && n.keys.includes(key));
    if (found) taken.add(found.id);
    return found?.id ?? null;
  });
}
