/** What was typed or chosen in the field that an event comes from. */
export const textOf = (event: Event): string => (event.target as HTMLInputElement | HTMLSelectElement).value;

/** Words parted by commas; none at all is nothing. */
export function wordsByComma(text: string | undefined): string[] | undefined {
  const words = (text ?? "")
    .split(",")
    .map((t) => t.trim())
    .filter(Boolean);
  return words.length > 0 ? words : undefined;
}
