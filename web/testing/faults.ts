/** What went wrong behind a page's back; each test hears of its own at its end. */
export const faults: unknown[] = [];
