import { day } from "../parts/format";

/** What keeps a lot from being tied with, or is worth knowing of it. */
export interface Standing {
  label: string;
  /** It wants a person now. */
  call: boolean;
}

interface Dated {
  apartUntil: string | null;
  expiresOn: string | null;
  openedOn: string | null;
}

const SOON_DAYS = 30;
const DAY_MS = 86_400_000;

/** @param today ISO day */
export function standingOf(lot: Dated, today: string): Standing | undefined {
  if (lot.apartUntil)
    return lot.apartUntil <= today
      ? { label: "kept apart: look at it and let it go", call: true }
      : { label: `kept apart until ${day(lot.apartUntil)}`, call: false };
  if (lot.expiresOn && lot.expiresOn < today) return { label: `past its day, ${day(lot.expiresOn)}`, call: true };
  if (lot.expiresOn && Date.parse(lot.expiresOn) - Date.parse(today) < SOON_DAYS * DAY_MS)
    return { label: `good until ${day(lot.expiresOn)}`, call: false };
  return lot.openedOn ? { label: "opened", call: false } : undefined;
}
