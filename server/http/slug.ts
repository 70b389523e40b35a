const MOST_ID = 50;

/** An id from a name: Latin letters and digits, parted by hyphens; empty where the name has none. */
export const slugOf = (name: string): string =>
  name
    .toLowerCase()
    .normalize("NFKD")
    .replace(/[^a-z0-9]+/g, "-")
    .replace(/^-|-$/g, "")
    .slice(0, MOST_ID);
