import type { Purchase } from "@kasten/contract/purchasing";

/** When an order comes, and how sure that is. */
export function comesWords(
  p: Pick<Purchase, "state" | "confirmedOn" | "expectedOn">,
  day: (iso: string) => string,
): string {
  if (p.state === "received" || p.state === "cancelled" || p.state === "draft") return "";
  if (p.confirmedOn) return `${day(p.confirmedOn)}, as they say`;
  return p.expectedOn ? `about ${day(p.expectedOn)}` : "";
}
